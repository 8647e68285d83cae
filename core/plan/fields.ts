import { z } from "zod";
import {
  count,
  degrees,
  holding,
  massField,
  metres,
  numberField,
  seconds,
  share,
  textWithin,
} from "../kernel/index.ts";
import { BOUNDS, type BoundName } from "./bounds.ts";

const counted = (name: BoundName) => numberField(name, BOUNDS[name], count);
const timed = (name: BoundName) => numberField(name, BOUNDS[name], seconds);
const shared = (name: BoundName) => numberField(name, BOUNDS[name], share);

/** The fields that kinds are made of, each with its bound. */
export const amount = counted("amount");
export const repeats = counted("repeats");
export const plates = counted("plates");
export const steps = counted("steps");
export const tries = counted("tries");
export const heartRate = counted("heartRate");
export const outOfTen = counted("felt");
export const stepsEitherWay = numberField("stepsEitherWay", BOUNDS.stepsEitherWay, (n) => n);
export const stepsUpOrDown = holding(
  stepsEitherWay.refine((n) => n !== 0, "expected steps up or down"),
  { kind: "number", bound: "stepsEitherWay" },
);
export const distance = numberField("metres", BOUNDS.metres, metres);
export const angle = numberField("degrees", BOUNDS.degrees, degrees);
export const workSeconds = timed("work");
export const holdSeconds = timed("hold");
export const restSeconds = timed("rest");
export const pauseSeconds = timed("pause");
export const accentTime = timed("accent");
export const percent = shared("percent");
export const dropPercent = shared("dropPercent");

export const sessions = counted("sessions");
export const gain = counted("gain");
export const lineSets = counted("lineSets");
export const stepPercent = shared("stepPercent");
export const secondsMore = timed("secondsMore");
export const setsEitherWay = numberField("setsEitherWay", BOUNDS.setsEitherWay, (n) => n);
export const rirEitherWay = numberField("rirEitherWay", BOUNDS.rirEitherWay, (n) => n);
export const weekPercent = shared("weekPercent");

/** A load that is more than nothing, by which another gets heavier. */
export const increment = holding(
  massField.refine(({ thousandths }) => thousandths > 0, "expected more than nothing"),
  { kind: "mass" },
);

/** Reps that a usual load can be told for: beyond them a set is no measure of strength. */
export const possibleReps = counted("possibleReps");

/** The upper end of a share that is a range; null where it is one number. */
export const percentUpTo = percent.nullable().default(null);

/** Longest name or choice of a set-up, in movements and in plans. */
export const SET_UP_WORD = 60;
const setUpWord = textWithin(SET_UP_WORD);

/** Whether a wait inside a set is kept as it is written, or ends when the trainee is ready, at the latest then. */
export const waits = z.enum(["exactly", "atMost"]).default("exactly");

/** Longest name of a piece of gear. */
export const GEAR_NAME = 40;

/** What is worn or used for a set. */
export const gearField = z
  .array(textWithin(GEAR_NAME).refine((name) => name.trim() !== "", "expected a name"))
  .max(6)
  .refine((names) => new Set(names).size === names.length, "expected each piece of gear once")
  .readonly();

/** A choice by parameter: {@link SetUp}. */
export const setUpField = z
  .record(setUpWord, setUpWord)
  .refine((setUp) => Object.keys(setUp).length <= 60, "expected at most 60 parameters")
  .readonly();
