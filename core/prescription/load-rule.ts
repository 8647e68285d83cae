import type { Id, MovementRef } from "../identity/index.ts";
import type { Mass, Share } from "../quantity/index.ts";

/**
 * How a set's load is found. Shares are of the total moved. `open` is a load still to be found.
 * `stepsFromSet` counts the station's own steps, negative for easier: a stack that is run down.
 */
export type LoadRule =
  | { readonly kind: "absolute"; readonly reading: Mass }
  | { readonly kind: "open" }
  | { readonly kind: "shareOfSet"; readonly set: Id<"set">; readonly share: Share }
  /** Of the heaviest work set last logged with another movement. */
  | { readonly kind: "shareOfMovement"; readonly movement: MovementRef; readonly share: Share }
  | { readonly kind: "stepsFromSet"; readonly set: Id<"set">; readonly steps: number };
