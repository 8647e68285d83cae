import { timesReached, type Facts } from "../judged-line.ts";
import { keep, type Proposal, type Reason } from "../proposal.ts";
import { stepUp } from "../step-up.ts";
import { whenReached } from "../when-reached.ts";
import type { RuleOf } from "./rule.ts";

export function next(facts: Facts, { after }: RuleOf<"smallestStep">): Proposal {
  return whenReached(
    facts,
    "least",
    (because) => waitsFor(facts, after, because) ?? stepUp(facts, because),
  );
}

/** Where it has to come several times running and has not yet; null where it has. */
export function waitsFor(facts: Facts, after: number, because: readonly Reason[]): Proposal | null {
  const times = timesReached(facts, "least");
  if (times >= after) return null;
  const all: readonly Reason[] = [
    ...because,
    { code: "reachedInARow", times, after },
    ...facts.doubts,
  ];
  return keep(facts.reading, all, facts.doubts.length > 0 ? "medium" : "high", false);
}
