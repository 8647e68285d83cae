import type { Day, Id } from "../kernel/index.ts";

/** For whom, where and when a session is planned, apart from what is trained in it. */
export interface PlanHead {
  readonly personId: Id<"person">;
  readonly gymId: Id<"gym">;
  readonly day: Day;
  /** `HH:MM` on the gym's wall clock, or null when only the day is set. */
  readonly startTime: string | null;
  readonly title: string;
}

/** Whether the coach ruled on an ended session, and whether its log changed after that. */
export type RulingState = "open" | "done" | "changedSince";

/**
 * Where a planned session stands: not begun, deleted before it was, being trained, or ended and perhaps ruled on. A
 * deleted one keeps its document, counts nowhere, and can be restored.
 */
export type SessionState =
  | { readonly kind: "none" }
  | { readonly kind: "deleted" }
  | { readonly kind: "running"; readonly sessionLogId: Id<"sessionLog"> }
  | {
      readonly kind: "ended";
      readonly sessionLogId: Id<"sessionLog">;
      readonly ruling: RulingState;
    };

/** A planned session as lists show it. */
export interface PlanEntry extends PlanHead {
  readonly id: Id<"plan">;
  readonly revision: number;
  readonly personName: string;
  readonly sessionState: SessionState;
}
