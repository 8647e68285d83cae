import { hardnessOf } from "../../plan/index.ts";
import type { Facts } from "../judged-line.ts";
import { keep, type Proposal } from "../proposal.ts";
import type { RuleOf } from "./rule.ts";

/** Counts hard sets, whatever they were done with, and asks where there were fewer than meant. The load is the coach's or the client's on the day. */
export function next(
  { last, reading, line, excuses }: Facts,
  { goal }: RuleOf<"hardSets">,
): Proposal {
  const hardness = last.sets.map(({ rir }) => hardnessOf(rir));
  const done = hardness.filter((one) => one === "hard").length;
  const unknown = hardness.filter((one) => one === "unknown").length;
  const because = [...excuses, { code: "hardSets", done, goal, unknown } as const];
  const isFew = done + unknown < goal && excuses.length === 0;
  const held = keep(reading, because, unknown > 0 ? "medium" : "high", isFew);
  const planned = line.sets.length;
  return planned === goal
    ? held
    : { ...held, changes: [{ kind: "sets", from: planned, to: goal }] };
}
