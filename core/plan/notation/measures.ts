import {
  amountOf,
  count,
  isThousandths,
  kg,
  mass,
  seconds,
  share,
  type Count,
  type Mass,
  type MassUnit,
  type Seconds,
  type Share,
} from "../../kernel/index.ts";
import { BOUNDS, isWithin, type BoundName } from "../index.ts";
import {
  behind,
  first,
  inTurn,
  map,
  maybe,
  oneOf,
  spanOf,
  token,
  word,
  type Means,
  type Words,
} from "./phrase.ts";
import type { Span } from "./span.ts";
import { note, type Reading } from "./reading.ts";
import type { Token } from "./tokens.ts";

/** A written number with its place; a time in seconds. */
export interface Num extends Span {
  readonly value: number;
}

export const number: Words<Num> = map(token("number"), (found: Token) => ({
  ...spanOf(found),
  value: Number(found.text.replace(",", ".")),
}));

/** "1:30" */
export const clock: Words<Num> = map(token("clock"), (found: Token) => {
  const [minutes = "0", rest = "0"] = found.text.split(":");
  return { ...spanOf(found), value: Number(minutes) * 60 + Number(rest) };
});

const TIME_UNITS = oneOf([
  ["s", 1],
  ["min", 60],
]);
const inSeconds = (n: Num, unit: number): Num => ({ ...n, value: n.value * unit });

/** time = clock | number [ "s" | "min" ] */
export const time: Words<Num> = first(
  clock,
  map(inTurn(number, maybe(TIME_UNITS)), ([n, unit]) => inSeconds(n, unit ?? 1)),
);

/** From and to, or the same twice. */
export interface Range extends Span {
  readonly min: Num;
  readonly max: Num;
  readonly isOne: boolean;
}

/** `what` [ ( "-" | "to" ) `what` ] */
export function range(what: Words<Num>): Words<Range> {
  const to = first(behind("dash", what), behind("to", what));
  return map(inTurn(what, maybe(to)), ([min, max]) => rangeOf(min, max));
}

function rangeOf(min: Num, max: Num | null): Range {
  const end = max ?? min;
  return { at: min.at, length: end.at + end.length - min.at, min, max: end, isOne: max === null };
}

/** A range of times: clocks, or numbers with the unit behind them. */
export const timeRange: Words<Range> = first(
  range(clock),
  map(inTurn(range(number), TIME_UNITS), ([{ min, max, isOne }, unit]) =>
    rangeOf(inSeconds(min, unit), isOne ? null : inSeconds(max, unit)),
  ),
);

/** A written mass; the unit is null where it was left out. */
interface WrittenMass extends Num {
  readonly unit: MassUnit | null;
}

const massUnit = oneOf<MassUnit>([
  ["kg", "kg"],
  ["lb", "lb"],
]);
const massOf =
  ([n, unit]: readonly [Num, MassUnit | null]): Means<Mass> =>
  (r: Reading) =>
    readMass(r, { ...n, unit });

/** mass = number [ "kg" | "lb" ], in its unit or that of the station, to the thousandth. */
export const massPhrase: Words<Means<Mass>> = map(inTurn(number, maybe(massUnit)), massOf);

/** As {@link massPhrase}, where a number alone would count something else. */
export const massInUnit: Words<Means<Mass>> = map(inTurn(number, massUnit), massOf);

function readMass(r: Reading, written: WrittenMass): Mass {
  const thousandths = Math.round(written.value * 1000);
  const isExact = Math.abs(thousandths - written.value * 1000) < 1e-6;
  if (!isExact || !isThousandths(thousandths)) {
    note(r, written, { code: "mass", value: written.value });
    return kg(0);
  }
  return mass(thousandths, written.unit ?? r.context.unit);
}

/** A whole number; another is noted and rounded. */
export function readWhole(r: Reading, n: Num): number {
  if (Number.isInteger(n.value)) return n.value;
  note(r, n, { code: "whole", value: n.value });
  return Math.round(n.value);
}

/** A number within a bound, as it is written; beyond it is noted, and read as the least. */
export function readWithin(r: Reading, n: Num, name: BoundName): number {
  if (isWithin(n.value, name)) return n.value;
  note(r, n, { code: "bound", bound: name, value: n.value });
  return BOUNDS[name].least;
}

/** A whole number within a bound. */
export function readBounded(r: Reading, n: Num, name: BoundName): Count {
  return count(Math.ceil(readWithin(r, { ...n, value: readWhole(r, n) }, name)));
}

/** A range of whole numbers within a bound; what is wrong with one number is noted once. */
export function readRange(
  r: Reading,
  written: Range,
  name: BoundName,
): { readonly min: Count; readonly max: Count } {
  checkAscending(r, written);
  const min = readBounded(r, written.min, name);
  return { min, max: written.isOne ? min : readBounded(r, written.max, name) };
}

/** A range of times within a bound. */
export function readTimeRange(
  r: Reading,
  written: Range,
  name: BoundName,
): { readonly min: Seconds; readonly max: Seconds } {
  checkAscending(r, written);
  const min = readTime(r, written.min, name);
  return { min, max: written.isOne ? min : readTime(r, written.max, name) };
}

/** Notes a range that runs backwards. */
function checkAscending(r: Reading, { at, length, min, max }: Range): void {
  if (min.value > max.value) {
    note(r, { at, length }, { code: "upsideDown", min: min.value, max: max.value });
  }
}

/** A time within a bound. */
export function readTime(r: Reading, written: Num, name: BoundName): Seconds {
  return seconds(readWithin(r, written, name));
}

/** number "%" */
export const percentWords: Words<Num> = map(inTurn(number, word("percent")), ([n]) => n);

/** A share, written per cent. */
export function readShare(r: Reading, n: Num, name: "percent" | "dropPercent"): Share {
  return share(readWithin(r, n, name) / 100);
}

/** "plus" or "minus", as the sign that it stands for. */
export const plusOrMinus: Words<1 | -1> = oneOf<1 | -1>([
  ["plus", 1],
  ["minus", -1],
]);

export const num = (n: number) => String(n);

function clockText(t: number): string {
  return `${Math.floor(t / 60)}:${String(t % 60).padStart(2, "0")}`;
}

/** "45 s" below a minute and for parts of a second, "1:30" otherwise. */
export function timeText(t: number): string {
  return Number.isInteger(t) && t >= 60 ? clockText(t) : `${num(t)} s`;
}

export function rangeText({ min, max }: { readonly min: number; readonly max: number }): string {
  return min === max ? num(min) : `${num(min)}-${num(max)}`;
}

/** The shortest decimal of a share's per cent that gives the share back. */
export function percentText(s: Share): string {
  const exact = s * 100;
  for (let digits = 1; digits <= 17; digits += 1) {
    const n = Number(exact.toPrecision(digits));
    if (n / 100 === s) return `${num(n)}%`;
  }
  return `${num(exact)}%`;
}

export const massText = (m: Mass) => `${num(amountOf(m))} ${m.unit}`;

/** "plus 2", "minus 1" */
export const signedText = (n: number) => `${n < 0 ? "minus" : "plus"} ${Math.abs(n)}`;

/** Parts with a blank between them; empty ones left out. */
export const joined = (parts: readonly string[]) => parts.filter((part) => part !== "").join(" ");

/** What is written where it is not as usual. */
export const unless = (isUsual: boolean, text: string) => (isUsual ? "" : text);
