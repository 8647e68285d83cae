import { z } from "zod";
import {
  addDays,
  daysBetween,
  idField,
  isDay,
  massField,
  weekdayOf,
  type Day,
  type Id,
  textWithin,
} from "../kernel/index.ts";
import { GOALS, isApproachRef, type ApproachRef } from "../person/index.ts";
import { planSchema, slotsOf } from "../plan/index.ts";
import { cellEditField } from "./cell-edit.ts";
import { phaseWeekField } from "./phase-week.ts";

/** How long a phase can be, how many days a week it has, and how much of it is changed by hand. Source: our rule; six to twelve weeks are usual. */
export const PHASE_BOUNDS = {
  weeks: { least: 1, most: 26 },
  days: { least: 1, most: 7 },
  /** Changes of single weeks. */
  changes: { most: 2000 },
  /** Turns of one rotation. */
  turns: { least: 2, most: 12 },
} as const;

/** A day of training that returns every week. */
export const phaseDayField = z
  .object({
    id: idField("phaseDay"),
    /** Monday 1 to Sunday 7. */
    weekday: z.int().min(1).max(7),
    gymId: idField("gym"),
    /** `HH:MM` on the gym's wall clock, or null when only the day is set. */
    startTime: z
      .string()
      .regex(/^([01]\d|2[0-3]):[0-5]\d$/)
      .nullable(),
    title: textWithin(80),
    /** As it is written before rules, weeks and changes: what the first week begins with. */
    session: planSchema,
  })
  .readonly();
export type PhaseDay = z.output<typeof phaseDayField>;

/** Where a change of the coach's stands: a line of an exercise of a day, in one week from 1. */
export const cellPlaceField = z.object({
  day: idField("phaseDay"),
  lineage: idField("lineage"),
  line: idField("line"),
  week: z.int().min(1).max(PHASE_BOUNDS.weeks.most),
});
export type CellPlace = Readonly<z.output<typeof cellPlaceField>>;
export const cellChangeField = cellPlaceField.extend({ edit: cellEditField }).readonly();
export type CellChange = z.output<typeof cellChangeField>;
/** The coach's changes of a phase. */
export const cellChangesField = z.array(cellChangeField).max(PHASE_BOUNDS.changes.most).readonly();

export const weekNumber = z.int().min(1).max(PHASE_BOUNDS.weeks.most);

/** Weeks from one to another in which alone an exercise is in; one of which nothing is said is in every week. */
export const spanField = z
  .object({
    day: idField("phaseDay"),
    lineage: idField("lineage"),
    from: weekNumber,
    to: weekNumber,
  })
  .refine(({ from, to }) => from <= to, "expected weeks from low to high")
  .readonly();
export type Span = z.output<typeof spanField>;

/** Exercises of a day that take turns, each for so many weeks; one may have several turns. */
export const rotationField = z
  .object({
    day: idField("phaseDay"),
    every: z.int().min(1).max(PHASE_BOUNDS.weeks.most),
    members: z
      .array(idField("lineage"))
      .min(PHASE_BOUNDS.turns.least)
      .max(PHASE_BOUNDS.turns.most)
      .readonly(),
    /** Whose turn it is in the first week, from 0: a phase that rolls over goes on where the last one stopped. */
    startsWith: z.int().min(0).max(11),
  })
  .readonly();
export type Rotation = z.output<typeof rotationField>;

export const dayField = z.custom<Day>((v) => typeof v === "string" && isDay(v), "expected a date");
export const approachField = z.custom<ApproachRef>(
  (v) => typeof v === "string" && isApproachRef(v),
  "expected an approach",
);

/** A session of a phase on another date than its weekday's, or in another gym; dropped where the date is null. */
export const placingField = z
  .object({
    day: idField("phaseDay"),
    week: weekNumber,
    on: dayField.nullable(),
    /** Null for the gym of its day. */
    gymId: idField("gym").nullable().default(null),
  })
  .readonly();
export type Placing = z.output<typeof placingField>;

/** So many phases, this one included, an exercise is kept; then a variation of it has its turn. */
export const keepField = z
  .object({
    day: idField("phaseDay"),
    lineage: idField("lineage"),
    phases: z.int().min(1).max(12),
  })
  .readonly();

/** What a line of a day is to come to by a week: a load for so many repetitions, in one set at least. */
export const statedField = z
  .object({
    day: idField("phaseDay"),
    lineage: idField("lineage"),
    line: idField("line"),
    reading: massField,
    reps: z.int().min(1).max(100),
    week: weekNumber,
  })
  .readonly();
export type StatedTarget = z.output<typeof statedField>;

/** The document of a phase: one versioned value. What came later is empty in phases from before it. */
export const phaseSchema = z
  .object({
    schemaVersion: z.literal(1),
    start: dayField,
    goal: z.enum(GOALS),
    /** How it is told that it worked. */
    success: textWithin(300),
    /** Null where the client's own is followed. */
    approach: approachField.nullable(),
    days: z
      .array(phaseDayField)
      .min(PHASE_BOUNDS.days.least)
      .max(PHASE_BOUNDS.days.most)
      .refine((days) => isOnce(days.map(({ id }) => id)), "expected every day once")
      .refine((days) => isOnce(days.map(({ weekday }) => weekday)), "expected one session a day")
      .readonly(),
    weeks: z
      .array(phaseWeekField)
      .min(PHASE_BOUNDS.weeks.least)
      .max(PHASE_BOUNDS.weeks.most)
      .readonly(),
    changes: cellChangesField,
    spans: z.array(spanField).max(PHASE_BOUNDS.changes.most).readonly().default([]),
    rotations: z.array(rotationField).max(40).readonly().default([]),
    placings: z
      .array(placingField)
      .max(PHASE_BOUNDS.weeks.most * PHASE_BOUNDS.days.most)
      .refine((all) => isOnce(all.map(({ day, week }) => `${day} ${week}`)), "expected each once")
      .readonly()
      .default([]),
    targets: z.array(statedField).max(100).readonly().default([]),
    keeps: z.array(keepField).max(200).readonly().default([]),
    notes: textWithin(2000),
  })
  .refine(
    ({ rotations }) =>
      isOnce(
        rotations.flatMap(({ day, members }) => [...new Set(members)].map((m) => `${day} ${m}`)),
      ),
    "expected every exercise in one rotation at most",
  )
  .readonly();
export type Phase = z.output<typeof phaseSchema>;

/** What a phase begins without: everything that a coach changes of it by hand. */
export const NOTHING_BY_HAND = {
  changes: [],
  spans: [],
  rotations: [],
  placings: [],
  targets: [],
  keeps: [],
} as const satisfies Partial<Phase>;

function isOnce(values: readonly unknown[]): boolean {
  return new Set(values).size === values.length;
}

/** The date of a day of training in a week of the phase, from 1: its weekday, on or after the day on which the week begins. */
export function dateOf({ start }: Pick<Phase, "start">, day: PhaseDay, week: number): Day {
  const begins = addDays(start, 7 * (week - 1));
  return addDays(begins, (day.weekday - weekdayOf(begins) + 7) % 7);
}

/** The date on which a session of a phase is planned: its own, or its weekday's; null where it is dropped. */
export function plannedOn(
  phase: Pick<Phase, "start" | "placings">,
  day: PhaseDay,
  week: number,
): Day | null {
  const own = phase.placings.find((one) => one.day === day.id && one.week === week);
  return own === undefined ? dateOf(phase, day, week) : own.on;
}

/** The gym in which a session of a phase is planned. */
export function gymOn(
  { placings }: Pick<Phase, "placings">,
  { id, gymId }: PhaseDay,
  week: number,
): Id<"gym"> {
  return placings.find((own) => own.day === id && own.week === week)?.gymId ?? gymId;
}

/** True where the time for a session of a phase went by: its week, or the later date that it was moved to. */
export function isGoneBy(
  phase: Pick<Phase, "start" | "placings">,
  day: PhaseDay,
  week: number,
  today: Day,
): boolean {
  const on = plannedOn(phase, day, week);
  const last = lastDayOf(phase, week);
  return (on !== null && on > last ? on : last) < today;
}

/** The last day of a week of a phase, from 1. */
export function lastDayOf({ start }: Pick<Phase, "start">, week: number): Day {
  return addDays(start, 7 * week - 1);
}

/** The last day of a phase. */
export function endOf(phase: Pick<Phase, "start" | "weeks">): Day {
  return lastDayOf(phase, phase.weeks.length);
}

/**
 * The week of a day's next session after one: not dropped, and its time has not gone by; beyond the last where the
 * phase is over by then.
 */
export function nextWeek(
  phase: Pick<Phase, "start" | "placings">,
  day: PhaseDay,
  week: number,
  today: Day,
): number {
  let next = week + 1;
  while (
    next <= PHASE_BOUNDS.weeks.most &&
    (isGoneBy(phase, day, next, today) || plannedOn(phase, day, next) === null)
  )
    next += 1;
  return next;
}

/** The week of a phase that a date lies in, from 1; 0 before it, one more than it has after it. */
export function weekAt({ start, weeks }: Pick<Phase, "start" | "weeks">, on: Day): number {
  const days = daysBetween(start, on);
  return days < 0 ? 0 : Math.min(weeks.length, Math.floor(days / 7)) + 1;
}

/** True where two phases have a day in common. */
export function overlaps(
  a: Pick<Phase, "start" | "weeks">,
  b: Pick<Phase, "start" | "weeks">,
): boolean {
  return a.start <= endOf(b) && b.start <= endOf(a);
}

/** The days of training in the order in which they come, in every week alike. */
export function inOrder({ start, days }: Pick<Phase, "start" | "days">): readonly PhaseDay[] {
  const first = weekdayOf(start);
  const place = ({ weekday }: PhaseDay) => (weekday - first + 7) % 7;
  return days.toSorted((a, b) => place(a) - place(b));
}

/** What the coach changed of a day in a week. */
export function changesOf(
  { changes }: Pick<Phase, "changes">,
  day: Pick<PhaseDay, "id">,
  week: number,
): readonly CellChange[] {
  return changes.filter((change) => change.day === day.id && change.week === week);
}

/** What the coach changed of a line in one week. */
export function cellEditsAt({ changes }: Pick<Phase, "changes">, at: CellPlace) {
  return changes.filter((change) => isAt(change, at)).map(({ edit }) => edit);
}

/** The phase with other changes of a line in one week. */
export function withEdits(
  phase: Phase,
  at: CellPlace,
  edits: readonly CellChange["edit"][],
): Phase {
  const { day, lineage, line, week } = at;
  const others = phase.changes.filter((change) => !isAt(change, at));
  return {
    ...phase,
    changes: [...others, ...edits.map((edit) => ({ day, lineage, line, week, edit }))],
  };
}

const isAt = (a: CellPlace, b: CellPlace) =>
  a.day === b.day && a.lineage === b.lineage && a.line === b.line && a.week === b.week;

/** The changes that name a line or a week that is gone, which then do nothing. */
export function lostChanges(phase: Phase): readonly CellChange[] {
  const lines = new Set(
    phase.days.flatMap(({ id, session }) =>
      slotsOf(session).flatMap((slot) =>
        slot.sets.map(({ line }) => `${id} ${slot.lineageId} ${line}`),
      ),
    ),
  );
  return phase.changes.filter(
    ({ day, lineage, line, week }) =>
      week > phase.weeks.length || !lines.has(`${day} ${lineage} ${line}`),
  );
}
