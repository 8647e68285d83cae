import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import type { Phase } from "../phase.ts";
import { sameWeek } from "./same-week.ts";

/** A day of training less, with all that was said of it. The last one that there is stays. */
export const definition = kind("removeDay", { day: idField("phaseDay") });

export function apply({ day }: ValueOf<{ definition: typeof definition }>, phase: Phase): Phase {
  if (phase.days.length === 1) return phase;
  const others = <T extends { readonly day: string }>(all: readonly T[]) =>
    all.filter((own) => own.day !== day);
  return {
    ...phase,
    days: phase.days.filter(({ id }) => id !== day),
    changes: others(phase.changes),
    spans: others(phase.spans),
    rotations: others(phase.rotations),
    placings: others(phase.placings),
    targets: others(phase.targets),
    keeps: others(phase.keeps),
  };
}
export { sameWeek as weekAfter };
