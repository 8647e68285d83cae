import type { Quantity } from "./quantity.ts";
import { fail, ok, type Result } from "./result.ts";

declare const massBrand: unique symbol;

export type MassUnit = "kg" | "lb";

/**
 * A mass as it was read or hung: integer thousandths of its own unit (82.5 kg is 82 500 kg-thousandths).
 * A trip through the other unit never changes it, because conversion only happens in comparison and display.
 */
export interface Mass {
  readonly thousandths: number;
  readonly unit: MassUnit;
  readonly [massBrand]: true;
}

/**
 * Exact integer measure shared by both units: 1 tick = 10⁻¹¹ kg, so that a thousandth of a kilogram is
 * 100 000 000 ticks and a thousandth of a pound 45 359 237. Safe as a JS integer up to 90 t.
 */
export type Ticks = Quantity<"tick">;

/** Brands a number of ticks, negative for a difference. Throws on one that is not finite. */
export function ticks(n: number): Ticks {
  if (!isTicks(n)) throw new Error(`not a number of ticks: ${n}`);
  return n;
}

const isTicks = (n: number): n is Ticks => Number.isFinite(n);

const TICKS_PER_THOUSANDTH: Readonly<Record<MassUnit, number>> = {
  kg: 100_000_000,
  lb: 45_359_237,
};

/** The heaviest mass that is typed or stored: 9 999 of either unit, in thousandths. */
export const MAX_THOUSANDTHS = 9_999_000;

/**
 * The heaviest mass that is computed, shares of shares of stored ones among them: 80 t, whose ticks are still
 * exact. What comes out beyond it is it: no station makes either.
 */
export const MAX_COMPUTED = 80_000_000;

/** True for integer thousandths from 0 to {@link MAX_THOUSANDTHS}: what may be typed and stored. */
export function isThousandths(n: number): boolean {
  return Number.isInteger(n) && n >= 0 && n <= MAX_THOUSANDTHS;
}

/** A mass from integer thousandths. Throws outside 0 … {@link MAX_COMPUTED}. */
export function mass(thousandths: number, unit: MassUnit): Mass {
  if (!(Number.isInteger(thousandths) && thousandths >= 0 && thousandths <= MAX_COMPUTED))
    throw new Error(`not a mass: ${thousandths} thousandths ${unit}`);
  return { thousandths, unit } as Mass;
}

/** `kg(82.5)`, rounded to the nearest thousandth; for literals in data and tests. */
export function kg(amount: number): Mass {
  return mass(Math.round(amount * 1000), "kg");
}

/** `lb(45)`, rounded to the nearest thousandth; for literals in data and tests. */
export function lb(amount: number): Mass {
  return mass(Math.round(amount * 1000), "lb");
}

export type MassTextError =
  | { readonly code: "notANumber"; readonly text: string }
  | { readonly code: "tooFine"; readonly text: string }
  | { readonly code: "outOfRange"; readonly text: string };

/**
 * Reads a mass as a person types it: decimal point or comma, at most three decimals, no sign, no unit.
 * `"82,5"` in kg is 82.5 kg. Fails with the text when it is not such a number.
 */
export function parseMass(text: string, unit: MassUnit): Result<Mass, MassTextError> {
  const trimmed = text.trim();
  const parts = /^(\d+)(?:[.,](\d+))?$/.exec(trimmed);
  if (parts === null) return fail({ code: "notANumber", text: trimmed });
  const [, whole = "", decimals = ""] = parts;
  if (decimals.length > 3) return fail({ code: "tooFine", text: trimmed });
  const thousandths = Number(whole) * 1000 + Number(decimals.padEnd(3, "0"));
  if (!isThousandths(thousandths)) return fail({ code: "outOfRange", text: trimmed });
  return ok(mass(thousandths, unit));
}

/** The mass in ticks, exactly (1 lb = 0.45359237 kg). Source: international avoirdupois pound, 1959. */
export function ticksOf(m: Mass): Ticks {
  return ticks(m.thousandths * TICKS_PER_THOUSANDTH[m.unit]);
}

/**
 * So many times a mass in ticks, as whole ticks: a share is a binary fraction and would otherwise leave a sliver
 * that decides between two loads that are equally near.
 */
export function timesTicks(of: Ticks, times: number): Ticks {
  return ticks(Math.round(of * times));
}

export type Rounding = "nearest" | "down" | "up";

/** Rounds to an integer; "nearest" takes halves up. */
export function roundBy(n: number, rounding: Rounding): number {
  return rounding === "nearest"
    ? Math.round(n)
    : rounding === "down"
      ? Math.floor(n)
      : Math.ceil(n);
}

/** Ticks as a mass of the given unit, rounded to its thousandths as asked; at most {@link MAX_COMPUTED}. */
export function massFromTicks(of: Ticks, unit: MassUnit, rounding: Rounding): Mass {
  const thousandths = roundBy(of / TICKS_PER_THOUSANDTH[unit], rounding);
  return mass(Math.min(thousandths, MAX_COMPUTED), unit);
}

/** Negative, zero or positive as a is lighter than, equal to or heavier than b, across units. */
export function compareMass(a: Mass, b: Mass): number {
  return ticksOf(a) - ticksOf(b);
}

/** The same mass in the same unit as it was read (1 kg is not "the same reading" as 2.205 lb). */
export function sameReading(a: Mass, b: Mass): boolean {
  return a.unit === b.unit && a.thousandths === b.thousandths;
}

/** The mass in kilograms as a plain number, for charts and ratios only. */
export function amountKg(m: Mass): number {
  return ticksOf(m) / 1e11;
}

/** The mass as a number of its own unit, for display and drawing only. */
export function amountOf(m: Mass): number {
  return m.thousandths / 1000;
}
