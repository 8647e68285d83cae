import { massFromTicks, ticksOf } from "../kernel/index.ts";
import type { Loading } from "./loading.ts";

/** A station that is loaded with plates. */
export type PlateLoading = Extract<Loading, { kind: "bar" | "plateMachine" }>;

/** The plates of a station as numbers: thousandths of its unit. */
export interface Plates {
  /** The heaviest first. */
  readonly sizes: readonly number[];
  /** How many of each can hang at one loading point. */
  readonly usable: readonly number[];
  readonly points: 1 | 2;
  /** The bar's reading; 0 where readings are hung plates. */
  readonly base: number;
  /** What every size is a whole multiple of. */
  readonly unit: number;
}

/** The plates of a station at one loading point. */
export function platesOf(loading: PlateLoading): Plates {
  const points = loading.kind === "bar" ? 2 : loading.points;
  const stock = [...loading.plates].sort((a, b) => b.size.thousandths - a.size.thousandths);
  const bar = loading.kind === "bar" ? loading.bar : null;
  const sizes = stock.map((s) => s.size.thousandths);
  return {
    sizes,
    usable: stock.map((s) => Math.floor(s.count / points)),
    points,
    base: bar === null ? 0 : massFromTicks(ticksOf(bar), loading.unit, "nearest").thousandths,
    unit: sizes.reduce(divisorOf, 0) || 1,
  };
}

/** The greatest common divisor. */
function divisorOf(a: number, b: number): number {
  return b === 0 ? a : divisorOf(b, a % b);
}
