import {
  conditionsKnown,
  differences,
  verdictOf,
  type ComparedBy,
  type KnownCondition,
} from "./comparison.ts";
import type { Difference } from "./difference.ts";
import type { Exposure } from "./exposure.ts";

/** Where the last session of a line stands among those before it. */
export interface SeriesPlace {
  /** The sessions that compare with each other, oldest first. The first is the anchor: no step away from it is too small to add up. */
  readonly sessions: readonly [Exposure, ...Exposure[]];
  /**
   * How the last session stands to them. `in`: it is one of them. `aside`: a setting was harder or easier this once,
   * which ends nothing. `unsure`: something that they know of each other is not known of it.
   */
  readonly last: "in" | "aside" | "unsure";
  /** What is not known of the last session and is of the others. */
  readonly unknown: readonly KnownCondition[];
  /** Where it compares with the session before and no longer with the anchor of that series: how far it had drifted. */
  readonly drift: readonly Difference[];
  readonly driftedFrom: Exposure | null;
}

type Sessions = [Exposure, ...Exposure[]];

/** Sessions that compare, while they are gathered. */
interface Gathered {
  readonly sessions: Sessions;
  /** What is known of each session that was under these conditions, also of those left out for what is not. */
  readonly known: ReadonlySet<KnownCondition>[];
}

/**
 * The series that the last of the sessions of a line belongs to. A session joins the latest series whose anchor and
 * whose last session it compares with; else it begins one. A set-up that was harder or easier begins one only when it
 * stays, so at the second session running. A session of which a condition is unknown that most of the series know
 * neither joins nor ends it. Source: PRACTICE.md §8; how many are most: our rule.
 */
export function seriesAt(
  exposures: readonly [...Exposure[], Exposure],
  by: ComparedBy,
): SeriesPlace {
  const all: Gathered[] = [];
  let aside: Exposure | null = null;
  let place: (Omit<SeriesPlace, "sessions"> & { readonly of: Gathered }) | null = null;
  const isAlike = (a: Exposure, b: Exposure) => verdictOf(differences(a, b, by)) === "alike";
  for (const exposure of exposures) {
    const begin = (...sessions: Sessions): Gathered => {
      const begun = { sessions, known: sessions.map((one) => conditionsKnown(one, by)) };
      all.push(begun);
      return begun;
    };
    const stayed: Exposure | null = aside;
    aside = null;
    const plain = { last: "in", unknown: [], drift: [], driftedFrom: null } as const;
    if (stayed !== null && isAlike(stayed, exposure)) {
      place = { ...plain, of: begin(stayed, exposure) };
      continue;
    }
    const joined = all.findLast(
      ({ sessions }) => isAlike(sessions[0], exposure) && isAlike(lastIn(sessions), exposure),
    );
    if (joined !== undefined) {
      const known = conditionsKnown(exposure, by);
      const unknown = knownOfMost(joined.known).filter((condition) => !known.has(condition));
      joined.known.push(known);
      if (unknown.length > 0) {
        place = { ...plain, last: "unsure", unknown, of: joined };
        continue;
      }
      joined.sessions.push(exposure);
      // The latest series is looked at first.
      all.splice(all.indexOf(joined), 1);
      all.push(joined);
      place = { ...plain, of: joined };
      continue;
    }
    const latest = all.at(-1);
    if (latest !== undefined && isSettingOnly(differences(lastIn(latest.sessions), exposure, by))) {
      aside = exposure;
      place = { ...plain, last: "aside", of: latest };
      continue;
    }
    const from = latest !== undefined && isAlike(lastIn(latest.sessions), exposure) ? latest : null;
    place = {
      ...plain,
      of: begin(exposure),
      drift: from === null ? [] : differences(from.sessions[0], exposure, by),
      driftedFrom: from?.sessions[0] ?? null,
    };
  }
  if (place === null) throw new Error("no session to place");
  const { of, ...rest } = place;
  return { ...rest, sessions: of.sessions };
}

/** The conditions that more than half of some sessions know. */
function knownOfMost(known: readonly ReadonlySet<KnownCondition>[]): readonly KnownCondition[] {
  const all = new Set(known.flatMap((one) => [...one]));
  return [...all].filter(
    (condition) => known.filter((one) => one.has(condition)).length * 2 > known.length,
  );
}

const lastIn = (sessions: Sessions): Exposure => sessions.at(-1) ?? sessions[0];

/** True where nothing but settings that have an order differ, all one way. */
function isSettingOnly(found: readonly Difference[]): boolean {
  const verdict = verdictOf(found);
  return (
    (verdict === "progressOnly" || verdict === "regressionOnly") &&
    found.every(({ aspect }) => aspect === "setUp")
  );
}
