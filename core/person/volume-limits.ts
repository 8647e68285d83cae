import { recordOf, REGIONS, SPEAKING_REGIONS, type Region } from "../kernel/index.ts";
import type { Approach } from "./approach.ts";
import { isNewToThis, type Brief } from "./brief.ts";
import type { Band, OwnVolume } from "./own-volume.ts";
import { weeklyBands } from "./settings.ts";

/** Whose word a number is: the client's, the approach's own, or what its views come to. */
export type Whose = "client" | "approach" | "view";

/** A number of hard sets, and whose word it is. */
export interface Cap {
  readonly sets: number;
  readonly whose: Whose;
}

/** A weekly range, and whose word it is. */
export interface Range extends Band {
  readonly whose: Whose;
}

/** What hard sets are held against: ranges of a week and caps. A cap of null caps nothing. */
export interface VolumeLimits {
  readonly weekly: Readonly<Record<Region, Range>>;
  readonly session: Cap;
  readonly exercise: Cap;
  readonly isolation: Cap | null;
}

/** New and returning people start with half of the approach's work. Source: PRACTICE.md §10; half: our rule. */
const NEW_SCALE = 0.5;
/** Hard sets of one session and of one exercise, at most, by the view on volume. Source: our rule. */
const CAPS = {
  few: { session: 12, exercise: 3 },
  moderate: { session: 20, exercise: 6 },
  high: { session: 28, exercise: 8 },
} as const;

/**
 * The limits of one client in one approach: the client's own word goes before the approach's own, and that before its
 * views. What is not the client's own word is halved for somebody new or returning, unless the approach holds few sets
 * to be enough.
 */
export function volumeLimitsFor(approach: Approach, brief: Brief): VolumeLimits {
  const { stances, ownVolume: own } = approach;
  const theirs = brief.ownVolume;
  const scale = isNewToThis(brief) && stances.volume !== "few" ? NEW_SCALE : 1;
  const views = weeklyBands(stances);
  const capOf = (name: "session" | "exercise"): Cap =>
    theirs[name] === null
      ? own[name] === null
        ? { sets: CAPS[stances.volume][name], whose: "view" }
        : { sets: own[name], whose: "approach" }
      : { sets: theirs[name], whose: "client" };
  return {
    weekly: recordOf(REGIONS, (region): Range => {
      const said = ownRange(theirs.weekly, region);
      if (said !== undefined) return { ...said, whose: "client" };
      const band = ownRange(own.weekly, region);
      const { low, high } = band ?? views[region];
      return {
        low: Math.round(low * scale),
        high: Math.ceil(high * scale),
        whose: band === undefined ? "view" : "approach",
      };
    }),
    session: capOf("session"),
    exercise: capOf("exercise"),
    isolation:
      theirs.isolation !== null
        ? { sets: theirs.isolation, whose: "client" }
        : own.isolation !== null
          ? { sets: own.isolation, whose: "approach" }
          : null,
  };
}

/** Where fewer sets are held to be enough of isolation: this part of the range's end. Source: our rule. */
const ISOLATION_SCALE = 0.75;

/** The end of a muscle's range in a week in which most of its direct sets are isolation. */
export function highForIsolation(
  { stances }: Pick<Approach, "stances">,
  { isolation }: VolumeLimits,
  { high }: Band,
): number {
  if (isolation !== null) return Math.min(high, isolation.sets);
  return stances.isolationVolume === "fewer" ? Math.ceil(high * ISOLATION_SCALE) : high;
}

/** The own range of a region; a vastus that has none takes the one of the quads, whose row says it for all three. */
const ownRange = (weekly: OwnVolume["weekly"], region: Region): Band | undefined =>
  weekly[region] ?? (SPEAKING_REGIONS.includes(region) ? undefined : weekly.vastusLateralis);
