import { harderBy, loadForTicks, loadForTotal, nextEasier, totalMoved } from "../gym/index.ts";
import {
  count,
  massFromTicks,
  sameReading,
  share,
  ticks,
  ticksOf,
  timesTicks,
  type Mass,
  type Share,
} from "../kernel/index.ts";
import { BOUNDS, repsLeft } from "../plan/index.ts";
import type { ExposedSet } from "../log/index.ts";
import { needsRuling } from "./doubts.ts";
import { burstsShort, type End, type Facts } from "./judged-line.ts";
import { keep, type Proposal, type Reason, type Way } from "./proposal.ts";
import { stallOf } from "./rate.ts";
import { stepShare } from "./step-up.ts";

/** Short by no more than one, or by this share of what is asked, is nearly there. Source: our rule. */
const NEARLY = 0.1;
/** Of a lighter week. Source: our rule, docs/progression.md § Stall. */
const LIGHTER: Share = share(0.9);

const amountOf = ({ amount }: ExposedSet) => amount ?? 0;
const isShort = (set: ExposedSet) => set.amount !== null && set.amount < (set.demand.least ?? 0);

/**
 * What follows where a line has not reached what its rule asks for: less is asked where it came clearly short twice
 * running; else everything stays, and it is said what is missing. A poor result that is no verdict changes nothing.
 */
export function notYet(facts: Facts, end: End, first: readonly Reason[] = []): Proposal {
  const { reading, sets, doubts } = facts;
  const because = [...first, ...doubts];
  if (reading === null) return keep(null, because, "low", true);
  const short = sets.filter(isShort);
  const isAtOne = sets.every((s) => s.reading !== null && sameReading(s.reading, reading));
  if (facts.excuses.length > 0) {
    const all = [...facts.excuses, ...toGain(facts, end, reading), ...because];
    return keep(reading, all, "medium", false);
  }
  return short.length > 0 && isAtOne
    ? whenShort(facts, short, reading, because)
    : whenGaining(facts, end, reading, because);
}

function whenShort(
  facts: Facts,
  short: readonly ExposedSet[],
  reading: Mass,
  because: readonly Reason[],
): Proposal {
  const weakest = short.reduce((low, set) => (amountOf(set) < amountOf(low) ? set : low));
  const before = facts.series.at(-2);
  const shortBefore = before?.sets.filter((set) => isShort(set) && isAt(set, reading)) ?? [];
  const times = shortBefore.length > 0 ? 2 : 1;
  const isClear = short.some(isClearlyShort);
  const isClearTwice = isClear && shortBefore.some(isClearlyShort);
  const failed = short.filter(({ rir, amount }) => rir === "past" || amount === 0).length;
  const all: readonly Reason[] = [
    {
      code: "belowRange",
      isOnlySet: facts.sets.length === 1,
      lowest: amountOf(weakest),
      bottom: weakest.demand.least ?? 0,
      measure: weakest.measure,
      times,
    },
    ...(isClear ? [] : [{ code: "nearlyThere" } as const]),
    ...(failed > 0 ? [{ code: "failedSets", sets: failed } as const] : []),
    ...oneSided(facts, "least"),
    ...because,
  ];
  const easier = isClearTwice ? nextEasier(facts.loading, reading) : null;
  if (easier === null) {
    const held = staying(facts, reading, all);
    return { ...held, confidence: "medium", mustRule: held.mustRule || isClearTwice };
  }
  return {
    move: "lower",
    reading: easier.reading,
    from: reading,
    changes: [],
    because: [
      ...all,
      {
        code: "smallestStep",
        from: reading,
        to: easier.reading,
        stepShare: stepShare(facts, reading, easier.reading),
      },
    ],
    ways: [],
    confidence: "medium",
    mustRule: true,
  };
}

export function isClearlyShort(set: ExposedSet): boolean {
  const least = set.demand.least ?? 0;
  return isShort(set) && least - amountOf(set) > Math.max(1, NEARLY * least);
}

const isAt = ({ reading: own }: ExposedSet, reading: Mass) =>
  own !== null && sameReading(own, reading);

function whenGaining(facts: Facts, end: End, reading: Mass, because: readonly Reason[]): Proposal {
  return staying(facts, reading, [...toGain(facts, end, reading), ...because]);
}

/** As {@link notYet}, for a rule that has its own way to say what is missing. */
export function gaining(facts: Facts, missing: readonly Reason[]): Proposal {
  const { reading, excuses, doubts } = facts;
  const all = [...excuses, ...missing, ...doubts];
  if (reading === null) return keep(null, all, "low", true);
  return excuses.length > 0 ? keep(reading, all, "medium", false) : staying(facts, reading, all);
}

/** The load stays; where it has stayed for too long the coach is asked. */
function staying(facts: Facts, reading: Mass, all: readonly Reason[]): Proposal {
  const stall = stallOf(facts);
  if (stall !== null && facts.isHoldingSuccess) {
    const held = { code: "heldWhileCutting", sessions: stall.sessions, reading } as const;
    return keep(
      reading,
      [held, ...all],
      facts.doubts.length > 0 ? "medium" : "high",
      needsRuling(facts.doubts),
    );
  }
  if (stall !== null) {
    return keep(
      reading,
      [{ code: "stalled", ...stall, reading }, ...all],
      "medium",
      true,
      waysOutOf(facts, reading),
    );
  }
  return keep(reading, all, facts.doubts.length > 0 ? "medium" : "high", needsRuling(facts.doubts));
}

/** What is missing: the weakest set, what follows a set, one side. Nothing where only sets are missing. */
function toGain(facts: Facts, end: End, reading: Mass): readonly Reason[] {
  const known = facts.sets.filter((set) => set.amount !== null);
  const [first] = known;
  if (first === undefined) return [];
  const lowest = Math.min(...known.map(amountOf));
  const top = Math.max(...known.map(({ demand }) => demand[end] ?? 0));
  const bursts = known.flatMap((set) => burstsShort(set) ?? []).slice(0, 1);
  const gain = {
    code: "repsToGain",
    isOnlySet: facts.sets.length === 1,
    lowest,
    top,
    measure: first.measure,
    reading,
  } as const;
  return [...(lowest < top ? [gain] : []), ...bursts, ...oneSided(facts, end)];
}

/** Where one side reached what is asked and the other alone did not. */
function oneSided({ sets }: Facts, end: End): readonly Reason[] {
  const found = sets.flatMap(({ bySide, demand }): readonly Reason[] => {
    const asked = demand[end];
    if (bySide === null || asked === null) return [];
    const { left, right } = bySide;
    if (left >= asked === right >= asked) return [];
    return [{ code: "oneSideShort", side: left < asked ? "left" : "right", left, right, asked }];
  });
  return found.slice(0, 1);
}

/** Ways out of a stall, best first. Source: our rule, docs/progression.md § Stall. */
function waysOutOf(facts: Facts, reading: Mass): readonly Way[] {
  const { sets } = facts.line;
  const [first] = sets;
  const { target } = first;
  const lighter = shareOfReading(facts, reading, LIGHTER);
  const sinceLighter = facts.weeks?.trained.sinceLighter ?? null;
  const lighterWeek: readonly Way[] =
    lighter === null
      ? []
      : [{ code: "lighterWeek", step: { move: "lower", reading: lighter, changes: [] } }];
  const isWorn = facts.sets.every(({ rir }) => (repsLeft(rir) ?? 6) <= 1);
  const setsTo = (to: number) =>
    ({
      move: "keep",
      reading,
      changes: [{ kind: "sets", from: sets.length, to }],
    }) as const;
  const fewer: readonly Way[] =
    sets.length > 1 ? [{ code: "fewerSets", step: setsTo(sets.length - 1) }] : [];
  const more: readonly Way[] = [{ code: "moreSets", step: setsTo(sets.length + 1) }];
  const range: readonly Way[] =
    target.kind === "reps" && target.max + 3 <= BOUNDS.amount.most && lighter !== null
      ? [
          {
            code: "otherRange",
            step: {
              move: "lower",
              reading: lighter,
              changes: [
                {
                  kind: "target",
                  set: null,
                  from: target,
                  to: { ...target, min: count(target.min + 3), max: count(target.max + 3) },
                },
              ],
            },
          },
        ]
      : [];
  const isFresh = sinceLighter !== null && sinceLighter < 3;
  return [
    { code: "sleepAndFood", step: null },
    { code: "checkSetUp", step: null },
    ...(isFresh ? [...range, ...lighterWeek] : [...lighterWeek, ...range]),
    ...(isWorn ? [...fewer, ...more] : [...more, ...fewer]),
    { code: "variation", step: null },
  ];
}

/** The load that comes nearest to a share of what is moved and is no harder, and easier than now; null where there is none. */
export function shareOfReading(
  facts: Pick<Facts, "loading" | "bodyWeight">,
  reading: Mass,
  of: Share,
): Mass | null {
  const { loading, bodyWeight } = facts;
  const total = totalMoved(loading, reading, bodyWeight);
  const part = (whole: Mass) =>
    massFromTicks(timesTicks(ticksOf(whole), of), whole.unit, "nearest");
  const made =
    total === null || ticksOf(total) === 0
      ? loadForTicks(loading, ticks(timesTicks(ticksOf(reading), of)), "easier")
      : loadForTotal(loading, part(total), bodyWeight, "easier");
  const easier = made ?? nextEasier(loading, reading);
  if (easier === null) return null;
  const isEasier = harderBy(loading) * (ticksOf(easier.reading) - ticksOf(reading)) < 0;
  return isEasier ? easier.reading : (nextEasier(loading, reading)?.reading ?? null);
}
