import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link } from "react-router";
import { addDays, dayAt, weekStart } from "~/core/kernel/index.ts";
import type { PlanEntry } from "~/core/log/index.ts";
import { formatDay, formatShortDay } from "~/format/numbers.ts";
import { listGyms } from "~/server/db/gyms.server.ts";
import { listOpenSessions, listPlans } from "~/server/db/plans.server.ts";
import { reading } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/today.ts";
import { planAddress, PlanLink, SessionTag } from "../components/plan-entry.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Empty, Page, Section } from "../components/page.tsx";

export const loader = reading(async (scope) => {
  const gyms = await listGyms(scope);
  const today = dayAt(scope.now, gyms[0]?.timeZone ?? "UTC");
  const [plans, open] = await Promise.all([
    listPlans(scope, weekStart(today), addDays(weekStart(today), 13)),
    listOpenSessions(scope),
  ]);
  return {
    today,
    plans: plans.filter((plan) => plan.day === today),
    ahead: plans.filter((plan) => plan.day > today),
    running: open.filter((plan) => plan.sessionState.kind === "running"),
    undecided: open.filter((plan) => plan.sessionState.kind === "ended"),
    hasGym: gyms.length > 0,
  };
});

export default function Today({ loaderData }: Route.ComponentProps) {
  const { today, plans, ahead, running, undecided, hasGym } = loaderData;
  return (
    <Page
      title="Today"
      lead={formatDay(today)}
      actions={
        <Button component={Link} to="/plans/new" variant="contained">
          Plan a session
        </Button>
      }
    >
      {running.map((plan) => (
        <Box
          key={plan.id}
          component={Link}
          to={planAddress(plan)}
          sx={{
            display: "flex",
            alignItems: "center",
            gap: 2,
            flexWrap: "wrap",
            p: 2,
            mb: 2,
            textDecoration: "none",
            backgroundColor: "kravo.ink",
            color: "kravo.paper",
            borderLeft: 8,
            borderColor: "kravo.signal",
          }}
        >
          <Typography variant="h2" component="span" sx={{ flexGrow: 1 }}>
            {plan.personName} is training: {plan.title}
          </Typography>
          <Typography component="span" sx={{ fontWeight: 650 }}>
            To the floor →
          </Typography>
        </Box>
      ))}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,3fr) minmax(0,2fr)" },
          columnGap: 5,
        }}
      >
        <Section
          title="Sessions today"
          aside={<Typography variant="figure">{plans.length}</Typography>}
        >
          {plans.length === 0 ? (
            <Empty>
              {hasGym ? (
                "Nobody trains today."
              ) : (
                <>
                  Start here: <Link to="/gyms">set up a gym</Link>,{" "}
                  <Link to="/people/new">add a person</Link>, then plan their first session.
                </>
              )}
            </Empty>
          ) : (
            <Ledger label="Sessions today" head={["Time", "Who", "Session", "State", ""]}>
              {plans.map((plan) => (
                <tr key={plan.id}>
                  <td className="figure">{plan.startTime ?? "–"}</td>
                  <th scope="row">
                    <Link to={`/people/${plan.personId}`}>{plan.personName}</Link>
                  </th>
                  <td>
                    <PlanLink plan={plan} />
                  </td>
                  <td>
                    <SessionTag sessionState={plan.sessionState} />
                  </td>
                  <td>
                    <StartButton plan={plan} />
                  </td>
                </tr>
              ))}
            </Ledger>
          )}
        </Section>
        <Section
          title="Your decision"
          aside={<Typography variant="figure">{undecided.length}</Typography>}
        >
          {undecided.length === 0 ? (
            <Empty>Every trained session has its next one.</Empty>
          ) : (
            <Ledger label="Your decision" head={["Who", "Trained", "Next time"]}>
              {undecided.map((plan) => (
                <tr key={plan.id}>
                  <th scope="row">{plan.personName}</th>
                  <td className="figure">{formatShortDay(plan.day)}</td>
                  <td>
                    <Link to={planAddress(plan)}>
                      {plan.sessionState.kind === "ended" &&
                      plan.sessionState.ruling === "changedSince"
                        ? "Changed since: look again"
                        : "Read and decide"}
                    </Link>
                  </td>
                </tr>
              ))}
            </Ledger>
          )}
        </Section>
      </Box>
      <Section title="This week and next">
        {ahead.length === 0 ? (
          <Empty>Nothing is planned ahead.</Empty>
        ) : (
          <Ledger label="This week and next" head={["Day", "Time", "Who", "Session"]}>
            {ahead.map((plan) => (
              <tr key={plan.id}>
                <td className="figure">{formatDay(plan.day)}</td>
                <td className="figure">{plan.startTime ?? "–"}</td>
                <th scope="row">{plan.personName}</th>
                <td>
                  <PlanLink plan={plan} />
                </td>
              </tr>
            ))}
          </Ledger>
        )}
      </Section>
    </Page>
  );
}

function StartButton({ plan }: { readonly plan: PlanEntry }) {
  if (plan.sessionState.kind !== "none") return null;
  return (
    <Form method="post" action={`/plans/${plan.id}/start`}>
      <Button
        type="submit"
        size="small"
        variant="outlined"
        aria-label={`Start training ${plan.personName}`}
      >
        Start
      </Button>
    </Form>
  );
}
