import { repsAsked, repsLeft, type PlannedSet } from "../plan/index.ts";
import type { FoundLoad } from "../unroll/index.ts";
import type { LoggedSet } from "./logged-set.ts";

/** One try of a trial: its place, and what was logged of it, one for each side. */
interface Try {
  readonly ordinal: number;
  readonly loggedSets: readonly LoggedSet[];
  /** Reps left on the side closer to the limit; null where nobody said. */
  readonly left: number | null;
}

function triesOf(set: PlannedSet, loggedSets: readonly LoggedSet[]): readonly Try[] {
  const own = loggedSets.filter(({ key }) => key.setId === set.id && key.extensionId === null);
  const ordinals = [...new Set(own.map(({ key }) => key.ordinal))].sort((a, b) => a - b);
  return ordinals.map((ordinal) => {
    const tried = own.filter(({ key }) => key.ordinal === ordinal);
    const lefts = tried.map(({ rir }) => repsLeft(rir));
    const isSaid = lefts.every((left) => left !== null);
    return { ordinal, loggedSets: tried, left: isSaid ? Math.min(...lefts) : null };
  });
}

/**
 * The try whose reserve came nearest to the one asked, the lighter of two equally near, once one has come as
 * close to the limit as asked or all were made; until then null. Where no try says its reserve it is the last.
 * Source: our rule, docs/arithmetic.md § Trials.
 */
function foundTry(set: PlannedSet, loggedSets: readonly LoggedSet[]): Try | null {
  if (set.load.kind !== "trial") return null;
  const tries = triesOf(set, loggedSets);
  const asked = repsLeft(set.effort) ?? 0;
  const said = tries.filter(({ left }) => left !== null);
  const isOver = said.some(({ left }) => (left ?? Infinity) <= asked);
  if (!isOver && tries.length < set.load.tries) return null;
  const distance = ({ left }: Try) => Math.abs((left ?? Infinity) - asked);
  return said.toSorted((a, b) => distance(a) - distance(b))[0] ?? tries.at(-1) ?? null;
}

/** The load that a trial came to, and how many tries it took; null while it goes on. */
export function foundByTrial(set: PlannedSet, loggedSets: readonly LoggedSet[]): FoundLoad | null {
  const reading = foundTry(set, loggedSets)?.loggedSets[0]?.reading ?? null;
  return reading && { reading, tries: (triesOf(set, loggedSets).at(-1)?.ordinal ?? 0) + 1 };
}

/** What was logged that a set is judged by: those of the try that was taken; of any other set, all without extensions. */
export function judgedLoggedSets(
  set: PlannedSet,
  loggedSets: readonly LoggedSet[],
): readonly LoggedSet[] {
  const own = loggedSets.filter(({ key }) => key.setId === set.id && key.extensionId === null);
  if (set.load.kind !== "trial") return own;
  return (foundTry(set, loggedSets) ?? triesOf(set, loggedSets).at(-1))?.loggedSets ?? [];
}

/** True where a set asked for at least so many repetitions and a side of it came with fewer; an unknown count did not. */
export function fellShort(set: PlannedSet, loggedSets: readonly LoggedSet[]): boolean {
  const { target } = set;
  const least = target.kind === "limit" ? target.atLeast : (repsAsked(target)?.min ?? null);
  if (least === null) return false;
  return judgedLoggedSets(set, loggedSets).some((loggedSet) => {
    const reps = set.range === "full" ? loggedSet.fullReps : loggedSet.partialReps;
    return reps !== null && reps < least;
  });
}
