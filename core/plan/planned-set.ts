import { z } from "zod";
import { idField } from "../kernel/index.ts";
import { accentField } from "./accent.ts";
import { BOUNDS } from "./bounds.ts";
import { hardnessOf, rirField, type Rir } from "./effort.ts";
import { extensionField } from "./extension.ts";
import { setUpField } from "./fields.ts";
import { itemField } from "./item.ts";
import { loadRuleField } from "./load-rule.ts";
import { restField } from "./rest.ts";
import { isPreparatory, SET_ROLES, type SetRole } from "./role.ts";
import { sideField } from "./side.ts";
import { targetField } from "./target.ts";
import { tempoField } from "./tempo.ts";

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
  })
  .readonly();
export type PlannedSet = z.output<typeof plannedSetField>;

/** True for a set that counts as hard, planned or done: no preparation, and within reach of the limit or unknown. */
export function isHard(set: { readonly role: SetRole; readonly effort: Rir }): boolean {
  return !isPreparatory(set.role) && hardnessOf(set.effort) !== "easy";
}
