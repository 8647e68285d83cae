import { REGIONS, SPEAKING_REGIONS, type Region } from "../kernel/index.ts";
import type { Approach } from "./approach.ts";
import type { Brief } from "./brief.ts";

/**
 * The regions that get a row of their own for one client in one approach: the three vasti are trained together and
 * stand in one, but for a head that is a priority, is to be kept from growing, or has a weekly range of its own.
 */
export function spokenRegions(brief: Brief, approach: Approach): readonly Region[] {
  const spoken = new Set<string>([
    ...SPEAKING_REGIONS,
    ...brief.priorities,
    ...brief.notToGrow,
    ...Object.keys(brief.ownVolume.weekly),
    ...Object.keys(approach.ownVolume.weekly),
  ]);
  return REGIONS.filter((region) => spoken.has(region));
}
