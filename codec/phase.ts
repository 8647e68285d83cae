import { z } from "zod";
import { GOALS } from "~/core/person/index.ts";
import {
  cellChangesField,
  cellPlaceField,
  PHASE_BOUNDS,
  phaseSchema,
  type Phase,
} from "~/core/phase/index.ts";
import { idField, type Day } from "~/core/kernel/index.ts";
import { LONGEST_LINE } from "~/core/plan/notation/index.ts";
import { WEEK_KINDS } from "~/core/progress/index.ts";
import { approachRefCodec } from "./brief.ts";
import { plannedDayField } from "./days.ts";
import { planCodec } from "./plan.ts";
import { takenField } from "./suggested.ts";
import { optionalTextField, textField } from "./text.ts";
import { revisionCodec } from "./values.ts";

/** A phase document, whose sessions are of whichever version they were stored in. */
export const phaseCodec: z.ZodType<Phase> = z
  .unknown()
  .transform(withNewSessions)
  .pipe(phaseSchema);

function withNewSessions(document: unknown): unknown {
  const phase = z.looseObject({ days: z.array(z.looseObject({ session: z.unknown() })) });
  const read = phase.safeParse(document);
  if (!read.success) return document;
  const days = read.data.days.map((day) => {
    const session = planCodec.safeParse(day.session);
    return session.success ? { ...day, session: session.data } : day;
  });
  return { ...read.data, days };
}

/** A week of training as it is kept with a plan. */
export const trainingWeekCodec = z
  .object({
    number: z.int().min(1).max(PHASE_BOUNDS.weeks.most),
    kind: z.enum(WEEK_KINDS),
    sinceLighter: z.int().min(0).nullable(),
  })
  .readonly();

const whole = (least: number, most: number, what: string) =>
  z
    .string({ error: `Expected ${what}.` })
    .trim()
    .regex(/^-?\d+$/, `Expected ${what}, a whole number.`)
    .transform(Number)
    .refine((n) => n >= least && n <= most, `Expected ${what}, from ${least} to ${most}.`);

/** What a session of a phase is made from: a template, a session that was planned, or one that was suggested. */
export const sourceField = z
  .string()
  .regex(/^(template|plan|suggested):/, "Expected a template, a session or a suggestion.")
  .transform((text) => {
    const at = text.indexOf(":");
    const [kind, rest] = [text.slice(0, at), text.slice(at + 1)];
    return kind === "suggested" ? { kind, exercises: rest } : { kind, id: rest };
  })
  .pipe(
    z.union([
      z.object({ kind: z.literal("template"), id: idField("template") }),
      z.object({ kind: z.literal("plan"), id: idField("plan") }),
      z.object({ kind: z.literal("suggested"), exercises: takenField }),
    ]),
  );
export type SessionSource = z.output<typeof sourceField>;

/** Each weekday's session, Monday first; null for a day without training. Forms leave empty fields away. */
const daysField = z
  .array(
    z
      .union([z.literal(""), sourceField])
      .optional()
      .transform((source) => (source === undefined || source === "" ? null : source)),
  )
  .max(7, "Expected seven weekdays.")
  .default([])
  .refine((days) => days.some((day) => day !== null), "Choose a session for at least one day.");

const { weeks } = PHASE_BOUNDS;

/** A phase as a coach begins it: for whom, from when, how long, on which days, how its weeks go. */
export function newPhaseCodec(today: Day) {
  return z
    .object({
      personId: idField("person"),
      name: textField("a name, like Strength 1", 80),
      gymId: idField("gym"),
      start: plannedDayField(today),
      weeks: whole(weeks.least, weeks.most, "a number of weeks"),
      goal: z.enum(GOALS),
      success: optionalTextField(300),
      approach: z
        .union([z.literal(""), approachRefCodec])
        .default("")
        .transform((ref) => (ref === "" ? null : ref)),
      days: daysField,
      isFirstLight: z
        .literal("on")
        .optional()
        .transform((on) => on === "on"),
      isLastTest: z
        .literal("on")
        .optional()
        .transform((on) => on === "on"),
      isAfterHardest: z
        .literal("on")
        .optional()
        .transform((on) => on === "on"),
      lighterEvery: z
        .union([
          z.literal("").transform(() => null),
          whole(2, weeks.most, "weeks between lighter ones"),
        ])
        .default(null),
      easierBy: whole(0, 4, "reps of extra RIR"),
      fewerBy: whole(0, 4, "sets fewer"),
    })
    .refine(({ isAfterHardest, lighterEvery }) => !isAfterHardest || lighterEvery === null, {
      path: ["lighterEvery"],
      message: "Leave this blank, or untick the lighter week after the hardest.",
    });
}
export type NewPhase = z.output<ReturnType<typeof newPhaseCodec>>;

/** How many cells are changed at once: a dozen lines over the longest phase. */
const MOST_CELLS = 400;

/** What the phase sheet sends, with the revision that it started from. */
export const sheetActionCodec = z.discriminatedUnion("intent", [
  /** What was typed or pasted into cells. */
  z.object({
    intent: z.literal("type"),
    baseRevision: revisionCodec,
    entries: z
      .array(cellPlaceField.extend({ text: z.string().max(LONGEST_LINE, "This is too long.") }))
      .min(1)
      .max(MOST_CELLS, `Change at most ${MOST_CELLS} cells at once.`),
  }),
  /** The coach's changes as they were before: undo and redo. */
  z.object({
    intent: z.literal("putBack"),
    baseRevision: revisionCodec,
    changes: cellChangesField,
  }),
]);
