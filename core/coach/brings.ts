import {
  compareMass,
  kg,
  SPEAKING_REGIONS,
  type MuscleLength,
  type Region,
} from "../kernel/index.ts";
import { allLoads, type Station } from "../gym/index.ts";
import { SET_UP_EFFORTS, type Movement } from "../movement/index.ts";
import { levelsAbove, spokenRegions, wantedLength } from "../person/index.ts";
import { countsForVolume } from "../unroll/index.ts";
import { setsTowardsBand, stimulusOf } from "./coverage.ts";
import type { Judged } from "./judged.ts";

/** What a movement would bring to the session, strongest first. */
export type Brings =
  | { readonly kind: "region"; readonly region: Region; readonly lacking: number }
  | { readonly kind: "priority"; readonly region: Region }
  | { readonly kind: "length"; readonly region: Region; readonly length: MuscleLength }
  | { readonly kind: "singleLeg" }
  | { readonly kind: "liked" };

/** So much has to be loadable for equipment to be more than the body alone. */
const SOME_LOAD = kg(20);

/** True for equipment on which a load can grow: bands, the floor and the body alone come after it. */
export const hasLoads = ({ loading }: Station): boolean =>
  loading.kind !== "band" &&
  allLoads(loading).some(({ reading }) => compareMass(reading, SOME_LOAD) >= 0);

const SPEAKING: ReadonlySet<Region> = new Set(SPEAKING_REGIONS);

/**
 * What a movement at a station would bring to the session, and how much that is worth for ranking.
 * Source: our rule, docs/arithmetic.md § Ranking.
 */
export function bringsOf(
  movement: Movement,
  station: Station,
  judged: Judged,
): { readonly score: number; readonly brings: readonly Brings[] } {
  const { week, bands, fraction, brief, slots, approach } = judged;
  const stimulus = stimulusOf(movement, station, {});
  const brings: { by: number; what: Brings }[] = [];
  let score = 0;
  // Conditioning and mobility bring no hard sets, and the three vasti are one lack, not three.
  const spoken = spokenRegions(brief, approach);
  const regions = countsForVolume(movement)
    ? movement.regions.filter((r) => spoken.includes(r.region))
    : [];
  for (const { region, share } of regions) {
    const lacking = bands[region].low * fraction - setsTowardsBand(week[region]);
    if (lacking > 0 && SPEAKING.has(region)) {
      const by = share * Math.min(3, lacking);
      score += by;
      if (share === 1) brings.push({ by, what: { kind: "region", region, lacking } });
    }
    if (share < 1) continue;
    if (brief.priorities.includes(region)) {
      score += 2;
      brings.push({ by: 2, what: { kind: "priority", region } });
    }
    if (brief.notToGrow.includes(region)) score -= 3;
    if (week[region].direct > 0 && week[region].lengths[stimulus.length] === 0) {
      score += 1;
      brings.push({ by: 1, what: { kind: "length", region, length: stimulus.length } });
    }
  }
  const isAllTwoLegged =
    slots.length > 0 && slots.every((s) => s.movement.laterality === "twoLegs");
  if (isAllTwoLegged && movement.laterality !== "twoLegs") {
    score += 1;
    brings.push({ by: 1, what: { kind: "singleLeg" } });
  }
  if (brief.likes.includes(movement.ref)) {
    score += 1.5;
    brings.push({ by: 1.5, what: { kind: "liked" } });
  }
  if (slots.some((s) => s.slot.movement === movement.ref)) score -= 4;
  if (movement.pattern === "mobility" || movement.pattern === "conditioning") score -= 3;
  if (!hasLoads(station)) score -= 3;
  score -= 2 * levelsAbove(movement, brief);
  if (station.usuallyBusy) score -= 0.5;
  if (stimulus.length === wantedLength(approach.stances)) score += 1;
  score -= SET_UP_EFFORTS.indexOf(movement.setUpEffort) * 0.25;
  brings.sort((a, b) => b.by - a.by);
  return { score, brings: brings.map((b) => b.what) };
}
