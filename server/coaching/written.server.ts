import type { MovementRef } from "~/core/kernel/index.ts";
import { RIR_SAID, writeLine } from "~/core/plan/notation/index.ts";
import {
  PLAIN_DEFAULTS,
  shortTempoOrder,
  usualSide,
  type PlannedSet,
  type Slot,
  type TempoOrder,
} from "~/core/plan/index.ts";
import type { UnrollContext } from "~/core/unroll/index.ts";

/** An exercise with the sets that are written of it. */
export interface Writing {
  readonly slot: Slot;
  readonly sets: readonly PlannedSet[];
}

/** Every exercise of a session in the written line, in their order. */
export function writtenIn(
  exercises: readonly Writing[],
  context: Pick<UnrollContext, "movement" | "station">,
  tempoOrder: TempoOrder,
): readonly string[] {
  const { effort, rest } = PLAIN_DEFAULTS;
  return exercises.map(({ slot, sets }, own) => {
    const movement = context.movement(slot.movement);
    return writeLine(
      sets,
      {
        unit: context.station(slot.station)?.loading.unit ?? "kg",
        defaults: {
          effort,
          rest,
          side: movement === null ? { kind: "both" } : usualSide(movement, "left"),
        },
        tempo: shortTempoOrder(tempoOrder, movement?.tempoStart ?? "lower"),
        exercises: exercises.map((one) => one.sets),
        own,
        nameOf: (ref: MovementRef) => context.movement(ref)?.name ?? null,
        movementNamed: () => null,
      },
      RIR_SAID,
    );
  });
}
