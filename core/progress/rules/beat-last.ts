import { assertNever, count, seconds, type Count } from "../../kernel/index.ts";
import { demandOf, type Target } from "../../plan/index.ts";
import type { Change } from "../change.ts";
import { hasNewFault } from "../doubts.ts";
import { allReached, hasLoads, type Facts } from "../judged-line.ts";
import { notYet } from "../not-yet.ts";
import { keep, type Proposal } from "../proposal.ts";
import { askMore, stepUp } from "../step-up.ts";
import { heldBack, unjudged } from "../when-reached.ts";
import type { RuleOf } from "./rule.ts";

/** Each set asks for more than the same set did last time; once all are at the top, the next load from below again. */
export function next(facts: Facts, { by, from }: RuleOf<"beatLast">): Proposal {
  const early = unjudged(facts);
  if (early !== null) return early;
  const { reading, sets, doubts, last } = facts;
  const beaten = sets.filter(({ amount, demand }) => (amount ?? 0) >= (demand.least ?? 0)).length;
  const because = [{ code: "setsBeaten", beaten, of: sets.length } as const];
  const more = sets.flatMap(({ place, amount }): readonly Change[] => {
    const at = last.planned.findIndex((planned) => planned.place === place);
    const target = facts.line.sets[at]?.target;
    if (target === undefined || amount === null) return [];
    // A poor day asks for no less: what was written stands.
    const to = asking(target, Math.max(demandOf(target).least ?? 0, Math.round(amount) + by));
    return to === null ? [] : [{ kind: "target", set: at, from: target, to }];
  });
  if (allReached(facts, "most") && hasTop(facts)) {
    const again = facts.line.sets.flatMap((set, i): readonly Change[] => {
      // Never more than now, where the load goes up.
      const to = asking(set.target, Math.min(from, demandOf(set.target).least ?? from));
      return to === null ? [] : [{ kind: "target", set: i, from: set.target, to }];
    });
    const held = heldBack(facts, because);
    if (held === null && !hasLoads(facts.loading))
      return askMore(facts, because, higherTops(facts, by));
    const up = held ?? stepUp(facts, because, { changes: again });
    if (up.move === "raise") return up;
    return hasNewFault(doubts) ? up : { ...up, changes: more };
  }
  const held = notYet(facts, "least", because);
  if (facts.excuses.length > 0 || held.mustRule) return held;
  return more.length === 0
    ? notYet(facts, "most", because)
    : {
        ...keep(reading, [...because, ...doubts], doubts.length > 0 ? "medium" : "high", false),
        changes: more,
      };
}

/** Where there is nothing to load the tops go up instead. */
function higherTops({ line }: Facts, by: number): readonly Change[] {
  return line.sets.flatMap(({ target }, i): readonly Change[] =>
    target.kind === "reps" || target.kind === "repsUntil"
      ? [
          {
            kind: "target",
            set: i,
            from: target,
            to: { ...target, min: target.max, max: count(Math.min(1000, target.max + by)) },
          },
        ]
      : [],
  );
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
