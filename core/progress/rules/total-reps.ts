import { sumOf, withBursts } from "../../log/index.ts";
import { measureOf } from "../../plan/index.ts";
import type { Facts } from "../judged-line.ts";
import { gaining } from "../not-yet.ts";
import { keep, type Proposal } from "../proposal.ts";
import { stepUp } from "../step-up.ts";
import { heldBack } from "../when-reached.ts";
import type { RuleOf } from "./rule.ts";

/** The load goes on where all sets and what follows them come to so much in all. */
export function next(facts: Facts, { goal }: RuleOf<"totalReps">): Proposal {
  const { last, reading, doubts } = facts;
  if (reading === null) return keep(null, doubts, "low", true);
  const total = sumOf(last.sets.map(withBursts));
  const measure = measureOf(facts.line.sets[0].target);
  if (total === null) return keep(reading, [{ code: "unknownTotal" }, ...doubts], "low", true);
  const isWhole = last.sets.length >= last.planned.length;
  if (total < goal || !isWhole)
    return gaining(facts, [{ code: "totalToGain", total, goal, measure }]);
  const done = [{ code: "totalReached", total, goal, measure }] as const;
  return heldBack(facts, done) ?? stepUp(facts, done);
}
