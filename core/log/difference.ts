import type { Fault, Id, Mass, MovementRef, Seconds } from "../kernel/index.ts";
import type { RepRange, Tempo } from "../plan/index.ts";
import type { Helper } from "./command.ts";
import type { LogContext } from "./logged-set.ts";

/** Whether the later session had it harder, easier, or just otherwise in one respect. */
export type Direction = "harder" | "easier" | "other";

/** A piece of gear with the 1-based set that it was used from. */
export type WornGear = NonNullable<LogContext["gear"]>[number];

/** One respect in which two performed exercises differ, with both values. */
export type Difference = { readonly direction: Direction } & (
  | { readonly aspect: "movement"; readonly from: MovementRef; readonly to: MovementRef }
  | { readonly aspect: "station"; readonly from: Id<"station">; readonly to: Id<"station"> }
  /** The same station, whose readings mean something else now. */
  | { readonly aspect: "loading" }
  | {
      readonly aspect: "setUp";
      readonly name: string;
      readonly from: string;
      readonly to: string;
    }
  | { readonly aspect: "range"; readonly from: RepRange; readonly to: RepRange }
  | { readonly aspect: "tempo"; readonly from: Tempo; readonly to: Tempo }
  /** As taken where both are known, else as planned. */
  | { readonly aspect: "rest"; readonly from: Seconds; readonly to: Seconds }
  /** Hard sets before it in the session. */
  | { readonly aspect: "order"; readonly from: number; readonly to: number }
  | {
      readonly aspect: "gear";
      readonly from: readonly WornGear[];
      readonly to: readonly WornGear[];
    }
  | { readonly aspect: "helper"; readonly from: Helper; readonly to: Helper }
  /** Where the body is moved with the load. */
  | { readonly aspect: "bodyWeight"; readonly from: Mass; readonly to: Mass }
  /** Faults that were seen the later time only, and the earlier time only. */
  | {
      readonly aspect: "faults";
      readonly came: readonly Fault[];
      readonly went: readonly Fault[];
    }
  /** Seconds that holds were really held, over all sets. */
  | { readonly aspect: "held"; readonly from: Seconds; readonly to: Seconds }
);
export type ContextAspect = Difference["aspect"];
