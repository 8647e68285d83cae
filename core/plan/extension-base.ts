import { idField, seconds, type Id, type Seconds } from "../kernel/index.ts";
import type { Rest } from "./rest.ts";
import type { Target } from "./target.ts";

/** What every extension has: its own id, and one that stays the same when the plan is copied to another week. */
export const extensionIds = { id: idField("extension"), lineageId: idField("lineage") };
export interface ExtensionIds {
  readonly id: Id<"extension">;
  readonly lineageId: Id<"lineage">;
}

/** How often an extension is done, the wait before each, and what each asks for. */
export interface Bursts {
  readonly times: number;
  readonly restBefore: Rest;
  readonly target: Target;
}

const NO_WAIT: Rest = { kind: "fixed", seconds: seconds(0) };

/** A wait inside a set, as long as it is written or at most so long. */
export const waitOf = (pause: Seconds, waits: "exactly" | "atMost"): Rest =>
  waits === "exactly" ? { kind: "fixed", seconds: pause } : { kind: "atMost", seconds: pause };

/** Done once, with no wait before it. */
export const straightOn = (target: Target): Bursts => ({
  times: 1,
  restBefore: NO_WAIT,
  target,
});
