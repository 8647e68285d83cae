import {
  massFromTicks,
  share,
  ticks,
  ticksOf,
  timesTicks,
  compareMass,
  type Mass,
} from "../../kernel/index.ts";
import {
  harderBy,
  loadForTicks,
  loadForTotal,
  nextHarder,
  totalMoved,
  type MadeLoad,
} from "../../gym/index.ts";
import { repsLeft } from "../../plan/index.ts";
import { MOST_REPS, maximumOverLoad } from "../equation.ts";
import type { Facts } from "../judged-line.ts";
import { hasNewFault, needsRuling } from "../doubts.ts";
import { keep, type Proposal, type Reason } from "../proposal.ts";
import { gaining } from "../not-yet.ts";
import { stepUp } from "../step-up.ts";
import { unjudged } from "../when-reached.ts";
import type { RuleOf } from "./rule.ts";

/** What the sets of the session allow for what is asked: the middle of the range with the reserve asked. */
interface Allowed {
  readonly ratio: number;
  readonly reps: number;
  readonly left: number;
}

export function next(facts: Facts, { most }: RuleOf<"effortAnchored">): Proposal {
  const early = unjudged(facts);
  if (early !== null) return early;
  const { reading, doubts, excuses } = facts;
  const allowed = allowedBy(facts);
  if (reading === null || allowed === null) {
    return keep(reading, [{ code: "noEstimate" }, ...doubts], "low", needsRuling(doubts));
  }
  const bounded = Math.min(1 + most, Math.max(1 - most, allowed.ratio));
  const to = loadAt(facts, reading, bounded);
  const free = loadAt(facts, reading, allowed.ratio);
  const because: readonly Reason[] = [
    {
      code: "byEstimate",
      reps: allowed.reps,
      left: allowed.left,
      allows: (free ?? to)?.reading ?? reading,
    },
    ...(bounded === allowed.ratio ? [] : [{ code: "heldBack", most: share(most) } as const]),
  ];
  const way = to === null ? 0 : harderBy(facts.loading) * compareMass(to.reading, reading);
  const isOneWay = doubts.some(({ code }) => code === "harderConditions");
  if (way < 0 && to !== null && excuses.length === 0 && !isOneWay) {
    return {
      ...keep(reading, [...because, ...doubts], "medium", needsRuling(doubts)),
      move: "lower",
      reading: to.reading,
    };
  }
  const isAtEnd = allowed.ratio > 1 && nextHarder(facts.loading, reading) === null;
  if ((way > 0 || isAtEnd) && !hasNewFault(doubts)) {
    return stepUp(facts, because, isAtEnd ? {} : { to });
  }
  return gaining(facts, because);
}

/** How much more or less than what was done is allowed, in the mean of the sets; null where one says too little. */
function allowedBy({ sets, strength, isWhole }: Facts): Allowed | null {
  if (!isWhole) return null;
  const logs = sets.map(({ reps, rir, effortAsked, range }) => {
    const [left, asked] = [repsLeft(rir), repsLeft(effortAsked)];
    if (reps === null || left === null || asked === null || range === null) return null;
    const middle = (range.min + range.max) / 2;
    // Beyond what an estimate holds for, at least as much was possible as at its end.
    const [did, wants] = [reps === 0 ? 1 : Math.min(MOST_REPS, reps + left), middle + asked];
    if (wants > MOST_REPS) return null;
    const over = (n: number) => maximumOverLoad(strength.equation, n);
    return { log: Math.log(over(did) / over(wants)), reps: middle, left: asked };
  });
  const known = logs.filter((log) => log !== null);
  const [first] = known;
  if (first === undefined || known.length < logs.length) return null;
  const mean = known.reduce((sum, { log }) => sum + log, 0) / known.length;
  return { ratio: Math.exp(mean), reps: first.reps, left: first.left };
}

/** The load nearest to a multiple of what is moved; of what is read where the total is unknown. */
function loadAt({ loading, bodyWeight }: Facts, reading: Mass, ratio: number): MadeLoad | null {
  const total = totalMoved(loading, reading, bodyWeight);
  if (total === null || ticksOf(total) === 0) {
    return loadForTicks(loading, ticks(timesTicks(ticksOf(reading), ratio)), "nearest");
  }
  const wanted = massFromTicks(timesTicks(ticksOf(total), ratio), total.unit, "nearest");
  return loadForTotal(loading, wanted, bodyWeight);
}
