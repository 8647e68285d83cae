import type { SetStep } from "../prescription/index.ts";
import { share, type Mass, type Share } from "../quantity/index.ts";
import type { LoadTarget } from "./loading-plan.ts";

/**
 * How far loads may move that nobody wrote as a reading: those of a ramp, and shares of another load. A load
 * that was written stays. Source: our rule, docs/arithmetic.md § Loading plan.
 */
const FREE: Share = share(0.025);

/** One load of an exercise in the order of its steps, and the sets that it is for; equal neighbours are one. */
export interface LoadOfSteps extends LoadTarget {
  readonly steps: readonly SetStep[];
}

/** The loads that an exercise asks for, from its steps; what is not known or needs no load is left out. */
export function loadsOfSteps(steps: readonly SetStep[]): readonly LoadOfSteps[] {
  const loads: LoadOfSteps[] = [];
  for (const step of steps) {
    if (step.load.kind !== "made") continue;
    const { reading, share: from } = step.load;
    const within = step.role === "ramp" || from !== null ? FREE : 0;
    const last = loads.at(-1);
    if (last !== undefined && isSame(last.reading, reading)) {
      const kept = last.within === 0 || within === 0 ? 0 : within;
      loads[loads.length - 1] = { ...last, within: kept, steps: [...last.steps, step] };
    } else {
      loads.push({ reading, within, steps: [step] });
    }
  }
  return loads;
}

function isSame(a: Mass, b: Mass): boolean {
  return a.thousandths === b.thousandths && a.unit === b.unit;
}
