import { z } from "zod";
import { idField } from "../kernel/index.ts";
import { accentField } from "./accent.ts";
import { BOUNDS } from "./bounds.ts";
import { hardnessOf, isEffortSpan, repsLeft, rirField, type Rir } from "./effort.ts";
import { extensionField } from "./extension.ts";
import { gearField, setUpField } from "./fields.ts";
import { itemField } from "./item.ts";
import { loadBoundsField, NO_BOUNDS } from "./load-bounds.ts";
import { loadRuleField } from "./load-rule.ts";
import { repRangeField } from "./rep-range.ts";
import { restField } from "./rest.ts";
import { isPreparatory, SET_ROLES, type SetRole } from "./role.ts";
import { sideField } from "./side.ts";
import { targetField } from "./target.ts";
import { OPEN_TEMPO, tempoField, type Tempo } from "./tempo.ts";

/** A set as it is prescribed. */
export const plannedSetField = z
  .object({
    id: idField("set"),
    /** Stays the same when the plan is copied to another week. */
    lineageId: idField("lineage"),
    /** The line that it moves with: see `linesOf`. */
    line: idField("line"),
    role: z.enum(SET_ROLES),
    target: targetField,
    load: loadRuleField,
    /** Reps to leave in reserve. For a primer it is a ceiling on effort: at least so many stay. */
    effort: rirField,
    tempo: tempoField,
    accents: z.array(accentField).max(3).readonly(),
    /** What is set up otherwise than in the slot, for this set only: another stance at the same load. */
    setUp: setUpField,
    restAfter: restField,
    /** What is done within the rest after this set, such as a stretch. */
    between: z.array(itemField).max(4).readonly(),
    side: sideField,
    extensions: z.array(extensionField).max(BOUNDS.extensions.most).readonly(),
    optional: z.boolean(),
    /** What holds the load, whatever its rule comes to. */
    loadBounds: loadBoundsField.default(NO_BOUNDS),
    /** The most to leave where the effort is a range; `effort` then is the least. Null where it is one. */
    effortUpTo: rirField.nullable().default(null),
    /** The earlier set whose tempo this one has; its own `tempo` then says nothing. */
    tempoAs: idField("set").nullable().default(null),
    range: repRangeField.default("full"),
    /** What is worn or used for this set: belt, straps. */
    gear: gearField.default([]),
  })
  .refine(
    ({ effort, effortUpTo }) => effortUpTo === null || isEffortSpan(effort, effortUpTo),
    "expected a range of reps to leave from low to high",
  )
  .readonly();
export type PlannedSet = z.output<typeof plannedSetField>;

/** What a set has of which nothing is said. */
export const AS_USUAL = {
  loadBounds: NO_BOUNDS,
  effortUpTo: null,
  tempoAs: null,
  range: "full",
  gear: [],
} as const satisfies Partial<PlannedSet>;

/** The tempo of a set: its own, or that of the set it refers to; open where that is not before it. */
export function tempoOf(set: PlannedSet, sets: readonly PlannedSet[]): Tempo {
  if (set.tempoAs === null) return set.tempo;
  const at = sets.findIndex(({ id }) => id === set.id);
  const before = sets.slice(0, at < 0 ? sets.length : at);
  const as = before.find(({ id }) => id === set.tempoAs);
  return as === undefined ? OPEN_TEMPO : tempoOf(as, before);
}

/** The set with one number of reps to leave, where it may have had a range. */
export function leaving(set: PlannedSet, effort: Rir): PlannedSet {
  return { ...set, effort, effortUpTo: null };
}

/** Reps to leave as one number for arithmetic: the middle of a range; null where unknown. */
export function repsToLeave({ effort, effortUpTo }: Pick<PlannedSet, "effort" | "effortUpTo">) {
  const least = repsLeft(effort);
  const most = effortUpTo === null ? least : repsLeft(effortUpTo);
  return least === null || most === null ? null : (least + most) / 2;
}

/** True for a set that counts as hard, planned or done: no preparation, and within reach of the limit or unknown. */
export function isHard(set: { readonly role: SetRole; readonly effort: Rir }): boolean {
  return !isPreparatory(set.role) && hardnessOf(set.effort) !== "easy";
}

/** The sets of an exercise that are no preparation: those that progression judges. */
export function workSetsOf({ sets }: { readonly sets: readonly PlannedSet[] }) {
  return sets.filter(({ role }) => !isPreparatory(role));
}
