import Box from "@mui/material/Box";
import { Link, data, redirect, useNavigation } from "react-router";
import { changePhaseCodec } from "~/codec/change-phase.ts";
import { formatSources } from "~/format/phase.ts";
import { formatChangeProblem } from "~/format/replan.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { editPhase, variationsIn } from "~/server/coaching/edit-phase.server.ts";
import { sessionSources } from "~/server/coaching/session-sources.server.ts";
import { listApproaches } from "~/server/db/approaches.server.ts";
import { listGyms } from "~/server/db/gyms.server.ts";
import { getPhase } from "~/server/db/phases.server.ts";
import { readForm } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/phase-change.ts";
import { FieldErrors } from "../components/field.tsx";
import { Page } from "../components/page.tsx";
import { Aim } from "../components/phase/change/aim.tsx";
import { Days } from "../components/phase/change/days.tsx";
import { Exercises } from "../components/phase/change/exercises.tsx";
import { Weeks } from "../components/phase/change/weeks.tsx";

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  const phase = orNotFound(await getPhase(scope, idParam<"phase">(params.phaseId)));
  const [gyms, approaches, sources, variations] = await Promise.all([
    listGyms(scope),
    listApproaches(scope),
    sessionSources(scope, phase.personId),
    variationsIn(scope, phase),
  ]);
  return {
    id: phase.id,
    name: phase.name,
    revision: phase.revision,
    personName: phase.personName,
    document: phase.document,
    variations,
    gyms: gyms.map(({ id, name }) => ({ id, name })),
    approaches: approaches.map(({ ref, name }) => ({ ref, name })),
    sources: formatSources(sources),
  };
});

export const action = writing(async (scope, { params, request }: Route.ActionArgs) => {
  const phase = orNotFound(await getPhase(scope, idParam<"phase">(params.phaseId)));
  const asked = changePhaseCodec.safeParse(Object.fromEntries(await readForm(request)));
  if (!asked.success)
    return data(
      { problem: asked.error.issues[0]?.message ?? "This was not understood." },
      { status: 400 },
    );
  const done = await editPhase(scope, phase, asked.data);
  if (done.ok) throw redirect(`/phases/${phase.id}/change`);
  return data({ problem: formatChangeProblem(done.error) }, { status: 400 });
});

/** Everything of a phase that is no single cell: what for, its weeks, its days, and which exercises when. */
export default function ChangePhase({ loaderData, actionData }: Route.ComponentProps) {
  const { id, name, personName, document, revision } = loaderData;
  const isBusy = useNavigation().state !== "idle";
  const of = { revision, isBusy };
  return (
    <Page
      wide
      title={`Change ${name}`}
      lead={
        <>
          <Link to={`/phases/${id}`}>{personName}’s phase</Link> · what was trained stays; sessions
          that are planned follow
        </>
      }
    >
      {actionData === undefined ? null : (
        <FieldErrors id="change-error" errors={[actionData.problem]} />
      )}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1fr) minmax(0,2fr)" },
          columnGap: 5,
        }}
      >
        <Aim {...loaderData} of={of} />
        <Weeks document={document} of={of} />
      </Box>
      <Days {...loaderData} of={of} />
      <Exercises document={document} variations={loaderData.variations} of={of} />
    </Page>
  );
}
