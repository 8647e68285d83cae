import {
  applied,
  kindsOf,
  unionOf,
  type Duration,
  type FamilyOf,
  type Seconds,
} from "../kernel/index.ts";
import * as atMost from "./rest/at-most.ts";
import * as breath from "./rest/breath.ts";
import * as fixed from "./rest/fixed.ts";
import * as heartRate from "./rest/heart-rate.ts";
import * as partner from "./rest/partner.ts";
import * as range from "./rest/range.ts";

/** The kinds of rest; the only list of them. */
export const RESTS = { fixed, range, atMost, breath, heartRate, partner } as const;

/**
 * Rest after a set. The kinds that end by themselves (`breath`, `heartRate`, `partner`) carry the time that
 * the coach expects, for the estimate only.
 */
export type Rest = FamilyOf<typeof RESTS>;
export const REST_KINDS = kindsOf(RESTS);
export const restField = unionOf(RESTS);

/** A rest of another kind, of about the same length. */
export function restOfKind(kind: Rest["kind"], from: Rest): Rest {
  return RESTS[kind].begin(applied(RESTS, "likely", from));
}

/** How long a rest takes. */
export function restSpan(rest: Rest): Duration {
  return applied(RESTS, "span", rest);
}

/** A fixed wait inside a set: between its extensions, or while sides are changed. */
export function pauseOf(pause: Seconds): Duration {
  return restSpan({ kind: "fixed", seconds: pause });
}
