import { assertNever } from "~/core/kernel/index.ts";
import { amountAsked, type Target } from "~/core/plan/index.ts";
import { formatClock, plural } from "./numbers.ts";
import { FAULT_NAMES, formatRange } from "./training.ts";

/** "stop when the knees cave"; empty where nothing ends the set before. */
export function formatStop(target: Target): string {
  return target.kind === "repsUntil" ? `stop when ${FAULT_NAMES[target.criterion]}` : "";
}

/** "8–12 reps", "as many as come, at least 6", "until the knees cave, about 12". */
export function formatTarget(target: Target): string {
  switch (target.kind) {
    case "reps":
      return `${formatRange(target)} ${target.max === 1 ? "rep" : "reps"}`;
    case "repsUntil":
      return `${formatRange(target)} ${target.max === 1 ? "rep" : "reps"}, stop when ${FAULT_NAMES[target.criterion]}`;
    case "limit":
      return target.atLeast === null
        ? "as many as come"
        : `as many as come, at least ${target.atLeast}`;
    case "seconds":
      return target.min < 120
        ? `${formatRange(target)} s`
        : `${[...new Set([target.min, target.max])].map(formatClock).join(" to ")} min`;
    case "steps":
      return `${target.steps} steps ${target.counted === "perSide" ? "per side" : "in all"}${target.outAndBack ? ", out and back" : ""}`;
    case "metres":
      return `${target.metres} m${target.outAndBack ? " out and back" : ""}`;
    case "total":
      return `${target.amount} ${target.of} in all, about ${plural(target.likelySets, "set")}`;
    case "intervals":
      return `${target.rounds} × ${target.work} s work, ${target.pause} s rest`;
    case "untilForm":
      return `until ${FAULT_NAMES[target.criterion]}, about ${target.likely}`;
    case "afterBurn":
      return `${plural(target.reps, "rep")} after the burn starts`;
    default:
      return assertNever(target);
  }
}

/** The shortest form of a target, for grids and rows: "8–12", "max", "40 s". */
export function formatTargetShort(target: Target): string {
  switch (target.kind) {
    case "reps":
      return formatRange(target);
    case "repsUntil":
      return `${formatRange(target)} or to form`;
    case "limit":
      return target.atLeast === null ? "max" : `max, ${target.atLeast}+`;
    case "untilForm":
      return "to form";
    case "afterBurn":
      return `burn + ${target.reps}`;
    case "total":
      return `${target.amount} in all`;
    case "seconds":
    case "steps":
    case "metres":
    case "intervals":
      return formatTarget(target);
    default:
      return assertNever(target);
  }
}

/** What is counted, after the number: "reps", "seconds"; the number itself is large beside it on the floor. */
export function figureOf(target: Target): { readonly figure: string; readonly unit: string } {
  switch (target.kind) {
    case "reps":
      return { figure: formatRange(target), unit: target.max === 1 ? "rep" : "reps" };
    case "repsUntil":
      return { figure: formatRange(target), unit: "reps" };
    case "limit":
      return { figure: "max", unit: target.atLeast === null ? "" : `at least ${target.atLeast}` };
    case "seconds":
      return { figure: formatRange(target), unit: "seconds" };
    case "intervals":
      return { figure: String(target.work), unit: "seconds" };
    case "metres":
      return { figure: String(target.metres), unit: target.outAndBack ? "m out and back" : "m" };
    case "steps":
      return {
        figure: String(target.steps),
        unit: `steps${target.counted === "perSide" ? " per side" : ""}${target.outAndBack ? ", out and back" : ""}`,
      };
    case "total":
      return { figure: `~${amountAsked(target).max}`, unit: `of ${target.amount} ${target.of}` };
    case "untilForm":
      return {
        figure: `~${target.likely}`,
        unit: `until ${FAULT_NAMES[target.criterion]}`,
      };
    case "afterBurn":
      return { figure: `+${target.reps}`, unit: "after the burn starts" };
    default:
      return assertNever(target);
  }
}

export const TARGET_NAMES: Readonly<Record<Target["kind"], string>> = {
  reps: "Repetitions",
  repsUntil: "Reps with a stop",
  limit: "As many as come",
  seconds: "Time",
  steps: "Steps",
  metres: "Distance",
  total: "A total over several sets",
  intervals: "Intervals",
  untilForm: "Until form breaks",
  afterBurn: "Reps after the burn begins",
};
