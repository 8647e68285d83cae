import type { PickReason, SuggestedLoad, SuggestionQuality } from "~/core/coach/suggest/index.ts";
import { assertNever } from "~/core/kernel/index.ts";
import { workSetsOf, type Slot } from "~/core/plan/index.ts";
import { formatMass, formatSets, formatShare, plural } from "./numbers.ts";
import { muscleInline, type MuscleNames } from "./muscles.ts";
import { formatTarget } from "./target.ts";
import { ACTION_NAMES, formatRir, LENGTH_NAMES } from "./training.ts";

/** "Best possible", or how far from it the suggestion can be at most. */
export function formatQuality(quality: SuggestionQuality): string {
  switch (quality.kind) {
    case "working":
      return "Looking for a better one …";
    case "best":
      return "Best possible";
    case "within":
      return `At most ${Math.ceil(100 * quality.part)}% below the best possible`;
    case "unproven":
      return "Not compared with every other choice";
    default:
      return assertNever(quality);
  }
}

/** "4 sets for quads", as half a sentence. */
export function formatPickReason(reason: PickReason, muscles: MuscleNames): string {
  switch (reason.kind) {
    case "region": {
      const sets = `${formatSets(reason.sets)} ${reason.sets === 1 ? "set" : "sets"}`;
      return `${sets} for ${muscleInline(muscles, reason.region)}${reason.isPriority ? ", a priority" : ""}`;
    }
    case "length":
      return `${muscleInline(muscles, reason.region)} ${LENGTH_NAMES[reason.length]}`;
    case "action":
      return ACTION_NAMES[reason.action].toLowerCase();
    case "singleLeg":
      return "one leg at a time";
    case "mainLift":
      return `main lift for the ${reason.mainLift}`;
    case "liked":
      return "liked";
    case "trainedHere":
      return "trained here before";
    default:
      return assertNever(reason);
  }
}

/** "80 kg, as last time", or how the load is found. */
export function formatSuggestedLoad(load: SuggestedLoad): string {
  switch (load.kind) {
    case "logged":
      return `${formatMass(load.reading)}, as last time`;
    case "estimated":
      return `${formatMass(load.reading)}, worked out from the log for ${plural(load.reps, "rep")}`;
    case "related":
      return `${formatMass(load.reading)}, ${formatShare(load.share)} of both legs`;
    case "calibrate":
      return "Work up to the load in set 1";
    case "bare":
      return load.reading.thousandths === 0 ? "No added load" : formatMass(load.reading);
    default:
      return assertNever(load);
  }
}

/** "3 × 8–12, RIR 2", the work of a suggested exercise. */
export function formatPickSets(slot: Slot): string {
  const work = workSetsOf(slot);
  const [first] = work;
  return first === undefined
    ? ""
    : `${work.length} × ${formatTarget(first.target)}, ${formatRir(first.effort)}`;
}
