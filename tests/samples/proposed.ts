import { seconds } from "~/core/kernel/index.ts";
import { proposeFor, type SlotCircumstances } from "~/core/progress/index.ts";
import type { Exposure } from "~/core/log/index.ts";
import type { ProgressionRule, Slot } from "~/core/plan/index.ts";
import { sampleCircumstances } from "./index.ts";
import { writtenSlot } from "./trained.ts";

/** Less rest, from two minutes to 45 seconds. */
export const DENSITY = {
  kind: "density",
  min: seconds(45),
  max: seconds(120),
  by: seconds(15),
} as const satisfies ProgressionRule;
/** Lowering, from two seconds to five. */
export const SLOWER = {
  kind: "constraintFirst",
  what: "lower",
  min: seconds(2),
  max: seconds(5),
  by: seconds(1),
} as const satisfies ProgressionRule;

/** An exercise that is written as a line and moves on by a rule. */
export const slotBy = (line: string, progression: ProgressionRule): Slot =>
  writtenSlot(line, { progression });

/** What is proposed for the first line of an exercise, with the codes of its reasons. */
export function proposed(
  slot: Slot,
  exposures: readonly Exposure[],
  over: Partial<SlotCircumstances> = {},
) {
  const [own] = proposeFor(slot, exposures, sampleCircumstances(over));
  if (own === undefined) throw new Error("nothing was proposed");
  return { ...own, codes: own.because.map(({ code }) => code) };
}
