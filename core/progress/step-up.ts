import {
  assertNever,
  compareMass,
  count,
  metres,
  seconds,
  ticksOf,
  type Mass,
} from "../kernel/index.ts";
import { allLoads, harderBy, nextHarder, totalMoved, type MadeLoad } from "../gym/index.ts";
import { BOUNDS, demandOf, repsLeft, type Target } from "../plan/index.ts";
import type { Change } from "./change.ts";
import { needsRuling } from "./doubts.ts";
import { hasLoads, type Facts } from "./judged-line.ts";
import { keep, type Proposal, type Reason, type Way } from "./proposal.ts";
import { rateOf } from "./rate.ts";

/** A step beyond this share of the load asks for a ruling. Source: our rule, docs/progression.md § Steps. */
export const LARGE_STEP = 0.1;
/** So many repetitions fewer than asked after a step are too few; after a large one none may be missing. Source: our rule, as above. */
const TOO_FEW = 2;
/** A step is worth a word where it is more than this share, and so many times what a session gained so far. */
const NOTED_STEP = 0.05;
const TIMES_THE_RATE = 6;
/** No step that is offered beside the smallest goes further. Source: our rule, as above. */
const FULL_STEP = 0.2;

/** What a step up is made of, where it is not the smallest one with everything else as it was. */
interface StepUp {
  /** The load to go to; the next one where it is not given. */
  readonly to?: MadeLoad | null;
  /** Why it is that load; the step itself where it is not given. */
  readonly why?: Reason;
  /** What else changes with it: what was made harder before goes back. */
  readonly changes?: readonly Change[];
}

/**
 * The step up from a load that has done its work: judged by its share and by the reserve that was left, with the
 * ways out where there is no heavier load. Where there are no loads at all the amount goes on.
 */
export function stepUp(
  facts: Facts,
  because: readonly Reason[],
  { to, why, changes = [] }: StepUp = {},
): Proposal {
  const { reading, loading, doubts } = facts;
  if (reading === null) return keep(null, because, "low", true);
  if (!hasLoads(loading)) return moreOf(facts, because);
  const harder = to ?? nextHarder(loading, reading);
  if (harder === null) {
    const all = [...because, { code: "atCeiling", reading } as const, ...doubts];
    return keep(reading, all, "high", true, waysAtCeiling(facts));
  }
  const share = stepShare(facts, reading, harder.reading);
  const least = leastAfter(facts, changes);
  const judged = jumpJudged(facts, reading, harder.reading, { share, least });
  return {
    move: "raise",
    reading: harder.reading,
    from: reading,
    changes,
    because: [
      ...because,
      why ?? { code: "smallestStep", from: reading, to: harder.reading, stepShare: share },
      ...judged.because,
      ...doubts,
    ],
    ways: judged.asks
      ? waysInstead(facts, reading)
      : fullStep(facts, reading, harder, { changes, least }),
    confidence:
      doubts.length > 0 || share === null || judged.because.length > 0 ? "medium" : "high",
    mustRule: judged.asks || isUnsure(doubts),
  };
}

/** More of something else than load: the same load, with what changes. Asks where the result is unsure. */
export function askMore(
  { reading, doubts }: Facts,
  because: readonly Reason[],
  changes: readonly Change[],
): Proposal {
  const all = [...because, ...doubts];
  const held = keep(reading, all, doubts.length > 0 ? "medium" : "high", isUnsure(doubts));
  return { ...held, move: "raise", changes };
}

/** What was reached under easier conditions proves nothing, so the coach decides whether it was a step up. */
function isUnsure(doubts: readonly Reason[]): boolean {
  return needsRuling(doubts) || doubts.some(({ code }) => code === "easierConditions");
}

/** The step as a share of the total moved; null where a sled, a bar, a band or the body has no known mass. */
export function stepShare(
  { loading, bodyWeight }: Pick<Facts, "loading" | "bodyWeight">,
  from: Mass,
  to: Mass,
): number | null {
  const [a, b] = [totalMoved(loading, from, bodyWeight), totalMoved(loading, to, bodyWeight)];
  if (a === null || b === null || ticksOf(a) === 0) return null;
  return Math.abs(ticksOf(b) - ticksOf(a)) / ticksOf(a);
}

/**
 * How many repetitions the weakest of the last sets would have come to after a step of this share, with what was
 * asked left in reserve; null where a reserve is unknown or something else is counted.
 * Source: Epley's line, on which only the ratio of the loads matters.
 */
function repsAfter({ sets }: Facts, share: number | null): number | null {
  if (share === null) return null;
  const each = sets.map(({ reps, rir, effortAsked }) => {
    const [left, asked] = [repsLeft(rir), repsLeft(effortAsked)];
    if (reps === null || left === null) return null;
    return 30 * ((1 + (reps + left) / 30) / (1 + share) - 1) - (asked ?? 0);
  });
  return each.reduce<number | null>(
    (low, n) => (low === null || n === null ? null : Math.min(low, n)),
    Infinity,
  );
}

/** The least that any set asks for once a step is taken: what was asked, or what the step itself makes of it. */
function leastAfter({ sets, line }: Facts, changes: readonly Change[]): number | null {
  const targets = changes.filter((change) => change.kind === "target");
  const all =
    targets.length === 0
      ? sets.flatMap(({ demand }) => demand.least ?? [])
      : line.sets.flatMap(({ target }, at) => {
          const own = targets.find(({ set }) => set === null || set === at);
          return demandOf(own?.to ?? target).least ?? [];
        });
  return all.length === 0 ? null : Math.min(...all);
}

/** Whether a step is too far: by the reserve where it is known, else by its share. */
function jumpJudged(
  facts: Facts,
  from: Mass,
  to: Mass,
  { share, least }: { readonly share: number | null; readonly least: number | null },
): { readonly because: readonly Reason[]; readonly asks: boolean } {
  const after = repsAfter(facts, share);
  const isLarge = share !== null && share > LARGE_STEP;
  if (after !== null && least !== null) {
    const expected = Math.max(0, Math.round(after));
    if (after < least - (isLarge ? 0 : TOO_FEW)) {
      const large = isLarge ? [largeStep(from, to, share)] : [];
      return { because: [...large, { code: "fewLeft", expected, least }], asks: true };
    }
    return isLarge
      ? { because: [{ code: "reserveAllows", expected, least }], asks: false }
      : { because: [], asks: false };
  }
  if (isLarge) return { because: [largeStep(from, to, share)], asks: true };
  const rate = rateOf(facts);
  const isAhead =
    share !== null && rate !== null && share > NOTED_STEP && share > TIMES_THE_RATE * rate.likely;
  return isAhead && rate.likely > 0
    ? { because: [{ code: "aheadOfRate", stepShare: share, rate: rate.likely }], asks: false }
    : { because: [], asks: false };
}

const largeStep = (from: Mass, to: Mass, share: number): Reason => ({
  code: "largeStep",
  from,
  to,
  stepShare: share,
  limit: LARGE_STEP,
});

/** Instead of a step that is too far: more repetitions first. */
function waysInstead(facts: Facts, from: Mass): readonly Way[] {
  const more = targetChange(facts);
  return more === null
    ? []
    : [{ code: "pastTheTop", step: { move: "keep", reading: from, changes: [more] } }];
}

/** Beside a step: the hardest load that still leaves what is asked, by the reserve, where it is further than the step. */
function fullStep(
  facts: Facts,
  from: Mass,
  to: MadeLoad,
  { changes, least }: { readonly changes: readonly Change[]; readonly least: number | null },
): readonly Way[] {
  const way = harderBy(facts.loading);
  if (least === null) return [];
  const full = allLoads(facts.loading).findLast((made) => {
    if (way * compareMass(made.reading, to.reading) <= 0) return false;
    const share = stepShare(facts, from, made.reading);
    const after = repsAfter(facts, share);
    return share !== null && share <= FULL_STEP && after !== null && after >= least;
  });
  return full === undefined
    ? []
    : [{ code: "fullStep", step: { move: "raise", reading: full.reading, changes } }];
}

/** Where no heavier load is made: repetitions, tempo, and what the coach has to arrange. */
function waysAtCeiling(facts: Facts): readonly Way[] {
  const [first] = facts.line.sets;
  const more = targetChange(facts);
  const { lower } = first.tempo;
  const slow = typeof lower === "number" ? lower : null;
  const slower: Change = {
    kind: "tempo",
    phase: "lower",
    from: slow === null ? null : seconds(slow),
    to: seconds(Math.min(BOUNDS.phase.most, (slow ?? 2) + 1)),
  };
  const at = { move: "keep", reading: facts.reading } as const;
  return [
    ...(more === null ? [] : [{ code: "moreReps", step: { ...at, changes: [more] } } as const]),
    { code: "slower", step: { ...at, changes: [slower] } },
    { code: "addOn", step: null },
    { code: "oneLeg", step: null },
    { code: "otherEquipment", step: null },
  ];
}

function targetChange({ line }: Facts): Change | null {
  const { target } = line.sets[0];
  const to = moreAsked(target);
  return to === null ? null : { kind: "target", set: null, from: target, to };
}

/** Nothing to load: what is asked goes up instead. */
function moreOf(facts: Facts, because: readonly Reason[]): Proposal {
  const change = targetChange(facts);
  if (change === null) {
    const all = [...because, { code: "noLoads" } as const, ...facts.doubts];
    return keep(facts.reading, all, "medium", true, waysAtCeiling(facts));
  }
  return askMore(facts, [...because, { code: "noLoads" }], [change]);
}

/** Most that is asked of repetitions or seconds before something harder is the better way. Source: our rule, as above. */
const MOST_REPS_ASKED = 50;
const MOST_SECONDS_ASKED = 180;

/** The target with a little more: a repetition, five seconds, a tenth of a way; null where the end is open or far enough. */
function moreAsked(target: Target): Target | null {
  switch (target.kind) {
    case "reps":
    case "repsUntil":
      return target.max >= MOST_REPS_ASKED
        ? null
        : { ...target, min: count(target.min + 1), max: count(target.max + 1) };
    case "limit":
      return target.atLeast === null || target.atLeast >= MOST_REPS_ASKED
        ? null
        : { ...target, atLeast: count(target.atLeast + 1) };
    case "seconds":
      return target.max >= MOST_SECONDS_ASKED
        ? null
        : { ...target, min: seconds(target.min + 5), max: seconds(target.max + 5) };
    case "steps":
      return target.steps >= 500 ? null : { ...target, steps: count(target.steps + 2) };
    case "metres":
      return target.metres >= 5000 ? null : { ...target, metres: metres(tenthMore(target.metres)) };
    case "total":
      return target.amount >= 500 ? null : { ...target, amount: count(tenthMore(target.amount)) };
    case "intervals":
      return target.rounds >= 30 ? null : { ...target, rounds: count(target.rounds + 1) };
    case "untilForm":
    case "afterBurn":
      return null;
    default:
      return assertNever(target);
  }
}

/** A tenth more, to the next multiple of five; in whole numbers, since 50 × 1.1 is a little more than 55. */
const tenthMore = (n: number) => Math.ceil((n * 11) / 50) * 5;
