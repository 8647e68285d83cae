import type { FittingCause, FittingChange } from "~/core/coach/index.ts";
import type { FindMovement } from "~/core/movement/index.ts";
import { slotsOf, type Frame, type FrameForm, type SessionPlan } from "~/core/plan/index.ts";
import { assertNever } from "~/core/kernel/index.ts";
import { formatExclusion } from "./brief.ts";
import { formatBrings, formatFix } from "./findings.ts";
import { formatMass } from "./numbers.ts";
import { sentence } from "./sentence.ts";
import { LENGTH_NAMES } from "./training.ts";
import { muscleInline, type MuscleNames } from "./muscles.ts";

/** What was changed in somebody's copy of a template. */
export function formatFittingChange(
  change: FittingChange,
  find: FindMovement,
  muscles: MuscleNames,
): string {
  const name = (ref: Parameters<FindMovement>[0]) => find(ref)?.name ?? ref;
  const nameIn = (plan: SessionPlan) => (id: string) => {
    const slot = slotsOf(plan).find((s) => s.id === id);
    return slot === undefined ? "" : name(slot.movement);
  };
  switch (change.code) {
    case "swapped":
      return `${name(change.from)} becomes ${name(change.to)}: ${formatCause(change.because)}.`;
    case "filled": {
      const why = change.brings
        .slice(0, 2)
        .map((own) => formatBrings(own, muscles))
        .join("; ");
      return `${sentence(formatFrame(change.frame, muscles))}: ${name(change.movement)}${why === "" ? "" : ` (${why})`}.`;
    }
    case "leftOut":
      return `${name(change.movement)} is left out, nothing here stands in: ${formatCause(change.because)}.`;
    case "load":
      return change.reading === null
        ? `${name(change.movement)}: never logged here, the load is found on the day.`
        : `${name(change.movement)}: ${formatMass(change.reading)}, as last logged here.`;
    case "plainSets":
      return `${name(change.movement)}: plain sets, since drops and the like are no beginner’s work.`;
    case "shortened":
      return `${formatFix(change.fix, nameIn(change.before))}, to keep the time; saves ${Math.round(change.minutesSaved)} min.`;
    case "fewerSets":
      return `${formatFix(change.fix, nameIn(change.before))}, since new and returning clients begin with few sets.`;
    default:
      return assertNever(change);
  }
}

function formatCause(cause: FittingCause): string {
  return cause.kind === "notHere"
    ? "no equipment for it in this gym"
    : cause.reasons.map(formatExclusion).join("; ");
}

/** What an exercise of a frame is called. */
export const FRAME_NAMES: Readonly<Record<FrameForm, string>> = {
  compound: "compound exercise",
  machine: "machine exercise",
  singleLeg: "single-leg exercise",
  isolation: "isolation exercise",
};

/** "any machine exercise for glutes, hardest stretched" */
export function formatFrame({ form, region, length }: Frame, muscles: MuscleNames): string {
  const what = form === null ? "exercise" : FRAME_NAMES[form];
  const whom = region === null ? "" : ` for ${muscleInline(muscles, region)}`;
  return `any ${what}${whom}${length === null ? "" : `, hardest ${LENGTH_NAMES[length]}`}`;
}
