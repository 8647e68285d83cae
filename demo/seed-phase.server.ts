import {
  addDays,
  daysBetween,
  instant,
  instantAt,
  kg,
  weekdayOf,
  type Day,
  type Id,
  type Instant,
} from "~/core/kernel/index.ts";
import {
  endOf,
  NOTHING_BY_HAND,
  weekAt,
  weeksOf,
  withEdit,
  type Phase,
  type PhaseDay,
} from "~/core/phase/index.ts";
import { linesOf, slotsOf } from "~/core/plan/index.ts";
import { formatCarried } from "~/format/phase.ts";
import { newId } from "~/codec/new-id.ts";
import { approveWeek, rollOverPhase } from "../server/coaching/phase.server.ts";
import { acceptReplan } from "../server/coaching/replan.server.ts";
import { addEvent } from "../server/db/events.server.ts";
import { catalogueFor } from "../server/db/movements.server.ts";
import { addPerson, listPeople } from "../server/db/people.server.ts";
import { addPhase, getPhase, type StoredPhase } from "../server/db/phases.server.ts";
import { placedSessions } from "../server/db/plans.server.ts";
import type { Scope } from "../server/db/scope.server.ts";
import { seededRandom, type Random } from "~/core/kernel/index.ts";
import { beginSession, decide } from "./coach.server.ts";
import { firstPlan } from "./first-plan.ts";
import { seedBrief } from "./seed-brief.server.ts";
import { SEASON_EVENTS, type PhasedTrainee } from "./in-a-phase.ts";
import { GYM, type StationKey } from "./studio.ts";
import { trainSession } from "./train-session.server.ts";

interface Setting {
  readonly at: (instant: Instant) => Scope;
  readonly now: Instant;
  readonly coachOf: (name: string) => Id<"user">;
  readonly today: Day;
  readonly gymId: Id<"gym">;
  readonly stations: Readonly<Record<StationKey, Id<"station">>>;
}

/** A client with a running phase: made, approved, trained and ruled on as the interface does it. */
export async function seedPhased(setting: Setting, trainee: PhasedTrainee): Promise<void> {
  const { at, coachOf, today } = setting;
  const { phase } = trainee;
  const start = addDays(today, -phase.beganDaysAgo);
  const made = at(instantAt(addDays(start, -3), 10, 0, GYM.timeZone));
  const person = await addPerson(made, { ...trainee.person, coach: coachOf(trainee.person.name) });
  await seedBrief(setting, trainee.person.name, person);
  const document = withTarget(documentOf(trainee, setting, start), trainee.target);
  const added = await addPhase(made, person, phase.name, document);
  if (!added.ok) throw new Error(`the demo's phase was not made: ${added.error.code}`);
  const training = { ...setting, trainee, random: seededRandom(trainee.seed) };
  await trainPhase(training, added.value, document);
  const isOver = endOf(document) < today;
  if (trainee.next === null || !isOver) return;
  const after = at(instantAt(endOf(document), 20, 0, GYM.timeZone));
  const next = await rollOver(after, added.value, trainee.next.name);
  await trainPhase(training, next.id, next.document);
}

/** The phase with a target stated of the first line of its first exercise. */
function withTarget(phase: Phase, target: PhasedTrainee["target"]): Phase {
  const [day] = phase.days;
  const [slot] = day === undefined ? [] : slotsOf(day.session);
  const [line] = slot === undefined ? [] : linesOf(slot);
  if (target === null || day === undefined || slot === undefined || line === undefined)
    return phase;
  const to = {
    day: day.id,
    lineage: slot.lineageId,
    line: line.id,
    reading: kg(target.kg),
    reps: target.reps,
    week: phase.weeks.length,
  };
  return withEdit(phase, { kind: "statedTarget", day: day.id, line: line.id, to });
}

interface Training extends Setting {
  readonly trainee: PhasedTrainee;
  readonly random: Random;
}

/** Trains a phase week by week until today, and replans it where the client fell ill. */
async function trainPhase(
  { at, today, trainee, random }: Training,
  id: Id<"phase">,
  { start, weeks }: Phase,
): Promise<void> {
  const { days, ill } = trainee;
  const [hour = 18, minute = 0] = trainee.startTime.split(":").map(Number);
  const all = weeks.flatMap((_, week) =>
    days.map(({ after, routine }) => ({ on: addDays(start, 7 * week + after), routine })),
  );
  const fell = ill && { on: addDays(today, -ill.daysAgo), days: ill.days };
  let isReplanned = false;
  for (const { on, routine } of all.filter((one) => one.on <= today)) {
    if (fell !== null && fell.on <= on && fell.on >= start && !isReplanned) {
      const morning = instantAt(fell.on, 9, 0, GYM.timeZone);
      await replanIll(at(morning), id, fell.on, addDays(fell.on, fell.days - 1));
      isReplanned = true;
    }
    const begun = instantAt(on, hour, minute, GYM.timeZone);
    const plan = await plannedOn(at(begun), id, on);
    if (plan === null || on === today || trainee.missed.includes(daysBetween(on, today))) continue;
    const sessionLog = await beginSession(at(begun), plan);
    const week = daysBetween(addDays(today, -trainee.phase.beganDaysAgo), on) / 7;
    const course = { start: begun, week, incident: null, setsToLog: Infinity, end: true };
    await trainSession(at, sessionLog, routine, course, random);
    const decided = instant(begun + 3 * 3_600_000);
    await decide(at(decided), sessionLog.id, addDays(on, 7), false);
  }
}

async function rollOver(scope: Scope, id: Id<"phase">, name: string): Promise<StoredPhase> {
  const phase = await getPhase(scope, id);
  const { find } = await catalogueFor(scope);
  const next =
    phase &&
    (await rollOverPhase(scope, phase, name, (rolled) =>
      formatCarried(phase.name, phase.document.notes, rolled, find),
    ));
  const stored = next?.ok === true ? await getPhase(scope, next.value.id) : null;
  if (stored === null) throw new Error("the demo's phase did not roll over");
  return stored;
}

async function replanIll(scope: Scope, id: Id<"phase">, from: Day, to: Day): Promise<void> {
  const phase = await getPhase(scope, id);
  const event = { kind: "away", why: "ill", from, to } as const;
  const all = { left: [], instead: [] };
  const done = phase && (await acceptReplan(scope, phase, phase.revision, event, all));
  if (done?.ok !== true) throw new Error("the demo's phase was not replanned");
}

/** The events of the studio's calendar. */
export async function seedEvents({ at, now, today }: Setting): Promise<void> {
  const people = await listPeople(at(now));
  for (const { who, kind, name, inDays, days } of SEASON_EVENTS) {
    const starts = addDays(today, inDays);
    await addEvent(at(now), {
      personId: people.find((person) => person.name === who)?.id ?? null,
      kind,
      name,
      starts,
      ends: addDays(starts, days - 1),
      gymId: null,
    });
  }
}

/** The plan of a day, which is approved with its week where it is not planned yet. */
async function plannedOn(scope: Scope, id: Id<"phase">, on: Day): Promise<Id<"plan"> | null> {
  const phase = await getPhase(scope, id);
  if (phase === null) return null;
  const there = async () =>
    (await placedSessions(scope, id)).find((one) => one.on === on)?.planId ?? null;
  const planned = await there();
  if (planned !== null) return planned;
  await approveWeek(scope, id, weekAt(phase.document, on));
  return there();
}

function documentOf(
  { phase, days, startTime, approach }: PhasedTrainee,
  { gymId, stations }: Setting,
  start: Day,
): Phase {
  return {
    schemaVersion: 1,
    start,
    goal: phase.goal,
    success: phase.success,
    approach,
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
