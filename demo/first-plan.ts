import {
  type Id,
  type NewId,
  count,
  mass,
  seconds,
  share,
  type Share,
} from "~/core/kernel/index.ts";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import {
  newBlock,
  newExtension,
  newItemBlock,
  OPEN_TEMPO,
  type Block,
  type Extension,
  type PlannedSet,
  type SessionPlan,
} from "~/core/plan/index.ts";
import { STATIONS, type StationKey } from "./studio.ts";
import type { Exercise } from "./trainee.ts";

/** The first session of a routine: its exercises with their starting loads, the drop on the last set. */
export function firstPlan(
  routine: readonly Exercise[],
  stations: Readonly<Record<StationKey, Id<"station">>>,
  newId: NewId,
  warmUp: number | null = null,
): SessionPlan {
  return {
    schemaVersion: 2,
    blocks: [
      ...(warmUp === null ? [] : [warmUpOf(warmUp, newId)]),
      ...routine.map((exercise) => blockOf(exercise, stations[exercise.station], newId)),
    ],
  };
}

/** Minutes of easy cycling. */
function warmUpOf(minutes: number, newId: NewId): Block {
  const easy = {
    kind: "pulseRaiser",
    id: newId<"item">(),
    lineageId: newId<"lineage">(),
    name: "Bike",
    movement: null,
    target: { kind: "seconds", min: seconds(60 * minutes), max: seconds(60 * minutes) },
    side: { kind: "both" },
    intensity: { kind: "felt", outOfTen: count(3) },
  } as const;
  return { ...newItemBlock("prepare", newId), items: [easy] };
}

function blockOf(exercise: Exercise, station: Id<"station">, newId: NewId): Block {
  const movement = findMovement(exercise.movement);
  if (movement === null) throw new Error(`the demo names no movement: ${exercise.movement}`);
  const { unit } = STATIONS[exercise.station].loading;
  const block = newBlock(
    newId,
    movement,
    station,
    exercise.start === null ? null : mass(Math.round(exercise.start * 1000), unit),
  );
  const [model] = block.slot.sets;
  if (model === undefined) throw new Error("a new block has sets");
  const sets = Array.from({ length: exercise.sets }, (_, i) => {
    const set = {
      ...model,
      id: newId<"set">(),
      lineageId: newId<"lineage">(),
      target: { kind: "reps" as const, min: count(exercise.reps[0]), max: count(exercise.reps[1]) },
      effort: exercise.effort,
      tempo:
        exercise.slow === true
          ? { lower: 3, stretch: 1, lift: "explosive" as const, squeeze: 0 }
          : OPEN_TEMPO,
      restAfter: { kind: "fixed" as const, seconds: seconds(exercise.rest) },
    };
    const isLast = i === exercise.sets - 1;
    if (!isLast || exercise.drop === undefined) return set;
    return { ...set, extensions: [dropTo(share(exercise.drop), set, newId)] };
  });
  return {
    ...block,
    slot: {
      ...block.slot,
      purpose: exercise.purpose,
      setUp: Object.fromEntries(movement.setUp.map((p) => [p.name, p.usual])),
      sets,
    },
  };
}

function dropTo(to: Share, set: PlannedSet, newId: NewId): Extension {
  const drop = newExtension("drop", set, newId);
  return drop.kind === "drop" ? { ...drop, to: { kind: "share", of: "current", share: to } } : drop;
}
