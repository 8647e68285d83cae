import type { Id } from "../kernel/index.ts";

/** How far a new studio has come on its way to the first logged set. */
export interface FirstSteps {
  readonly hasGym: boolean;
  readonly hasClient: boolean;
  /** The session that was planned first. */
  readonly session: Id<"plan"> | null;
  /** The first session that was begun, by its session log. */
  readonly begun: Id<"sessionLog"> | null;
}
