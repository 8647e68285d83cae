import Typography from "@mui/material/Typography";
import { useNavigation } from "react-router";
import type { Give } from "~/codec/template.ts";
import type { Day } from "~/core/kernel/index.ts";
import { formatDay } from "~/format/numbers.ts";
import { CopiesForm, GiveForm } from "../give.tsx";
import { Section } from "../page.tsx";

type Copies = Parameters<typeof CopiesForm>[0]["copies"];
type Named = Parameters<typeof GiveForm>[0]["people"];

/** What the page of a phase that is assigned shows. */
export interface Assigning {
  readonly people: Named;
  readonly gyms: Named;
  readonly given: Give | null;
  readonly copies: Copies;
  /** True where clients, gym or first day are missing from what was asked. */
  readonly isIncomplete: boolean;
  readonly start: Day;
}

/** Gives a phase to clients: what each copy changes is read before any of them is made. */
export function AssignPhase({
  people,
  gyms,
  given,
  copies,
  isIncomplete,
  start,
  problem,
}: Assigning & { readonly problem: string | null }) {
  const isBusy = useNavigation().state !== "idle";
  return (
    <>
      <Section title="Clients">
        <GiveForm people={people} gyms={gyms} given={given} dayLabel="First day" today={start} />
      </Section>
      {isIncomplete ? (
        <Typography role="alert" sx={{ color: "kravo.signal", fontWeight: 650 }}>
          ▸ Choose at least one client, a gym and a first day.
        </Typography>
      ) : null}
      {given === null ? null : (
        <Section title={`What changes, from ${formatDay(given.day)}`}>
          <CopiesForm
            given={given}
            copies={copies}
            problem={problem}
            isBusy={isBusy}
            submit="Assign"
          />
          <Typography variant="body2" sx={{ color: "text.secondary", mt: 1 }}>
            Each copy is a phase of its own and begins as the phase was written: loads become the
            client’s own, and changes of single weeks are not taken along.
          </Typography>
        </Section>
      )}
    </>
  );
}
