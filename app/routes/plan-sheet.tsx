import { judgingIn } from "~/core/coach/index.ts";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { benchOf } from "~/server/coaching/bench.server.ts";
import { getPlan } from "~/server/db/plans.server.ts";
import { reading } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/plan-sheet.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { SessionSheet } from "../components/sheet/session-sheet.tsx";

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  const plan = orNotFound(await getPlan(scope, idParam<"plan">(params.planId)));
  const { gyms, context } = await benchOf(scope, plan);
  const gym = gyms.find((g) => g.id === plan.gymId)?.name ?? "";
  return { plan, gym, context };
});

/** The printed sheet of a saved session. */
export default function PlanSheet({ loaderData }: Route.ComponentProps) {
  const { plan, gym, context } = loaderData;
  const { unrollContext } = judgingIn(plan.gymId, context, useCatalogue());
  return (
    <Box component="main" id="page">
      <title>{`${plan.title} · ${plan.personName} · Kravo`}</title>
      <Box className="not-printed" sx={{ display: "flex", gap: 1, p: 2, justifyContent: "center" }}>
        <Button component={Link} to={`/plans/${plan.id}`}>
          Back to the session
        </Button>
        <Button variant="contained" onClick={() => window.print()}>
          Print
        </Button>
      </Box>
      <SessionSheet
        document={plan.document}
        title={plan.title}
        day={plan.day}
        personName={plan.personName}
        readsIn={plan.personUnit}
        gym={gym}
        unrollContext={unrollContext}
      />
    </Box>
  );
}
