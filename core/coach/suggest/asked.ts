import {
  keysOf,
  TRAINABLE_LENGTHS,
  type JointAction,
  type Minutes,
  type MuscleLength,
  type NewId,
  type Region,
} from "../../kernel/index.ts";
import type { LoadingKind } from "../../gym/index.ts";
import {
  directRegions,
  SET_UP_EFFORTS,
  shareOf,
  type Movement,
  type Stress,
} from "../../movement/index.ts";
import {
  defaultsFor,
  highForIsolation,
  isIsolation,
  isNewToThis,
  levelsAbove,
  spokenRegions,
  wantedLength,
  type Stances,
} from "../../person/index.ts";
import { repsAsked } from "../../plan/index.ts";
import { sessionDuration, unroll } from "../../unroll/index.ts";
import { isSameAgain, isSameSticking, type Likeness } from "../alike.ts";
import { hasLoads } from "../brings.ts";
import { setsTowardsBand } from "../coverage.ts";
import { NEW_SESSION_SETS } from "../finding-rules.ts";
import { hardSetsOf, judge, partOfWeek, type Judged, type Judging } from "../judged.ts";
import { againstBy, rangeOf, sameSetUp } from "../week-rules.ts";
import { exerciseOf, exerciseOptions, optionKey, type ExerciseOption } from "./exercise-option.ts";
import type { Goal, Limit, Option, Part, Piece, Problem } from "./problem.ts";

/** A day to be suggested: what its session holds already and keeps, the time it has, and what is not wanted again. */
export interface AskedDay {
  /** Its plan is what is kept. The other days that are suggested are not among its `others`. */
  readonly judging: Judging;
  readonly minutes: Minutes;
  /** So many exercises at most beside those of its plan. */
  readonly mostExercises: number;
  /** Exercises, by {@link optionKey}, that were suggested and are taken in any case, with so many sets. */
  readonly kept: ReadonlyMap<string, number>;
  /** Exercises, by {@link optionKey}, that were suggested and not kept: taken only where little else is left. */
  readonly passedOver: ReadonlySet<string>;
}

/** What a goal of the problem stands for. */
export type GoalFor =
  | { readonly kind: "region"; readonly region: Region; readonly isPriority: boolean }
  | { readonly kind: "firstSet"; readonly region: Region }
  | { readonly kind: "length"; readonly region: Region; readonly length: MuscleLength }
  | { readonly kind: "action"; readonly action: JointAction }
  | { readonly kind: "singleLeg"; readonly day: number }
  | { readonly kind: "frame"; readonly frame: SessionFrame; readonly day: number }
  | { readonly kind: "patternAgain" }
  | { readonly kind: "notToGrow"; readonly region: Region }
  | { readonly kind: "otherDay" }
  | { readonly kind: "minutes" };

/** A problem with what its options and goals stand for, each at its place. */
export interface Asked {
  readonly problem: Problem;
  readonly options: readonly ExerciseOption[];
  readonly goals: readonly GoalFor[];
  readonly days: readonly AskedDay[];
}

/**
 * What things are worth, in about the same coin: a set that a muscle lacks is 10. Source: our rule,
 * docs/suggesting.md, which says it in words.
 */
const WORTH = {
  lacking: 10,
  beyondLow: 2.5,
  beyondMiddle: 0.25,
  beyondShare: -3,
  beyondHigh: -40,
  priority: 2,
  firstSet: 15,
  otherLength: 1.5,
  wantedLength: 4,
  action: 1.5,
  singleLeg: 8,
  frame: 12,
  patternAgain: -10,
  grows: -2,
  growsTooMuch: -40,
  sameOtherDay: -8,
  minute: -0.3,
  exercise: -7,
  liked: 4,
  trainedHere: 3,
  trainedElsewhere: 1,
  knownStation: 1,
  ownEquipment: 1.5,
  band: -20,
  unloaded: -14,
  bodyWeight: -6,
  hold: -10,
  heavy: -10,
  isolationInHands: -3,
  busy: -2,
  setUp: -1,
  levelAbove: -6,
  againstView: -25,
  passedOver: -40,
  view: 3,
} as const;

/** Sets at one length, and of one joint action, beyond which more of it says nothing new. */
const ENOUGH = 2;
/** More direct sets than this of what is not to grow are growth work. */
const NO_GROWTH = 4;
/** Fewer reps than this are heavy, which is nothing for what balance or grip ends. */
const HEAVY_REPS = 6;
/** A main lift is one that can be loaded for years; what hands have to hold is one in part. */
const MAIN_IN_HANDS = 0.4;
/** So much load on the spine fits into a session: high counts 1, moderate a half. Source: our rule. */
const SPINE = 2;
const SPINE_NEW = 1;
const ON_SPINE: Readonly<Record<Stress, number>> = { none: 0, low: 0, moderate: 0.5, high: 1 };

/** What a suggestion for these days has to choose from and is judged by. The days are of one client in one week. */
export function askedOf(days: readonly [AskedDay, ...AskedDay[]], newId: NewId): Asked {
  const judged = days.map(({ judging }) => judge(judging));
  const options = days
    .flatMap(({ judging }, day) => exerciseOptions(judging, day, newId))
    .filter((option) => !isTooAlikeKept(option, judged[option.day]));
  const worths = options.map((option) => worthAlone(option, days[option.day], newId));
  const setsKept = (own: ExerciseOption) => days[own.day]?.kept.get(optionKey(own)) ?? null;
  const kept = withoutDominated(options, worths, (own) => setsKept(own) !== null);
  const chosen = kept.map((i) => options[i]).filter((option) => option !== undefined);
  const goals = goalsOf(chosen, judged);
  return {
    options: chosen,
    goals: goals.map(({ stands }) => stands),
    days,
    problem: {
      options: chosen.map((own, i): Option => ({
        isKept: setsKept(own) !== null,
        least: setsKept(own) ?? own.least,
        most: setsKept(own) ?? own.most,
        worth: worths[kept[i] ?? -1] ?? 0,
      })),
      goals,
      limits: days.flatMap((day, at) => limitsOf(chosen, day, at, judged[at])),
      groups: groupsOf(chosen, judged),
    },
  };
}

/** What is kept already is not done again, and not something too much like it. */
function isTooAlikeKept(option: ExerciseOption, judged: Judged | undefined): boolean {
  const variety = judged?.approach.stances.variety;
  return (judged?.slots ?? []).some(
    (own) =>
      own.movement.ref === option.movement.ref ||
      (own.hardSets > 0 && variety !== undefined && areTooAlike(own, option, variety)),
  );
}

/**
 * How alike is too alike: what findings call redundant, and where the approach wants variety within the session also
 * two of one pattern, main muscle and leg arrangement.
 */
export function areTooAlike(a: Likeness, b: Likeness, variety: Stances["variety"]): boolean {
  return (
    isSameAgain(a, b) ||
    isSameSticking(a, b) ||
    (variety === "withinSession" && familyOf(a) === familyOf(b))
  );
}

const familyOf = ({ movement }: Likeness) =>
  [movement.pattern, directRegions(movement)[0], movement.laterality === "twoLegs"].join(" ");

/** What taking an exercise at its equipment is worth by itself, however many sets it has. */
function worthAlone(option: ExerciseOption, day: AskedDay | undefined, newId: NewId): number {
  if (day === undefined) return 0;
  const { judging, passedOver } = day;
  const { movement, station } = option;
  const { brief, approach, unrollContext: context, catalogue } = judging;
  const { stances } = approach;
  const at: (keyof typeof WORTH)[] = ["exercise"];
  const last = context.lastStation(movement.ref);
  if (brief.likes.includes(movement.ref)) at.push("liked");
  if (context.lastReading(movement.ref, station.id) !== null) at.push("trainedHere");
  else if (last !== null) at.push("trainedElsewhere");
  else if (catalogue.some((own) => context.lastStation(own.ref) === station.id))
    at.push("knownStation");
  if (movement.loadings[0] === station.loading.kind) at.push("ownEquipment");
  if (!hasLoads(station)) at.push(BARE[station.loading.kind] ?? "bodyWeight");
  if (movement.pattern === "isometric") at.push("hold");
  const reps = repsAsked(defaultsFor(movement, approach, brief.level).target);
  const isInHands = station.loading.kind === "dumbbells" || station.loading.kind === "freeObject";
  const isUnsteady = movement.givesOutFirst === "balance" || isInHands;
  if (isUnsteady && reps !== null && reps.min < HEAVY_REPS) at.push("heavy");
  if (isInHands && isIsolation(movement)) at.push("isolationInHands");
  if (station.usuallyBusy) at.push("busy");
  if (isForView(movement, stances)) at.push("view");
  if (passedOver.has(optionKey(option))) at.push("passedOver");
  const { slot } = exerciseOf(option, option.least, judging, newId);
  const covered = { ...option, slot, hardSets: option.least, counted: 0 };
  if (againstBy(stances, covered) !== null) at.push("againstView");
  const isAgain = [...judging.others, ...judging.later].some((other) =>
    other.plan.blocks.some(
      (block) =>
        block.kind === "exercise" &&
        block.slot.movement === slot.movement &&
        block.slot.station === slot.station &&
        sameSetUp(block.slot, slot) &&
        rangeOf(block.slot) === rangeOf(slot),
    ),
  );
  if (isAgain && variesOverWeek(stances)) at.push("sameOtherDay");
  return (
    at.reduce((sum, name) => sum + WORTH[name], 0) +
    WORTH.setUp * SET_UP_EFFORTS.indexOf(movement.setUpEffort) +
    WORTH.levelAbove * levelsAbove(movement, brief)
  );
}

/** What is found instead of loads: machines and weights go before bands, those before the floor. */
const BARE: Readonly<Partial<Record<LoadingKind, keyof typeof WORTH>>> = {
  band: "band",
  unloaded: "unloaded",
};

const variesOverWeek = ({ frequency, variety }: Stances) =>
  frequency !== "once" && variety !== "sameForAYear";

/** True for what an approach would rather have in a session than not. */
function isForView(movement: Movement, { squats, kneeExtension, goodExercise }: Stances): boolean {
  const isFreeSquat =
    movement.stability === "free" && (movement.pattern === "squat" || movement.pattern === "lunge");
  return (
    (squats === "essential" && isFreeSquat) ||
    (kneeExtension === "everyWeek" && movement.pattern === "kneeExtension") ||
    (goodExercise === "safe" && movement.safeAlone.toTheLimit)
  );
}

/**
 * Of one exercise on one day, equipment that is no better in anything than another is not looked at: as much alike,
 * worth no more, and no shorter. The places of what is left.
 */
function withoutDominated(
  options: readonly ExerciseOption[],
  worths: readonly number[],
  isKept: (option: ExerciseOption) => boolean,
): readonly number[] {
  const places = options.map((_, i) => i);
  const isBetter = (a: number, b: number) => {
    const [own, other] = [options[a], options[b]];
    if (own === undefined || other === undefined || a === b) return false;
    const [worth, less] = [worths[a] ?? 0, worths[b] ?? 0];
    const minutes = (o: ExerciseOption) => o.minutesOnce + o.least * o.minutesEach;
    const isAsGood =
      own.day === other.day &&
      own.movement === other.movement &&
      own.isCurveKnown === other.isCurveKnown &&
      own.stimulus.length === other.stimulus.length &&
      own.stimulus.profile === other.stimulus.profile &&
      worth >= less &&
      minutes(own) <= minutes(other) &&
      own.minutesEach <= other.minutesEach;
    return isAsGood && (worth > less || minutes(own) < minutes(other) || a < b);
  };
  return places.filter((i) => {
    const own = options[i];
    return own !== undefined && (isKept(own) || !places.some((other) => isBetter(other, i)));
  });
}

/**
 * What most sessions are built around: a compound lift for the front and one for the back. Source: PRACTICE.md §2,
 * slots.
 */
const FRAMES = {
  kneeCompound: ({ movement: { pattern, laterality } }: Likeness) =>
    laterality === "twoLegs" && (pattern === "squat" || pattern === "press"),
  hipCompound: ({ movement: { pattern } }: Likeness) => pattern === "hinge" || pattern === "thrust",
} as const satisfies Readonly<Record<string, (of: Likeness) => boolean>>;

const mainPart = ({ station: { loading } }: Pick<ExerciseOption, "station">) =>
  loading.kind === "bar" || loading.kind === "plateMachine" || loading.kind === "stack"
    ? 1
    : MAIN_IN_HANDS;

export type SessionFrame = keyof typeof FRAMES;

type GoalHere = Goal & { readonly stands: GoalFor };

function goalsOf(options: readonly ExerciseOption[], days: readonly Judged[]): readonly GoalHere[] {
  const [first] = days;
  if (first === undefined) return [];
  const { brief, approach, bands, limits, others } = first;
  const fraction = partOfWeek(days.length + others.length, first);
  // What the other sessions of the week bring, and what is kept on the days that are suggested.
  const kept = days.slice(1).map(({ session }) => session);
  const week = (read: (of: Judged["week"][Region]) => number, region: Region) =>
    kept.reduce((sum, session) => sum + read(session[region]), read(first.week[region]));
  const parts = (each: (option: ExerciseOption) => number, once = NONE): readonly Part[] =>
    options.flatMap((own, option) => {
      const part = { option, once: once(own), each: each(own) };
      return part.once === 0 && part.each === 0 ? [] : [part];
    });
  const direct = (region: Region) => (own: ExerciseOption) =>
    shareOf(own.movement, region) === 1 ? own.setWorth : 0;
  const wantedAt = wantedLength(approach.stances);
  const goals: GoalHere[] = [];
  for (const region of spokenRegions(brief, approach)) {
    const isPriority = brief.priorities.includes(region);
    const isKeptSmall = brief.notToGrow.includes(region);
    const range = bands[region];
    const high = Math.min(range.high, highForIsolation(approach, limits, range));
    // A priority lacks what leads it to the middle of its range.
    const low = isKeptSmall ? 0 : isPriority ? (range.low + high) / 2 : range.low;
    goals.push({
      stands: { kind: "region", region, isPriority },
      parts: parts((own) => shareOf(own.movement, region) * own.setWorth),
      have: week(setsTowardsBand, region),
      pieces: rangePieces(low, high, fraction, isPriority ? WORTH.priority : 1),
    });
    if (isKeptSmall)
      goals.push({
        stands: { kind: "notToGrow", region },
        parts: parts(direct(region)),
        have: week((of) => of.direct, region),
        pieces: [
          { upTo: NO_GROWTH, worth: WORTH.grows },
          { upTo: Infinity, worth: WORTH.growsTooMuch },
        ],
      });
    if (low === 0) continue;
    goals.push({
      stands: { kind: "firstSet", region },
      parts: parts(direct(region)),
      have: week((of) => of.direct, region),
      pieces: [{ upTo: 1, worth: WORTH.firstSet }, NO_MORE],
    });
    for (const length of TRAINABLE_LENGTHS[region].length < 2 ? [] : TRAINABLE_LENGTHS[region])
      goals.push({
        stands: { kind: "length", region, length },
        parts: parts((own) => (own.stimulus.length === length ? direct(region)(own) : 0)),
        have: week((of) => of.lengths[length], region),
        pieces: [
          { upTo: ENOUGH, worth: length === wantedAt ? WORTH.wantedLength : WORTH.otherLength },
          NO_MORE,
        ],
      });
  }
  const actions = new Set(options.flatMap(({ movement }) => movement.jointActions));
  for (const action of actions) {
    if (action === "trunkStability") continue;
    const meets = (own: Likeness) => own.movement.jointActions.includes(action);
    goals.push({
      stands: { kind: "action", action },
      parts: parts((own) => (meets(own) ? own.setWorth : 0)),
      have: days.reduce(
        (sum, { slots }) =>
          sum + slots.filter(meets).reduce((sets, { hardSets }) => sets + hardSets, 0),
        0,
      ),
      pieces: [{ upTo: ENOUGH, worth: WORTH.action }, NO_MORE],
    });
  }
  days.forEach(({ slots }, day) => {
    const isSingle = ({ movement }: Likeness) =>
      movement.laterality !== "twoLegs" && movement.pattern !== "trunk";
    goals.push({
      stands: { kind: "singleLeg", day },
      parts: parts(NONE, (own) => (own.day === day && isSingle(own) ? 1 : 0)),
      have: Math.min(1, slots.filter(isSingle).length),
      pieces: [{ upTo: 1, worth: WORTH.singleLeg }, NO_MORE],
    });
  });
  const patterns = new Set(options.map(({ movement }) => movement.pattern));
  days.forEach(({ slots }, day) => {
    for (const frame of keysOf(FRAMES))
      goals.push({
        stands: { kind: "frame", frame, day },
        parts: parts(NONE, (own) => (own.day === day && FRAMES[frame](own) ? mainPart(own) : 0)),
        have: Math.min(1, slots.filter(FRAMES[frame]).length),
        pieces: [{ upTo: 1, worth: WORTH.frame }, NO_MORE],
      });
    for (const pattern of patterns) {
      // Straight-knee and bent-knee calf work are two things.
      if (pattern === "calf") continue;
      const isOfIt = (own: Likeness) => own.movement.pattern === pattern;
      goals.push({
        stands: { kind: "patternAgain" },
        parts: parts(NONE, (own) => (own.day === day && isOfIt(own) ? 1 : 0)),
        have: slots.filter(isOfIt).length,
        pieces: [
          { upTo: 1, worth: 0 },
          { upTo: Infinity, worth: WORTH.patternAgain },
        ],
      });
    }
  });
  const refs = new Set(options.map(({ movement }) => movement.ref));
  if (days.length > 1 && variesOverWeek(approach.stances))
    for (const ref of refs)
      goals.push({
        stands: { kind: "otherDay" },
        parts: parts(NONE, ({ movement }) => (movement.ref === ref ? 1 : 0)),
        have: 0,
        pieces: [
          { upTo: 1, worth: 0 },
          { upTo: Infinity, worth: WORTH.sameOtherDay },
        ],
      });
  goals.push({
    stands: { kind: "minutes" },
    parts: parts(
      ({ minutesEach }) => minutesEach,
      ({ minutesOnce }) => minutesOnce,
    ),
    have: 0,
    pieces: [{ upTo: Infinity, worth: WORTH.minute }],
  });
  return goals;
}

const NONE: (of: ExerciseOption) => number = () => 0;
const NO_MORE: Piece = { upTo: Infinity, worth: 0 };

/** What the sets of a muscle are worth, from what it lacks to what is too much. */
function rangePieces(low: number, high: number, fraction: number, by: number): readonly Piece[] {
  const most = Math.max(low, high);
  const pieces: Piece[] = [
    { upTo: low * fraction, worth: WORTH.lacking * by },
    { upTo: ((low + most) / 2) * fraction, worth: low === 0 ? 0 : WORTH.beyondLow * by },
    { upTo: most * fraction, worth: low === 0 ? 0 : WORTH.beyondMiddle * by },
    { upTo: most, worth: WORTH.beyondShare },
    { upTo: Infinity, worth: WORTH.beyondHigh },
  ];
  return pieces.filter(({ upTo }, i) => upTo > (pieces[i - 1]?.upTo ?? 0));
}

function limitsOf(
  options: readonly ExerciseOption[],
  { judging, minutes, mostExercises }: AskedDay,
  day: number,
  judged: Judged | undefined,
): readonly Limit[] {
  if (judged === undefined) return [];
  const parts = (each: (own: ExerciseOption) => number, once: (own: ExerciseOption) => number) =>
    options.flatMap((own, option) =>
      own.day === day ? [{ option, once: once(own), each: each(own) }] : [],
    );
  const { brief, slots, limits } = judged;
  const isNew = isNewToThis(brief);
  const taken = sessionDuration(unroll(judging.plan, judging.unrollContext)).likely / 60;
  const onSpine = ({ movement }: Likeness) => ON_SPINE[movement.spinalLoad];
  const spine = slots.reduce((sum, slot) => sum + onSpine(slot), 0);
  const sets = isNew ? NEW_SESSION_SETS : limits.session.sets;
  return [
    {
      parts: parts(
        (own) => own.minutesEach,
        (own) => own.minutesOnce,
      ),
      most: minutes - taken,
    },
    { parts: parts((own) => own.setWorth, NONE), most: sets - hardSetsOf(judged) },
    { parts: parts(NONE, onSpine), most: (isNew ? SPINE_NEW : SPINE) - spine },
    { parts: parts(NONE, () => 1), most: mostExercises },
  ].map((limit) => ({ ...limit, most: Math.max(0, limit.most) }));
}

/**
 * Options of which one day takes one at most: of one exercise, and those that are too much alike. Where all of several
 * are alike they are one group, so that few groups say everything.
 */
function groupsOf(options: readonly ExerciseOption[], days: readonly Judged[]): Problem["groups"] {
  const isAlike = options.map((a) =>
    options.map(
      (b) =>
        a.day === b.day &&
        (a.movement === b.movement ||
          areTooAlike(a, b, days[a.day]?.approach.stances.variety ?? "everyFewWeeks")),
    ),
  );
  const isSaid = options.map(() => options.map(() => false));
  const groups: (readonly number[])[] = [];
  options.forEach((_, i) =>
    options.forEach((_other, j) => {
      if (j <= i || isAlike[i]?.[j] !== true || isSaid[i]?.[j] === true) return;
      const group = [i, j];
      options.forEach((_next, k) => {
        if (!group.includes(k) && group.every((own) => isAlike[own]?.[k] === true)) group.push(k);
      });
      for (const a of group) for (const b of group) (isSaid[a] ?? [])[b] = true;
      groups.push(group);
    }),
  );
  return groups;
}
