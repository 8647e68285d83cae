import { idField, kind, movementField, textWithin } from "../kernel/index.ts";
import { intensityField } from "./intensity.ts";
import { sideField } from "./side.ts";
import { targetField } from "./target.ts";

export const itemIds = { id: idField("item"), lineageId: idField("lineage") };

/** One thing to do in preparation, conditioning or restoration, or between two sets. Never a hard set. */
export function drillKind<const K extends string>(name: K) {
  const { fields, schema } = kind(name, {
    ...itemIds,
    /** What it is called where it is no movement of the catalogue; empty otherwise. */
    name: textWithin(80),
    movement: movementField.nullable(),
    target: targetField,
    side: sideField,
    intensity: intensityField,
  });
  const named = schema
    .unwrap()
    .refine((drill) => drill.name.trim() !== "" || drill.movement !== null, {
      error: "expected a name or a movement",
    })
    .readonly();
  return { name, fields, schema: named } as const;
}
