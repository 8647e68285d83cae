import {
  weekStart,
  type Day,
  type Duration,
  type Id,
  type Mass,
  type MovementRef,
} from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import { lastKey } from "../log/index.ts";
import type { FindMovement, Movement } from "../movement/index.ts";
import type { Approach, Brief } from "../person/index.ts";
import { unrollContextFrom, type StrengthRecords, type StrengthRules } from "../progress/index.ts";
import type { SessionPlan } from "../plan/index.ts";
import {
  checkPlan,
  sessionDuration,
  slotDurations,
  unrollContextOf,
  unroll,
  type PlanIssue,
  type Step,
} from "../unroll/index.ts";
import { findingsIn } from "./finding-rules.ts";
import type { Finding } from "./finding.ts";
import { judge, type Judged, type Judging, type OtherSession } from "./judged.ts";
import type { SeenRecords } from "./seen.ts";
import type { Neglect } from "./warnings/index.ts";

/** A station with the gym that it stands in. */
export interface PlacedStation extends Station {
  readonly gymId: Id<"gym">;
}

/** What a session is judged by, as data that can be sent to a screen. */
export interface CoachingContext {
  /** Of every gym of the studio. */
  readonly stations: readonly PlacedStation[];
  readonly rules: StrengthRules;
  readonly strengthRecords: StrengthRecords;
  readonly brief: Brief;
  readonly approach: Approach;
  readonly bodyWeight: Mass | null;
  readonly day: Day;
  /** The other sessions of the week, and the first ones after it. */
  readonly others: readonly (Omit<OtherSession, "plan" | "unrollContext"> & {
    readonly document: SessionPlan;
  })[];
  readonly seen: SeenRecords;
  readonly neglected: readonly Neglect[];
  readonly year: number;
  readonly readiness: number | null;
}

/** The exercises that can be chosen from. */
interface Exercises {
  readonly all: readonly Movement[];
  readonly find: FindMovement;
}

/** What sessions in one gym are judged by: the gym they are in, and the rest of the week. */
export function judgingIn(
  gymId: Id<"gym">,
  context: CoachingContext,
  { all, find }: Exercises,
): Omit<Judging, "plan"> {
  const { stations, strengthRecords, bodyWeight, rules, day, seen } = context;
  const known = unrollContextFrom(strengthRecords, bodyWeight, rules);
  const here = stations.filter((station) => station.gymId === gymId);
  const everywhere = unrollContextOf(stations, find, known);
  const others = context.others.map(({ document, ...other }) => ({
    ...other,
    plan: document,
    unrollContext: everywhere,
  }));
  const isOfWeek = (other: OtherSession) => weekStart(other.day) === weekStart(day);
  return {
    unrollContext: unrollContextOf(here, find, known),
    day,
    others: others.filter(isOfWeek),
    later: others.filter((other) => !isOfWeek(other)),
    seen,
    neglected: context.neglected,
    brief: context.brief,
    approach: context.approach,
    catalogue: all,
    stations: here,
    year: context.year,
    readiness: context.readiness,
  };
}

/** Everything that follows from a session. */
export interface Assessment {
  readonly steps: readonly Step[];
  readonly duration: Duration;
  readonly durations: ReadonlyMap<Id<"slot">, Duration>;
  readonly issues: readonly PlanIssue[];
  readonly judged: Judged;
  readonly findings: readonly Finding[];
}

/** What a session comes to: its steps and times, what is wrong in it, and what is found by the approach. */
export function assess(plan: SessionPlan, judging: Omit<Judging, "plan">): Assessment {
  const steps = unroll(plan, judging.unrollContext);
  const judged = judge({ ...judging, plan });
  return {
    steps,
    duration: sessionDuration(steps),
    durations: slotDurations(steps),
    issues: checkPlan(plan, judging.unrollContext, steps),
    judged,
    findings: findingsIn(judged),
  };
}

/** The reading of the first work set last logged with a movement at a station; null where none was. */
export function lastReadingFrom({ strengthRecords }: Pick<CoachingContext, "strengthRecords">) {
  return (movement: { readonly ref: MovementRef }, station: { readonly id: Id<"station"> }) =>
    strengthRecords[lastKey(movement.ref, station.id)]?.lastReading ?? null;
}
