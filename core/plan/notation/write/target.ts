import { assertNever } from "../../../kernel/index.ts";
import type { Target } from "../../index.ts";
import { INTERVAL_PAUSE, LIKELY, TOTAL_PAUSE, TOTAL_SETS } from "../context.ts";
import { kebab } from "../words.ts";
import { joined, num, time } from "./words.ts";

/** A target as `parseTarget` reads it. */
export function writeTarget(target: Target): string {
  const about = (likely: number, usual: number) => (likely === usual ? "" : `about ${likely}`);
  switch (target.kind) {
    case "reps":
      return rangeText(target);
    case "limit":
      return joined([
        "max",
        target.atLeast === null ? "" : `least ${target.atLeast}`,
        about(target.likely, Math.max(LIKELY, target.atLeast ?? 0)),
      ]);
    case "seconds":
      return `${rangeText(target)} s`;
    case "steps":
      return joined([
        `${target.steps} steps`,
        target.counted === "perSide" ? "each" : "in all",
        target.outAndBack ? "out and back" : "",
      ]);
    case "metres":
      return joined([`${num(target.metres)} m`, target.outAndBack ? "out and back" : ""]);
    case "total":
      return joined([
        `total ${target.amount} ${target.of}`,
        target.likelySets === TOTAL_SETS ? "" : `in ${target.likelySets} sets`,
        target.pause === TOTAL_PAUSE ? "" : `pause ${time(target.pause)}`,
      ]);
    case "intervals":
      return joined([
        `intervals ${target.rounds} x ${time(target.work)}`,
        target.pause === INTERVAL_PAUSE ? "" : `pause ${time(target.pause)}`,
      ]);
    case "untilForm":
      return joined([`until ${kebab(target.criterion)}`, about(target.likely, LIKELY)]);
    case "afterBurn":
      return joined([`burn plus ${target.reps}`, about(target.likely, LIKELY)]);
    default:
      return assertNever(target);
  }
}

function rangeText({ min, max }: { readonly min: number; readonly max: number }): string {
  return min === max ? num(min) : `${num(min)}-${num(max)}`;
}
