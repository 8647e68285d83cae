import type { Tempo } from "~/core/plan/index.ts";
import {
  strictShare,
  type Equation,
  type StrengthRecord,
  type MaximumEstimate,
  type NoEstimate,
  type StrictnessRule,
} from "~/core/progress/index.ts";
import { assertNever } from "~/core/kernel/index.ts";
import { formatMass, formatShare } from "./numbers.ts";

export const EQUATION_NAMES: Readonly<Record<Equation, string>> = {
  epley: "Epley",
  brzycki: "Brzycki",
  wathan: "Wathan",
  lombardi: "Lombardi",
  oConner: "O’Conner",
  mayhew: "Mayhew",
};

/** "estimated 1RM 104.5 kg (96 to 113 kg), including bar, sled or body weight", or why there is none; empty where nothing is known. */
export function formatKnown(known: StrengthRecord | null): string | null {
  if (known === null) return null;
  if (known.maximum !== null)
    return `${formatMaximum(known.maximum)}, including bar, sled or body weight`;
  return known.refused === null ? null : formatNoEstimate(known.refused);
}

export function formatMaximum({ low, likely, high, assumedReserve }: MaximumEstimate): string {
  const assumed = assumedReserve ? ", taking RIR 2 where none was logged" : "";
  return `estimated 1RM ${formatMass(rounded(likely))} (${formatMass(rounded(low))} to ${formatMass(rounded(high))}${assumed})`;
}

/** To half a unit: an estimate has no more to say. */
export function rounded<M extends { readonly thousandths: number }>(mass: M): M {
  return { ...mass, thousandths: Math.round(mass.thousandths / 500) * 500 };
}

/** Why no maximum is estimated. */
export function formatNoEstimate(why: NoEstimate): string {
  switch (why.code) {
    case "totalUnknown":
      return "no estimate: bar, sled or body weight is unknown here";
    case "repsUnknown":
      return "no estimate: reps were not counted";
    case "noReps":
      return "no estimate: no full rep";
    case "tooManyReps":
      return `no estimate: ${why.possible} possible reps are more than ${why.most}`;
    case "afterExtension":
      return `no estimate after a ${why.after === "drop" ? "drop" : "rest-pause"}`;
    case "partials":
      return "no estimate from partial reps";
    case "shortRest":
      return `no estimate: only ${why.rest} s of rest before, less than ${why.least} s`;
    default:
      return assertNever(why);
  }
}

const tempoOf = (lower: number, stretch: number, lift: number, squeeze: number): Tempo => ({
  lower,
  stretch,
  lift,
  squeeze,
});

/** What a rule takes off for three usual ways of being strict, each as half a sentence. */
export function strictnessExamples(rule: StrictnessRule): readonly string[] {
  const off = (tempo: Tempo) => formatShare(1 - strictShare(tempo, [], rule));
  return [
    `lowering over 5 s takes ${off(tempoOf(5, 0, 1, 0))} off`,
    `a squeeze of 2 s in every rep ${off(tempoOf(2, 0, 1, 2))}`,
    `8 s down with 3 s in the stretch ${off(tempoOf(8, 3, 1, 0))}`,
  ];
}
