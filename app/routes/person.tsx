import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { skipCodec } from "~/codec/client-list.ts";
import { approachAmong } from "~/core/person/index.ts";
import { dayAt, yearOf, type Day } from "~/core/kernel/index.ts";
import { trainingLog } from "~/core/progress/index.ts";
import { formatDay } from "~/format/numbers.ts";
import { LEVEL_NAMES } from "~/format/training.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { listApproaches } from "~/server/db/approaches.server.ts";
import { standingFor } from "~/server/coaching/standing.server.ts";
import { currentBrief } from "~/server/db/briefs.server.ts";
import { listGyms } from "~/server/db/gyms.server.ts";
import { getPerson } from "~/server/db/people.server.ts";
import { listPhasesOf } from "~/server/db/phases.server.ts";
import { listPlansOf, nextPlanOf } from "~/server/db/plans.server.ts";
import { warningsOn } from "~/server/db/warnings.server.ts";
import { reading } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/person.ts";
import { ArchiveForm } from "../components/archive-form.tsx";
import { useCatalogue } from "../components/catalogue.ts";
import { BriefLines } from "../components/brief/brief-lines.tsx";
import { Ledger } from "../components/ledger.tsx";
import { OverWeeks } from "../components/over-weeks.tsx";
import { Empty, Page, Section, Tag } from "../components/page.tsx";
import { TrainingLogTable } from "../components/person/training-log.tsx";
import { PlanLink, SessionTag } from "../components/plan-entry.tsx";
import { useMuscles } from "../components/wording.ts";

/** So many sessions stand side by side in the log, and so many in the list. */
const COLUMNS = 6;
const LISTED = 8;

export const loader = reading(async (scope, { request, params }: Route.LoaderArgs) => {
  const person = orNotFound(await getPerson(scope, idParam<"person">(params.personId)));
  const asked = new URL(request.url).searchParams;
  const skip = {
    log: skipCodec.parse(asked.get("log")),
    sessions: skipCodec.parse(asked.get("sessions")),
  };
  const [plans, phases, brief, approaches, gyms, warnings] = await Promise.all([
    listPlansOf(scope, person.id, { skip: skip.sessions, many: LISTED + 1 }),
    listPhasesOf(scope, person.id),
    currentBrief(scope, person),
    listApproaches(scope),
    listGyms(scope),
    warningsOn(scope, person.id),
  ]);
  const today = dayAt(scope.now, gyms[0]?.timeZone ?? "UTC");
  const [standing, next] = await Promise.all([
    standingFor(scope, person.id, { goal: brief.goal, today }),
    nextPlanOf(scope, person.id, today),
  ]);
  return {
    person,
    plans: plans.slice(0, LISTED),
    next,
    hasOlderPlans: plans.length > LISTED,
    skip,
    phases,
    today,
    log: trainingLog(standing, { skip: skip.log, many: COLUMNS }),
    warnings,
    brief,
    approach: approachAmong(approaches, brief.approach),
    gyms,
    year: yearOf(today),
  };
});

export default function PersonPage({ loaderData }: Route.ComponentProps) {
  const muscles = useMuscles();
  const { find } = useCatalogue();
  const { person, plans, next, hasOlderPlans, skip, phases, today, log, warnings } = loaderData;
  const { brief, approach, gyms, year } = loaderData;
  const at = `/people/${person.id}`;
  /** This page, with other sessions in its log or its list. */
  const pageAt = (other: Partial<typeof skip>) => {
    const { log: logSkip, sessions } = { ...skip, ...other };
    const query = new URLSearchParams({
      ...(logSkip === 0 ? {} : { log: String(logSkip) }),
      ...(sessions === 0 ? {} : { sessions: String(sessions) }),
    });
    return query.size === 0 ? at : `${at}?${query.toString()}`;
  };
  return (
    <Page
      wide
      title={person.name}
      lead={
        <>
          {person.goal === "" ? "No goal written yet" : person.goal} · {LEVEL_NAMES[person.level]} ·
          units: {person.unit}
        </>
      }
      actions={
        <>
          <Button component={Link} to={`${at}/edit`} variant="outlined">
            Edit
          </Button>
          <Button component={Link} to={`/plans/new?person=${person.id}`} variant="contained">
            Plan a session
          </Button>
        </>
      }
    >
      {person.isArchived ? (
        <Notes>
          Archived. Hidden from Today and every list; nothing is lost.{" "}
          <ArchiveForm name={person.name} isArchived at={`${at}/edit`} />
        </Notes>
      ) : null}
      {person.notes === "" ? null : <Notes>{person.notes}</Notes>}
      <Section
        title="Training log"
        aside={
          <>
            <Button component={Link} to={`${at}/strength`} size="small">
              Rep-max table
            </Button>
            <Button component={Link} to={`${at}/when`} size="small">
              Project a load
            </Button>
            <Button component={Link} to={`${at}/comparing`} size="small">
              Comparing
            </Button>
          </>
        }
      >
        {log.sessions.length === 0 && log.newer === 0 ? (
          <Empty>
            Nothing logged yet. Plan a session and train it: every set stands here then.
          </Empty>
        ) : (
          <TrainingLogTable
            log={log}
            personAt={at}
            backAt={(back) => pageAt({ log: back })}
            step={COLUMNS}
          />
        )}
      </Section>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,3fr) minmax(0,2fr)" },
          columnGap: 5,
        }}
      >
        <Section
          title="Brief"
          aside={
            <Button component={Link} to={`${at}/brief`} size="small">
              Open the brief
            </Button>
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
        <div>
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
                      {plan.sessionState.kind === "running" ? (
                        <>
                          {" "}
                          <Link to={`/plans/${plan.id}`} aria-label={`Edit ${plan.title}`}>
                            Edit
                          </Link>
                        </>
                      ) : null}
                    </td>
                  </tr>
                ))}
              </Ledger>
            )}
            <Box
              component="nav"
              aria-label="More sessions"
              sx={{ display: "flex", gap: 2.5, py: 1 }}
            >
              {hasOlderPlans ? (
                <Link to={pageAt({ sessions: skip.sessions + LISTED })} preventScrollReset>
                  Earlier
                </Link>
              ) : null}
              {skip.sessions === 0 ? null : (
                <Link
                  to={pageAt({ sessions: Math.max(0, skip.sessions - LISTED) })}
                  preventScrollReset
                >
                  Later
                </Link>
              )}
            </Box>
          </Section>
          <OverWeeks
            person={person.id}
            warnings={warnings}
            approach={approach.name}
            phase={phases.find((own) => own.starts <= today && today <= own.ends)?.id ?? null}
            next={next}
          />
          <Phases person={person.id} phases={phases} today={today} />
        </div>
      </Box>
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
