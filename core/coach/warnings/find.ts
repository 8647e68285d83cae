import {
  addDays,
  daysBetween,
  JOINTS,
  SPEAKING_REGIONS,
  ticksOf,
  type Region,
} from "../../kernel/index.ts";
import type { Exposure } from "../../log/index.ts";
import { bodyWeightOf, mayVary, volumeLimitsFor } from "../../person/index.ts";
import { trainedOn, unbroken, weeksBefore, type ClientRecord, type TrainedOn } from "./record.ts";
import { strengthChange, weekOf, WEEKS } from "./strength-trend.ts";
import { medianSlope, middleOf, type Timed } from "./trend.ts";
import { byGravity, type Warning } from "./warning.ts";

/** Body weight has to be known on so many days, over so many weeks at least. */
const WEIGHED = { days: 3, weeks: 3 };
/** Body weight that changes by less than this share over the time stands still. */
const STANDS_STILL = 0.01;
/** Strength that rises by less than this share did not rise. */
const NOT_STRONGER = 0.005;
/** Strength that falls by less than this share did not fall. */
const NOT_WEAKER = 0.02;
/** A region is out of its range after so many weeks behind each other. */
const WEEKS_OUT = 3;
/** Of so many sessions, and in so many of them: late, skipped, painful. */
const SESSIONS = 4;
const OFTEN = 3;
const SKIPPED = 2;
/** A priority after more hard sets than this is late. */
const LATE_AFTER = 6;
/** Pain that rose by so much. */
const PAIN_ROSE = 2;
/** Sides differ by so much, and by so much more than before. */
const SIDES_APART = 0.1;
const SIDES_MORE = 0.05;
/** Sets to the limit, a week, over so many weeks without a lighter one. */
const LIMIT = { weeks: 6, aWeek: 4 };
/** A target that is less likely met slips. */
const LIKELY = 0.5;
/** For so long and so often the same, and still. */
const SAME = { days: 300, sessions: 30 };

/** Everything that goes wrong over weeks, the gravest first. Source: our rules, docs/arithmetic.md § Warnings over weeks. */
export function warningsOf(record: ClientRecord): readonly Warning[] {
  const sessions = trainedOn(record);
  return RULES.flatMap((rule) => rule(record, sessions)).toSorted(byGravity);
}

type Rule = (record: ClientRecord, sessions: readonly TrainedOn[]) => readonly Warning[];

/** Pain in most of the last sessions, or a score that rises. */
const pain: Rule = (_, sessions) => {
  const last = sessions.slice(-SESSIONS);
  return JOINTS.flatMap((joint): Warning[] => {
    const scores = last.flatMap(({ pains }) => {
      const own = pains.filter((pain) => pain.joint === joint && pain.score > 0);
      return own.length === 0 ? [] : [Math.max(...own.map(({ score }) => score))];
    });
    const [from, to] = [scores[0], scores.at(-1)];
    if (from === undefined || to === undefined) return [];
    const rises = scores.length >= 2 && to - from >= PAIN_ROSE;
    if (scores.length < OFTEN && !rises) return [];
    return [{ kind: "painStays", joint, times: scores.length, of: last.length, from, to }];
  });
};

/** A target that the projection does not reach in time, or that is more likely missed than met. */
const targets: Rule = ({ targets: stated }) =>
  stated.flatMap(({ target, movement, metIn, arrives, chance }): Warning[] => {
    const { reading, reps, week } = target;
    const isLate = arrives === null || arrives > week;
    if (metIn !== null || (!isLate && (chance === null || chance >= LIKELY))) return [];
    return [{ kind: "targetSlips", movement, reading, reps, week, arrives, chance }];
  });

/** How body weight changed, as a share over the weeks it was weighed in; null where that is not known. */
function weightChange({ measurements, today }: ClientRecord) {
  const from = addDays(today, -7 * WEEKS);
  const days = [
    ...new Set(
      measurements
        .filter(({ kind, day }) => kind === "bodyWeight" && day >= from && day <= today)
        .map(({ day }) => day),
    ),
  ].toSorted();
  const points = days.flatMap((day): Timed[] => {
    const weight = bodyWeightOf(measurements, day);
    return weight === null ? [] : [{ week: weekOf(today, day), value: Math.log(ticksOf(weight)) }];
  });
  const [first, last] = [points[0], points.at(-1)];
  const slope = medianSlope(points);
  if (first === undefined || last === undefined || slope === null) return null;
  const weeks = last.week - first.week;
  if (points.length < WEIGHED.days || weeks < WEIGHED.weeks) return null;
  return { share: Math.exp(slope * weeks) - 1, weeks: Math.round(weeks), from: first.week };
}

const weightAndStrength: Rule = (record) => {
  const weight = weightChange(record);
  if (weight === null || Math.abs(weight.share) < STANDS_STILL) return [];
  const strength = strengthChange(record, weight.from, weight.weeks);
  if (strength === null) return [];
  const facts = { weight: rounded(weight.share), strength: rounded(strength), weeks: weight.weeks };
  const { goal } = record.brief;
  if (weight.share > 0)
    return (goal === "size" || goal === "strength") && strength < NOT_STRONGER
      ? [{ kind: "heavierNotStronger", ...facts }]
      : [];
  // What is lost with body weight is expected to be no larger a share than the weight itself.
  return strength <= -NOT_WEAKER && strength < weight.share
    ? [{ kind: "weakerThanLighter", ...facts }]
    : [];
};

const rounded = (share: number) => Math.round(share * 1000) / 1000;

/** Left and right of an exercise, as a share of the stronger side: positive where the right is the weaker. */
function sidesOf({ sets }: Exposure): number | null {
  const counted = sets.flatMap(({ bySide }) => bySide ?? []);
  const left = counted.reduce((sum, side) => sum + side.left, 0);
  const right = counted.reduce((sum, side) => sum + side.right, 0);
  const most = Math.max(left, right);
  return most === 0 ? null : (left - right) / most;
}

const sides: Rule = ({ series }) =>
  [...series.values()].flatMap((exposures): Warning[] => {
    const values = exposures.flatMap((exposure) => sidesOf(exposure) ?? []);
    const movement = exposures.at(-1)?.context.movement;
    if (values.length < SESSIONS || movement === undefined) return [];
    const recent = values.slice(-SESSIONS);
    const from = middleOf(recent.slice(0, 2)) ?? 0;
    const to = middleOf(recent.slice(-2)) ?? 0;
    const isMore = Math.abs(to) >= SIDES_APART && Math.abs(to) - Math.abs(from) >= SIDES_MORE;
    if (!isMore) return [];
    return [
      {
        kind: "sideDrift",
        movement,
        weaker: to > 0 ? "right" : "left",
        from: rounded(Math.abs(from)),
        to: rounded(Math.abs(to)),
      },
    ];
  });

/** Weeks behind each other with many limit sets, none of them lighter, and no break. */
const limits: Rule = ({ today }, sessions) => {
  const weeks = unbroken(weeksBefore(today, sessions));
  const since = weeks.slice(weeks.findLastIndex(({ isEasy }) => isEasy) + 1);
  const sets = since.reduce(
    (sum, week) => sum + week.sessions.reduce((own, { limitSets }) => own + limitSets, 0),
    0,
  );
  return since.length >= LIMIT.weeks && sets >= LIMIT.aWeek * since.length
    ? [{ kind: "limitNoBreak", weeks: since.length, sets }]
    : [];
};

const priorities: Rule = ({ brief }, sessions) =>
  brief.priorities.flatMap((region): Warning[] => {
    const planned = sessions
      .map(({ slots }) => slots.filter(({ direct }) => direct.includes(region)))
      .filter((slots) => slots.length > 0)
      .slice(-SESSIONS);
    if (planned.length < OFTEN) return [];
    const skipped = planned.filter((slots) => slots.every(({ isDone }) => !isDone)).length;
    if (skipped >= SKIPPED)
      return [{ kind: "prioritySkipped", region, times: skipped, of: planned.length }];
    const late = planned.filter((slots) => {
      const first = slots.find(({ isDone }) => isDone);
      return first !== undefined && first.before > LATE_AFTER;
    }).length;
    return late >= OFTEN ? [{ kind: "priorityLate", region, times: late, of: planned.length }] : [];
  });

const warmUps: Rule = (_, sessions) => {
  const said = sessions.flatMap(({ isUnprepared }) => isUnprepared ?? []).slice(-SESSIONS);
  const times = said.filter((isLeftOut) => isLeftOut).length;
  return times >= SKIPPED ? [{ kind: "warmUpSkipped", times, of: said.length }] : [];
};

const skipped: Rule = (_, sessions) => {
  const last = sessions.slice(-2 * SESSIONS);
  const movements = [
    ...new Set(last.flatMap(({ slots }) => slots.map(({ movement }) => movement))),
  ];
  return movements.flatMap((movement): Warning[] => {
    const planned = last
      .map(({ slots }) => slots.filter((slot) => slot.movement === movement))
      .filter((slots) => slots.length > 0)
      .slice(-SESSIONS);
    const times = planned.filter((slots) => slots.every(({ isDone }) => !isDone)).length;
    return times >= SKIPPED ? [{ kind: "skippedAgain", movement, times, of: planned.length }] : [];
  });
};

/** The same side of the range in each of the last weeks that nobody meant to be light. */
const ranges: Rule = ({ today, approach, brief }, sessions) => {
  const weeks = unbroken(weeksBefore(today, sessions))
    .filter(({ isEasy }) => !isEasy)
    .slice(-WEEKS_OUT);
  if (weeks.length < WEEKS_OUT) return [];
  const { weekly } = volumeLimitsFor(approach, brief);
  return SPEAKING_REGIONS.flatMap((region): Warning[] => {
    const { low, high, whose } = weekly[region];
    const done = weeks.map((week) => setsIn(week.sessions, region));
    const side = done.every((sets) => sets < low)
      ? "below"
      : done.every((sets) => sets > high)
        ? "above"
        : null;
    if (side === null) return [];
    const sets = Math.round((10 * done.reduce((sum, own) => sum + own, 0)) / done.length) / 10;
    return [{ kind: "outOfRange", region, side, weeks: weeks.length, sets, low, high, whose }];
  });
};

const setsIn = (sessions: readonly TrainedOn[], region: Region) =>
  sessions.reduce((sum, { sets }) => sum + (sets.get(region) ?? 0), 0);

const sameForLong: Rule = ({ approach, trainedSince, today }, sessions) => {
  if (!mayVary(approach.stances)) return [];
  const now = new Set(
    sessions.slice(-SESSIONS).flatMap(({ slots }) => slots.map((s) => s.movement)),
  );
  return [...trainedSince].flatMap(([movement, { since, sessions: often }]): Warning[] =>
    now.has(movement) && daysBetween(since, today) >= SAME.days && often >= SAME.sessions
      ? [{ kind: "sameForLong", movement, since, sessions: often }]
      : [],
  );
};

const RULES: readonly Rule[] = [
  pain,
  targets,
  weightAndStrength,
  sides,
  limits,
  priorities,
  warmUps,
  skipped,
  ranges,
  sameForLong,
];
