/** Small made-up values for tests; nothing else may use them. */
import {
  day,
  type Day,
  idOf,
  type Id,
  type IdOf,
  type MovementRef,
  count,
  kg,
  lb,
  seconds,
  share,
  type Mass,
  instant,
} from "~/core/kernel/index.ts";
import type {
  Command,
  CommandBody,
  LogContext,
  LoggedSet,
  Exposure,
  ExposedSet,
} from "~/core/log/index.ts";
import { UNSAID_CONDITIONS, UNSAID_OBSERVATIONS } from "~/core/log/index.ts";
import {
  type VolumePolicy,
  AS_USUAL,
  OPEN_TEMPO,
  type Extension,
  type PlannedSet,
  type Rir,
  type SessionPlan,
  USUAL_ROUNDING,
  USUAL_PROGRESSION,
  type Slot,
  TEMPO_PHASES,
} from "~/core/plan/index.ts";
import type { NotationContext } from "~/core/plan/notation/index.ts";
import { USUAL_RULES, type SlotCircumstances } from "~/core/progress/index.ts";
import { unrollContextOf, type UnrollContext } from "~/core/unroll/index.ts";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import type { Loading, Station } from "~/core/gym/index.ts";

/** A readable id: the same number gives the same id. */
export function sampleId<K extends IdOf>(n: number): Id<K> {
  return idOf(`00000000-0000-7000-8000-${String(n).padStart(12, "0")}`);
}

let made = 1_000_000;
/** Ids in order, for values that need fresh ones. */
export function sampleNewId<K extends IdOf>(): Id<K> {
  made += 1;
  return sampleId(made);
}

export const RACK: Loading = {
  kind: "bar",
  unit: "kg",
  bar: kg(20),
  plates: [25, 20, 15, 10, 5, 2.5, 1.25].map((size) => ({ size: kg(size), count: 4 })),
};

export const STACK: Loading = {
  kind: "stack",
  unit: "lb",
  pins: [10, 20, 35, 50, 65, 75, 90].map(lb),
  addOns: [],
  pulleyRatio: 1,
};

export function sampleStation(loading: Loading = RACK, n = 1): Station {
  return {
    id: sampleId(n),
    versionId: sampleId(n + 100),
    gymId: sampleId(900),
    name: `Station ${n}`,
    loading,
    serves: ["shipped:back-squat", "shipped:leg-extension"],
    profile: null,
    usuallyBusy: false,
    room: "",
  };
}

export function sampleSet(n: number, over: Partial<PlannedSet> = {}): PlannedSet {
  return {
    id: sampleId(n),
    lineageId: sampleId(n + 5000),
    line: sampleId(7000),
    role: "work",
    target: { kind: "reps", min: count(8), max: count(10) },
    load: { kind: "absolute", reading: kg(100) },
    effort: 2,
    tempo: OPEN_TEMPO,
    accents: [],
    setUp: {},
    restAfter: { kind: "fixed", seconds: seconds(120) },
    between: [],
    side: { kind: "both" },
    extensions: [],
    optional: false,
    ...AS_USUAL,
    ...over,
  };
}

export function sampleDrop(n: number, of: "first" | "current", fraction: number): Extension {
  return {
    kind: "drop",
    id: sampleId(n),
    lineageId: sampleId(n + 5000),
    line: sampleId(n + 6000),
    to: { kind: "share", of, share: share(fraction) },
    target: { kind: "reps", min: count(6), max: count(8) },
    restBefore: seconds(10),
    waits: "exactly",
  };
}

export function sampleSlot(sets: readonly PlannedSet[], over: Partial<Slot> = {}): Slot {
  return {
    id: sampleId(700),
    lineageId: sampleId(701),
    movement: "shipped:back-squat",
    station: sampleId(1),
    setUp: {},
    purpose: "",
    feltIn: [],
    sets,
    rounding: USUAL_ROUNDING,
    progression: USUAL_PROGRESSION,
    lines: [],
    optional: false,
    startsWith: null,
    frame: null,
    notes: { coach: "", trainee: "" },
    ...over,
  };
}

export function samplePlan(...slots: readonly Slot[]): SessionPlan {
  return {
    schemaVersion: 2,
    blocks: slots.map((slot, i) => ({
      kind: "exercise",
      id: sampleId(800 + i),
      lineageId: sampleId(850 + i),
      slot,
    })),
  };
}

/** What a line is read with, where an exercise stands alone and movements have no names. */
export const NOTATION: NotationContext = {
  unit: "kg",
  defaults: { effort: 2, rest: { kind: "fixed", seconds: seconds(120) }, side: { kind: "both" } },
  tempo: TEMPO_PHASES,
  exercises: [[]],
  own: 0,
  nameOf: () => null,
  movementNamed: () => null,
};

export function sampleContext(over: Partial<LogContext> = {}): LogContext {
  return {
    slotId: sampleId(700),
    lineageId: sampleId(701),
    movement: "shipped:back-squat" satisfies MovementRef,
    station: sampleId(1),
    stationVersion: sampleId(101),
    setUp: {},
    tempo: OPEN_TEMPO,
    restSeconds: seconds(120),
    hardSetsBefore: 0,
    gear: [],
    helper: "alone",
    bodyWeight: null,
    ...over,
  };
}

export function sampleExposed(
  reading: Mass | null,
  reps: number | null,
  rir: Rir = 2,
  over: Partial<ExposedSet> = {},
): ExposedSet {
  return {
    line: sampleId(7000),
    role: "work",
    within: "full",
    tempo: OPEN_TEMPO,
    accents: [],
    hasPartials: false,
    setUp: {},
    conditions: UNSAID_CONDITIONS,
    observed: UNSAID_OBSERVATIONS,
    limiter: null,
    reading,
    reps: reps === null ? null : count(reps),
    measure: "reps",
    amount: reps,
    demand:
      over.range === null
        ? { least: null, most: null }
        : { least: over.range?.min ?? 8, most: over.range?.max ?? 10 },
    bySide: null,
    bursts: [],
    place: 0,
    rir,
    range: { min: count(8), max: count(10) },
    effortAsked: 2,
    ...over,
  };
}

export function sampleExposure(
  sets: readonly ExposedSet[],
  over: Partial<Exposure> = {},
): Exposure {
  const placed = sets.map((set, place) => ({ ...set, place }));
  return {
    sessionLogId: sampleId(600),
    day: sampleDay(),
    context: sampleContext(),
    loading: RACK,
    sets: placed,
    planned: placed,
    pains: [],
    readiness: null,
    ...over,
  };
}

export function sampleDay(): Day {
  return day("2026-03-02");
}

export function sampleLoggedSet(set: PlannedSet, over: Partial<LoggedSet> = {}): LoggedSet {
  return {
    id: sampleNewId(),
    slotId: sampleId(700),
    key: { setId: set.id, extensionId: null, round: 0, ordinal: 0, side: "both" },
    stationVersion: sampleId(101),
    reading: kg(100),
    platesHung: null,
    fullReps: count(8),
    partialReps: null,
    forcedReps: null,
    seconds: null,
    steps: null,
    metres: null,
    rir: 2,
    limiter: null,
    note: "",
    conditions: UNSAID_CONDITIONS,
    observed: UNSAID_OBSERVATIONS,
    ...over,
  };
}

export function sampleCommand(
  device: number,
  seq: number,
  body: CommandBody,
  parent: Id<"command"> | null = null,
): Command {
  return {
    commandId: sampleId(device * 1000 + seq),
    runId: sampleId(600),
    device: sampleId(device),
    seq,
    parent,
    at: instant(1_000_000 + seq),
    body,
  };
}

/** The shipped movements and these stations, of a person of whom nothing is known but what is given. */
export function sampleUnrollContext(
  stations: readonly Station[],
  known: Partial<Omit<UnrollContext, "station">> = {},
): UnrollContext {
  return unrollContextOf(stations, known.movement ?? findMovement, known);
}

/** A set counts once, whatever extends it. */
export const COUNTED_ONCE: VolumePolicy = {
  extensionAdds: {
    drop: 0,
    restPause: 0,
    cluster: 0,
    partials: 0,
    forced: 0,
    positionChange: 0,
    endHold: 0,
    breather: 0,
  },
  density: "withinReach",
};

/** Where a line is judged: nothing is known but what is given. */
export function sampleCircumstances(over: Partial<SlotCircumstances> = {}): SlotCircumstances {
  return {
    loading: RACK,
    bodyWeight: null,
    isHoldingSuccess: false,
    parameters: [],
    comparing: [],
    feltIn: [],
    isRestShared: false,
    strength: USUAL_RULES,
    weeks: null,
    absence: null,
    on: null,
    ...over,
  };
}
