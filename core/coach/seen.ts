import type { Region, ResistanceProfile } from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import type { ExposedSet, Exposure, Series } from "../log/index.ts";
import { directRegions, type FindMovement } from "../movement/index.ts";
import type { SetUp } from "../plan/index.ts";

/** What logged sets say of an exercise at its equipment. */
export interface Seen {
  /** Where its last repetitions stuck, once enough of them agree; null until then. */
  readonly curve: ResistanceProfile | null;
  /** Where it was felt instead of in its target the last times, with the set-up of then. */
  readonly felt: { readonly region: Region; readonly setUp: SetUp } | null;
}

/** By movement and station, as `lastKey` names them. */
export type SeenRecords = Readonly<Record<string, Seen>>;

/** So many sets have to say where they stuck, of the last sessions that do. Source: our rule. */
const SETS_SAID = 4;
const SESSIONS = 10;
/** This part of them at one point says that it is hardest there. Source: our rule. */
const AGREE = 0.75;
/** So many without agreement say that it is about as hard everywhere. Source: our rule. */
const SETS_EVEN = 8;

/** Where an exercise is hardest, learned from where its repetitions stuck; null where too few said so. */
export function curveFrom(exposures: readonly Exposure[]): ResistanceProfile | null {
  const said = exposures
    .slice(-SESSIONS)
    .flatMap(({ sets }) => sets.flatMap(({ observed }) => observed.stuckAt ?? []));
  if (said.length < SETS_SAID) return null;
  for (const point of ["bottom", "middle", "top"] as const) {
    if (said.filter((at) => at === point).length >= AGREE * said.length) return point;
  }
  return said.length >= SETS_EVEN ? "even" : null;
}

/** So many sessions behind each other, all felt elsewhere, are worth a change. Source: PRACTICE.md §7, repeated. */
const FELT_SESSIONS = 2;

function feltElsewhere(exposures: readonly Exposure[], target: readonly Region[]): Seen["felt"] {
  const last = exposures.slice(-FELT_SESSIONS);
  const [latest] = last.slice(-1);
  if (last.length < FELT_SESSIONS || latest === undefined) return null;
  const places = last.map(({ sets }) => feltIn(sets));
  const [region] = places;
  const isElsewhere = places.every((felt) => felt !== null && !target.includes(felt));
  return region == null || !isElsewhere || places.some((felt) => felt !== region)
    ? null
    : { region, setUp: latest.context.setUp };
}

/** Where most sets of a session that say it were felt; null where none does. */
function feltIn(sets: readonly ExposedSet[]): Region | null {
  const said = sets.flatMap(({ observed }) => observed.feltIn ?? []);
  return (
    said.toSorted(
      (a, b) => said.filter((at) => at === b).length - said.filter((at) => at === a).length,
    )[0] ?? null
  );
}

/** What the logs of one client say of each exercise; those that say nothing are left out. */
export function seenIn(series: Series, find: FindMovement): SeenRecords {
  return Object.fromEntries(
    [...series].flatMap(([key, exposures]) => {
      const movement = find(exposures[0]?.context.movement ?? "shipped:none");
      if (movement === null) return [];
      const curve = curveFrom(exposures);
      const felt = feltElsewhere(exposures, directRegions(movement));
      return curve === null && felt === null ? [] : [[key, { curve, felt }]];
    }),
  );
}

/** Machines of one name differ, so that nothing is known of one's curve until it is stated or learned. */
export function isMachine({ loading }: Pick<Station, "loading">): boolean {
  return loading.kind === "plateMachine" || loading.kind === "stack";
}
