import type { Region, ResistanceProfile } from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import type { ExposedSet, Exposure, Series } from "../log/index.ts";
import type { SetUp } from "../plan/index.ts";

/** What logged sets say of an exercise at its equipment. */
export interface Seen {
  /** Where its last repetitions stuck, once enough of them agree; null until then. */
  readonly curve: ResistanceProfile | null;
  /** Where it was felt the last times, in its target or not, with the set-up of then. */
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

/** So many sessions behind each other have to feel it in one place. Source: PRACTICE.md §7, repeated. */
const FELT_SESSIONS = 2;

function feltLately(exposures: readonly Exposure[]): Seen["felt"] {
  const last = exposures.slice(-FELT_SESSIONS);
  const [region, ...others] = last.map(({ sets }) => feltIn(sets));
  const setUp = last.at(-1)?.context.setUp;
  const isSame = last.length === FELT_SESSIONS && others.every((felt) => felt === region);
  return region == null || setUp === undefined || !isSame ? null : { region, setUp };
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
export function seenIn(series: Series): SeenRecords {
  return Object.fromEntries(
    [...series].flatMap(([key, exposures]) => {
      const curve = curveFrom(exposures);
      const felt = feltLately(exposures);
      return curve === null && felt === null ? [] : [[key, { curve, felt }]];
    }),
  );
}

/** Machines of one name differ, so that nothing is known of one's curve until it is stated or learned. */
export function isMachine({ loading }: Pick<Station, "loading">): boolean {
  return loading.kind === "plateMachine" || loading.kind === "stack";
}
