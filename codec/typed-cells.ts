import type { z } from "zod";
import {
  BOUNDS,
  GEAR_NAME,
  gearField,
  isPhaseTime,
  isWithin,
  type BoundName,
  type TempoPhase,
  type TempoPhaseName,
} from "~/core/plan/index.ts";
import { fail, ok, seconds, type Result, type Seconds } from "~/core/kernel/index.ts";

/** What a cell holds after typing: a value, or a sentence that says what was expected. */
export type Typed<T> = Result<T, string>;

/**
 * A number as a field takes it, with a decimal comma or point; a per cent with or without its sign becomes the
 * share that is stored. `bound` is the field's own.
 */
export function typedNumber<S extends z.ZodType>(field: S, bound: BoundName) {
  return (text: string): Typed<z.output<S>> => {
    const { unit, least, most, whole } = BOUNDS[bound];
    const written = text.trim().replace(",", ".").replace("−", "-").replace(/\s*%$/, "");
    const n = /^-?\d{1,6}(\.\d{1,2})?$/.test(written) ? Number(written) : Number.NaN;
    const read = field.safeParse(unit === "percent" ? n / 100 : n);
    if (read.success) return ok(read.data);
    const what = unit === "percent" ? "a share in per cent" : whole ? "a whole number" : "a number";
    const drop = bound === "dropPercent" ? " A drop gets lighter." : "";
    return fail(`Expected ${what} from ${least} to ${most}.${drop}`);
  };
}

/** "90" seconds or "1:30", up to 20 minutes. */
export function typedSeconds(text: string): Typed<Seconds> {
  const parts = /^(?:(\d{1,2}):(\d{2})|(\d{1,4}))$/.exec(text.trim());
  if (parts === null) return fail("Expected a rest, like 90 or 1:30.");
  const total =
    parts[3] === undefined ? Number(parts[1]) * 60 + Number(parts[2]) : Number(parts[3]);
  return isWithin(total, "pause")
    ? ok(seconds(total))
    : fail("Expected at most 20 minutes of rest.");
}

/** Seconds of a tempo phase, "fast" for as fast as possible, or nothing for open. */
export function typedPhase(phase: TempoPhaseName) {
  return (text: string): Typed<TempoPhase> => {
    const trimmed = text.trim().toLowerCase();
    if (trimmed === "") return ok(null);
    if (trimmed === "fast" || trimmed === "f") return ok("explosive");
    const value = /^\d{1,2}([.,]\d)?$/.test(trimmed)
      ? Number(trimmed.replace(",", "."))
      : Number.NaN;
    if (isPhaseTime(phase, value)) return ok(value);
    return fail(
      value === 0
        ? `To ${phase} takes time: expected more than 0 seconds, fast, or nothing.`
        : "Expected 0 to 30 seconds, fast, or nothing.",
    );
  };
}

/** Names of gear with commas between them, each once. */
export function typedGear(text: string): Typed<readonly string[]> {
  const names = [...new Set(text.split(",").map((name) => name.trim()))].filter((n) => n !== "");
  const read = gearField.safeParse(names);
  return read.success ? ok(read.data) : fail(`Expected up to six names of ${GEAR_NAME} letters.`);
}
