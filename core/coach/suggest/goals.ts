import {
  keysOf,
  TRAINABLE_LENGTHS,
  type JointAction,
  type MuscleLength,
  type Region,
} from "../../kernel/index.ts";
import { shareOf } from "../../movement/index.ts";
import { highForIsolation, spokenRegions, wantedLength } from "../../person/index.ts";
import type { Likeness } from "../alike.ts";
import { setsTowardsBand } from "../coverage.ts";
import { GROWTH_SETS } from "../finding-rules.ts";
import { partOfWeek, type Judged } from "../judged.ts";
import type { ExerciseOption } from "./exercise-option.ts";
import type { Goal, Part, Piece } from "./problem.ts";
import { variesOverWeek, WORTH } from "./worth.ts";

/** What a goal of the problem stands for. */
export type GoalFor =
  | { readonly kind: "region"; readonly region: Region; readonly isPriority: boolean }
  | { readonly kind: "firstSet"; readonly region: Region }
  | { readonly kind: "length"; readonly region: Region; readonly length: MuscleLength }
  | { readonly kind: "action"; readonly action: JointAction }
  | { readonly kind: "singleLeg"; readonly day: number }
  | { readonly kind: "mainLift"; readonly mainLift: MainLift; readonly day: number }
  | { readonly kind: "patternAgain" }
  | { readonly kind: "notToGrow"; readonly region: Region }
  | { readonly kind: "otherDay" }
  | { readonly kind: "minutes" };

/** Sets at one length, and of one joint action, beyond which more of it says nothing new. */
const ENOUGH = 2;
/** A main lift is one that can be loaded for years; what hands have to hold is one in part. */
const MAIN_IN_HANDS = 0.4;
/**
 * What most sessions are built around: a compound lift for the front and one for the back. Source: PRACTICE.md §2,
 * slots.
 */
const MAIN_LIFTS = {
  front: ({ movement: { pattern, laterality } }: Likeness) =>
    laterality === "twoLegs" && (pattern === "squat" || pattern === "press"),
  back: ({ movement: { pattern } }: Likeness) => pattern === "hinge" || pattern === "thrust",
} as const satisfies Readonly<Record<string, (of: Likeness) => boolean>>;

const mainPart = ({ station: { loading } }: Pick<ExerciseOption, "station">) =>
  loading.kind === "bar" || loading.kind === "plateMachine" || loading.kind === "stack"
    ? 1
    : MAIN_IN_HANDS;

export type MainLift = keyof typeof MAIN_LIFTS;

/** A goal with what it stands for. */
export type GoalHere = Goal & { readonly stands: GoalFor };

/** What the days together, and each by itself, are the better for. */
export function goalsOf(
  options: readonly ExerciseOption[],
  days: readonly Judged[],
): readonly GoalHere[] {
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
          { upTo: GROWTH_SETS, worth: WORTH.grows },
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
    for (const mainLift of keysOf(MAIN_LIFTS)) {
      const isOne = MAIN_LIFTS[mainLift];
      goals.push({
        stands: { kind: "mainLift", mainLift, day },
        parts: parts(NONE, (own) => (own.day === day && isOne(own) ? mainPart(own) : 0)),
        have: Math.min(1, slots.filter(isOne).length),
        pieces: [{ upTo: 1, worth: WORTH.mainLift }, NO_MORE],
      });
    }
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
