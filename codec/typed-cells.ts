import {
  BOUNDS,
  isPhaseTime,
  isWithin,
  type BoundName,
  type TempoPhase,
  type TempoPhaseName,
} from "~/core/plan/index.ts";
import {
  count,
  seconds,
  share,
  type Count,
  type Seconds,
  type Share,
  fail,
  ok,
  type Result,
} from "~/core/kernel/index.ts";

/** What a cell holds after typing: a value, or a sentence that says what was expected. */
export type Typed<T> = Result<T, string>;

/** A whole number within the named bound. */
export function typedWhole(bound: BoundName) {
  return (text: string): Typed<Count> => {
    const n = /^\d{1,6}$/.test(text.trim()) ? Number(text) : Number.NaN;
    return isWithin(n, bound) ? ok(count(n)) : fail(expected(bound, "a whole number"));
  };
}

/** Seconds or a multiple of a second within the named bound, with a decimal comma or point. */
export function typedAmount(bound: BoundName) {
  return (text: string): Typed<number> => {
    const trimmed = text.trim().replace(",", ".");
    const n = /^\d{1,6}(\.\d{1,2})?$/.test(trimmed) ? Number(trimmed) : Number.NaN;
    return isWithin(n, bound) ? ok(n) : fail(expected(bound, "a number"));
  };
}

const expected = (bound: BoundName, what: string) =>
  `Expected ${what} from ${BOUNDS[bound].least} to ${BOUNDS[bound].most}.`;

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

/** A drop's share as per cent: "80" or "80%", above 0 and below 100, since a drop gets lighter. */
export function typedDropShare(text: string): Typed<Share> {
  const parts = /^(\d{1,3}(?:[.,]\d{1,2})?)\s*%?$/.exec(text.trim());
  const percent = Number(parts?.[1]?.replace(",", ".") ?? Number.NaN);
  if (Number.isNaN(percent)) return fail("Expected a share in per cent, like 80.");
  if (percent <= 0) return fail("Expected a share above 0 %.");
  return isWithin(percent, "dropPercent")
    ? ok(share(percent / 100))
    : fail("A drop gets lighter: expected less than 100 %.");
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
