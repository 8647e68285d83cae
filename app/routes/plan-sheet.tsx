import { judgingIn } from "~/core/coach/index.ts";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { sessionDuration, isSetStep, unroll } from "~/core/unroll/index.ts";
import { slotsOf, slotsOfBlock } from "~/core/plan/index.ts";
import { formatDay, formatMinuteRange } from "~/format/numbers.ts";
import { formatItem, formatRest } from "~/format/prescription.ts";
import { BLOCK_NAMES, formatRotation } from "~/format/training.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { benchOf } from "~/server/coaching/bench.server.ts";
import { getPlan } from "~/server/db/plans.server.ts";
import { reading } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/plan-sheet.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { SheetExercise } from "../components/sheet/sheet-exercise.tsx";
import { SheetPage } from "../components/sheet/sheet-page.tsx";
import { useMuscles } from "../components/wording.ts";

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  const plan = orNotFound(await getPlan(scope, idParam<"plan">(params.planId)));
  const { gyms, context } = await benchOf(scope, plan);
  const gym = gyms.find((g) => g.id === plan.gymId)?.name ?? "";
  return { plan, gym, context };
});

/** A session on one A4 page, in ink on white, with room to write beside every set. */
export default function PlanSheet({ loaderData }: Route.ComponentProps) {
  const muscles = useMuscles();
  const { plan, gym, context } = loaderData;
  const catalogue = useCatalogue();
  const { find } = catalogue;
  const { unrollContext } = judgingIn(plan.gymId, context, catalogue);
  const steps = unroll(plan.document, unrollContext);
  const slots = slotsOf(plan.document);
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
      <SheetPage>
        <Box component="header" sx={{ borderBottom: "2px solid", display: "flex", gap: 2 }}>
          <Typography variant="h1" sx={{ fontSize: "1.6em", flexGrow: 1 }}>
            {plan.personName} · {plan.title}
          </Typography>
          <Box sx={{ textAlign: "right" }}>
            {formatDay(plan.day)} · {gym}
            <br />
            {formatMinuteRange(sessionDuration(steps))}
          </Box>
        </Box>
        {plan.document.blocks.map((block) => (
          <Box key={block.id} className="together">
            {"items" in block ? (
              <section>
                <h2>
                  {BLOCK_NAMES[block.kind]}
                  {block.rounds > 1 ? `, ${block.rounds} rounds` : ""}
                </h2>
                {block.items.map((item) => formatItem(item, find, muscles)).join(" · ")}
              </section>
            ) : (
              <>
                {block.kind === "rotation" ? (
                  <Box sx={{ fontWeight: 700, mt: "0.6em" }}>
                    {formatRotation(block.members.length)}: rest {formatRest(block.restBetween)}{" "}
                    between, {formatRest(block.restAfterRound)} after a round
                  </Box>
                ) : null}
                {slotsOfBlock(block).map((slot) => (
                  <SheetExercise
                    key={slot.id}
                    slot={slot}
                    number={slots.indexOf(slot) + 1}
                    station={unrollContext.station(slot.station)?.name ?? "no equipment"}
                    steps={steps.filter(isSetStep).filter((step) => step.slotId === slot.id)}
                    find={find}
                  />
                ))}
              </>
            )}
          </Box>
        ))}
        <Box component="footer" sx={{ borderTop: "2px solid", mt: "0.8em", pt: "0.4em" }}>
          <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: "1.2em", rowGap: "0.6em" }}>
            {TO_WRITE.map((what) => (
              <span key={what}>
                {what} <span className="write" />
              </span>
            ))}
          </Box>
          <Box component="p" sx={{ m: 0, mt: "0.6em", fontSize: "0.8em" }}>
            Joint or sharp pain ends the exercise. Chest pain, faintness or unusual breathlessness
            end the session and need medical help at once. General caution, not medical advice.
          </Box>
        </Box>
      </SheetPage>
    </Box>
  );
}

/** What is worth knowing of the session as a whole. */
const TO_WRITE = ["Body weight", "Readiness, of 5", "Start", "End", "Session RPE, of 10"];
