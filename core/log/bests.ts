import { harderBy } from "../gym/index.ts";
import { compareMass, type Day, type Id, type Mass } from "../kernel/index.ts";
import type { Measure } from "../plan/index.ts";
import { differences, verdictOf, type ComparedBy } from "./comparison.ts";
import type { ContextAspect } from "./difference.ts";
import { withBursts, type ExposedSet, type Exposure } from "./exposure.ts";
import type { LogContext } from "./logged-set.ts";

/** A set that no other of its version beats in load and amount both, with how it was done. */
export interface Best {
  readonly reading: Mass;
  /** What was counted: the set alone, or its repetitions with all that followed it. */
  readonly counted: Measure | "inAll";
  readonly amount: number;
  readonly day: Day;
  readonly sessionLogId: Id<"sessionLog">;
  readonly rir: ExposedSet["rir"];
  /** 1-based place among the work sets of its exercise. */
  readonly place: number;
  readonly hardSetsBefore: LogContext["hardSetsBefore"];
  readonly bodyWeight: LogContext["bodyWeight"];
  readonly gear: LogContext["gear"];
}

/** True for a set over the whole range, without help, and without a fault that was seen. */
function isClean({ hasPartials, within, observed, conditions }: ExposedSet): boolean {
  return (
    !hasPartials &&
    within === "full" &&
    (conditions.range ?? "full") === "full" &&
    (observed.faults ?? []).length === 0
  );
}

/** What makes another version of an exercise; the rest is how a best was set. */
const VERSION: readonly ContextAspect[] = [
  "movement",
  "station",
  "loading",
  "setUp",
  "range",
  "tempo",
];

/**
 * The bests of an exercise in the version that its last session was done in, heaviest first: of the sessions of that
 * version, or of a harder one, the clean sets that none beats in load and amount both. Of equals the first.
 * With a counterweight less is more. Source: PRACTICE.md §8.
 */
export function bestsOf(exposures: readonly Exposure[], by: ComparedBy): readonly Best[] {
  const last = exposures.at(-1);
  if (last === undefined) return [];
  const way = harderBy(last.loading);
  const sets = exposures
    .filter((exposure) => {
      const found = differences(exposure, last, by);
      const verdict = verdictOf(found.filter(({ aspect }) => VERSION.includes(aspect)));
      // What was done in a harder version stands for this one as well.
      return verdict === "alike" || verdict === "regressionOnly";
    })
    .flatMap((exposure) => exposure.sets.map((set, i) => ({ exposure, set, place: i + 1 })))
    .flatMap(({ exposure, set, place }): readonly Best[] => {
      const { reading, amount, measure, rir } = set;
      if (reading === null || amount === null || amount === 0 || !isClean(set)) return [];
      const { hardSetsBefore, bodyWeight, gear } = exposure.context;
      const { day, sessionLogId } = exposure;
      const how = { reading, rir, place, day, sessionLogId, hardSetsBefore, bodyWeight, gear };
      const inAll = measure === "reps" && set.bursts.length > 0 ? withBursts(set) : null;
      return [
        { ...how, counted: measure, amount },
        ...(inAll === null ? [] : [{ ...how, counted: "inAll", amount: inAll } as const]),
      ];
    });
  const heavier = (a: Best, b: Best) => way * compareMass(a.reading, b.reading);
  const isBeaten = (one: Best, at: number) =>
    sets.some((other, i) => {
      if (other.counted !== one.counted) return false;
      const [load, amount] = [heavier(other, one), other.amount - one.amount];
      return load >= 0 && amount >= 0 && (load > 0 || amount > 0 || i < at);
    });
  return sets
    .filter((one, i) => !isBeaten(one, i))
    .toSorted((a, b) => heavier(b, a) || b.amount - a.amount);
}
