import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { MovementRef } from "~/core/kernel/index.ts";
import { inOrder, type Phase, type PhaseDay } from "~/core/phase/index.ts";
import { slotsOf, type Slot } from "~/core/plan/index.ts";
import { formatTurns, WEEKDAYS } from "~/format/phase.ts";
import { useCatalogue } from "../../catalogue.ts";
import { PlainInput, Select } from "../../field.tsx";
import { Section } from "../../page.tsx";
import { Deed, type Of } from "./deed.tsx";
import { Technique } from "./technique.tsx";
import { StatedTarget } from "./stated-target.tsx";

/** Which exercises are in which weeks, which take turns, and what each is to come to. */
export function Exercises({
  document,
  variations,
  of,
}: {
  readonly document: Phase;
  readonly variations: Readonly<Record<string, readonly MovementRef[]>>;
  readonly of: Of;
}) {
  return (
    <Section title="Exercises by week">
      {inOrder(document).map((day) => (
        <Box key={day.id} component="section" aria-label={day.title} sx={{ py: 1 }}>
          <Typography component="h3" variant="h3">
            {WEEKDAYS[day.weekday - 1]} · {day.title}
          </Typography>
          {slotsOf(day.session).map((slot) => (
            <ExerciseWeeks
              key={`${of.revision} ${slot.lineageId}`}
              document={document}
              day={day}
              slot={slot}
              variations={variations[slot.lineageId] ?? []}
              of={of}
            />
          ))}
        </Box>
      ))}
    </Section>
  );
}

function ExerciseWeeks({
  document,
  day,
  slot,
  variations,
  of,
}: {
  readonly document: Phase;
  readonly day: PhaseDay;
  readonly slot: Slot;
  readonly variations: readonly MovementRef[];
  readonly of: Of;
}) {
  const { find } = useCatalogue();
  const name = (ref: MovementRef) => find(ref)?.name ?? ref;
  const { lineageId: lineage } = slot;
  const isOf = (own: { readonly day: string; readonly lineage: string }) =>
    own.day === day.id && own.lineage === lineage;
  const spans = document.spans.filter(isOf);
  const rotation = document.rotations.find(
    (own) => own.day === day.id && own.members.includes(lineage),
  );
  const keep = document.keeps.find(isOf);
  const hidden = { day: day.id, lineage };
  const own = name(slot.movement);
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1.2fr) 1fr 0.8fr 1.5fr" },
        gap: 2,
        alignItems: "center",
        py: 0.75,
        borderBottom: 1,
        borderColor: "divider",
      }}
    >
      <div>
        <strong>{own}</strong>
        <Typography variant="body2" sx={{ color: "text.secondary" }}>
          {rotation === undefined
            ? spans.length === 0
              ? "every week"
              : `weeks ${spans.map(({ from, to }) => (from === to ? from : `${from}–${to}`)).join(", ")}`
            : formatTurns(rotation, lineage)}
        </Typography>
      </div>
      <Deed
        intent="spans"
        of={of}
        hidden={hidden}
        sx={{ display: "flex", gap: 0.75, alignItems: "center" }}
      >
        Weeks
        <Box sx={{ width: 52 }}>
          <PlainInput
            name="from"
            aria-label={`${own} from week`}
            inputMode="numeric"
            defaultValue={spans[0]?.from ?? 1}
            maxLength={2}
          />
        </Box>
        to
        <Box sx={{ width: 52 }}>
          <PlainInput
            name="to"
            aria-label={`${own} to week`}
            inputMode="numeric"
            defaultValue={spans.at(-1)?.to ?? document.weeks.length}
            maxLength={2}
          />
        </Box>
        <Button type="submit" size="small" disabled={of.isBusy}>
          Set
        </Button>
      </Deed>
      <Deed
        intent="keep"
        of={of}
        hidden={hidden}
        sx={{ display: "flex", gap: 0.75, alignItems: "center" }}
      >
        Keep
        <Box sx={{ width: 46 }}>
          <PlainInput
            name="phases"
            aria-label={`${own} is kept for so many phases`}
            inputMode="numeric"
            placeholder="–"
            defaultValue={keep?.phases ?? ""}
            maxLength={2}
          />
        </Box>
        phases
        <Button type="submit" size="small" disabled={of.isBusy}>
          Set
        </Button>
      </Deed>
      <StatedTarget document={document} slot={slot} name={own} hidden={hidden} of={of} />
      {rotation === undefined || variations.length > 0 ? (
        <Box
          sx={{
            gridColumn: { lg: "span 2" },
            display: "flex",
            gap: 0.75,
            alignItems: "center",
            minWidth: 0,
          }}
        >
          {variations.length === 0 ? (
            <Typography variant="body2" sx={{ color: "text.secondary" }}>
              no variation here
            </Typography>
          ) : (
            <Deed
              intent="turns"
              of={of}
              hidden={hidden}
              sx={{ display: "flex", gap: 0.75, alignItems: "center", flexGrow: 1, minWidth: 0 }}
            >
              <span style={{ whiteSpace: "nowrap" }}>Turns with</span>
              <Select name="movement" aria-label={`${own} takes turns with`}>
                {variations.map((ref) => (
                  <option key={ref} value={ref}>
                    {name(ref)}
                  </option>
                ))}
              </Select>
              every
              <Box sx={{ width: 46, flexShrink: 0 }}>
                <PlainInput
                  name="every"
                  aria-label={`${own} takes turns every so many weeks`}
                  inputMode="numeric"
                  defaultValue={rotation?.every ?? 2}
                  maxLength={2}
                />
              </Box>
              <Button type="submit" size="small" disabled={of.isBusy}>
                Set
              </Button>
            </Deed>
          )}
          {rotation === undefined ? null : (
            <Deed intent="endTurns" of={of} hidden={hidden}>
              <Button type="submit" size="small" disabled={of.isBusy}>
                End turns
              </Button>
            </Deed>
          )}
        </Box>
      ) : null}
      {rotation === undefined ? <Technique name={own} hidden={hidden} of={of} /> : null}
    </Box>
  );
}
