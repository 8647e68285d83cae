import type { NewId } from "../../kernel/index.ts";
import type { Station } from "../../gym/index.ts";
import { lastKey } from "../../log/index.ts";
import { answerTo, type Movement, type SetUpNeed } from "../../movement/index.ts";
import {
  leaving,
  newBlock,
  repsLeft,
  restSpan,
  servesMovement,
  type ExerciseBlock,
  type PlannedSet,
  type SetUp,
} from "../../plan/index.ts";
import {
  defaultsFor,
  equipmentFor,
  exclusionsOf,
  hasStraps,
  volumePolicyOf,
} from "../../person/index.ts";
import {
  countedSets,
  countsForVolume,
  hardSetsWorth,
  isSetStep,
  sessionDuration,
  unroll,
} from "../../unroll/index.ts";
import type { Likeness } from "../alike.ts";
import { coveredSlots, isCurveKnown, stimulusOf } from "../coverage.ts";
import type { Judged, Judging } from "../judged.ts";
import { rampCount, rampReasons, withRamp, workLoadOf } from "../ramp.ts";
import { suggestedLoad, type SuggestedLoad } from "./first-load.ts";

/** An exercise at equipment of the gym of a day, as the approach begins it for this client. */
export interface ExerciseOption extends Likeness {
  /** Which of the days that are suggested together. */
  readonly day: number;
  readonly station: Station;
  readonly setUp: SetUp;
  readonly load: SuggestedLoad;
  readonly least: number;
  readonly most: number;
  /** What each of its sets counts as, in hard sets. */
  readonly setWorth: number;
  /** Likely minutes, as the first of its muscles in the session: once, and for each set. */
  readonly minutesOnce: number;
  readonly minutesEach: number;
}

/** What an option is, wherever it is looked for again. */
export const optionKey = ({
  movement,
  station,
}: {
  readonly movement: Pick<Movement, "ref">;
  readonly station: Pick<Station, "id">;
}) => lastKey(movement.ref, station.id);

/** Fewest and most sets of one exercise that are suggested. Source: our rule, docs/suggesting.md. */
const LEAST_SETS = 2;
const MOST_SETS = { few: 3, moderate: 4, high: 5 } as const;
/** Where few sets to the limit are held to be enough, one may be. */
const FEW_SETS = 1;

/** The way to the next equipment hides so much of the rest behind an exercise, in s. */
const WAY = 90;

type Bare = Pick<ExerciseOption, "movement" | "station" | "setUp" | "load">;

/** What may be done on a day in its gym by the brief: every exercise that counts, at each equipment that serves it. */
export function exerciseOptions(
  judged: Judged,
  day: number,
  newId: NewId,
): readonly ExerciseOption[] {
  const { brief, approach, catalogue, stations, seen } = judged;
  const { stances } = approach;
  const most = Math.max(
    1,
    Math.min(MOST_SETS[stances.volume], Math.floor(judged.limits.exercise.sets)),
  );
  const isFewToLimit = stances.volume === "few" && stances.effort === "everything";
  const least = Math.min(most, isFewToLimit ? FEW_SETS : LEAST_SETS);
  return catalogue.filter(countsForVolume).flatMap((movement) => {
    const setUp = setUpFor(movement, judged);
    if (exclusionsOf(brief, movement, setUp).length > 0) return [];
    const { target, rest } = defaultsFor(movement, approach, brief.level);
    const serving = equipmentFor(brief, stations).filter((station) =>
      servesMovement(station, movement),
    );
    return serving.flatMap((station): ExerciseOption[] => {
      const bare = {
        movement,
        station,
        setUp,
        load: suggestedLoad(movement, station, target, judged),
      };
      const { slot } = exerciseOf(bare, most, judged, newId);
      const worth = hardSetsWorth(countedSets(slot, movement), volumePolicyOf(stances));
      if (worth === 0) return [];
      const minutes = (sets: number) => minutesAlone(bare, sets, judged, newId);
      const [long, one] = [minutes(most), minutes(least)];
      const minutesEach = most === least ? 0 : (long - one) / (most - least);
      const learned = seen[lastKey(movement.ref, station.id)]?.curve ?? null;
      return [
        {
          ...bare,
          day,
          stimulus: stimulusOf(movement, station, setUp, learned),
          isCurveKnown: isCurveKnown(station, learned),
          least,
          most,
          setWorth: worth / most,
          minutesOnce: one - least * minutesEach + Math.max(0, restSpan(rest).likely - WAY) / 60,
          minutesEach,
        },
      ];
    });
  });
}

/** The choices of the set-up that answer what is known of the client. */
function setUpFor(movement: Movement, { brief }: Pick<Judging, "brief">): SetUp {
  const needs: SetUpNeed[] = [];
  if (brief.tight.includes("ankle")) needs.push("tightAnkle");
  if (brief.limits.some(({ provokedBy }) => provokedBy === "kneeLoad")) needs.push("achingKnee");
  if (hasStraps(brief) && movement.givesOutFirst === "grip") needs.push("failingGrip");
  const answers = needs.flatMap((need) => answerTo(movement, need) ?? []);
  return Object.fromEntries(answers.map(({ name, choice }) => [name, choice]));
}

/** So much is left where nobody is there to help, of what cannot be failed safely alone. */
const LEFT_ALONE = 1;

/**
 * The exercise with so many sets. Where the load is to be found, its first set finds it. What cannot be failed safely
 * alone stops a rep short without a spotter, whatever the approach has.
 */
export function exerciseOf(
  { movement, station, setUp, load }: Bare,
  sets: number,
  { approach, brief }: Pick<Judging, "approach" | "brief">,
  newId: NewId,
): ExerciseBlock {
  const defaults = defaultsFor(movement, approach, brief.level);
  const reading = load.kind === "calibrate" ? null : load.reading;
  const first = brief.weakerSide ?? "left";
  const block = newBlock(newId, movement, station.id, reading, { ...defaults, sets }, first);
  const mustStop = !movement.safeAlone.toTheLimit && brief.helper !== "spotter";
  const held = (set: PlannedSet): PlannedSet => {
    const left = repsLeft(set.effort);
    return mustStop && left !== null && left < LEFT_ALONE ? leaving(set, LEFT_ALONE) : set;
  };
  const finds = (set: PlannedSet, i: number): PlannedSet =>
    load.kind === "calibrate" && i === 0 ? { ...set, role: "calibration" } : set;
  return {
    ...block,
    slot: { ...block.slot, setUp, sets: block.slot.sets.map((set, i) => finds(held(set), i)) },
  };
}

/** The exercise with its warm-up sets as they follow from what stands before it; as it is where its load is open. */
export function rampedAt(
  { slot, ...block }: ExerciseBlock,
  { slots, unrollContext: context, approach }: Pick<Judged, "slots" | "unrollContext" | "approach">,
  newId: NewId,
): ExerciseBlock {
  const movement = context.movement(slot.movement);
  const station = context.station(slot.station);
  const alone = { schemaVersion: 2, blocks: [{ ...block, slot }] } as const;
  const work = workLoadOf(unroll(alone, context).filter(isSetStep));
  if (work === null || movement === null || station === null) return { ...block, slot };
  const { bodyWeight } = context;
  const known = { bodyWeight, slots, stances: approach.stances };
  const sets = rampCount(rampReasons(slot, movement, station, work, known));
  return { ...block, slot: withRamp(slot, station, work, sets, bodyWeight, newId) };
}

/** Likely minutes of the exercise as a session of its own, with all of its warm-up sets. */
function minutesAlone(bare: Bare, sets: number, judged: Judged, newId: NewId): number {
  const block = exerciseOf(bare, sets, judged, newId);
  const alone = {
    ...judged,
    slots: coveredSlots(
      { schemaVersion: 2, blocks: [block] },
      judged.unrollContext,
      volumePolicyOf(judged.approach.stances),
    ),
  };
  const plan = { schemaVersion: 2, blocks: [rampedAt(block, alone, newId)] } as const;
  return sessionDuration(unroll(plan, judged.unrollContext)).likely / 60;
}
