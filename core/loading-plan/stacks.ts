import { mass, massFromTicks, ticksOf, type Mass } from "../quantity/index.ts";
import type { Loading } from "../station/index.ts";

/** A station that is loaded with plates. */
export type PlateLoading = Extract<Loading, { kind: "bar" | "plateMachine" }>;

/**
 * The plates of a station as small numbers: sizes descending in thousandths, and how many of each can hang at
 * one loading point. What hangs at a point, from the inside out, is a string with a character for each plate,
 * "a" for the heaviest size, so that a longer string with the same beginning has more plates outside.
 */
export interface Plates {
  readonly sizes: readonly number[];
  readonly usable: readonly number[];
  readonly points: 1 | 2;
  readonly base: number;
}

/** The plates of a station at one loading point; `base` is the bar's reading, 0 where readings are hung plates. */
export function platesOf(loading: PlateLoading): Plates {
  const points = loading.kind === "bar" ? 2 : loading.points;
  const stock = [...loading.plates].sort((a, b) => b.size.thousandths - a.size.thousandths);
  const bar = loading.kind === "bar" ? loading.bar : null;
  return {
    sizes: stock.map((s) => s.size.thousandths),
    usable: stock.map((s) => Math.floor(s.count / points)),
    points,
    base: bar === null ? 0 : massFromTicks(ticksOf(bar), loading.unit, "nearest").thousandths,
  };
}

const FIRST = "a".charCodeAt(0);
export const letter = (size: number): string => String.fromCharCode(FIRST + size);
export const sizeAt = (stack: string, i: number): number => stack.charCodeAt(i) - FIRST;

/** The reading with a stack at every point, in thousandths. */
export function readingOfStack(stack: string, plates: Plates): number {
  let sum = 0;
  for (let i = 0; i < stack.length; i += 1) sum += plates.sizes[sizeAt(stack, i)] ?? 0;
  return plates.base + sum * plates.points;
}

/** The plates of a stack from the inside out. */
export function platesIn(stack: string, plates: Plates, unit: Mass["unit"]): readonly Mass[] {
  return Array.from({ length: stack.length }, (_, i) =>
    mass(plates.sizes[sizeAt(stack, i)] ?? 0, unit),
  );
}

/**
 * Every way to hang plates whose reading lies between two, in every order; null when there are more than
 * `most`.
 */
export function allStacks(
  plates: Plates,
  from: number,
  to: number,
  most: number,
): readonly string[] | null {
  const found: string[] = [];
  const left = [...plates.usable];
  const grow = (stack: string, reading: number): boolean => {
    if (reading >= from) {
      found.push(stack);
      if (found.length > most) return false;
    }
    for (let size = 0; size < plates.sizes.length; size += 1) {
      const next = reading + (plates.sizes[size] ?? 0) * plates.points;
      const free = left[size] ?? 0;
      if (free === 0 || next > to) continue;
      left[size] = free - 1;
      const isFine = grow(stack + letter(size), next);
      left[size] = free;
      if (!isFine) return false;
    }
    return true;
  };
  return grow("", plates.base) ? found : null;
}
