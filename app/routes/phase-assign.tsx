import Typography from "@mui/material/Typography";
import { Link, data, redirect, useNavigation } from "react-router";
import { giveCodec } from "~/codec/template.ts";
import { addDays, dayAt, weekStart } from "~/core/kernel/index.ts";
import { slotsOf } from "~/core/plan/index.ts";
import { formatDay, plural } from "~/format/numbers.ts";
import { formatNewPhaseError, formatOverlap } from "~/format/phase.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { addPhaseCopies, phaseCopiesFor } from "~/server/coaching/assign-phase.server.ts";
import { listGyms } from "~/server/db/gyms.server.ts";
import { listPeople } from "~/server/db/people.server.ts";
import { getPhase } from "~/server/db/phases.server.ts";
import { readForm } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/phase-assign.ts";
import { CopiesForm, GiveForm } from "../components/give.tsx";
import { Page, Section } from "../components/page.tsx";

export const loader = reading(async (scope, { params, request }: Route.LoaderArgs) => {
  const phase = orNotFound(await getPhase(scope, idParam<"phase">(params.phaseId)));
  const search = new URL(request.url).searchParams;
  const give = giveCodec(dayAt(scope.now, "UTC")).safeParse({
    people: search.getAll("people"),
    gymId: search.get("gymId"),
    day: search.get("day"),
  });
  const [people, gyms] = await Promise.all([listPeople(scope), listGyms(scope)]);
  const copies = give.success ? orNotFound(await phaseCopiesFor(scope, phase, give.data)) : [];
  const today = dayAt(scope.now, gyms[0]?.timeZone ?? "UTC");
  return {
    phase: { id: phase.id, name: phase.name, personName: phase.personName },
    weeks: phase.document.weeks.length,
    people: people.map(({ id, name }) => ({ id, name })),
    gyms: gyms.map(({ id, name }) => ({ id, name })),
    given: give.success ? give.data : null,
    copies: copies.map(({ person, document, changes, overlap }) => ({
      person: { id: person.id, name: person.name },
      about: `${plural(document.days.length, "day")} a week, ${plural(
        document.days.flatMap(({ session }) => slotsOf(session)).length,
        "exercise",
      )}`,
      changes,
      obstacle: overlap === null ? null : formatOverlap(overlap),
    })),
    isIncomplete: !give.success && search.has("day"),
    start: addDays(weekStart(today), 7),
  };
});

/** Makes the copies that were accepted, all or none. */
export const action = writing(async (scope, { params, request }: Route.ActionArgs) => {
  const phase = orNotFound(await getPhase(scope, idParam<"phase">(params.phaseId)));
  const form = await readForm(request);
  const give = giveCodec(dayAt(scope.now, "UTC")).safeParse({
    people: form.getAll("people"),
    gymId: form.get("gymId"),
    day: form.get("day"),
  });
  if (!give.success) return data({ problem: "Choose at least one client." }, { status: 400 });
  const copies = orNotFound(await phaseCopiesFor(scope, phase, give.data));
  const added = await addPhaseCopies(scope, phase.name, copies);
  if (!added.ok) return data({ problem: formatNewPhaseError(added.error) }, { status: 400 });
  const [only] = added.value;
  throw redirect(added.value.length === 1 && only !== undefined ? `/phases/${only}` : "/people");
});

/** Assigns a phase to other clients: what each copy changes is read before any of them is made. */
export default function AssignPhase({ loaderData, actionData }: Route.ComponentProps) {
  const { phase, weeks, people, gyms, given, copies, isIncomplete, start } = loaderData;
  const isBusy = useNavigation().state !== "idle";
  return (
    <Page
      title={`Assign ${phase.name}`}
      lead={
        <>
          <Link to={`/phases/${phase.id}`}>{phase.personName}’s phase</Link> ·{" "}
          {plural(weeks, "week")} · fitted to each client’s level, equipment, limits and time
        </>
      }
    >
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
            problem={actionData?.problem ?? null}
            isBusy={isBusy}
            submit="Assign"
          />
          <Typography variant="body2" sx={{ color: "text.secondary", mt: 1 }}>
            Each copy is a phase of its own and begins as the phase was written: loads become the
            client’s own, and changes of single weeks are not taken along.
          </Typography>
        </Section>
      )}
    </Page>
  );
}
