import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link, data, redirect } from "react-router";
import { personFormCodec, revisionField } from "~/codec/person.ts";
import { approachAmong } from "~/core/person/index.ts";
import { dayAt, yearOf, type Day } from "~/core/kernel/index.ts";
import { formatDay } from "~/format/numbers.ts";
import { LEVEL_NAMES } from "~/format/training.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { listApproaches } from "~/server/db/approaches.server.ts";
import { standingFor } from "~/server/coaching/standing.server.ts";
import { currentBrief } from "~/server/db/briefs.server.ts";
import { listGyms } from "~/server/db/gyms.server.ts";
import { listCoaches } from "~/server/db/coaches.server.ts";
import { archivePerson, changePerson, erasePerson, getPerson } from "~/server/db/people.server.ts";
import { listPhasesOf } from "~/server/db/phases.server.ts";
import { listPlansOf } from "~/server/db/plans.server.ts";
import { warningsOn } from "~/server/db/warnings.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/person.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { BriefLines } from "../components/brief/brief-lines.tsx";
import { Ledger } from "../components/ledger.tsx";
import { OverWeeks } from "../components/over-weeks.tsx";
import { Empty, Page, Section, Tag } from "../components/page.tsx";
import { PersonFields } from "../components/person-form.tsx";
import { ArchiveForm } from "../components/archive-form.tsx";
import { PlanLink, SessionTag } from "../components/plan-entry.tsx";
import { ExerciseStanding } from "../components/standing.tsx";
import { useMuscles } from "../components/wording.ts";

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  const person = orNotFound(await getPerson(scope, idParam<"person">(params.personId)));
  const [plans, phases, brief, approaches, gyms, warnings, coaches] = await Promise.all([
    listPlansOf(scope, person.id, 8),
    listPhasesOf(scope, person.id),
    currentBrief(scope, person),
    listApproaches(scope),
    listGyms(scope),
    warningsOn(scope, person.id),
    listCoaches(scope),
  ]);
  const today = dayAt(scope.now, gyms[0]?.timeZone ?? "UTC");
  const standing = await standingFor(scope, person.id, { goal: brief.goal, today });
  return {
    person,
    plans,
    phases,
    today,
    standing,
    warnings,
    brief,
    approach: approachAmong(approaches, brief.approach),
    gyms,
    coaches,
    year: yearOf(today),
  };
});

export const action = writing(async (scope, { request, params }: Route.ActionArgs) => {
  const id = idParam<"person">(params.personId);
  orNotFound(await getPerson(scope, id));
  const form = await readForm(request);
  if (form.get("intent") === "archive" || form.get("intent") === "restore") {
    await archivePerson(scope, id, form.get("intent") === "archive");
    throw redirect(`/people/${id}`);
  }
  if (form.get("intent") === "erase") {
    if (form.get("confirm") !== "erase") {
      return data({ kind: "eraseUnconfirmed" as const }, { status: 400 });
    }
    await erasePerson(scope, id);
    throw redirect("/people");
  }
  const schema = personFormCodec(await listCoaches(scope));
  const submission = parseWithZod(form, { schema });
  const revision = revisionField.safeParse(form.get("revision"));
  if (submission.status !== "success" || !revision.success) {
    return refused({ kind: "reply" as const, reply: submission.reply(), other: null });
  }
  const changed = await changePerson(scope, id, revision.data, submission.value);
  if (changed.ok) throw redirect(`/people/${id}`);
  if (changed.error.code === "missing") throw orNotFound(null);
  return {
    kind: "reply" as const,
    reply: submission.reply({
      formErrors: [
        "Someone else saved this client in the meantime. Their values stand at the fields that differ; yours are still in the form. Saving again keeps yours.",
      ],
    }),
    other: changed.error.current,
  };
});

export default function PersonPage({ loaderData, actionData }: Route.ComponentProps) {
  const muscles = useMuscles();
  const { find } = useCatalogue();
  const { person, plans, phases, today, standing, warnings, brief, approach, gyms, year, coaches } =
    loaderData;
  const result = actionData?.kind === "reply" ? actionData : null;
  const other = result?.other ?? null;
  return (
    <Page
      title={person.name}
      lead={
        <>
          {person.goal === "" ? "No goal written yet" : person.goal} · {LEVEL_NAMES[person.level]} ·
          units: {person.unit}
        </>
      }
      actions={
        <Button component={Link} to={`/plans/new?person=${person.id}`} variant="contained">
          Plan a session
        </Button>
      }
    >
      {person.isArchived ? (
        <Notes>
          Archived. Hidden from Today and every list; nothing is lost.{" "}
          <ArchiveForm name={person.name} isArchived />
        </Notes>
      ) : null}
      {person.notes === "" ? null : <Notes>{person.notes}</Notes>}
      <OverWeeks
        person={person.id}
        warnings={warnings}
        approach={approach.name}
        phase={phases.find((own) => own.starts <= today && today <= own.ends)?.id ?? null}
        next={
          plans
            .filter(({ day, sessionState }) => day >= today && sessionState.kind === "none")
            .toSorted((a, b) => (a.day < b.day ? -1 : 1))[0]?.id ?? null
        }
      />
      <Section
        title="Brief"
        aside={
          <>
            <Button component={Link} to={`/people/${person.id}/strength`} size="small">
              Rep-max table
            </Button>
            <Button component={Link} to={`/people/${person.id}/when`} size="small">
              Project a load
            </Button>
            <Button component={Link} to={`/people/${person.id}/comparing`} size="small">
              Comparing
            </Button>
            <Button component={Link} to={`/people/${person.id}/brief`} size="small">
              Open the brief
            </Button>
          </>
        }
      >
        <BriefLines
          brief={brief}
          names={{
            approach: () => approach.name,
            gym: (id) => gyms.find((g) => g.id === id)?.name ?? null,
            movement: (ref) => find(ref)?.name ?? ref,
            muscles,
            year,
          }}
        />
      </Section>
      <Phases person={person.id} phases={phases} today={today} />
      <Section title="Exercises: now and next">
        {standing.length === 0 ? (
          <Empty>Nothing logged yet.</Empty>
        ) : (
          standing.map((of) => (
            <ExerciseStanding
              key={of.key}
              of={of}
              name={find(of.slot.movement)?.name ?? of.slot.movement}
              personAt={`/people/${person.id}`}
            />
          ))
        )}
      </Section>
      <Section title="Sessions">
        {plans.length === 0 ? (
          <Empty>None planned yet.</Empty>
        ) : (
          <Ledger label="Sessions" head={["Day", "Session", "State"]}>
            {plans.map((plan) => (
              <tr key={plan.id}>
                <th scope="row" className="figure">
                  {formatDay(plan.day)}
                </th>
                <td>
                  <PlanLink plan={plan} />
                </td>
                <td>
                  <SessionTag sessionState={plan.sessionState} />
                </td>
              </tr>
            ))}
          </Ledger>
        )}
      </Section>
      <Section id="change" title="Change">
        <Box sx={{ maxWidth: 640, pt: 2 }}>
          <PersonFields
            key={`${person.revision}`}
            lastResult={result?.reply ?? null}
            person={person}
            revision={other?.revision ?? person.revision}
            other={other}
            coaches={coaches}
            submit="Save"
          />
        </Box>
      </Section>
      {person.isArchived ? null : (
        <Section title="Archive">
          <Typography sx={{ py: 2, maxWidth: "65ch" }}>
            Takes {person.name} out of Today and of every list. Everything stays, and a press
            restores it.
          </Typography>
          <ArchiveForm name={person.name} isArchived={false} />
        </Section>
      )}
      <Section title="Erase">
        <Form method="post">
          <Typography sx={{ py: 2, maxWidth: "65ch" }}>
            Removes {person.name} with every plan and every logged set, for good. A device that
            still holds unsent sets is refused afterwards.
          </Typography>
          <Box component="label" sx={{ display: "block", mb: 1.5 }}>
            <input type="checkbox" name="confirm" value="erase" required /> I understand that this
            cannot be undone.
          </Box>
          {actionData?.kind === "eraseUnconfirmed" ? (
            <Tag tone="now">Tick the box first</Tag>
          ) : null}
          <Button type="submit" name="intent" value="erase" variant="outlined" color="error">
            Erase {person.name}
          </Button>
        </Form>
      </Section>
    </Page>
  );
}

/** What is to be seen before anything else of a client. */
function Notes({ children }: { readonly children: React.ReactNode }) {
  return (
    <Typography
      component="div"
      sx={{
        mb: 3,
        pl: 2,
        borderLeft: 4,
        borderColor: "kravo.signal",
        whiteSpace: "pre-line",
        maxWidth: "70ch",
      }}
    >
      {children}
    </Typography>
  );
}

/** The client's phases, the latest first, and the way to a new one. */
function Phases({
  person,
  phases,
  today,
}: {
  readonly person: string;
  readonly phases: Route.ComponentProps["loaderData"]["phases"];
  readonly today: Day;
}) {
  return (
    <Section
      title="Phases"
      aside={
        <Button component={Link} to={`/phases/new?person=${person}`} size="small">
          Plan a phase
        </Button>
      }
    >
      {phases.length === 0 ? (
        <Empty>None yet. A phase carries sessions from week to week by their rules.</Empty>
      ) : (
        <Ledger label="Phases" head={["From", "To", "Phase", ""]}>
          {phases.map(({ id, name, starts, ends }) => (
            <tr key={id}>
              <td className="figure">{formatDay(starts)}</td>
              <td className="figure">{formatDay(ends)}</td>
              <th scope="row">
                <Link to={`/phases/${id}`}>{name}</Link>
              </th>
              <td>{starts <= today && today <= ends ? <Tag tone="strong">now</Tag> : null}</td>
            </tr>
          ))}
        </Ledger>
      )}
    </Section>
  );
}
