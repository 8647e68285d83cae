import { kindsOf, unionOf, type FamilyOf } from "../kernel/index.ts";
import * as angle from "./hold-position/angle.ts";
import * as shortened from "./hold-position/shortened.ts";
import * as stretched from "./hold-position/stretched.ts";

/** Where a joint can be held; the only list of it. */
export const HOLD_POSITIONS = { stretched, shortened, angle } as const;

/** Where a joint is held: at an end of the range, or at an angle in between. */
export type HoldPosition = FamilyOf<typeof HOLD_POSITIONS>;
export const HOLD_KINDS = kindsOf(HOLD_POSITIONS);
export const holdPositionField = unionOf(HOLD_POSITIONS);

/** Where a joint is held, as coaches usually begin with it. */
export function holdOfKind(kind: HoldPosition["kind"]): HoldPosition {
  return HOLD_POSITIONS[kind].begin();
}
