import { Link, data, redirect } from "react-router";
import { plural } from "~/format/numbers.ts";
import { formatAssignError, toldCopies } from "~/format/phase.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { assigningOf, assignTo } from "~/server/coaching/assigning.server.ts";
import { getPhase } from "~/server/db/phases.server.ts";
import { readForm } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/phase-assign.ts";
import { AssignPhase } from "../components/phase/assign.tsx";
import { Page } from "../components/page.tsx";

export const loader = reading(async (scope, { params, request }: Route.LoaderArgs) => {
  const phase = orNotFound(await getPhase(scope, idParam<"phase">(params.phaseId)));
  const assigning = orNotFound(await assigningOf(scope, phase.document, request.url));
  return {
    phase: { id: phase.id, name: phase.name, personName: phase.personName },
    weeks: phase.document.weeks.length,
    ...assigning,
    copies: toldCopies(assigning.copies),
  };
});

/** Makes the copies that were accepted, all or none. */
export const action = writing(async (scope, { params, request }: Route.ActionArgs) => {
  const phase = orNotFound(await getPhase(scope, idParam<"phase">(params.phaseId)));
  const added = await assignTo(scope, phase.name, phase.document, await readForm(request));
  if (!added.ok) return data({ problem: formatAssignError(added.error) }, { status: 400 });
  const [only] = added.value;
  throw redirect(added.value.length === 1 && only !== undefined ? `/phases/${only}` : "/people");
});

/** Assigns a client's phase to other clients. */
export default function AssignOwn({ loaderData, actionData }: Route.ComponentProps) {
  const { phase, weeks, ...assigning } = loaderData;
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
      <AssignPhase {...assigning} problem={actionData?.problem ?? null} />
    </Page>
  );
}
