import { unionOf, type FamilyOf } from "../kernel/index.ts";
import { DRILLS } from "./drills.ts";
import * as tightnessCheck from "./item/tightness-check.ts";

/** Everything that is done and is no set; the only list of it. */
export const ITEMS = { ...DRILLS, tightnessCheck } as const;

export type Item = FamilyOf<typeof ITEMS>;
export const itemField = unionOf(ITEMS);

/** An item and what it may add, for whatever has to see every id. */
export function drillsOf(item: Item): readonly Item[] {
  return item.kind === "tightnessCheck" ? [item, item.ifTight] : [item];
}
