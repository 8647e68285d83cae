import { daysBetween, type Day, type Id, mass, type Mass } from "../kernel/index.ts";
import type { Side } from "../plan/index.ts";

/** What is measured of a person over time, in which unit, and whether left and right differ. */
export const MEASURED = {
  bodyWeight: { unit: "kg", sided: false },
  calf: { unit: "cm", sided: true },
  thigh: { unit: "cm", sided: true },
  hip: { unit: "cm", sided: false },
  waist: { unit: "cm", sided: false },
  readiness: { unit: "ofFive", sided: false },
} as const;
export type MeasuredKind = keyof typeof MEASURED;
export type MeasuredUnit = "kg" | "lb" | "cm" | "ofFive";

/** A measured value as it was read, in integer thousandths of its unit. */
export interface MeasuredValue {
  readonly thousandths: number;
  readonly unit: MeasuredUnit;
}

export interface Measurement {
  readonly id: Id<"measurement">;
  readonly kind: MeasuredKind;
  readonly side: Side;
  readonly value: MeasuredValue;
  readonly day: Day;
  readonly note: string;
}

/** The values that a unit can sensibly hold; outside lies a slip of the keyboard. Source: our rule. */
export const PLAUSIBLE: Readonly<Record<MeasuredUnit, readonly [number, number]>> = {
  kg: [25, 300],
  lb: [55, 660],
  cm: [15, 200],
  ofFive: [1, 5],
};

/** True for a value within {@link PLAUSIBLE}; readiness is a whole number. */
export function isPlausible(kind: MeasuredKind, { thousandths, unit }: MeasuredValue): boolean {
  const [low, high] = PLAUSIBLE[unit];
  const isWhole = kind !== "readiness" || thousandths % 1000 === 0;
  return isWhole && thousandths >= low * 1000 && thousandths <= high * 1000;
}

/** The latest of a kind and side, or null. The list may be in any order; of one day the later entry holds. */
export function latest(
  list: readonly Measurement[],
  kind: MeasuredKind,
  side: Side = "both",
): Measurement | null {
  return list
    .filter((m) => m.kind === kind && m.side === side)
    .reduce<Measurement | null>((best, m) => (best === null || m.day >= best.day ? m : best), null);
}

/** The body weight on a day: the latest measured until then as a mass, or null. */
export function bodyWeightOf(list: readonly Measurement[], on: Day): Mass | null {
  const last = latest(
    list.filter((m) => m.day <= on),
    "bodyWeight",
  );
  if (last === null || (last.value.unit !== "kg" && last.value.unit !== "lb")) return null;
  return mass(last.value.thousandths, last.value.unit);
}

/** Readiness out of five said on a day or the day before; null where nobody said it. */
export function readinessOn(list: readonly Measurement[], day: Day): number | null {
  const last = latest(
    list.filter((m) => m.day <= day),
    "readiness",
  );
  if (last === null || daysBetween(last.day, day) > 1) return null;
  return last.value.thousandths / 1000;
}

/** Left minus right of the latest pair of a girth, in thousandths of a centimetre; null unless both are known. */
export function sideDifference(
  list: readonly Measurement[],
  kind: "calf" | "thigh",
): number | null {
  const [left, right] = [latest(list, kind, "left"), latest(list, kind, "right")];
  return left === null || right === null ? null : left.value.thousandths - right.value.thousandths;
}
