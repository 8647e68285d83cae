import { seconds } from "../../kernel/index.ts";
import type { Change } from "../change.ts";
import type { Facts } from "../judged-line.ts";
import { keep, type Proposal } from "../proposal.ts";
import { askMore, stepUp } from "../step-up.ts";
import { whenReached } from "../when-reached.ts";
import type { RuleOf } from "./rule.ts";

/** Less rest where all reached the top; at the least rest the next load, with the rest it began with. */
export function next(facts: Facts, { min, max, by }: RuleOf<"density">): Proposal {
  return whenReached(facts, "most", (because) => {
    const { reading, doubts, line, isRestShared } = facts;
    const rest = line.sets[0].restAfter;
    const confidence = doubts.length > 0 ? "medium" : "high";
    if (isRestShared || rest.kind !== "fixed") {
      const code = isRestShared ? "restShared" : "restNotTimed";
      return keep(reading, [...because, { code }, ...doubts], confidence, true);
    }
    const from = rest.seconds;
    const to = (n: number): readonly Change[] => [{ kind: "rest", from, to: seconds(n) }];
    if (from <= min) {
      const all = [...because, { code: "restAtLeast", seconds: from } as const];
      return stepUp(facts, all, { changes: from < max ? to(max) : [] });
    }
    const less = Math.max(min, from - by);
    return askMore(facts, [...because, { code: "lessRest", from, to: seconds(less) }], to(less));
  });
}
