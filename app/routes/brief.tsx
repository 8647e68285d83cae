import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link, redirect } from "react-router";
import { briefFormCodec } from "~/codec/brief.ts";
import { measurementFormCodec } from "~/codec/measurement.ts";
import { revisionField } from "~/codec/person.ts";
import { approachAmong, type BriefField, type Level } from "~/core/person/index.ts";
import { dayAt, yearOf, idField } from "~/core/kernel/index.ts";
import { BRIEF_FIELDS, FIELD_NAMES, formatBriefField, type BriefNames } from "~/format/brief.ts";
import { formatDay } from "~/format/numbers.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { listApproaches } from "~/server/db/approaches.server.ts";
import { briefHistory, saveBrief, type BriefRevision } from "~/server/db/briefs.server.ts";
import { listGyms, studioDay } from "~/server/db/gyms.server.ts";
import {
  addMeasurement,
  listMeasurements,
  removeMeasurement,
} from "~/server/db/measurements.server.ts";
import { getPerson } from "~/server/db/people.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/brief.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { BriefForm } from "../components/brief/brief-form.tsx";
import { BriefLines } from "../components/brief/brief-lines.tsx";
import { Measurements } from "../components/brief/measurements.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Page, Section } from "../components/page.tsx";
import { useMuscles } from "../components/wording.ts";

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  const person = orNotFound(await getPerson(scope, idParam<"person">(params.personId)));
  const [history, approaches, gyms, measurements] = await Promise.all([
    briefHistory(scope, person.id),
    listApproaches(scope),
    listGyms(scope),
    listMeasurements(scope, person.id),
  ]);
  const today = dayAt(scope.now, gyms[0]?.timeZone ?? "UTC");
  return { person, history, approaches, gyms, measurements, today };
});

export const action = writing(async (scope, { request, params }: Route.ActionArgs) => {
  const person = orNotFound(await getPerson(scope, idParam<"person">(params.personId)));
  const here = `/people/${person.id}/brief`;
  const form = await readForm(request);
  const intent = form.get("intent");
  const today = await studioDay(scope);
  if (intent === "unmeasure") {
    const id = idField("measurement").safeParse(form.get("measurement"));
    if (!id.success || !(await removeMeasurement(scope, person.id, id.data)))
      throw orNotFound(null);
    throw redirect(`${here}#body`);
  }
  if (intent === "measure") {
    const submission = parseWithZod(form, { schema: measurementFormCodec(today) });
    if (submission.status !== "success") {
      return refused({ kind: "measure" as const, reply: submission.reply() });
    }
    await addMeasurement(scope, person.id, submission.value);
    throw redirect(`${here}#body`);
  }
  const submission = parseWithZod(form, { schema: briefFormCodec(today) });
  const revision = revisionField.safeParse(form.get("revision"));
  if (submission.status !== "success" || !revision.success) {
    return refused({ kind: "brief" as const, reply: submission.reply(), current: null });
  }
  const own = new Set((await listGyms(scope)).map((gym) => gym.id));
  if (submission.value.gyms.some((gym) => !own.has(gym))) throw orNotFound(null);
  const saved = await saveBrief(scope, person.id, revision.data, submission.value);
  if (saved.ok) throw redirect(here);
  const { current } = saved.error;
  return {
    kind: "brief" as const,
    current: current.revision,
    reply: submission.reply({
      formErrors: [
        `Someone else saved this brief in the meantime (revision ${current.revision}). Theirs is kept in the history below; yours is still in the form, and saving again makes it the next.`,
      ],
    }),
  };
});

export default function BriefPage({ loaderData, actionData }: Route.ComponentProps) {
  const muscles = useMuscles();
  const { find } = useCatalogue();
  const { person, history, approaches, gyms, measurements, today } = loaderData;
  const [current] = history;
  if (current === undefined) return null;
  const brief = { ...current.document, level: person.level };
  const names: BriefNames = {
    approach: (ref) => approachAmong(approaches, ref).name,
    gym: (id) => gyms.find((g) => g.id === id)?.name ?? null,
    movement: (ref) => find(ref)?.name ?? ref,
    muscles,
    year: yearOf(today),
  };
  const reply = actionData?.kind === "brief" ? actionData : null;
  return (
    <Page
      title={`Brief: ${person.name}`}
      heading="Brief"
      lead={
        <>
          <Link to={`/people/${person.id}`}>{person.name}</Link> ·{" "}
          {current.at === null
            ? "nothing written yet"
            : `as of ${formatDay(dayAt(current.at, gyms[0]?.timeZone ?? "UTC"))}`}{" "}
          · blank fields have no effect
        </>
      }
    >
      <Section title="What is known, and what it does">
        <BriefLines brief={brief} names={names} />
      </Section>
      <Section title="Change the brief" id="change">
        <Box sx={{ pt: 2 }}>
          <BriefForm
            key={current.revision}
            lastResult={reply?.reply ?? null}
            document={current.document}
            revision={reply?.current ?? current.revision}
            approaches={approaches}
            gyms={gyms.filter(
              ({ id, isArchived }) => !isArchived || current.document.gyms.includes(id),
            )}
            today={today}
          />
        </Box>
      </Section>
      <Section title="Body and readiness, over time" id="body">
        <Measurements
          key={measurements.length}
          list={measurements}
          lastResult={actionData?.kind === "measure" ? actionData.reply : null}
          unit={person.unit}
          today={today}
        />
      </Section>
      <Section title="History">
        {history.length < 2 && current.at === null ? (
          <Typography sx={{ py: 2, color: "text.secondary" }}>No changes yet.</Typography>
        ) : (
          <Ledger label="History of the brief" head={["Revision", "Day", "Changed"]}>
            {history.map((revision, i) => (
              <tr key={revision.revision}>
                <th scope="row" className="figure">
                  {revision.revision}
                </th>
                <td>
                  {revision.at === null
                    ? ""
                    : formatDay(dayAt(revision.at, gyms[0]?.timeZone ?? "UTC"))}
                </td>
                <td>
                  <Changes
                    now={revision}
                    before={history[i + 1]}
                    level={person.level}
                    names={names}
                  />
                </td>
              </tr>
            ))}
          </Ledger>
        )}
      </Section>
    </Page>
  );
}

/** What differs from the revision before, field by field: what it was, and what it became. */
function Changes({
  now,
  before,
  level,
  names,
}: {
  readonly now: BriefRevision;
  readonly before: BriefRevision | undefined;
  readonly level: Level;
  readonly names: BriefNames;
}) {
  if (before === undefined) return "first written";
  const said = (revision: BriefRevision, field: BriefField) =>
    formatBriefField(field, { ...revision.document, level }, names) || "nothing";
  const changes = BRIEF_FIELDS.map(
    (field) => [field, said(before, field), said(now, field)] as const,
  ).filter(([, was, is]) => was !== is);
  return changes.length === 0
    ? "nothing"
    : changes.map(([field, was, is]) => (
        <Box key={field}>
          <strong>{FIELD_NAMES[field]}</strong>: {was} → {is}
        </Box>
      ));
}
