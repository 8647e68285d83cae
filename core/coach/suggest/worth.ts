import type { LoadingKind } from "../../gym/index.ts";
import { SET_UP_EFFORTS, type Movement } from "../../movement/index.ts";
import { defaultsFor, isIsolation, levelsAbove, type Stances } from "../../person/index.ts";
import type { NewId } from "../../kernel/index.ts";
import { repsAsked, slotsOf } from "../../plan/index.ts";
import { hasLoads } from "../brings.ts";
import type { Judging } from "../judged.ts";
import { againstBy, isSameExercise } from "../week-rules.ts";
import { exerciseOf, type ExerciseOption } from "./exercise-option.ts";

/**
 * What things are worth, in about the same coin: a set that a muscle lacks is 10. Source: our rule,
 * docs/suggesting.md, which says it in words.
 */
export const WORTH = {
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
  mainLift: 12,
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

/** Fewer reps than this are heavy, which is nothing for what balance or grip ends. */
const HEAVY_REPS = 6;
/** What taking an exercise at its equipment is worth by itself, however many sets it has. */
export function worthAlone(
  option: ExerciseOption,
  judging: Judging,
  isPassedOver: boolean,
  newId: NewId,
): number {
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
  if (isPassedOver) at.push("passedOver");
  const { slot } = exerciseOf(option, option.least, judging, newId);
  const covered = { ...option, slot, hardSets: option.least, counted: 0 };
  if (againstBy(stances, covered) !== null) at.push("againstView");
  const isAgain = [...judging.others, ...judging.later].some((other) =>
    slotsOf(other.plan).some((own) => isSameExercise(own, slot)),
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

/** True where the days of a week are to differ. */
export const variesOverWeek = ({ frequency, variety }: Stances) =>
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
