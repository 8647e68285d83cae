import { assertNever, count, seconds, type Count } from "../../kernel/index.ts";
import type { Target } from "../../plan/index.ts";
import type { Change } from "../change.ts";
import { allReached, type Facts } from "../judged-line.ts";
import { notYet } from "../not-yet.ts";
import { keep, type Proposal } from "../proposal.ts";
import { stepUp } from "../step-up.ts";
import { heldBack, unjudged } from "../when-reached.ts";
import type { RuleOf } from "./rule.ts";

/** Each set asks for more than the same set did last time; once all are at the top, the next load from below again. */
export function next(facts: Facts, { by, from }: RuleOf<"beatLast">): Proposal {
  const early = unjudged(facts);
  if (early !== null) return early;
  const { reading, sets, doubts, last } = facts;
  const beaten = sets.filter(({ amount, demand }) => (amount ?? 0) >= (demand.least ?? 0)).length;
  const because = [{ code: "setsBeaten", beaten, of: sets.length } as const];
  if (allReached(facts, "most") && hasTop(facts)) {
    const again = facts.line.sets.flatMap((set, i): readonly Change[] => {
      const to = asking(set.target, from);
      return to === null ? [] : [{ kind: "target", set: i, from: set.target, to }];
    });
    return heldBack(facts, because) ?? stepUp(facts, because, { changes: again });
  }
  const held = notYet(facts, "least", because);
  if (facts.excuses.length > 0 || held.mustRule) return held;
  const changes = sets.flatMap(({ place, amount }): readonly Change[] => {
    const at = last.planned.findIndex((planned) => planned.place === place);
    const target = facts.line.sets[at]?.target;
    if (target === undefined || amount === null) return [];
    const to = asking(target, Math.max(from, Math.round(amount) + by));
    return to === null ? [] : [{ kind: "target", set: at, from: target, to }];
  });
  return changes.length === 0
    ? notYet(facts, "most", because)
    : {
        ...keep(reading, [...because, ...doubts], doubts.length > 0 ? "medium" : "high", false),
        changes,
      };
}

/** Without a top of a range there is no end at which more load comes. */
const hasTop = ({ line }: Facts) =>
  line.sets.every(({ target }) => "max" in target && target.max > 0);

/** The target with another least, as far as its top; null where nothing changes or it has none. */
function asking(target: Target, least: Count | number): Target | null {
  switch (target.kind) {
    case "reps":
    case "repsUntil": {
      const min = count(Math.min(least, target.max));
      return min === target.min ? null : { ...target, min };
    }
    case "seconds": {
      const min = seconds(Math.min(least, target.max));
      return min === target.min ? null : { ...target, min };
    }
    case "limit":
      return target.atLeast === least ? null : { ...target, atLeast: count(Math.min(1000, least)) };
    case "steps":
    case "metres":
    case "total":
    case "intervals":
    case "untilForm":
    case "afterBurn":
      return null;
    default:
      return assertNever(target);
  }
}
