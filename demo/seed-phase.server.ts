import {
  addDays,
  daysBetween,
  instant,
  instantAt,
  weekdayOf,
  type Day,
  type Id,
  type Instant,
} from "~/core/kernel/index.ts";
import { NOTHING_BY_HAND, weekAt, weeksOf, type Phase, type PhaseDay } from "~/core/phase/index.ts";
import { newId } from "~/codec/new-id.ts";
import { approveWeek } from "../server/coaching/phase.server.ts";
import { addPerson } from "../server/db/people.server.ts";
import { addPhase } from "../server/db/phases.server.ts";
import { placedSessions } from "../server/db/plans.server.ts";
import type { Scope } from "../server/db/scope.server.ts";
import { seededRandom } from "../testbed/random.ts";
import { beginSession, decide } from "./coach.server.ts";
import { firstPlan } from "./first-plan.ts";
import { seedBrief } from "./seed-brief.server.ts";
import type { PhasedTrainee } from "./in-a-phase.ts";
import { GYM, type StationKey } from "./studio.ts";
import { trainSession } from "./train-session.server.ts";

interface Setting {
  readonly at: (instant: Instant) => Scope;
  readonly now: Instant;
  readonly today: Day;
  readonly gymId: Id<"gym">;
  readonly stations: Readonly<Record<StationKey, Id<"station">>>;
}

/** A client with a running phase: made, approved, trained and ruled on as the interface does it. */
export async function seedPhased(setting: Setting, trainee: PhasedTrainee): Promise<void> {
  const { at, today } = setting;
  const { phase, days } = trainee;
  const start = addDays(today, -phase.beganDaysAgo);
  const made = at(instantAt(addDays(start, -3), 10, 0, GYM.timeZone));
  const person = await addPerson(made, trainee.person);
  await seedBrief(setting, trainee.person.name, person);
  const document = documentOf(trainee, setting, start);
  const added = await addPhase(made, person, phase.name, document);
  if (!added.ok) throw new Error(`the demo's phase was not made: ${added.error.code}`);
  const random = seededRandom(trainee.seed);
  const [hour = 18, minute = 0] = trainee.startTime.split(":").map(Number);
  const all = Array.from({ length: phase.weeks }, (_, week) =>
    days.map(({ after, routine }) => ({ on: addDays(start, 7 * week + after), routine })),
  ).flat();
  for (const { on, routine } of all.filter((one) => one.on <= today)) {
    const begun = instantAt(on, hour, minute, GYM.timeZone);
    const plan = await plannedOn(at(begun), added.value, document, on);
    if (plan === null || on === today || trainee.missed.includes(daysBetween(on, today))) continue;
    const sessionLog = await beginSession(at(begun), plan);
    const week = daysBetween(start, on) / 7;
    const course = { start: begun, week, incident: null, setsToLog: Infinity, end: true };
    await trainSession(at, sessionLog, routine, course, random);
    const decided = instant(begun + 3 * 3_600_000);
    await decide(at(decided), sessionLog.id, addDays(on, 7), false);
  }
}

/** The plan of a day, which is approved with its week where it is not planned yet. */
async function plannedOn(
  scope: Scope,
  id: Id<"phase">,
  phase: Phase,
  on: Day,
): Promise<Id<"plan"> | null> {
  const there = async () =>
    (await placedSessions(scope, id)).find((one) => one.on === on)?.planId ?? null;
  const planned = await there();
  if (planned !== null) return planned;
  await approveWeek(scope, id, weekAt(phase, on));
  return there();
}

function documentOf(
  { phase, days, startTime }: PhasedTrainee,
  { gymId, stations }: Setting,
  start: Day,
): Phase {
  return {
    schemaVersion: 1,
    start,
    goal: "strength",
    success: phase.success,
    approach: null,
    days: days.map(({ after, title, routine }): PhaseDay => ({
      id: newId(),
      weekday: weekdayOf(addDays(start, after)),
      gymId,
      startTime,
      title,
      session: firstPlan(routine, stations, newId),
    })),
    weeks: weeksOf({
      weeks: phase.weeks,
      isFirstLight: true,
      lighterEvery: phase.lighterEvery,
      isLastTest: false,
      easierBy: 1,
      fewerBy: 0,
    }),
    ...NOTHING_BY_HAND,
    notes: "",
  };
}
