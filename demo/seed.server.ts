import {
  type Day,
  type Instant,
  addDays,
  dayAt,
  daysBetween,
  instantAt,
  type Id,
  instant,
} from "~/core/kernel/index.ts";
import type { SessionPlan } from "~/core/plan/index.ts";
import { newId } from "~/codec/new-id.ts";
import { hashPassword } from "../server/auth/password.server.ts";
import { makeGrant } from "../server/db/grants.server.ts";
import { joinByInvitation, register } from "../server/db/accounts.server.ts";
import type { Database } from "../server/db/connection.server.ts";
import { STARTING_GYMS } from "../server/coaching/starting-gyms.server.ts";
import { clientFor } from "../server/coaching/client.server.ts";
import { workOutWarnings } from "../server/coaching/warnings.server.ts";
import { workOutSome } from "../server/coaching/waiting.server.ts";
import { addGym, addGymWith, addStation } from "../server/db/gyms.server.ts";
import { MORE_STATIONS } from "./more-stations.ts";
import { addPerson, listPeople } from "../server/db/people.server.ts";
import { addPlan, getPlan, savePlan } from "../server/db/plans.server.ts";
import { scopeFor, type Scope } from "../server/db/scope.server.ts";
import { beginSession, decide } from "./coach.server.ts";
import { firstPlan } from "./first-plan.ts";
import { trainSession } from "./train-session.server.ts";
import { AWAY_GYM, GYM, SECOND_COACH, STATIONS, STUDIO, type StationKey } from "./studio.ts";
import type { Trainee } from "./trainee.ts";
import { TRAINEES } from "./trainees.ts";
import { IN_A_PHASE } from "./in-a-phase.ts";
import { OF_EACH_APPROACH } from "./of-each-approach.ts";
import { seedBrief } from "./seed-brief.server.ts";
import { seedEvents, seedPhased } from "./seed-phase.server.ts";
import { seedTemplates } from "./seed-templates.server.ts";
import { movePhases } from "./move-phases.server.ts";
import { seededRandom } from "~/core/kernel/index.ts";

type StationIds = Readonly<Record<StationKey, Id<"station">>>;

/** Fills an empty database with the demo, written through the same functions as the interface's actions. */
export async function seedDemo(db: Database, now: Instant): Promise<boolean> {
  const existing: unknown = await db("demo_seed").first();
  if (existing !== undefined) return false;
  const today = dayAt(now, GYM.timeZone);
  const passwordHash = await hashPassword(STUDIO.password);
  const registered = await register(db, { ...STUDIO, passwordHash }, now);
  if (!registered.ok)
    throw new Error("the demo coach exists, but the seed was not finished; start with --reset");
  const { studioId, userId } = registered.value;
  const owner = scopeFor(db, { studioId, actor: { kind: "user", id: userId }, now });
  const invitation = await makeGrant(owner, "invitation", null);
  const second = await joinByInvitation(db, invitation, { ...SECOND_COACH, passwordHash }, now);
  if (!second.ok) throw new Error("the demo's second coach exists; start with --reset");
  const clients: readonly string[] = SECOND_COACH.clients;
  const coachOf = (name: string) => (clients.includes(name) ? second.value.userId : userId);
  const at = (instant: Instant): Scope =>
    scopeFor(db, { studioId, actor: { kind: "system" }, now: instant });
  const begun = instantAt(addDays(today, -370), 9, 0, GYM.timeZone);
  const gymId = await addGym(at(begun), GYM);
  const stations: Partial<Record<StationKey, Id<"station">>> = {};
  for (const key of Object.keys(STATIONS) as StationKey[]) {
    stations[key] = await addStation(at(begun), gymId, STATIONS[key]);
  }
  for (const more of MORE_STATIONS) await addStation(at(begun), gymId, more);
  await addGymWith(at(begun), AWAY_GYM, STARTING_GYMS.small);
  const setting = { at, now, coachOf, today, gymId, stations: stations as StationIds };
  for (const trainee of TRAINEES) await seedTrainee(setting, trainee);
  for (const trainee of [...IN_A_PHASE, ...OF_EACH_APPROACH]) await seedPhased(setting, trainee);
  await seedEvents(setting);
  await seedTemplates(at(now), setting.stations);
  await workOutSome(at(now), 1000);
  // Of clients whose last session is settled too.
  for (const { id } of await listPeople(at(now)))
    await workOutWarnings(at(now), id, await clientFor(at(now), id));
  await at(now).insert("demo_seed", { anchor_day: today });
  return true;
}

interface Setting {
  readonly at: (instant: Instant) => Scope;
  readonly now: Instant;
  /** Whose client somebody of this name is. */
  readonly coachOf: (name: string) => Id<"user">;
  readonly today: Day;
  readonly gymId: Id<"gym">;
  readonly stations: StationIds;
}

async function seedTrainee(setting: Setting, trainee: Trainee): Promise<void> {
  const { at, now, coachOf, today, gymId } = setting;
  const random = seededRandom(trainee.seed);
  const [hour = 17, minute = 0] = trainee.startTime.split(":").map(Number);
  const days = trainee.daysAgo.map((ago) => addDays(today, -ago));
  const firstDay = days[0] ?? addDays(today, 1);
  const met = instant(Math.min(now, instantAt(addDays(firstDay, -3), 10, 0, GYM.timeZone)));
  const person = await addPerson(at(met), {
    ...trainee.person,
    coach: coachOf(trainee.person.name),
  });
  await seedBrief(setting, trainee.person.name, person);
  const head = { personId: person, gymId, startTime: trainee.startTime, title: trainee.title };
  let plan = await addPlan(
    at(met),
    { ...head, day: firstDay },
    firstPlan(trainee.routine, setting.stations, newId, trainee.warmUp ?? null),
  );
  let routine = trainee.routine;
  for (const [session, on] of days.entries()) {
    const start = instantAt(on, hour, minute, GYM.timeZone);
    const sessionLog = await beginSession(at(start), plan);
    const incident = trainee.incidents.find((i) => i.session === session)?.kind ?? null;
    const week = daysBetween(firstDay, on) / 7;
    await trainSession(
      at,
      sessionLog,
      routine,
      { start, week, incident, setsToLog: Infinity, end: true },
      random,
    );
    const isLast = session === days.length - 1;
    if (isLast && trainee.now === "undecided") return;
    const next = days[session + 1] ?? today;
    const decided = instantAt(on, 21, 0, GYM.timeZone);
    plan = await decide(at(decided), sessionLog.id, next, incident === "overruled");
    const change = trainee.changes?.find((c) => c.session === session + 1);
    if (change !== undefined) {
      routine = change.routine;
      await rewrite(at(decided), plan, firstPlan(routine, setting.stations, newId));
    }
  }
  if (trainee.now !== "runningNow") return;
  const start = instant(now - 24 * 60_000);
  const sessionLog = await beginSession(at(start), plan);
  await trainSession(
    at,
    sessionLog,
    routine,
    { start, week: 6, incident: null, setsToLog: 5, end: false },
    random,
  );
}

/** Other exercises in a session that is planned. */
async function rewrite(scope: Scope, id: Id<"plan">, document: SessionPlan): Promise<void> {
  const plan = await getPlan(scope, id);
  const saved = plan && (await savePlan(scope, id, plan.revision, plan, document));
  if (saved?.ok !== true) throw new Error("the demo's next session was not rewritten");
}

/**
 * Moves what only the seed has written forward by whole days, so that there is a session today again.
 * What a user touched stays where it is. Returns by how many days.
 */
export async function moveForward(db: Database, now: Instant): Promise<number> {
  const seeds = (await db("demo_seed").select(
    "studio_id",
    db.raw("date_format(anchor_day, '%Y-%m-%d') as anchor"),
  )) as {
    studio_id: Buffer;
    anchor: Day;
  }[];
  const [seed] = seeds;
  if (seed === undefined) return 0;
  const today = dayAt(now, GYM.timeZone);
  const days = daysBetween(seed.anchor, today);
  if (days <= 0) return 0;
  const ms = days * 86_400_000;
  await db.transaction(async (trx) => {
    const untouched = `plans.studio_id = ? and plans.actor_kind = 'system' and not exists (
      select 1 from runs join commands on commands.studio_id = runs.studio_id and commands.run_id = runs.id
      where runs.studio_id = plans.studio_id and runs.plan_id = plans.id and commands.actor_kind <> 'system')
      and not exists (select 1 from runs join rulings on rulings.studio_id = runs.studio_id and rulings.run_id = runs.id
      where runs.studio_id = plans.studio_id and runs.plan_id = plans.id and rulings.actor_kind <> 'system')`;
    await trx.raw(
      `update commands join runs on runs.studio_id = commands.studio_id and runs.id = commands.run_id
       join plans on plans.studio_id = runs.studio_id and plans.id = runs.plan_id
       set commands.device_at = commands.device_at + ?, commands.received_at = commands.received_at + ? where ${untouched.replace(/and not exists[\s\S]*$/, "")}`,
      [ms, ms, seed.studio_id],
    );
    await trx.raw(
      `update runs join plans on plans.studio_id = runs.studio_id and plans.id = runs.plan_id
       set runs.started_at = runs.started_at + ?, runs.ended_at = runs.ended_at + ?, runs.settled_at = runs.settled_at + ? where ${untouched}`,
      [ms, ms, ms, seed.studio_id],
    );
    await trx.raw(`update plans set day = day + interval ? day where ${untouched}`, [
      days,
      seed.studio_id,
    ]);
    await trx.raw(
      `update measurements set day = day + interval ? day where studio_id = ? and actor_kind = 'system'`,
      [days, seed.studio_id],
    );
    await movePhases(trx, seed.studio_id, days);
    await trx.raw(
      `update events set starts = starts + interval ? day, ends = ends + interval ? day
       where studio_id = ? and actor_kind = 'system'`,
      [days, days, seed.studio_id],
    );
    await trx.raw("update demo_seed set anchor_day = ? where studio_id = ?", [
      today,
      seed.studio_id,
    ]);
  });
  return days;
}
