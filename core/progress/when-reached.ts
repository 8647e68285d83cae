import { repsLeft } from "../plan/index.ts";
import { hasNewFault, needsRuling } from "./doubts.ts";
import { allReached, type End, type Facts } from "./judged-line.ts";
import { notYet } from "./not-yet.ts";
import { keep, type Proposal, type Reason } from "./proposal.ts";
import { notKept } from "./kept.ts";

/**
 * What a rule makes of a line whose sets reached the end of their range; where they did not, {@link notYet}. A new
 * fault, or far less left in reserve than was asked, holds it back.
 */
export function whenReached(
  facts: Facts,
  end: End,
  then: (because: readonly Reason[]) => Proposal,
): Proposal {
  const early = unjudged(facts);
  if (early !== null) return early;
  if (!allReached(facts, end)) return notYet(facts, end);
  const [first] = facts.sets;
  const { reading, doubts, sets } = facts;
  if (first === undefined || reading === null) return keep(reading, doubts, "low", true);
  const top = Math.max(...sets.map(({ demand }) => demand[end] ?? 0));
  const done: Reason = {
    code: "allAtTop",
    sets: sets.length,
    top,
    measure: first.measure,
    reading,
  };
  return heldBack(facts, [done]) ?? then([done]);
}

/** Where nothing can be judged: nothing to reach, no known load, nothing counted. Null where something can. */
export function unjudged({ sets, reading, doubts }: Facts): Proposal | null {
  if (sets.length === 0) return keep(reading, [{ code: "openEnd" }, ...doubts], "low", false);
  if (reading === null || sets.every(({ amount }) => amount === null))
    return keep(reading, doubts, "low", true);
  return null;
}

/** What stands against going on although it was reached; null where nothing does. */
export function heldBack(facts: Facts, because: readonly Reason[]): Proposal | null {
  const { reading, doubts } = facts;
  // More of it with a fault more is no progress: everything waits until the fault is gone.
  if (hasNewFault(doubts))
    return keep(reading, [...because, ...doubts], "medium", needsRuling(doubts));
  const against = straining(facts) ?? notKept(facts);
  return against === null
    ? null
    : keep(reading, [...because, against, ...doubts], "medium", needsRuling(doubts));
}

/** Reached, but closer to the limit than was asked: not yet time for more. */
function straining({ sets }: Facts): Reason | null {
  for (const set of sets) {
    const [asked, left] = [repsLeft(set.effortAsked), repsLeft(set.rir)];
    if (asked !== null && left !== null && left < asked - 1) {
      return { code: "harderThanAsked", asked, lowest: left };
    }
  }
  return null;
}

/** A rule that counts repetitions, where something else or no number of them is asked for. */
export function needsReps({ reading, doubts }: Facts): Proposal {
  return keep(reading, [{ code: "needsReps" }, ...doubts], "low", true);
}
