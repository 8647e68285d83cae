import { afterAll, beforeAll, beforeEach, inject } from "vitest";
import { newId } from "~/codec/new-id.ts";
import { day, type Id, kg, instant } from "~/core/kernel/index.ts";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import { newBlock, type SessionPlan } from "~/core/plan/index.ts";
import { RACK } from "../samples/index.ts";
import { register } from "~/server/db/accounts.server.ts";
import { openDatabase, type Database } from "~/server/db/connection.server.ts";
import { addGym, addStation } from "~/server/db/gyms.server.ts";
import { addPerson } from "~/server/db/people.server.ts";
import { addPlan } from "~/server/db/plans.server.ts";
import { migrate } from "~/server/db/schema.server.ts";
import { scopeFor, type Scope } from "~/server/db/scope.server.ts";

export const NOW = instant(Date.UTC(2026, 2, 2, 12));
export const ADA = {
  name: "Ada",
  goal: "",
  level: "trained",
  unit: "kg",
  notes: "",
  coach: null,
} as const;

let shared: Database | null = null;
/** The migrated test database, one pool for a test file. */
export async function testDatabase(): Promise<Database> {
  if (shared === null) {
    shared = openDatabase(inject("databaseUrl"));
    await migrate(shared);
  }
  return shared;
}

export async function closeTestDatabase(): Promise<void> {
  await shared?.destroy();
  shared = null;
}

export interface TestStudio {
  readonly scope: Scope;
  /** The studio at a moment, in milliseconds since 1970. */
  at(ms: number): Scope;
  readonly userId: Id<"user">;
  readonly gym: Id<"gym">;
  readonly station: Id<"station">;
  readonly person: Id<"person">;
}

/** A studio of its own with a gym, a rack and one person. */
export async function testStudio(db: Database): Promise<TestStudio> {
  const form = {
    email: `${newId()}@test.example`,
    displayName: "Coach",
    studioName: "Studio",
    passwordHash: "-",
  };
  const registered = await register(db, form, NOW);
  if (!registered.ok) throw new Error("not registered");
  const { userId, studioId } = registered.value;
  const at = (ms: number) =>
    scopeFor(db, { studioId, actor: { kind: "user", id: userId }, now: instant(ms) });
  const scope = at(NOW);
  const gym = await addGym(scope, { name: "Gym", timeZone: "Europe/Vienna", houseRules: "" });
  const station = await addStation(scope, gym, {
    name: "Rack",
    loading: RACK,
    serves: ["shipped:back-squat"],
    profile: null,
    usuallyBusy: false,
    room: "",
  });
  const person = await addPerson(scope, ADA);
  return { scope, at, userId, gym, station, person };
}

/** The database and a studio of its own for each test of a file; both are there once its hooks have run. */
export function inStudio(): { readonly db: Database; readonly studio: TestStudio } {
  const here: { db?: Database; studio?: TestStudio } = {};
  const made = <T>(value: T | undefined): T => {
    if (value === undefined) throw new Error("asked for before the hooks have run");
    return value;
  };
  beforeAll(async () => {
    here.db = await testDatabase();
  });
  afterAll(closeTestDatabase);
  beforeEach(async () => {
    here.studio = await testStudio(made(here.db));
  });
  return {
    get db() {
      return made(here.db);
    },
    get studio() {
      return made(here.studio);
    },
  };
}

/** A plan of one exercise, three sets of 8 to 12 at 100 kg. */
export function squats(station: Id<"station">): SessionPlan {
  const movement = findMovement("shipped:back-squat");
  if (movement === null) throw new Error("no squat");
  return { schemaVersion: 2, blocks: [newBlock(newId, movement, station, kg(100))] };
}

export function addSquats(studio: TestStudio, on = "2026-03-02"): Promise<Id<"plan">> {
  const head = {
    personId: studio.person,
    gymId: studio.gym,
    day: day(on),
    startTime: null,
    title: "Legs",
  };
  return addPlan(studio.scope, head, squats(studio.station));
}
