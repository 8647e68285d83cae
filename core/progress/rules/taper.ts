import { count, sameReading, share, type Mass } from "../../kernel/index.ts";
import { stepsFrom } from "../../gym/index.ts";
import type { Target } from "../../plan/index.ts";
import type { Change } from "../change.ts";
import { hasNewFault } from "../doubts.ts";
import type { Facts } from "../judged-line.ts";
import { shareOfReading } from "../not-yet.ts";
import { keep, type Proposal } from "../proposal.ts";
import { stepUp } from "../step-up.ts";
import { needsReps, whenReached } from "../when-reached.ts";
import type { RuleOf } from "./rule.ts";

/**
 * Fewer repetitions with more load, to a test with one set as far as it goes, then a lighter session, then again
 * from where it began, a step heavier. Where it stands is read from what the last session asked for; a week that is
 * for testing brings the test forward.
 */
export function next(facts: Facts, rule: RuleOf<"taper">): Proposal {
  const { reading, line, exposures, weeks } = facts;
  const [{ target }] = line.sets;
  if (reading === null) return keep(null, facts.doubts, "low", true);
  if (target.kind === "limit") return lighter(facts, rule, reading);
  if (target.kind !== "reps") return needsReps(facts);
  if (exposures.at(-2)?.planned[0]?.range === null) return again(facts, rule, reading);
  const asked = target.min;
  const tests = { code: "taperTest" } as const;
  const test: Target = { kind: "limit", atLeast: asked, likely: asked };
  const toTest = [targetTo(target, test), ...setsTo(line.sets.length, 1)];
  const isTestWeek = weeks?.next.kind === "test";
  const ruled = whenReached(facts, "least", (because) => {
    const to = stepsFrom(facts.loading, reading, rule.steps);
    if (asked <= rule.min || isTestWeek)
      return stepUp(facts, [...because, tests], { to, changes: toTest });
    const reps = count(Math.max(rule.min, asked - rule.by));
    const fewer: Target = { kind: "reps", min: reps, max: reps };
    return stepUp(facts, [...because, { code: "taperOn", reps, last: rule.min }], {
      to,
      changes: [targetTo(target, fewer)],
    });
  });
  // The week is the test's, also where the load before it was not yet done; but no test goes over a new fault.
  return isTestWeek && ruled.move === "keep" && !hasNewFault(facts.doubts)
    ? { ...ruled, changes: toTest, because: [tests, ...ruled.because] }
    : ruled;
}

const targetTo = (from: Target, to: Target): Change => ({ kind: "target", set: null, from, to });
const setsTo = (from: number, to: number): readonly Change[] =>
  from === to ? [] : [{ kind: "sets", from, to }];

/** After the test: the repetitions that it begins with, at a share of the test. */
function lighter(facts: Facts, rule: RuleOf<"taper">, reading: Mass): Proposal {
  const [{ target }] = facts.line.sets;
  const easier = shareOfReading(facts, reading, share(rule.lighter));
  const begins: Target = { kind: "reps", min: rule.max, max: rule.max };
  const before = facts.exposures.at(-2)?.planned.length ?? facts.line.sets.length;
  const held = keep(
    reading,
    [{ code: "taperLighter", share: share(rule.lighter) }],
    easier === null ? "low" : "high",
    easier === null,
  );
  return {
    ...held,
    move: "lower",
    reading: easier ?? reading,
    changes: [targetTo(target, begins), ...setsTo(facts.line.sets.length, before)],
  };
}

/** After the lighter session: where the last round began, the steps of one session heavier. */
function again(facts: Facts, rule: RuleOf<"taper">, reading: Mass): Proposal {
  const began = facts.exposures
    .slice(0, -2)
    .findLast(({ planned }) => planned[0]?.range?.max === rule.max)?.sets[0]?.reading;
  const from = began ?? reading;
  const to = stepsFrom(facts.loading, from, rule.steps)?.reading ?? from;
  return {
    ...keep(
      reading,
      [{ code: "taperAgain" }],
      began === undefined ? "low" : "medium",
      began == null,
    ),
    move: sameReading(to, reading) ? "keep" : "raise",
    reading: to,
  };
}
