import type { NewPerson } from "../server/db/people.server.ts";
import type { MovementRef } from "~/core/kernel/index.ts";
import type { StationKey } from "./studio.ts";

/** One exercise of a routine, with what the person can do: the load of one repetition, as read there. */
export interface Exercise {
  readonly movement: MovementRef;
  readonly station: StationKey;
  readonly sets: number;
  readonly reps: readonly [number, number];
  readonly effort: 1 | 2 | 3;
  readonly rest: number;
  /** Null where the load is still to be found. */
  readonly start: number | null;
  readonly best: number;
  readonly weeklyGain: number;
  /** Weeks in which nothing is gained, from and to; where it is not said half is gained from the fifth on. */
  readonly plateau?: readonly [number, number];
  readonly drop?: number;
  readonly slow?: boolean;
  readonly purpose: string;
}

/** What happens to somebody in a given session of their history, by its number from 0. */
export interface Incident {
  readonly session: number;
  readonly kind:
    | "flatDay"
    | "miscounted"
    | "kneePain"
    | "stationTaken"
    /** No time for the warm-up, and none left for the last exercise. */
    | "cameLate"
    | "setUpChanged"
    | "overruled";
}

/** Other exercises from a session on: a rotation, or weeks in a gym with other equipment. */
export interface Change {
  readonly session: number;
  readonly routine: readonly Exercise[];
}

export interface Trainee {
  readonly person: NewPerson;
  readonly seed: number;
  readonly title: string;
  readonly startTime: string;
  /** Days before today on which they trained, oldest first; a gap is a week away. */
  readonly daysAgo: readonly number[];
  readonly routine: readonly Exercise[];
  /** Minutes of an easy warm-up before it; none where it is left out. */
  readonly warmUp?: number;
  readonly incidents: readonly Incident[];
  readonly changes?: readonly Change[];
  readonly now: "plannedToday" | "runningNow" | "undecided" | "firstSessionTomorrow";
}
