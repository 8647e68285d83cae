import type {
  JointAction,
  Laterality,
  MuscleLength,
  Pattern,
  Region,
  ResistanceProfile,
  Id,
} from "../../kernel/index.ts";
import type { Station } from "../../gym/index.ts";
import {
  compareStress,
  SET_UP_EFFORTS,
  shareOf,
  type Movement,
  type SetUpEffort,
  type Stress,
} from "../../movement/index.ts";
import { stationFor } from "../../plan/index.ts";
import {
  equipmentExclusion,
  equipmentFor,
  exclusionsOf,
  type Exclusion,
} from "../../person/index.ts";
import { bringsOf, type Brings } from "../brings.ts";
import type { Judged } from "../judged.ts";
import { matchesText, namedBy } from "./words.ts";

/** What is searched for; null and empty ask nothing. */
export interface Query {
  readonly text: string;
  readonly region: Region | null;
  readonly length: MuscleLength | null;
  readonly profile: ResistanceProfile | null;
  readonly pattern: Pattern | null;
  readonly action: JointAction | null;
  readonly laterality: Laterality | null;
  readonly station: Id<"station"> | null;
  readonly safeAlone: boolean;
  readonly spinalLoadUpTo: Stress | null;
  readonly setUpUpTo: SetUpEffort | null;
}

export const ANYTHING: Query = {
  text: "",
  region: null,
  length: null,
  profile: null,
  pattern: null,
  action: null,
  laterality: null,
  station: null,
  safeAlone: false,
  spinalLoadUpTo: null,
  setUpUpTo: null,
};

/** Why a movement that fits the search is out. */
export type OutReason = Exclusion | { readonly code: "notInGym" };

/** A movement that may be done here, at the station that suits it best. */
export interface Candidate {
  readonly movement: Movement;
  readonly station: Station;
  readonly score: number;
  readonly brings: readonly Brings[];
}

export interface Found {
  readonly candidates: readonly Candidate[];
  readonly out: readonly RuledOut[];
}

/** A movement that fits the search and is ruled out, with every reason. */
export interface RuledOut {
  readonly movement: Movement;
  /** Where it could be done all the same; null where nothing here serves it. */
  readonly station: Station | null;
  readonly reasons: readonly OutReason[];
}

/**
 * The one cause by which most of what was found is ruled out: what to change first where nothing is left. Null where
 * nothing is ruled out.
 */
export function mainCause(out: readonly RuledOut[]): OutReason | null {
  const counts = new Map<string, number>();
  const all = out.flatMap(({ reasons }) => reasons);
  for (const { code } of all) counts.set(code, (counts.get(code) ?? 0) + 1);
  const [most] = [...counts].sort(([, a], [, b]) => b - a);
  return all.find(({ code }) => code === most?.[0]) ?? null;
}

/** True where a coach may do it all the same: it can be done here, and no professional has forbidden it. */
export const canBeOverruled = ({ station, reasons }: RuledOut): boolean =>
  station !== null && reasons.every(({ code }) => code !== "forbidden");

/**
 * The movements that fit a query: those that this person may do in this gym, those that are called what
 * was typed first, then ranked by what the session still lacks, and those that are out, each with every reason.
 */
export function findMovements(query: Query, judged: Judged): Found {
  const candidates: Candidate[] = [];
  const out: Found["out"][number][] = [];
  for (const movement of judged.catalogue) {
    if (!fits(movement, query)) continue;
    const here = judged.stations.filter((s) => query.station === null || s.id === query.station);
    const last = judged.unrollContext.lastStation(movement.ref);
    const allowed = stationFor(equipmentFor(judged.brief, here), movement, last);
    const station = allowed ?? stationFor(here, movement, last);
    if (query.station !== null && station === null && stationFor(judged.stations, movement, last)) {
      continue;
    }
    const reasons: OutReason[] = [...exclusionsOf(judged.brief, movement)];
    const ruledOut = station && equipmentExclusion(judged.brief, station);
    if (ruledOut !== null) reasons.push(ruledOut);
    if (station === null) reasons.unshift({ code: "notInGym" });
    if (station === null || reasons.length > 0) out.push({ movement, station, reasons });
    else candidates.push({ movement, station, ...bringsOf(movement, station, judged) });
  }
  const named = (movement: Movement) => namedBy(movement, query.text);
  candidates.sort(
    (a, b) =>
      named(b.movement) - named(a.movement) ||
      b.score - a.score ||
      a.movement.name.localeCompare(b.movement.name),
  );
  out.sort((a, b) => named(b.movement) - named(a.movement) || a.reasons.length - b.reasons.length);
  return { candidates, out };
}

function fits(movement: Movement, query: Query): boolean {
  const q = query;
  return (
    (q.region === null || shareOf(movement, q.region) >= 0.5) &&
    (q.length === null || movement.length === q.length) &&
    (q.profile === null || movement.profile === q.profile) &&
    (q.pattern === null || movement.pattern === q.pattern) &&
    (q.action === null || movement.jointActions.includes(q.action)) &&
    (q.laterality === null || movement.laterality === q.laterality) &&
    (!q.safeAlone || movement.safeAlone.toTheLimit) &&
    (q.spinalLoadUpTo === null || compareStress(movement.spinalLoad, q.spinalLoadUpTo) <= 0) &&
    (q.setUpUpTo === null ||
      SET_UP_EFFORTS.indexOf(movement.setUpEffort) <= SET_UP_EFFORTS.indexOf(q.setUpUpTo)) &&
    matchesText(movement, q.text)
  );
}
