import { kindsOf, unionOf, type FamilyOf, type Mass } from "../kernel/index.ts";
import * as bodyweight from "./drop-load/bodyweight.ts";
import * as lessBy from "./drop-load/less-by.ts";
import * as reading from "./drop-load/reading.ts";
import * as share from "./drop-load/share.ts";
import * as increments from "./drop-load/increments.ts";
import * as strip from "./drop-load/strip.ts";

/** The ways to say what a drop goes down to; the only list of them. */
export const DROP_LOADS = { share, lessBy, strip, steps: increments, reading, bodyweight } as const;

/** What a drop goes down to. */
export type DropLoad = FamilyOf<typeof DROP_LOADS>;
export const DROP_KINDS = kindsOf(DROP_LOADS);
export const dropLoadField = unionOf(DROP_LOADS);

/**
 * What a drop goes down to, of another kind, as coaches usually begin with it. `reading` is what the drop comes
 * to now; null where there is no load to begin with.
 */
export function dropLoadOfKind(kind: DropLoad["kind"], now: Mass | null): DropLoad | null {
  return DROP_LOADS[kind].begin(now);
}
