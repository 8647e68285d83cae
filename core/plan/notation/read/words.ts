import {
  isMovementRef,
  type MovementRef,
  count,
  isThousandths,
  kg,
  mass,
  seconds,
  share,
  type Count,
  type Mass,
  type Seconds,
  type Share,
} from "../../../kernel/index.ts";
import { BOUNDS, isWithin, type BoundName } from "../../index.ts";
import type { Name, Num, Span, Time, WrittenMass } from "../syntax.ts";
import { kebab, memberOf } from "../words.ts";
import { fail, type Reading } from "./reading.ts";

/** A whole number; another is noted and rounded. */
export function readWhole(r: Reading, n: Num): number {
  if (Number.isInteger(n.value)) return n.value;
  fail(r, n, { code: "whole", value: n.value });
  return Math.round(n.value);
}

/** A number within a bound, as it is written; beyond it is noted, and read as the least. */
export function readWithin(r: Reading, n: Num, name: BoundName): number {
  if (isWithin(n.value, name)) return n.value;
  fail(r, n, { code: "bound", bound: name, value: n.value });
  return BOUNDS[name].least;
}

/** A whole number within a bound. */
export function readBounded(r: Reading, n: Num, name: BoundName): Count {
  return count(Math.ceil(readWithin(r, { ...n, value: readWhole(r, n) }, name)));
}

/** Notes a range that runs backwards. */
export function checkSpan(r: Reading, min: Num, max: Num, at: Span): void {
  if (min.value > max.value) {
    fail(r, at, { code: "upsideDown", min: min.value, max: max.value });
  }
}

/** Seconds within a bound. */
export function readTime(r: Reading, time: Time, name: BoundName): Seconds {
  return seconds(readWithin(r, time, name));
}

/** A share, written per cent. */
export function readPercent(r: Reading, n: Num, name: "percent" | "dropPercent"): Share {
  return share(readWithin(r, n, name) / 100);
}

/** A mass to the thousandth, in its unit or that of the station. */
export function readMass(r: Reading, written: WrittenMass): Mass {
  const thousandths = Math.round(written.value * 1000);
  const isExact = Math.abs(thousandths - written.value * 1000) < 1e-6;
  if (!isExact || !isThousandths(thousandths)) {
    fail(r, written, { code: "mass", value: written.value });
    return kg(0);
  }
  return mass(thousandths, written.unit ?? r.context.unit);
}

/** A word of a closed list; another is noted with all that there are. */
export function readMember<M extends string>(r: Reading, list: readonly M[], word: Name): M {
  const found = memberOf(list, word.text);
  if (found === null) {
    fail(r, word, { code: "noWord", word: word.text, choices: list.map(kebab) });
  }
  return found ?? (list[0] as M);
}

/** A movement by its reference or its name. */
export function readMovement(r: Reading, name: Name): MovementRef {
  if (isMovementRef(name.text)) return name.text;
  const found = r.context.movementNamed(name.text);
  if (found === null) fail(r, name, { code: "noMovement", name: name.text });
  return found ?? "shipped:none";
}
