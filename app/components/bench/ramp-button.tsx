import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { NewId } from "~/core/kernel/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import type { SetStep } from "~/core/unroll/index.ts";
import type { Slot } from "~/core/plan/index.ts";
import { rampCount, rampReasons, withRamp, workLoadOf } from "~/core/coach/index.ts";
import type { Station } from "~/core/gym/index.ts";
import { use } from "react";
import { formatRamp, formatRampReasons } from "~/format/ramp.ts";
import { JudgedContext } from "./bench-context.ts";
import type { ChangeSlot } from "./slot-actions.ts";

/** Makes the ramp of an exercise by rule, once its work load is known, and says what the rule counted. */
export function RampButton({
  slot,
  movement,
  station,
  steps,
  newId,
  onChange,
}: {
  readonly slot: Slot;
  readonly movement: Movement;
  readonly station: Station;
  readonly steps: readonly SetStep[];
  readonly newId: NewId;
  readonly onChange: ChangeSlot;
}) {
  const judged = use(JudgedContext);
  const work = workLoadOf(steps);
  if (work === null || judged === null) return null;
  const { slots, unrollContext: context, approach } = judged;
  const { bodyWeight } = context;
  const known = { bodyWeight, slots, stances: approach.stances };
  const reasons = rampReasons(slot, movement, station, work, known);
  const sets = rampCount(reasons);
  return (
    <Typography variant="body2" component="p" sx={{ my: 0.5 }}>
      <Button
        size="small"
        variant="outlined"
        onClick={() => onChange((now) => withRamp(now, station, work, sets, bodyWeight, newId))}
      >
        {formatRamp(sets)}
      </Button>{" "}
      by rule: {formatRampReasons(reasons)}
    </Typography>
  );
}
