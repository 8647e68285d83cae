import {
  isTempoPhase,
  type LoadRule,
  type Rest,
  type Target,
  type TempoPhase,
} from "~/core/prescription/index.ts";
import {
  count,
  parseMass,
  seconds,
  share,
  type MassUnit,
  type Seconds,
  type Share,
} from "~/core/quantity/index.ts";
import { fail, ok, type Result } from "~/core/result/index.ts";

/** What a cell holds after typing: a value, or a sentence that says what was expected. */
export type Typed<T> = Result<T, string>;

/** "8-12", "8–12", "8 to 12" or "10": repetitions from 1 to 1000. */
export function typedReps(text: string): Typed<Target> {
  const parts = /^(\d{1,4})(?:\s*(?:-|–|to|\/)\s*(\d{1,4}))?$/.exec(text.trim());
  if (parts === null) return fail("Expected reps, like 10 or 8-12.");
  const [min, max] = [Number(parts[1]), Number(parts[2] ?? parts[1])];
  if (min < 1 || max > 1000) return fail("Expected 1 to 1000 reps.");
  if (min > max) return fail(`${min} to ${max} runs backwards; write the lower number first.`);
  return ok({ kind: "reps", min: count(min), max: count(max) });
}

/** "82.5" or "82,5" in the station's unit; empty is a load still to be found. */
export function typedLoad(text: string, unit: MassUnit): Typed<LoadRule> {
  if (text.trim() === "") return ok({ kind: "open" });
  const parsed = parseMass(text.replace(/\s*(kg|lb)$/i, ""), unit);
  if (parsed.ok) return ok({ kind: "absolute", reading: parsed.value });
  return fail(
    parsed.error.code === "outOfRange"
      ? `“${parsed.error.text}” is out of range.`
      : `“${parsed.error.text}” is not a load; write like 82.5, or leave it empty.`,
  );
}

/** A fixed rest, as {@link typedSeconds}. */
export function typedRest(text: string): Typed<Rest> {
  const typed = typedSeconds(text);
  return typed.ok ? ok({ kind: "fixed", seconds: typed.value }) : typed;
}

/** "90" seconds or "1:30", up to 20 minutes. */
export function typedSeconds(text: string): Typed<Seconds> {
  const parts = /^(?:(\d{1,2}):(\d{2})|(\d{1,4}))$/.exec(text.trim());
  if (parts === null) return fail("Expected a rest, like 90 or 1:30.");
  const total =
    parts[3] === undefined ? Number(parts[1]) * 60 + Number(parts[2]) : Number(parts[3]);
  return total <= 1200 ? ok(seconds(total)) : fail("Expected at most 20 minutes of rest.");
}

/** A drop's share as per cent: "80" or "80%", above 0 and below 100, since a drop gets lighter. */
export function typedDropShare(text: string): Typed<Share> {
  const parts = /^(\d{1,3}(?:[.,]\d{1,2})?)\s*%?$/.exec(text.trim());
  const percent = Number(parts?.[1]?.replace(",", ".") ?? Number.NaN);
  if (Number.isNaN(percent)) return fail("Expected a share in per cent, like 80.");
  if (percent <= 0) return fail("Expected a share above 0 %.");
  return percent < 100
    ? ok(share(percent / 100))
    : fail("A drop gets lighter: expected less than 100 %.");
}

/** Seconds of a tempo phase, "fast" for as fast as possible, or nothing for open. */
export function typedPhase(text: string): Typed<TempoPhase> {
  const trimmed = text.trim().toLowerCase();
  if (trimmed === "") return ok(null);
  if (trimmed === "fast" || trimmed === "f") return ok("explosive");
  const value = /^\d{1,2}([.,]\d)?$/.test(trimmed) ? Number(trimmed.replace(",", ".")) : Number.NaN;
  return isTempoPhase(value) ? ok(value) : fail("Expected 0 to 30 seconds, fast, or nothing.");
}
