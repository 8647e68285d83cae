import type { ExposedSet } from "../../log/index.ts";
import type { Facts } from "../judged-line.ts";
import { gaining } from "../not-yet.ts";
import { keep, type Proposal } from "../proposal.ts";
import { stepUp } from "../step-up.ts";
import { heldBack } from "../when-reached.ts";
import type { RuleOf } from "./rule.ts";

/** What was done over all sets and what follows them; null where anything of it is unknown. */
export function totalDone(sets: readonly ExposedSet[]): number | null {
  return sets
    .flatMap(({ amount, bursts }) => [amount, ...bursts.map(({ reps }) => reps)])
    .reduce<number | null>((sum, n) => (sum === null || n === null ? null : sum + n), 0);
}

export function next(facts: Facts, { goal }: RuleOf<"totalReps">): Proposal {
  const { last, reading, doubts } = facts;
  if (reading === null) return keep(null, doubts, "low", true);
  const total = totalDone(last.sets);
  if (total === null) return keep(reading, [{ code: "unknownTotal" }, ...doubts], "low", true);
  const isWhole = last.sets.length >= last.planned.length;
  if (total < goal || !isWhole) return gaining(facts, [{ code: "totalToGain", total, goal }]);
  const done = [{ code: "totalReached", total, goal }] as const;
  return heldBack(facts, done) ?? stepUp(facts, done);
}
