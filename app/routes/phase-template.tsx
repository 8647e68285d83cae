import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Form, Link, data, redirect, useNavigation } from "react-router";
import { slotsOf } from "~/core/plan/index.ts";
import { formatFrame } from "~/format/fitting.ts";
import { plural } from "~/format/numbers.ts";
import { formatAssignError, toldCopies, WEEK_NAMES, WEEKDAYS } from "~/format/phase.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { assigningOf, assignTo } from "~/server/coaching/assigning.server.ts";
import { getPhaseTemplate, putPhaseTemplateAway } from "~/server/db/phase-templates.server.ts";
import { readForm } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/phase-template.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { Ledger } from "../components/ledger.tsx";
import { AssignPhase } from "../components/phase/assign.tsx";
import { Page, Section } from "../components/page.tsx";
import { useMuscles } from "../components/wording.ts";

export const loader = reading(async (scope, { params, request }: Route.LoaderArgs) => {
  const template = orNotFound(
    await getPhaseTemplate(scope, idParam<"phaseTemplate">(params.phaseTemplateId)),
  );
  const assigning = orNotFound(await assigningOf(scope, template.document, request.url));
  const { days, weeks } = template.document;
  return {
    name: template.name,
    isPutAway: template.isPutAway,
    weeks: weeks.map(({ kind }) => kind),
    days: days.map(({ weekday, title, session }) => ({
      weekday,
      title,
      slots: slotsOf(session).map(({ movement, frame }) => ({ movement, frame })),
    })),
    ...assigning,
    copies: toldCopies(assigning.copies),
  };
});

/** Makes the copies that were accepted, all or none; or puts the template away, or takes it back. */
export const action = writing(async (scope, { params, request }: Route.ActionArgs) => {
  const template = orNotFound(
    await getPhaseTemplate(scope, idParam<"phaseTemplate">(params.phaseTemplateId)),
  );
  const form = await readForm(request);
  const intent = form.get("intent");
  if (intent === "putAway" || intent === "takeBack") {
    await putPhaseTemplateAway(scope, template.id, intent === "putAway");
    throw redirect("/templates");
  }
  const added = await assignTo(scope, template.name, template.document, form);
  if (!added.ok) return data({ problem: formatAssignError(added.error) }, { status: 400 });
  const [only] = added.value;
  throw redirect(added.value.length === 1 && only !== undefined ? `/phases/${only}` : "/people");
});

/** A phase that the studio keeps: what is in it, and to whom it is given. */
export default function PhaseTemplatePage({ loaderData, actionData }: Route.ComponentProps) {
  const muscles = useMuscles();
  const { name, isPutAway, weeks, days, ...assigning } = loaderData;
  const { find } = useCatalogue();
  const isBusy = useNavigation().state !== "idle";
  const special = weeks.flatMap((kind, i) =>
    kind === "normal" ? [] : [`week ${i + 1} ${WEEK_NAMES[kind]}`],
  );
  return (
    <Page
      title={name}
      lead={
        <>
          <Link to="/templates">Templates</Link> ·{" "}
          {[plural(weeks.length, "week"), `${plural(days.length, "day")} a week`, ...special].join(
            " · ",
          )}
        </>
      }
      actions={
        <Form method="post">
          <Box sx={{ display: "flex", gap: 1 }}>
            <input type="hidden" name="intent" value={isPutAway ? "takeBack" : "putAway"} />
            <Button type="submit" variant="outlined" disabled={isBusy}>
              {isPutAway ? "Restore" : "Archive"}
            </Button>
          </Box>
        </Form>
      }
    >
      <Section title="What is in it">
        <Ledger label="Days of the phase" head={["Day", "Session", "Exercises"]}>
          {days.map(({ weekday, title, slots }) => (
            <tr key={weekday}>
              <th scope="row">{WEEKDAYS[weekday - 1]}</th>
              <td>{title}</td>
              <td>
                {slots
                  .map(({ movement, frame }) =>
                    frame === null
                      ? (find(movement)?.name ?? movement)
                      : formatFrame(frame, muscles),
                  )
                  .join(", ")}
              </td>
            </tr>
          ))}
        </Ledger>
      </Section>
      <AssignPhase {...assigning} problem={actionData?.problem ?? null} />
    </Page>
  );
}
