import { totalMoved, type Station } from "../gym/index.ts";
import { daysBetween, ticksOf, type Mass, type Region } from "../kernel/index.ts";
import { lastKey } from "../log/index.ts";
import { directRegions, shareOf } from "../movement/index.ts";
import {
  isPreparatory,
  readingOf,
  repsAsked,
  repsLeft,
  slotsOfBlock,
  type PlannedSet,
  type Slot,
} from "../plan/index.ts";
import { isNewToThis, type Question, type Stances } from "../person/index.ts";
import { isDensityBlock } from "../unroll/index.ts";
import { isSameSticking } from "./alike.ts";
import type { CoveredSlot } from "./coverage.ts";
import { finding, type Finding } from "./finding.ts";
import { hardSetsOf, type Judged } from "./judged.ts";
import { isMachine } from "./seen.ts";
import { UNLIKELY_RATIO, UNLIKELY_SHARE } from "./unlikely.ts";

type Rule = (judged: Judged) => readonly Finding[];

const manySets: Rule = (judged) => {
  const { sets: most, whose } = judged.limits.session;
  const sets = hardSetsOf(judged);
  // Somebody new has a lower cap of their own, which is serious.
  if (sets <= most || isNewToThis(judged.brief)) return [];
  return [finding("warning", { code: "manySets", sets, most, whose })];
};

/** A density block is many sets on purpose. */
const manyOfOne: Rule = ({ slots, limits: { exercise } }) =>
  slots.flatMap(({ movement, slot, hardSets }): Finding[] => {
    const { sets: most, whose } = exercise;
    if (hardSets <= most || isDensityBlock(slot.sets)) return [];
    const fact = {
      code: "manyOfOne",
      movement: movement.ref,
      sets: hardSets,
      most,
      whose,
    } as const;
    return [finding("note", fact, [slot.id], slot.lineageId)];
  });

/** The range of repetitions of the first work set, as text; empty where it counts something else. */
function rangeOf({ sets }: Slot): string {
  const work = sets.find(({ role }) => !isPreparatory(role));
  const asked = work === undefined ? null : repsAsked(work.target);
  return asked === null ? "" : `${asked.min}-${asked.max}`;
}

const sameSetUp = (a: Slot, b: Slot) =>
  Object.entries(a.setUp).every(([name, choice]) => b.setUp[name] === choice) &&
  Object.entries(b.setUp).every(([name, choice]) => a.setUp[name] === choice);

/** The same exercise at the same equipment, set up alike, in the same range of repetitions. */
export const isSameExercise = (a: Slot, b: Slot): boolean =>
  a.movement === b.movement &&
  a.station === b.station &&
  sameSetUp(a, b) &&
  rangeOf(a) === rangeOf(b);

/** Told on the later of two days, where the approach has the days of a week differ. */
const sameOtherDay: Rule = ({ slots, otherDays, day, approach: { stances } }) => {
  if (stances.frequency === "once" || stances.variety === "sameForAYear") return [];
  return slots.flatMap(({ movement, slot, hardSets }): Finding[] => {
    const before = otherDays.find(
      (other) =>
        other.day < day &&
        other.slots.some((own) => own.hardSets > 0 && isSameExercise(own.slot, slot)),
    );
    if (before === undefined || hardSets === 0) return [];
    const fact = { code: "sameOtherDay", movement: movement.ref, day: before.day } as const;
    return [finding("note", fact, [slot.id], slot.lineageId)];
  });
};

const sameSticking: Rule = ({ slots }) =>
  slots.flatMap((second, i): Finding[] => {
    const first = slots
      .slice(0, i)
      .find((own) => own.hardSets > 0 && second.hardSets > 0 && isSameSticking(own, second));
    const [region] = directRegions(second.movement);
    if (first === undefined || region === undefined) return [];
    const fact = {
      code: "sameSticking",
      first: first.movement.ref,
      second: second.movement.ref,
      region,
      at: second.stimulus.profile,
    } as const;
    return [finding("note", fact, [first.slot.id, second.slot.id], second.slot.lineageId)];
  });

/** Work past the limit wants so many days before the same muscle is trained again; work to it one less. Source: our rule. */
const DAYS_PAST = 3;
const DAYS_TO = 2;

const PAST = new Set(["drop", "restPause", "partials", "forced"]);

const isToLimit = ({ role, effort }: PlannedSet) => {
  const left = repsLeft(effort);
  return !isPreparatory(role) && left !== null && left < 1;
};

const limitTooNear: Rule = ({ slots, otherDays, day }) =>
  slots.flatMap(({ movement, slot }): Finding[] => {
    const toLimit = slot.sets.filter(isToLimit);
    if (toLimit.length === 0) return [];
    const isPast = toLimit.some(({ extensions }) => extensions.some(({ kind }) => PAST.has(kind)));
    const wanted = isPast ? DAYS_PAST : DAYS_TO;
    for (const region of directRegions(movement)) {
      const next = otherDays
        .filter((other) => other.day > day && other.slots.some((own) => trains(own, region)))
        .map((other) => other.day)
        .toSorted()[0];
      const days = next === undefined ? null : daysBetween(day, next);
      if (next === undefined || days === null || days >= wanted) continue;
      const fact = {
        code: "limitTooNear",
        movement: movement.ref,
        region,
        day: next,
        days,
        isPast,
      } as const;
      return [finding(isPast ? "warning" : "note", fact, [slot.id], slot.lineageId)];
    }
    return [];
  });

const trains = ({ movement, hardSets }: CoveredSlot, region: Region) =>
  hardSets > 0 && shareOf(movement, region) === 1;

/** Members of a superset whose equipment cannot be had together. */
const apart: Rule = ({ plan, stations }) =>
  plan.blocks.flatMap((block): Finding[] => {
    if (block.kind !== "rotation") return [];
    const held = slotsOfBlock(block).flatMap((slot) => {
      const station = stations.find(({ id }) => id === slot.station);
      return station === undefined ? [] : [{ slot, station }];
    });
    const pairs = held.flatMap((a, i) => held.slice(i + 1).map((b) => [a, b] as const));
    return pairs.flatMap(([a, b]): Finding[] => {
      if (a.station.id === b.station.id) return [];
      const names = { first: a.station.name, second: b.station.name };
      const ids = [a.slot.id, b.slot.id];
      const about = b.slot.lineageId;
      const rooms = [a.station.room, b.station.room] as const;
      if (!rooms.includes("") && rooms[0] !== rooms[1])
        return [finding("warning", { code: "roomsApart", ...names, rooms }, ids, about)];
      return a.station.usuallyBusy && b.station.usuallyBusy
        ? [finding("note", { code: "bothBusy", ...names }, ids, about)]
        : [];
    });
  });

const unlikelyMultiple: Rule = ({ slots, unrollContext: { bodyWeight } }) =>
  slots.flatMap(({ movement, slot, station }): Finding[] => {
    const ratio = station === null ? 0 : largestRatio(slot, station, bodyWeight);
    const times = Math.max(largestShare(slot), ratio);
    if (times === 0) return [];
    const fact = { code: "unlikelyMultiple", movement: movement.ref, times } as const;
    return [finding("warning", fact, [slot.id], slot.lineageId)];
  });

/** The largest multiple of another work set's load that is asked for, where it is an unlikely one; else 0. */
function largestShare({ sets }: Slot): number {
  const shares = sets.flatMap(({ load }) =>
    load.kind === "shareOfSet" && isWork(sets.find(({ id }) => id === load.set))
      ? [load.share]
      : [],
  );
  const most = Math.max(0, ...shares);
  return most >= UNLIKELY_SHARE ? most : 0;
}

const isWork = (set: PlannedSet | undefined) => set !== undefined && !isPreparatory(set.role);

/**
 * By how much written loads of one line differ in the total that is moved, where it is unlikely; else 0. What is read
 * off an unknown sled, a counterweight or a belt is no multiple of anything.
 */
function largestRatio({ sets }: Slot, { loading }: Station, bodyWeight: Mass | null): number {
  const ratios = [...new Set(sets.map(({ line }) => line))].map((line) => {
    const totals = sets
      .filter((set) => set.line === line && isWork(set))
      .flatMap(({ load }) => readingOf(load) ?? [])
      .flatMap((reading) => totalMoved(loading, reading, bodyWeight) ?? [])
      .map(ticksOf)
      .filter((ticks) => ticks > 0);
    return totals.length < 2 ? 0 : Math.max(...totals) / Math.min(...totals);
  });
  const most = Math.max(0, ...ratios);
  return most >= UNLIKELY_RATIO ? most : 0;
}

/** Felt elsewhere the last times, in the set-up that is planned again. */
const feltElsewhere: Rule = ({ slots, seen }) =>
  slots.flatMap(({ movement, slot }): Finding[] => {
    const felt = seen[lastKey(slot.movement, slot.station)]?.felt ?? null;
    if (felt === null || directRegions(movement).includes(felt.region)) return [];
    if (!sameSetUp(slot, { ...slot, setUp: felt.setUp })) return [];
    const fact = { code: "feltElsewhere", movement: movement.ref, region: felt.region } as const;
    return [finding("note", fact, [slot.id], slot.lineageId)];
  });

/** What an approach would rather not see, by the question on which it takes that side. */
const AGAINST: readonly {
  readonly question: Question;
  readonly isAgainst: (stances: Stances, covered: CoveredSlot) => boolean;
}[] = [
  {
    question: "kneeExtension",
    isAgainst: ({ kneeExtension }, { movement }) =>
      kneeExtension === "never" && movement.pattern === "kneeExtension",
  },
  {
    question: "kneeExtensionEffort",
    isAgainst: ({ kneeExtensionEffort }, { movement, slot }) =>
      kneeExtensionEffort === "lightOnly" &&
      movement.pattern === "kneeExtension" &&
      slot.sets.some((set) => isToLimit(set)),
  },
  {
    question: "abductionMachines",
    isAgainst: ({ abductionMachines }, { movement, station }) =>
      abductionMachines === "waste" &&
      (movement.pattern === "abduction" || movement.pattern === "adduction") &&
      station !== null &&
      isMachine(station),
  },
  {
    question: "squats",
    isAgainst: ({ squats }, { movement }) =>
      squats === "machines" &&
      movement.stability === "free" &&
      (movement.pattern === "squat" || movement.pattern === "lunge"),
  },
];

/** The question on whose side the approach would rather not see an exercise; null where none. */
export function againstBy(stances: Stances, covered: CoveredSlot): Question | null {
  return AGAINST.find(({ isAgainst }) => isAgainst(stances, covered))?.question ?? null;
}

const againstView: Rule = ({ slots, approach: { stances } }) =>
  slots.flatMap((covered): Finding[] => {
    const against = againstBy(stances, covered);
    if (against === null || covered.hardSets === 0) return [];
    const { movement, slot } = covered;
    const fact = {
      code: "againstView",
      movement: movement.ref,
      question: against,
      side: stances[against],
    } as const;
    return [finding("note", fact, [slot.id], slot.lineageId)];
  });

/** What is found of sessions beside each other, of many sets, and of what logs and approaches say of an exercise. */
export const WEEK_RULES: readonly Rule[] = [
  manySets,
  manyOfOne,
  sameOtherDay,
  sameSticking,
  limitTooNear,
  apart,
  unlikelyMultiple,
  feltElsewhere,
  againstView,
];
