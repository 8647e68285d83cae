import { count, sameReading, share, type Mass } from "../../kernel/index.ts";
import { stepsFrom } from "../../gym/index.ts";
import type { Target } from "../../plan/index.ts";
import type { Change } from "../change.ts";
import type { Facts } from "../judged-line.ts";
import { shareOfReading } from "../not-yet.ts";
import { keep, type Proposal } from "../proposal.ts";
import { stepUp } from "../step-up.ts";
import { whenReached } from "../when-reached.ts";
import type { RuleOf } from "./rule.ts";

/**
 * Fewer repetitions with more load, to a test with one set as far as it goes, then a lighter session, then again
 * from where it began, a step heavier. Where it stands is read from what the last session asked for.
 */
export function next(facts: Facts, rule: RuleOf<"taper">): Proposal {
  const { reading, line, last, exposures } = facts;
  const [{ target }] = line.sets;
  if (reading === null) return keep(null, facts.doubts, "low", true);
  if (last.planned[0]?.range === null) return lighter(facts, rule, reading);
  if (exposures.at(-2)?.planned[0]?.range === null) return again(facts, rule, reading);
  return whenReached(facts, "least", (because) => {
    const asked = target.kind === "reps" ? target.min : rule.max;
    const to = stepsFrom(facts.loading, reading, rule.steps);
    if (asked <= rule.min) {
      const test: Target = { kind: "limit", atLeast: count(asked), likely: count(asked) };
      return stepUp(facts, [...because, { code: "taperTest" }], {
        to,
        changes: [targetTo(target, test), ...setsTo(line.sets.length, 1)],
      });
    }
    const reps = count(Math.max(rule.min, asked - rule.by));
    const fewer: Target = { kind: "reps", min: reps, max: reps };
    return stepUp(facts, [...because, { code: "taperOn", reps, last: rule.min }], {
      to,
      changes: [targetTo(target, fewer)],
    });
  });
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
