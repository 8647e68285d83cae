import type { Id } from "~/core/kernel/index.ts";
import type { PlannedSet, Slot } from "~/core/plan/index.ts";

/** A change of an exercise, made of it as it is when the change is taken, not as it was drawn. */
export type ChangeSlot = (change: (slot: Slot) => Slot) => void;

/** As {@link ChangeSlot}, for one of its sets. */
export type ChangeSet = (change: (set: PlannedSet) => PlannedSet) => void;

/** What can be done to the exercises of a session; the same object as long as the bench stands. */
export interface SlotActions {
  readonly change: (slot: Id<"slot">, change: (slot: Slot) => Slot) => void;
  readonly move: (slot: Id<"slot">, by: -1 | 1) => void;
  readonly remove: (slot: Id<"slot">) => void;
  /** Opens an exercise or a block, or closes what is open; by a key, the cursor goes into its written line. */
  readonly open: (row: Id<"slot"> | Id<"block"> | null, byKey: boolean) => void;
  /** Supersets it with the exercise after it. */
  readonly join: (slot: Id<"slot">) => void;
  /** Opens the substitutes of an exercise, or closes them. */
  readonly swap: (slot: Id<"slot">) => void;
}
