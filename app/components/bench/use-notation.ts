import { use, useMemo } from "react";
import { defaultsFor } from "~/core/person/index.ts";
import { refsByName } from "~/core/movement/index.ts";
import type { Catalogue } from "~/core/movement/catalogue/index.ts";
import type { NotationContext } from "~/core/plan/notation/index.ts";
import {
  PLAIN_DEFAULTS,
  shortTempoOrder,
  slotsOf,
  usualSide,
  type Slot,
} from "~/core/plan/index.ts";
import type { Station } from "~/core/gym/index.ts";
import { useCatalogue } from "../catalogue.ts";
import { useSettings } from "../wording.ts";
import { BenchPlaceContext } from "./bench-context.ts";

/** What rests and drills are written in, which refer to no set: plain defaults, and the movements by name. */
export function usePlainNotation(catalogue: Catalogue): NotationContext {
  const { tempoOrder } = useSettings();
  return useMemo(() => {
    const byName = refsByName(catalogue.all);
    return {
      unit: "kg",
      defaults: {
        effort: PLAIN_DEFAULTS.effort,
        rest: PLAIN_DEFAULTS.rest,
        side: { kind: "both" },
      },
      tempo: shortTempoOrder(tempoOrder, "lower"),
      exercises: [[]],
      own: 0,
      nameOf: (ref) => catalogue.find(ref)?.name ?? null,
      movementNamed: (name) => byName.get(name.toLowerCase()) ?? null,
    };
  }, [catalogue, tempoOrder]);
}

/**
 * What the written line of an exercise stands in: its station's unit, the approach's defaults, the sets before
 * it. The other exercises are looked up when a line is read or written, so that one that did not change need
 * not be drawn again for theirs.
 */
export function useNotation(slot: Slot, station: Station | null): NotationContext {
  const catalogue = useCatalogue();
  const { approach, weakerSide, planNow } = use(BenchPlaceContext);
  const movement = catalogue.find(slot.movement);
  const plain = usePlainNotation(catalogue);
  const { tempoOrder } = useSettings();
  const unit = station?.loading.unit ?? "kg";
  const first = weakerSide ?? "left";
  return useMemo(() => {
    const { effort, rest } =
      movement === null || approach === null ? PLAIN_DEFAULTS : defaultsFor(movement, approach);
    const side = movement === null ? ({ kind: "both" } as const) : usualSide(movement, first);
    return {
      unit,
      defaults: { effort, rest, side },
      tempo: shortTempoOrder(tempoOrder, movement?.tempoStart ?? "lower"),
      nameOf: plain.nameOf,
      movementNamed: plain.movementNamed,
      get exercises() {
        return slotsOf(planNow()).map((s) => s.sets);
      },
      get own() {
        return slotsOf(planNow()).findIndex((s) => s.id === slot.id);
      },
    };
  }, [planNow, slot.id, movement, approach, unit, first, plain, tempoOrder]);
}
