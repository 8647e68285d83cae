import { movementField, textWithin, type Id, type MovementRef } from "../kernel/index.ts";
import { SET_UP_WORD } from "../plan/index.ts";
import { z } from "zod";
import type { ContextAspect, Difference } from "./difference.ts";

/** The conditions that a coach can say do not matter, and everything at once: "compare all the same". */
export const OVERRULED = [
  "everything",
  "station",
  "loading",
  "setUp",
  "range",
  "tempo",
  "rest",
  "order",
  "gear",
  "helper",
  "bodyWeight",
  "faults",
  "held",
] as const satisfies readonly (ContextAspect | "everything")[];

/** What a coach said of comparing: which condition, of the set-up which parameter, of what, and why. */
export const comparingField = z
  .object({
    movement: movementField,
    condition: z.enum(OVERRULED),
    /** The parameter of the set-up; null for every other condition. */
    parameter: textWithin(SET_UP_WORD).nullable(),
  })
  .refine(
    ({ condition, parameter }) => (condition === "setUp") === (parameter !== null),
    "expected a parameter of the set-up, and only there",
  )
  .readonly();
type Said = z.output<typeof comparingField>;

/** A coach's word on what does not matter when sessions are compared. Null: for everybody, on all equipment. */
export interface Comparing {
  readonly movement: MovementRef;
  readonly condition: Said["condition"];
  readonly parameter: Said["parameter"];
  readonly person: Id<"person"> | null;
  readonly station: Id<"station"> | null;
}

/** The words that hold for one exercise at one piece of equipment. */
export function comparingFor(
  all: readonly Comparing[],
  movement: MovementRef,
  station: Id<"station">,
): readonly Comparing[] {
  return all.filter(
    (one) => one.movement === movement && (one.station === null || one.station === station),
  );
}

/** True for a difference that a coach said does not matter. Another exercise always does. */
export function isOverruled(difference: Difference, said: readonly Comparing[]): boolean {
  const name = difference.aspect === "setUp" ? difference.name : null;
  return difference.aspect !== "movement" && isLeftOut(difference.aspect, name, said);
}

/** True for a condition, of the set-up the parameter of that name, that a coach said does not matter. */
export function isLeftOut(
  aspect: ContextAspect,
  name: string | null,
  said: readonly Comparing[],
): boolean {
  return said.some(
    ({ condition, parameter }) =>
      condition === "everything" || (condition === aspect && parameter === name),
  );
}
