import { proposeFor, type SlotCircumstances } from "~/core/progress/index.ts";
import type { Exposure } from "~/core/log/index.ts";
import type { ProgressionRule, Slot } from "~/core/plan/index.ts";
import { sampleCircumstances } from "./index.ts";
import { writtenSlot } from "./trained.ts";

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
