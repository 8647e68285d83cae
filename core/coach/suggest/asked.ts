import type { Minutes, NewId } from "../../kernel/index.ts";
import { directRegions, type Stress } from "../../movement/index.ts";
import { isNewToThis, type Stances } from "../../person/index.ts";
import { sessionDuration, unroll } from "../../unroll/index.ts";
import { isSameAgain, isSameSticking, type Likeness } from "../alike.ts";
import { NEW_SESSION_SETS } from "../finding-rules.ts";
import { hardSetsOf, judge, type Judged, type Judging } from "../judged.ts";
import { exerciseOptions, optionKey, type ExerciseOption } from "./exercise-option.ts";
import { goalsOf, type GoalFor } from "./goals.ts";
import type { Limit, Option, Problem } from "./problem.ts";
import { worthAlone } from "./worth.ts";

/** A day to be suggested: what its session holds already, the time it has, and what is not wanted again. */
export interface AskedDay {
  /** Its plan is what stands already. The other days that are suggested are not among its `others`. */
  readonly judging: Judging;
  readonly minutes: Minutes;
  /** So many exercises at most beside those of its plan. */
  readonly mostExercises: number;
  /** Exercises, by {@link optionKey}, that were suggested and are taken in any case, with so many sets. */
  readonly kept: ReadonlyMap<string, number>;
  /** Exercises, by {@link optionKey}, that were suggested and not kept: taken only where little else is left. */
  readonly passedOver: ReadonlySet<string>;
}

/** A problem with what its options and goals stand for, each at its place. */
export interface Asked {
  readonly problem: Problem;
  readonly options: readonly ExerciseOption[];
  readonly goals: readonly GoalFor[];
  readonly days: readonly AskedDay[];
}

/** So much load on the spine fits into a session: high counts 1, moderate a half. Source: our rule. */
const SPINE = 2;
const SPINE_NEW = 1;
const ON_SPINE: Readonly<Record<Stress, number>> = { none: 0, low: 0, moderate: 0.5, high: 1 };

/** What a suggestion for these days has to choose from and is judged by. The days are of one client in one week. */
export function askedOf(days: readonly [AskedDay, ...AskedDay[]], newId: NewId): Asked {
  const judged = days.map(({ judging }) => judge(judging));
  const possible = days.flatMap(({ judging, passedOver, kept }, day) => {
    const own = judged[day];
    if (own === undefined) return [];
    return exerciseOptions(own, day, newId)
      .filter((option) => !isTooAlikeStanding(option, own))
      .map((option) => ({
        option,
        worth: worthAlone(option, judging, passedOver.has(optionKey(option)), newId),
        setsKept: kept.get(optionKey(option)) ?? null,
      }));
  });
  const choices = withoutDominated(possible);
  const options = choices.map(({ option }) => option);
  const goals = goalsOf(options, judged);
  return {
    options,
    goals: goals.map(({ stands }) => stands),
    days,
    problem: {
      options: choices.map(({ option, worth, setsKept }): Option => ({
        isKept: setsKept !== null,
        least: setsKept ?? option.least,
        most: setsKept ?? option.most,
        worth,
      })),
      goals,
      limits: days.flatMap((day, at) => limitsOf(options, day, at, judged[at])),
      groups: groupsOf(options, judged),
    },
  };
}

/** What stands in the session already is not done again, and not something too much like it. */
function isTooAlikeStanding(
  option: ExerciseOption,
  { slots, approach: { stances } }: Judged,
): boolean {
  return slots.some(
    (own) =>
      own.movement.ref === option.movement.ref ||
      (own.hardSets > 0 && areTooAlike(own, option, stances.variety)),
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

interface Possible {
  readonly option: ExerciseOption;
  readonly worth: number;
  readonly setsKept: number | null;
}

/**
 * Of one exercise on one day, equipment that is no better in anything than another is not looked at: as much alike,
 * worth no more, and no shorter.
 */
function withoutDominated(possible: readonly Possible[]): readonly Possible[] {
  const minutes = ({ minutesOnce, least, minutesEach }: ExerciseOption) =>
    minutesOnce + least * minutesEach;
  const isBetter = (a: Possible, b: Possible, isEarlier: boolean) => {
    const [own, other] = [a.option, b.option];
    const isAsGood =
      own.day === other.day &&
      own.movement === other.movement &&
      own.isCurveKnown === other.isCurveKnown &&
      own.stimulus.length === other.stimulus.length &&
      own.stimulus.profile === other.stimulus.profile &&
      a.worth >= b.worth &&
      minutes(own) <= minutes(other) &&
      own.minutesEach <= other.minutesEach;
    return isAsGood && (a.worth > b.worth || minutes(own) < minutes(other) || isEarlier);
  };
  return possible.filter(
    (own, i) =>
      own.setsKept !== null ||
      !possible.some((other, at) => at !== i && isBetter(other, own, at < i)),
  );
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
    {
      parts: parts(
        (own) => own.setWorth,
        () => 0,
      ),
      most: sets - hardSetsOf(judged),
    },
    { parts: parts(() => 0, onSpine), most: (isNew ? SPINE_NEW : SPINE) - spine },
    {
      parts: parts(
        () => 0,
        () => 1,
      ),
      most: mostExercises,
    },
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
