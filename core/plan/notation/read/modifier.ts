import { seconds, assertNever } from "../../../kernel/index.ts";
import {
  isPhaseTime,
  isRir,
  OPEN_TEMPO,
  type Accent,
  type PlannedSet,
  type Rest,
  type Rir,
  type TempoPhaseName,
} from "../../index.ts";
import { RECOVERY } from "../context.ts";
import type { EffortWords, Modifier, RestWords, Span, Time } from "../syntax.ts";
import { fail, type Reading } from "./reading.ts";
import { readBounded, readWithin, checkSpan, readTime } from "./words.ts";

/** The reps to leave, also where the effort is written out of ten. */
export function readEffort(r: Reading, words: EffortWords, at: Span): Rir {
  switch (words.kind) {
    case "many":
      return "more";
    case "none":
      return 0;
    case "unknown":
    case "past":
      return words.kind;
    case "left":
      return readReserve(r, words.reps.value, words.reps.value, words.reps);
    case "outOfTen": {
      const { value } = words.effort;
      if (value >= 0 && value < 5) return "more";
      return readReserve(r, 10 - value, value, words.effort);
    }
    default:
      fail(r, at, { code: "reserve", value: 0 });
      return assertNever(words);
  }
}

function readReserve(r: Reading, left: number, written: number, at: Span): Rir {
  if (isRir(left)) return left;
  fail(r, at, { code: "reserve", value: written });
  return 0;
}

/** The phases that are said; the others stay open. */
export function readTempo(r: Reading, phases: readonly Modifier[]): PlannedSet["tempo"] {
  return phases.reduce<PlannedSet["tempo"]>((tempo, modifier) => {
    if (modifier.kind !== "phase") return tempo;
    const { phase, seconds: time } = modifier;
    return { ...tempo, [phase]: time === "explosive" ? time : readPhase(r, phase, time) };
  }, OPEN_TEMPO);
}

function readPhase(r: Reading, name: TempoPhaseName, time: Time): number {
  const value = readWithin(r, time, "phase");
  if (value === time.value && !isPhaseTime(name, value))
    fail(r, time, { code: "noTime", phase: name });
  return value;
}

/** What is done to repetitions beyond their tempo. */
export function readAccent(r: Reading, modifier: Modifier): Accent {
  switch (modifier.kind) {
    case "deadStop":
    case "secondSqueeze":
      return { kind: modifier.kind, seconds: readTime(r, modifier.seconds, "accent") };
    case "slowLastRep":
      return {
        kind: "slowLastRep",
        phase: modifier.phase,
        seconds: readTime(r, modifier.seconds, "accent"),
      };
    case "load":
    case "effort":
    case "phase":
    case "rest":
    case "side":
    case "setUp":
    case "between":
    case "optional":
      throw new Error(`${modifier.kind} is no accent`);
    default:
      return assertNever(modifier);
  }
}

/** The rest after a set. */
export function readRest(r: Reading, words: RestWords): Rest {
  const about = (time: Time | null) =>
    time === null ? seconds(RECOVERY) : readTime(r, time, "rest");
  switch (words.kind) {
    case "time":
      if (words.max === null) return { kind: "fixed", seconds: readTime(r, words.min, "rest") };
      checkSpan(r, words.min, words.max, words.min);
      return {
        kind: "range",
        min: readTime(r, words.min, "rest"),
        max: readTime(r, words.max, "rest"),
      };
    case "most":
      return { kind: "atMost", seconds: readTime(r, words.time, "rest") };
    case "breath":
    case "partner":
      return { kind: words.kind, likely: about(words.about) };
    case "heart":
      return {
        kind: "heartRate",
        below: readBounded(r, words.below, "heartRate"),
        likely: about(words.about),
      };
    default:
      return assertNever(words);
  }
}
