import Button from "@mui/material/Button";
import type { Judged } from "~/core/finding/index.ts";
import type { MintId } from "~/core/identity/index.ts";
import { directRegions, type Movement } from "~/core/movement/index.ts";
import { isPreparatory, type SetStep, type Slot } from "~/core/prescription/index.ts";
import { rampCount, rampReasons, withRamp } from "~/core/ramp/index.ts";
import type { Station } from "~/core/station/index.ts";
import { formatRampReasons } from "~/format/ramp.ts";

/** Makes the ramp of an exercise by rule, once its work load is known; what the rule counted is said with it. */
export function RampButton({
  slot,
  movement,
  station,
  steps,
  judged,
  mint,
  onChange,
}: {
  readonly slot: Slot;
  readonly movement: Movement;
  readonly station: Station;
  readonly steps: readonly SetStep[];
  readonly judged: Judged;
  readonly mint: MintId;
  readonly onChange: (slot: Slot) => void;
}) {
  const work = steps.find((step) => step.kind === "set" && !isPreparatory(step.role));
  if (work?.load.kind !== "made") return null;
  const { reading } = work.load;
  const { bodyWeight } = judged.around;
  const at = judged.slots.findIndex((s) => s.slot.id === slot.id);
  const regions = directRegions(movement);
  const setsBefore = judged.slots
    .slice(0, Math.max(0, at))
    .filter((other) => directRegions(other.movement).some((r) => regions.includes(r)))
    .reduce((sum, other) => sum + other.hardSets, 0);
  const { stances } = judged.approach;
  const reasons = rampReasons(slot, movement, station, reading, {
    bodyWeight,
    setsBefore,
    stances,
  });
  const sets = rampCount(reasons);
  return (
    <Button
      size="small"
      variant="outlined"
      title={formatRampReasons(reasons)}
      onClick={() => onChange(withRamp(slot, station, reading, sets, bodyWeight, mint))}
    >
      Ramp of {sets}
    </Button>
  );
}
