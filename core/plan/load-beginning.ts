import type { Id, Mass, MovementRef } from "../kernel/index.ts";
import type { SetRole } from "./role.ts";

/** What a load rule of another kind can begin from. */
export interface LoadBeginning {
  /** What the set comes to now, or the lightest of the station; null where nothing can be made. */
  readonly reading: Mass | null;
  readonly unit: Mass["unit"];
  /** The sets before it in its exercise. */
  readonly before: readonly { readonly id: Id<"set">; readonly role: SetRole }[];
  readonly movement: MovementRef;
}
