import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useEffect } from "react";
import { Link, useFetcher } from "react-router";
import type { DecideReply } from "~/codec/decide.ts";
import type { Day } from "~/core/kernel/index.ts";
import type { PlanEntry } from "~/core/log/index.ts";
import { formatDay, plural } from "~/format/numbers.ts";
import { todayOf } from "~/server/coaching/today.server.ts";
import { reading } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/today.ts";
import type { loader as clashesLoader } from "./today-clashes.ts";
import { Empty, Page, Section } from "../components/page.tsx";
import { planAddress } from "../components/plan-entry.tsx";
import { DaySessions } from "../components/today/day-sessions.tsx";
import { FirstSteps } from "../components/today/first-steps.tsx";
import { Decisions } from "../components/today/decisions.tsx";
import styles from "../components/today/today.module.css";
import { Unremarkable } from "../components/today/unremarkable.tsx";
import { Whose } from "../components/today/whose.tsx";
import { useDeciding } from "../components/today/use-deciding.ts";

export const loader = reading((scope) => todayOf(scope));

export default function Today({ loaderData }: Route.ComponentProps) {
  const { today, plans, ahead, running, decisions, putOff, ready, isOutdated, steps } = loaderData;
  const clashes = useClashes(plans.length);
  const deciding = useDeciding();
  useWorkingOut(isOutdated);
  // A session that was begun on another day, or reopened, runs all the same.
  const elsewhere = running.filter(({ day }) => day !== today);
  if (steps !== null && steps.session === null) {
    return (
      <Page title="Today" lead="Four steps to the first logged set.">
        <FirstSteps steps={steps} />
      </Page>
    );
  }
  return (
    <Page
      wide
      title="Today"
      lead={leadOf(today, plans.length, decisions.length, isOutdated)}
      actions={
        <>
          {loaderData.hasOthers ? <Whose isMine={loaderData.isMine} /> : null}
          <Button component={Link} to="/plans/new" variant="outlined">
            Plan a session
          </Button>
        </>
      }
    >
      {steps === null ? null : <FirstSteps steps={steps} />}
      <Decisions
        items={decisions}
        putOff={putOff}
        deciding={deciding}
        aside={
          <section aria-label="Sessions today">
            <div className={styles.head}>
              <h2>Sessions</h2>
            </div>
            {plans.length === 0 && elsewhere.length === 0 ? (
              <Empty>
                Nobody trains today. <Link to="/plans/new">Plan a session</Link>.
              </Empty>
            ) : (
              <DaySessions plans={[...elsewhere, ...plans]} clashes={clashes} />
            )}
          </section>
        }
        below={<Ahead plans={ahead} />}
      >
        <Unremarkable ready={ready} deciding={deciding} />
      </Decisions>
    </Page>
  );
}

function Ahead({ plans }: { readonly plans: readonly PlanEntry[] }) {
  return (
    <Box sx={{ mt: 4 }}>
      <Section title="This week and next">
        {plans.length === 0 ? (
          <Empty>Nothing is planned ahead.</Empty>
        ) : (
          plans.map((plan) => (
            <div key={plan.id} className={styles.ahead}>
              <span className={styles.figures}>{formatDay(plan.day)}</span>
              <span className={styles.figures}>{plan.startTime ?? ""}</span>
              <span className={styles.who}>
                <Link to={`/people/${plan.personId}`}>{plan.personName}</Link>
              </span>
              <span className={styles.what}>{plan.title}</span>
              <Button
                component={Link}
                to={planAddress(plan)}
                size="small"
                variant="outlined"
                aria-label={`Open ${plan.title} of ${plan.personName}`}
              >
                Open
              </Button>
            </div>
          ))
        )}
      </Section>
    </Box>
  );
}

function leadOf(today: Day, sessions: number, decisions: number, isOutdated: boolean): string {
  return [
    formatDay(today),
    plural(sessions, "session"),
    plural(decisions, "decision"),
    ...(isOutdated ? ["working out what changed …"] : []),
  ].join(" · ");
}

/** Equipment that is wanted twice, asked for behind the page. */
function useClashes(sessions: number) {
  const { load, data } = useFetcher<typeof clashesLoader>();
  useEffect(() => {
    if (sessions > 1) void load("/wanted-twice");
  }, [sessions, load]);
  return data?.clashes ?? [];
}

/** What the server does not know yet is worked out behind the page, some sessions at a time. */
function useWorkingOut(isOutdated: boolean): void {
  const fetcher = useFetcher<DecideReply>();
  const { submit, state } = fetcher;
  const left = fetcher.data?.left;
  useEffect(() => {
    // Nothing is left to work out, and the page says otherwise: then it would never end.
    if (!isOutdated || state !== "idle" || left === 0) return;
    void submit(JSON.stringify({ intent: "workOut" }), {
      method: "post",
      action: "/decide",
      encType: "application/json",
    });
  }, [isOutdated, state, submit, left]);
}
