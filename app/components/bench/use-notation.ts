import { useMemo } from "react";
import { defaultsFor } from "~/core/approach/index.ts";
import type { Judged } from "~/core/finding/index.ts";
import type { Catalogue } from "~/core/catalogue/index.ts";
import type { NotationContext } from "~/core/notation/index.ts";
import { PLAIN_DEFAULTS, slotsOf, usualSide, type Slot } from "~/core/prescription/index.ts";
import type { Station } from "~/core/station/index.ts";

/** What rests and drills are written in, which refer to no set: plain defaults, and the movements by name. */
export function usePlainNotation(catalogue: Catalogue): NotationContext {
  return useMemo(() => {
    const byName = new Map(catalogue.all.map((m) => [m.name.toLowerCase(), m.ref]));
    return {
      unit: "kg",
      defaults: {
        effort: PLAIN_DEFAULTS.effort,
        rest: PLAIN_DEFAULTS.rest,
        side: { kind: "both" },
      },
      exercises: [[]],
      own: 0,
      nameOf: (ref) => catalogue.find(ref)?.name ?? null,
      movementNamed: (name) => byName.get(name.toLowerCase()) ?? null,
    };
  }, [catalogue]);
}

/** What the written line of an exercise stands in: its station's unit, the approach's defaults, the sets before it. */
export function useNotation(
  slot: Slot,
  station: Station | null,
  { plan, approach, brief }: Judged,
  catalogue: Catalogue,
): NotationContext {
  const movement = catalogue.find(slot.movement);
  const plain = usePlainNotation(catalogue);
  const unit = station?.loading.unit ?? "kg";
  const first = brief.weakerSide ?? "left";
  return useMemo(() => {
    const slots = slotsOf(plan);
    const { effort, rest } = movement === null ? PLAIN_DEFAULTS : defaultsFor(movement, approach);
    return {
      ...plain,
      unit,
      defaults: {
        effort,
        rest,
        side: movement === null ? { kind: "both" } : usualSide(movement, first),
      },
      exercises: slots.map((s) => s.sets),
      own: slots.findIndex((s) => s.id === slot.id),
    };
  }, [plan, slot.id, movement, approach, unit, first, plain]);
}
