import { recordOf, type Id, type NewId } from "../../kernel/index.ts";
import type { Series } from "../../log/index.ts";
import { slotsOf, type ExerciseBlock, type SessionPlan, type Slot } from "../../plan/index.ts";
import { newExercise } from "../fix.ts";
import type { Judging } from "../judged.ts";
import { substitutesFor, swapSlot, type SwapContext } from "./substitute.ts";

/** What a session can be changed to while it is trained, ready to be taken without a network. */
export interface SessionChoices {
  /** For each exercise of the plan, by its lineage: what can stand in for it here, best first. */
  readonly swaps: Readonly<Record<Id<"lineage">, readonly Slot[]>>;
  /** What can be added: exercises that were trained here before and are not in the plan, the latest first. */
  readonly additions: readonly ExerciseBlock[];
}

/** So many substitutes of an exercise, and so many additions, are offered on the floor. Source: our rule. */
const SWAPS = 5;
const ADDITIONS = 8;

/**
 * What is offered on the floor. Every exercise begins with the load that was logged of it last, or with a set that
 * finds it. `series` is the trainee's history.
 */
export function sessionChoices(
  plan: SessionPlan,
  judging: Judging,
  context: SwapContext,
  series: Series,
  newId: NewId,
): SessionChoices {
  const first = judging.brief.weakerSide ?? "left";
  const slots = new Map(slotsOf(plan).map((slot) => [slot.lineageId, slot]));
  const instead = (slot: Slot | undefined) =>
    slot === undefined
      ? []
      : substitutesFor(slot, { kind: "stationTaken" }, context)
          .substitutions.slice(0, SWAPS)
          .map((to) => swapSlot(slot, to, first));
  return {
    swaps: recordOf([...slots.keys()], (lineage) => instead(slots.get(lineage))),
    additions: additions(plan, judging, context, series, newId),
  };
}

function additions(
  plan: SessionPlan,
  judging: Judging,
  { stations, lastReading }: SwapContext,
  series: Series,
  newId: NewId,
): readonly ExerciseBlock[] {
  const planned = new Set(slotsOf(plan).map(({ movement }) => movement));
  const latest = [...series.values()]
    .flatMap((exposures) => exposures.at(-1) ?? [])
    .filter(({ context: { movement } }) => !planned.has(movement))
    .toSorted((a, b) => (a.day < b.day ? 1 : a.day > b.day ? -1 : 0));
  return latest
    .flatMap(({ context: { movement: ref, station: id } }) => {
      const movement = judging.unrollContext.movement(ref);
      const station = stations.find((s) => s.id === id);
      if (movement === null || station === undefined) return [];
      return [newExercise(judging, movement, station, lastReading(movement, station), newId)];
    })
    .slice(0, ADDITIONS);
}
