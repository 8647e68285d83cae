import { z } from "zod";
import { GOALS } from "~/core/person/index.ts";
import { PHASE_BOUNDS, phaseWeekField } from "~/core/phase/index.ts";
import { idField, isMovementRef, type MovementRef } from "~/core/kernel/index.ts";
import { LONGEST_LINE } from "~/core/plan/notation/index.ts";
import { WEEK_KINDS } from "~/core/progress/index.ts";
import { approachRefCodec } from "./brief.ts";
import { sourceField } from "./phase.ts";
import { optionalTextField, textField } from "./text.ts";
import { revisionCodec } from "./values.ts";

/** A whole number as it is typed, with what it is. */
const whole = (least: number, most: number, what: string) =>
  z
    .string({ error: `Expected ${what}.` })
    .trim()
    .regex(/^[+-]?\d{1,4}$/, `Expected ${what}, a whole number.`)
    .transform(Number)
    .refine((n) => n >= least && n <= most, `Expected ${what}, from ${least} to ${most}.`);

const { weeks, turns } = PHASE_BOUNDS;
const week = whole(1, weeks.most, "a week");
const baseRevision = z
  .string()
  .regex(/^\d{1,9}$/, "Load the page again.")
  .transform(Number)
  .pipe(revisionCodec);
const day = idField("phaseDay");
const lineage = idField("lineage");
const weekday = whole(1, 7, "a weekday");
const startTime = z
  .string()
  .trim()
  .regex(/^$|^([01]\d|2[0-3]):[0-5]\d$/, "Expected a time, like 17:30, or nothing.")
  .transform((text) => (text === "" ? null : text));

/** A week as its row has it. */
const weekFields = {
  kind: z.enum(WEEK_KINDS),
  sets: whole(-10, 10, "sets more or fewer"),
  effort: whole(-5, 5, "RIR more or less"),
  load: whole(50, 100, "percent of the load"),
  note: optionalTextField(200),
};
/** What the page for changing a phase sends, one form at a time. */
export const changePhaseCodec = z.discriminatedUnion("intent", [
  z.object({
    intent: z.literal("aim"),
    baseRevision,
    name: textField("a name, like Strength 1", 80),
    goal: z.enum(GOALS),
    success: optionalTextField(300),
    approach: z.union([z.literal("").transform(() => null), approachRefCodec]).default(null),
    notes: optionalTextField(2000),
  }),
  z.object({ intent: z.literal("week"), baseRevision, week, ...weekFields }),
  z.object({ intent: z.literal("addWeek"), baseRevision, after: whole(0, weeks.most, "a week") }),
  z.object({ intent: z.literal("removeWeek"), baseRevision, week }),
  z.object({
    intent: z.literal("day"),
    baseRevision,
    day,
    weekday,
    gymId: idField("gym"),
    startTime,
    title: textField("a title", 80),
  }),
  z.object({ intent: z.literal("removeDay"), baseRevision, day }),
  z.object({
    intent: z.literal("addDay"),
    baseRevision,
    weekday,
    gymId: idField("gym"),
    source: sourceField,
  }),
  z.object({ intent: z.literal("spans"), baseRevision, day, lineage, from: week, to: week }),
  z.object({
    intent: z.literal("turns"),
    baseRevision,
    day,
    lineage,
    every: whole(1, weeks.most, "weeks"),
    movement: z.custom<MovementRef>(
      (v) => typeof v === "string" && isMovementRef(v),
      "Choose an exercise.",
    ),
  }),
  z.object({
    intent: z.literal("technique"),
    baseRevision,
    day,
    lineage,
    every: whole(turns.least, turns.most, "weeks"),
    line: z.string().trim().min(1, "Write its sets.").max(LONGEST_LINE, "This is too long."),
  }),
  z.object({
    intent: z.literal("target"),
    baseRevision,
    day,
    lineage,
    line: idField("line"),
    /** Nothing takes the target away. */
    load: z.string().trim().max(20),
    reps: whole(1, 100, "reps"),
    week,
  }),
  z.object({ intent: z.literal("endTurns"), baseRevision, day, lineage }),
  z.object({
    intent: z.literal("keep"),
    baseRevision,
    day,
    lineage,
    phases: z.union([z.literal("").transform(() => null), whole(1, 12, "a number of phases")]),
  }),
]);
export type ChangePhase = z.output<typeof changePhaseCodec>;

/** The week that a row says, or why it is none. */
export function weekOf({
  kind,
  sets,
  effort,
  load,
  note,
}: Extract<ChangePhase, { intent: "week" }>) {
  return phaseWeekField.safeParse({ kind, sets, effort, load: load / 100, note });
}
