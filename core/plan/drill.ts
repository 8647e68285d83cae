import type { z } from "zod";
import {
  idField,
  kind,
  movementField,
  textWithin,
  where,
  type MovementRef,
} from "../kernel/index.ts";
import { intensityField } from "./intensity.ts";
import { sideField } from "./side.ts";
import { targetField } from "./target.ts";

export const itemIds = { id: idField("item"), lineageId: idField("lineage") };

interface Named {
  readonly name: string;
  readonly movement: MovementRef | null;
}
const isNamed = ({ name, movement }: Named) => name.trim() !== "" || movement !== null;

/** One thing to do in preparation, conditioning or restoration, or between two sets. Never a hard set. */
export function drillKind<const K extends string, F extends z.core.$ZodLooseShape = object>(
  name: K,
  more: F = {} as F,
) {
  const { fields, schema } = kind(name, {
    ...itemIds,
    /** What it is called where it is no movement of the catalogue; empty otherwise. */
    name: textWithin(80),
    movement: movementField.nullable(),
    target: targetField,
    side: sideField,
    intensity: intensityField,
    ...more,
  });
  const named = where(schema.unwrap(), isNamed, "expected a name or a movement");
  return { name, fields, schema: named } as const;
}
