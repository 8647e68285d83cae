import { count, type Id } from "../kernel/index.ts";
import {
  ruleOf,
  type Demand,
  type DropLoad,
  type Extension,
  type Line,
  type Slot,
} from "../plan/index.ts";
import type { ExposedSet, Exposure } from "../log/index.ts";

type Drop = Extract<Extension, { readonly kind: "drop" }>;
type OwnDrop = Drop & { readonly to: Extract<DropLoad, { readonly kind: "reading" }> };

/** True for a drop to a load of its own, which moves on by itself; one to a share follows. */
export function hasOwnLoad(extension: Extension): extension is OwnDrop {
  return extension.kind === "drop" && extension.to.kind === "reading";
}

/** The drops of a line that have a load of their own, each as a line of sets of what the drop asks for. */
export function dropLinesOf(slot: Slot, { sets }: Pick<Line, "sets">): readonly Line[] {
  const drops = sets.flatMap((set) =>
    set.extensions.filter(hasOwnLoad).map((drop) => ({
      ...set,
      line: drop.line,
      target: drop.target,
      load: { kind: "absolute", reading: drop.to.reading } as const,
      extensions: [],
    })),
  );
  const ids = [...new Set(drops.map(({ line }) => line))];
  return ids.flatMap((id) => {
    const [first, ...others] = drops.filter(({ line }) => line === id);
    return first === undefined
      ? []
      : [{ id, rule: ruleOf(slot, id), sets: [first, ...others] as const }];
  });
}

const rangeOf = ({ least, most }: Demand) =>
  least === null || most === null ? null : { min: count(least), max: count(most) };

/** The exposures as the drop of a line sees them: its bursts as sets. */
export function dropExposures(
  exposures: readonly Exposure[],
  line: Id<"line">,
): readonly Exposure[] {
  return exposures.flatMap((exposure) => {
    const sets = exposure.sets.flatMap((set): readonly ExposedSet[] =>
      set.bursts
        .filter((burst) => burst.line === line)
        .map((burst) => ({
          ...set,
          line,
          reading: burst.reading,
          reps: burst.reps,
          measure: "reps",
          amount: burst.reps,
          demand: burst.demand,
          range: rangeOf(burst.demand),
          bySide: null,
          bursts: [],
        })),
    );
    return sets.length === 0 ? [] : [{ ...exposure, sets, planned: sets }];
  });
}
