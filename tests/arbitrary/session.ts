import {
  findShippedApproach,
  type Approach,
  EMPTY_BRIEF,
  type Brief,
} from "~/core/person/index.ts";
import type { Judging, OtherSession } from "~/core/coach/index.ts";
import { findMovement, SHIPPED_MOVEMENTS } from "~/core/movement/catalogue/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import {
  newBlock,
  type ExerciseBlock,
  type PlannedSet,
  type SessionPlan,
  type SetUp,
} from "~/core/plan/index.ts";
import { kg, lb } from "~/core/kernel/index.ts";
import { RACK, sampleUnrollContext, sampleDay, sampleId, sampleNewId } from "../samples/index.ts";
import type { Loading, LoadingKind, Station } from "~/core/gym/index.ts";

const LOADINGS: Readonly<Record<LoadingKind, Loading>> = {
  bar: RACK,
  plateMachine: {
    kind: "plateMachine",
    unit: "kg",
    carriage: kg(47),
    points: 2,
    plates: RACK.kind === "bar" ? RACK.plates : [],
  },
  stack: {
    kind: "stack",
    unit: "lb",
    pins: [10, 20, 35, 50, 65].map(lb),
    addOns: [],
    pulleyRatio: 1,
  },
  dumbbells: { kind: "dumbbells", unit: "kg", present: [10, 15, 20].map(kg), counted: "each" },
  freeObject: { kind: "freeObject", unit: "kg", present: [8, 16].map(kg), held: 1 },
  bodyweight: { kind: "bodyweight", unit: "kg", movedShare: 0.85, added: [kg(5)] },
  assisted: { kind: "assisted", unit: "kg", movedShare: 1, pins: [10, 20].map(kg) },
  band: { kind: "band", unit: "kg", bands: [{ name: "light", tension: kg(8) }] },
  unloaded: { kind: "unloaded", unit: "kg" },
};

/** A gym with one station of every kind, each serving whatever its loading allows. */
export const FULL_GYM: readonly Station[] = (Object.keys(LOADINGS) as LoadingKind[]).map(
  (kind, i) => ({
    id: sampleId(1 + i),
    versionId: sampleId(101 + i),
    gymId: sampleId(900),
    name: `Station ${kind}`,
    loading: LOADINGS[kind],
    serves: SHIPPED_MOVEMENTS.filter((m) => m.loadings.includes(kind)).map((m) => m.ref),
    profile: null,
    usuallyBusy: false,
    room: "",
  }),
);

export function movementOf(slug: string): Movement {
  const movement = findMovement(`shipped:${slug}`);
  if (movement === null) throw new Error(`no movement ${slug}`);
  return movement;
}

export function approachOf(slug: string): Approach {
  const approach = findShippedApproach(`shipped:${slug}`);
  if (approach === null) throw new Error(`no approach ${slug}`);
  return approach;
}

/** An exercise at the first station that its loading allows; so many sets, and what differs in them. */
export function exercise(
  slug: string,
  sets = 3,
  over: Partial<PlannedSet> = {},
  setUp: SetUp = {},
  stations: readonly Station[] = FULL_GYM,
): ExerciseBlock {
  const movement = movementOf(slug);
  const station = stations.find((s) => s.serves.includes(movement.ref)) ?? stations[0];
  if (station === undefined) throw new Error("a gym without stations");
  const block = newBlock(sampleNewId, movement, station.id, null);
  const [model] = block.slot.sets;
  if (model === undefined) throw new Error("an exercise without sets");
  return {
    ...block,
    slot: {
      ...block.slot,
      setUp,
      sets: Array.from({ length: sets }, () => ({
        ...model,
        id: sampleNewId<"set">(),
        lineageId: sampleNewId<"lineage">(),
        ...over,
      })),
    },
  };
}

export function sessionOf(...blocks: readonly ExerciseBlock[]): SessionPlan {
  return { schemaVersion: 2, blocks };
}

/** A session judged for somebody of whom little is known, by the middle approach, as one of one a week. */
export function judging(
  plan: SessionPlan,
  over: Partial<Omit<Judging, "brief">> & { readonly brief?: Partial<Brief> } = {},
): Judging {
  const stations = over.stations ?? FULL_GYM;
  return {
    plan,
    unrollContext: sampleUnrollContext(stations),
    day: sampleDay(),
    others: [],
    later: [],
    seen: {},
    neglected: [],
    approach: approachOf("even-ground"),
    catalogue: SHIPPED_MOVEMENTS,
    year: 2026,
    readiness: null,
    ...over,
    stations,
    brief: { ...EMPTY_BRIEF, daysPerWeek: 1, level: "advanced", helper: "spotter", ...over.brief },
  };
}

/** Another session of the same week, empty, that somebody has begun to train or nobody. */
export function otherSession(isOpen: boolean): OtherSession {
  return {
    id: sampleId<"plan">(7),
    day: sampleDay(),
    isOpen,
    plan: sessionOf(),
    unrollContext: sampleUnrollContext(FULL_GYM),
  };
}
