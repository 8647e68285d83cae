import type { Change } from "../change.ts";
import { timesReached, type Facts } from "../judged-line.ts";
import { keep, type Proposal } from "../proposal.ts";
import { askMore, stepUp } from "../step-up.ts";
import { whenReached } from "../when-reached.ts";
import type { RuleOf } from "./rule.ts";

/** A set more where all reached the top; at the most the next load with the least; a set fewer before a lighter load. */
export function next(facts: Facts, { min, max, after }: RuleOf<"addSets">): Proposal {
  const now = facts.line.sets.length;
  const to = (n: number): readonly Change[] =>
    n === now ? [] : [{ kind: "sets", from: now, to: n }];
  const proposal = whenReached(facts, "most", (because) => {
    const { reading, doubts } = facts;
    const confidence = doubts.length > 0 ? "medium" : "high";
    const times = timesReached(facts, "most");
    if (times < after) {
      const row = { code: "reachedInARow", times, after } as const;
      return keep(reading, [...because, row, ...doubts], confidence, false);
    }
    if (now >= max) {
      return stepUp(facts, [...because, { code: "setsAtMost", most: max }], { changes: to(min) });
    }
    const added = { code: "setAdded", to: now + 1, most: max } as const;
    return askMore(facts, [...because, added], to(now + 1));
  });
  if (proposal.move !== "lower" || now <= min) return proposal;
  return {
    ...proposal,
    reading: facts.reading,
    changes: to(now - 1),
    because: [
      ...proposal.because.filter(({ code }) => code !== "smallestStep"),
      { code: "setTaken", to: now - 1 },
    ],
  };
}
