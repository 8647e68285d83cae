import { compareMass, type Mass } from "../../kernel/index.ts";
import { harderBy, nextEasier, nextHarder } from "../../gym/index.ts";
import type { ExposedSet } from "../../log/index.ts";
import type { Change } from "../change.ts";
import { reached, type Facts } from "../judged-line.ts";
import { gaining, isClearlyShort, notYet } from "../not-yet.ts";
import { keep, type Proposal, type Reason } from "../proposal.ts";
import { stepUp } from "../step-up.ts";
import { heldBack, unjudged, whenReached } from "../when-reached.ts";
import type { RuleOf } from "./rule.ts";

export function next(facts: Facts, { decides }: RuleOf<"doubleProgression">): Proposal {
  return decides === "weakest"
    ? whenReached(facts, "most", (because) => stepUp(facts, because))
    : setBySet(facts);
}

/** Each set by itself: those at the top go up a step, those clearly short twice running go down one. */
function setBySet(facts: Facts): Proposal {
  const early = unjudged(facts);
  if (early !== null) return early;
  // That loads differ from set to set is what the rule makes.
  const apart: Facts = {
    ...facts,
    doubts: facts.doubts.filter(({ code }) => code !== "mixedLoads" && code !== "fellBack"),
  };
  if (apart.excuses.length > 0 && !facts.sets.some((set) => reached(set, "most")))
    return notYet(apart, "most");
  const changes = facts.sets.flatMap((set) => changeOf(apart, set) ?? []);
  const way = harderBy(facts.loading);
  const ups = changes.filter((c) => way * compareMass(c.to, c.from) > 0);
  if (changes.length === 0) return gaining(apart, stillShort(facts));
  const done: Reason = { code: "setsBeaten", beaten: ups.length, of: facts.sets.length };
  const held = ups.length === 0 ? null : heldBack(apart, [done]);
  if (held !== null) {
    // What holds those at the top back keeps nobody from going down.
    const downs = changes.filter((change) => !ups.includes(change));
    return downs.length === 0 ? held : { ...held, move: "lower", changes: downs, mustRule: true };
  }
  if (changes.length === facts.last.planned.length && ups.length === changes.length) {
    const same = changes.every(
      ({ from }) => facts.reading && compareMass(from, facts.reading) === 0,
    );
    if (same) return stepUp(apart, [done]);
  }
  return {
    ...keep(facts.reading, [done, ...apart.doubts], "medium", ups.length < changes.length),
    move: ups.length === 0 ? "lower" : "raise",
    changes,
  };
}

/** What each set that is not at the top is short of. */
function stillShort({ sets }: Facts): readonly Reason[] {
  const beaten = sets.filter((set) => reached(set, "most")).length;
  return [{ code: "setsBeaten", beaten, of: sets.length }];
}

type LoadChange = Extract<Change, { readonly kind: "load" }>;

function changeOf({ loading, last, series }: Facts, set: ExposedSet): LoadChange | null {
  if (set.reading === null) return null;
  const place = last.planned.findIndex((planned) => planned.place === set.place);
  const to = (made: { readonly reading: Mass } | null): LoadChange | null =>
    made === null || set.reading === null
      ? null
      : { kind: "load", set: Math.max(0, place), from: set.reading, to: made.reading };
  if (reached(set, "most")) return to(nextHarder(loading, set.reading));
  const before = series.at(-2)?.sets.find((own) => own.place === set.place);
  const isTwice = isClearlyShort(set) && before !== undefined && isClearlyShort(before);
  return isTwice ? to(nextEasier(loading, set.reading)) : null;
}
