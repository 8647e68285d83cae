import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link } from "react-router";
import type { Give } from "~/codec/template.ts";
import type { FittingChange } from "~/core/coach/index.ts";
import type { Day } from "~/core/kernel/index.ts";
import { formatFittingChange } from "~/format/fitting.ts";
import { useCatalogue } from "./catalogue.ts";
import { ClientsChoice, type NamedClient } from "./clients/client-choice.tsx";
import { DayInput } from "./day-input.tsx";
import { Labelled, Select } from "./field.tsx";
import { useMuscles } from "./wording.ts";

/** To whom something is given, where and from which day; what changes for each is shown before anything is made. */
export function GiveForm({
  people,
  gyms,
  given,
  dayLabel,
  today,
}: {
  readonly people: readonly NamedClient[];
  readonly gyms: readonly NamedClient[];
  /** What was asked for already; null at first. */
  readonly given: Give | null;
  readonly dayLabel: string;
  readonly today: Day;
}) {
  if (people.length === 0 || gyms.length === 0) {
    return (
      <Typography sx={{ mt: 1 }}>
        A client and a gym come first. <Link to="/people/new">Add a client</Link>, or{" "}
        <Link to="/gyms">add a gym</Link>.
      </Typography>
    );
  }
  return (
    <Form method="get" replace>
      <Box sx={{ maxWidth: 620, pt: 1.5 }}>
        <Labelled id="people" label="Clients">
          <ClientsChoice id="people" name="people" people={people} chosen={given?.people ?? []} />
        </Labelled>
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "flex-end" }}>
        <Labelled id="gymId" label="Gym">
          <Select id="gymId" name="gymId" defaultValue={given?.gymId ?? gyms[0]?.id}>
            {gyms.map((gym) => (
              <option key={gym.id} value={gym.id}>
                {gym.name}
              </option>
            ))}
          </Select>
        </Labelled>
        <Labelled id="day" label={dayLabel}>
          <DayInput id="day" name="day" defaultValue={given?.day ?? today} />
        </Labelled>
        <Box sx={{ mb: 2 }}>
          <Button type="submit" variant={given === null ? "contained" : "outlined"}>
            Show what changes
          </Button>
        </Box>
      </Box>
    </Form>
  );
}

/** Somebody's copy: what it holds in a few words, and what was changed for them. */
export interface ShownCopy {
  readonly person: NamedClient;
  readonly about: string;
  readonly changes: readonly FittingChange[];
  /** Why it cannot be made; null where it can. */
  readonly obstacle: string | null;
}

/** The copies with what each changes, of which some or all are made. */
export function CopiesForm({
  given,
  copies,
  problem,
  isBusy,
  submit,
}: {
  readonly given: Give;
  readonly copies: readonly ShownCopy[];
  readonly problem: string | null;
  readonly isBusy: boolean;
  readonly submit: string;
}) {
  const muscles = useMuscles();
  const { find } = useCatalogue();
  return (
    <Form method="post">
      <input type="hidden" name="gymId" value={given.gymId} />
      <input type="hidden" name="day" value={given.day} />
      {copies.map(({ person, about, changes, obstacle }) => (
        <Box
          component="section"
          key={person.id}
          aria-label={`What changes for ${person.name}`}
          sx={{ borderBottom: 1, borderColor: "divider", py: 1.25 }}
        >
          <Box component="label" sx={{ fontWeight: 700 }}>
            <input
              type="checkbox"
              name="people"
              value={person.id}
              defaultChecked={obstacle === null}
              disabled={obstacle !== null}
            />{" "}
            {person.name}
          </Box>{" "}
          <Typography component="span" variant="body2" sx={{ color: "text.secondary" }}>
            {about}
            {changes.length === 0 ? ", as it is" : ""}
          </Typography>
          {obstacle === null ? null : <Typography variant="body2">{obstacle}</Typography>}
          <Box component="ul" sx={{ m: 0, mt: 0.5 }}>
            {changes.map((change, i) => (
              <li key={i}>{formatFittingChange(change, find, muscles)}</li>
            ))}
          </Box>
        </Box>
      ))}
      {problem === null ? null : (
        <Typography role="alert" sx={{ color: "kravo.signal", fontWeight: 650, mt: 1 }}>
          ▸ {problem}
        </Typography>
      )}
      <Button type="submit" variant="contained" disabled={isBusy} sx={{ mt: 2 }}>
        {submit}
      </Button>
    </Form>
  );
}
