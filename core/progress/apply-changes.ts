import { assertNever, type Id, type NewId } from "../kernel/index.ts";
import {
  BOUNDS,
  copySet,
  NO_COPIES,
  referenceOf,
  workSetsOf,
  type PlannedSet,
  type Slot,
} from "../plan/index.ts";
import type { Change } from "./change.ts";

/** The exercise with what changes of one of its lines written in; loads of single sets are written by `accepted`. */
export function withChanges(
  slot: Slot,
  line: Id<"line">,
  changes: readonly Change[],
  newId: NewId,
): Slot {
  return changes.reduce((now, change) => withChange(now, line, change, newId), slot);
}

function withChange(slot: Slot, line: Id<"line">, change: Change, newId: NewId): Slot {
  const own = slot.sets.filter((set) => set.line === line);
  const each = (to: (set: PlannedSet) => PlannedSet, only: number | null = null): Slot => ({
    ...slot,
    sets: slot.sets.map((set) =>
      set.line === line && (only === null || own[only]?.id === set.id) ? to(set) : set,
    ),
  });
  switch (change.kind) {
    case "load":
      return slot;
    case "target":
      return each((set) => ({ ...set, target: change.to }), change.set);
    case "rest":
      return each((set) => ({ ...set, restAfter: { kind: "fixed", seconds: change.to } }));
    case "sets":
      return change.to >= own.length
        ? withMore(slot, own, change.to, newId)
        : withFewer(slot, own, change.to);
    case "tempo":
      return each((set) =>
        set.tempoAs === null ? { ...set, tempo: { ...set.tempo, [change.phase]: change.to } } : set,
      );
    case "hold":
      return each((set) => ({
        ...set,
        extensions: set.extensions.map((extension) =>
          extension.kind === "endHold" ? { ...extension, seconds: change.to } : extension,
        ),
      }));
    case "setUp": {
      const setUp = { [change.name]: change.to };
      const isAll = workSetsOf(slot).every((set) => set.line === line);
      return isAll
        ? { ...slot, setUp: { ...slot.setUp, ...setUp } }
        : each((set) => ({ ...set, setUp: { ...set.setUp, ...setUp } }));
    }
    case "range":
      return each((set) => ({ ...set, range: change.to }));
    case "effort":
      return each((set) => ({ ...set, effort: change.to, effortUpTo: null }), change.set);
    default:
      return assertNever(change);
  }
}

/** So many sets, as far as an exercise can have them: copies of the last one behind it. */
function withMore(slot: Slot, own: readonly PlannedSet[], to: number, newId: NewId): Slot {
  const last = own.at(-1);
  if (last === undefined) return slot;
  const room = Math.max(0, BOUNDS.sets.most - slot.sets.length);
  const more = Array.from({ length: Math.min(to - own.length, room) }, () => ({
    ...copySet(last, NO_COPIES, newId),
    lineageId: newId<"lineage">(),
  }));
  return {
    ...slot,
    sets: slot.sets.flatMap((set) => (set.id === last.id ? [set, ...more] : [set])),
  };
}

/** So many sets: without the last ones, but those that other sets go from. */
function withFewer(slot: Slot, own: readonly PlannedSet[], to: number): Slot {
  const needed = new Set<string>(
    slot.sets.flatMap(({ load, tempoAs }) => [referenceOf(load)?.set ?? "", tempoAs ?? ""]),
  );
  const less = own.length - Math.max(1, to);
  const free = own.filter(({ id }) => !needed.has(id)).toReversed();
  const gone = new Set(free.slice(0, less).map(({ id }) => id));
  return { ...slot, sets: slot.sets.filter(({ id }) => !gone.has(id)) };
}
