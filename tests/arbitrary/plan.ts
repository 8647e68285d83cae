import { share, type FieldContent } from "~/core/kernel/index.ts";
import {
  extensionField,
  itemField,
  mapSlots,
  planSchema,
  plannedSetField,
  slotField,
  targetField,
  type Slot,
} from "~/core/plan/index.ts";
import fc from "fast-check";
import { sampleId } from "../samples/index.ts";
import { anyOf } from "./kinds.ts";

/** Generated plans of every structure, for properties; every id in one plan is different. */
const atSample = (content: FieldContent) =>
  content.kind === "id" && content.of === "station" ? fc.constant(sampleId(1)) : null;

export const anyTarget = anyOf(targetField);
export const anyExtension = anyOf(extensionField);
export const anyItem = anyOf(itemField);
export const anySet = anyOf(plannedSetField);
export const anySlot = anyOf(slotField, atSample).map(leading);
export const anyPlan = anyOf(planSchema, atSample).map((plan) => mapSlots(plan, leading));

/** Optional sets follow from the first one, so that references that lead somewhere are drawn too. */
function leading(slot: Slot): Slot {
  const [first] = slot.sets;
  if (first === undefined) return slot;
  return {
    ...slot,
    sets: slot.sets.map((set, i) => {
      if (i === 0 || !set.optional) return set;
      return i % 2 === 0
        ? { ...set, load: { kind: "stepsFromSet", set: first.id, steps: -1 } }
        : {
            ...set,
            load: { kind: "shareOfSet", upTo: null, set: first.id, part: null, share: share(0.8) },
          };
    }),
  };
}
