import { count } from "../../kernel/index.ts";
import { repsLeft, type Rir, type Target } from "../../plan/index.ts";
import type { Exposure } from "../../log/index.ts";
import type { Change } from "../change.ts";
import { allReached, type Facts } from "../judged-line.ts";
import { gaining, notYet } from "../not-yet.ts";
import { keep, type Proposal } from "../proposal.ts";
import { stepUp } from "../step-up.ts";
import { heldBack, needsReps, unjudged } from "../when-reached.ts";
import type { RuleOf } from "./rule.ts";

/** What is left in reserve of a set that nothing else says anything of. */
const USUAL_EFFORT: Rir = 2;

/** The last set to the limit once in so many sessions; what it shows decides the load until the next one. */
export function next(facts: Facts, { every }: RuleOf<"limitSets">): Proposal {
  const early = unjudged(facts);
  if (early !== null) return early;
  const { line, reading, doubts, exposures } = facts;
  const place = line.sets.length - 1;
  const own = line.sets[place] ?? line.sets[0];
  if (own.target.kind === "limit" && isLimit(facts.last)) return afterLimit(facts, place);
  if (own.target.kind !== "reps") return needsReps(facts);
  const since = exposures.toReversed().findIndex(isLimit);
  const sessions = since < 0 ? exposures.length : since;
  // Nothing goes to the limit that was short of what is asked, or had a new fault.
  if (!allReached(facts, "least")) return notYet(facts, "least");
  const back = heldBack(facts, []);
  if (back !== null) return back;
  if (sessions + 1 >= every) {
    const { min, max } = own.target;
    const due = { code: "limitSetDue", every } as const;
    const held = keep(reading, [due, ...doubts], doubts.length > 0 ? "medium" : "high", false);
    const limit: Target = { kind: "limit", atLeast: min, likely: max };
    return { ...held, changes: setTo(facts, place, limit, 0) };
  }
  return gaining(facts, [{ code: "limitSetIn", sessions: Math.max(1, every - sessions - 1) }]);
}

/** One set with another target and effort, where they differ. */
function setTo({ line }: Facts, place: number, target: Target, effort: Rir): readonly Change[] {
  const own = line.sets[place] ?? line.sets[0];
  const efforts: readonly Change[] =
    own.effort === effort ? [] : [{ kind: "effort", set: place, from: own.effort, to: effort }];
  return [{ kind: "target", set: place, from: own.target, to: target }, ...efforts];
}

/** At the limit the last set should come to the top of its range and to what the other sets leave. */
function afterLimit(facts: Facts, place: number): Proposal {
  const { line, sets } = facts;
  const { target } = line.sets[place] ?? line.sets[0];
  if (target.kind !== "limit") return notYet(facts, "least");
  const others = place === 0 ? USUAL_EFFORT : line.sets[0].effort;
  const done = sets.at(-1)?.amount ?? 0;
  const top = target.likely + (repsLeft(others) ?? 0);
  const least = count(Math.min(target.atLeast ?? target.likely, target.likely));
  const range: Target = { kind: "reps", min: least, max: target.likely };
  const back = setTo(facts, place, range, others);
  const shown = [{ code: "limitSet", done, top } as const];
  if (done >= top && facts.isWhole)
    return heldBack(facts, shown) ?? stepUp(facts, shown, { changes: back });
  return { ...notYet(facts, "least", shown), changes: back };
}

/** True where the last planned set of a session was taken to the limit, with no top to stop at. */
function isLimit({ sets }: Exposure): boolean {
  const last = sets.at(-1);
  return last !== undefined && repsLeft(last.effortAsked) === 0 && last.range === null;
}
