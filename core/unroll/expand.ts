import { assertNever, seconds, type Id } from "../kernel/index.ts";
import {
  partsOf,
  repeatsOf,
  roundsOf,
  setUpChanges,
  sidesOf,
  tempoOf,
  type Block,
  type Extension,
  type PlannedSet,
  type Rest,
  type RotationBlock,
  type SetUp,
  type Side,
  type Slot,
  type Target,
} from "../plan/index.ts";
import { fallenOf, type Fallen } from "./fallback.ts";
import { trialLoads } from "./set-load.ts";
import type { ItemStep, PartDetail, RotationPlace, SetStep } from "./step.ts";
import type { Surroundings } from "./surroundings.ts";
import { unrollItem, unrollItems } from "./unroll-items.ts";

/** One part of a set where it is done, before its load, plates and times are known. */
export interface PartPlace {
  readonly kind: SetStep["kind"];
  /** Its block by its place in the session: what hangs is decided for a block together. */
  readonly block: number;
  readonly slot: Slot;
  /** The set with the tempo that it is done at. */
  readonly set: PlannedSet;
  /** 1-based among the sets of its slot. */
  readonly number: number;
  /** The part that it is; null for the set itself. */
  readonly extension: Extension | null;
  readonly ordinal: number;
  readonly repeat: SetStep["repeat"];
  readonly detail: PartDetail;
  readonly side: Side;
  readonly isSecondSide: boolean;
  readonly setUp: SetUp;
  readonly setUpChange: SetUp;
  readonly target: Target;
  /** The rest or wait behind it. */
  readonly rest: Rest;
  readonly arrival: SetStep["arrival"];
  readonly rotation: RotationPlace | null;
  readonly fallen: Fallen | null;
}

/** Where something is done: a part of a set, or an item, whose step is known at once. */
export type Place = PartPlace | ItemStep;

export const isPart = (place: Place): place is PartPlace => place.kind !== "item";

/** Between the two sides of one set nobody rests long; it is only the change of position. */
const CHANGE_SIDES: Rest = { kind: "fixed", seconds: seconds(15) };

/** Everything that is done in a session, in order: every side, repeat and part of every set, and every item. */
export function expand(blocks: readonly Block[], around: Surroundings): readonly Place[] {
  return blocks.flatMap((block, i) => placesOfBlock(block, i, around));
}

function placesOfBlock(block: Block, at: number, around: Surroundings): readonly Place[] {
  switch (block.kind) {
    case "exercise":
      return placesOfSlot(block.slot, at, around);
    case "rotation":
      return placesOfRotation(block, at, around);
    case "prepare":
    case "conditioning":
    case "restore":
      return unrollItems(block, around.movement);
    default:
      return assertNever(block);
  }
}

/** The sets of an exercise trained by itself. */
export function placesOfSlot(slot: Slot, block: number, around: Surroundings): readonly Place[] {
  const setUps = setUpsOf(slot);
  return slot.sets.flatMap((set, index) =>
    placesOfSet(slot, index, around, setUps, {
      block,
      rest: set.restAfter,
      arrival: index === 0 ? "first" : null,
      rotation: null,
    }),
  );
}

function placesOfRotation(
  block: RotationBlock,
  at: number,
  around: Surroundings,
): readonly Place[] {
  const rounds = roundsOf(block);
  const setUps = new Map(block.members.map((member) => [member.id, setUpsOf(member)]));
  const places: Place[] = [];
  let lastSlot: Id<"slot"> | null = null;
  for (let round = 0; round < rounds; round += 1) {
    const taking = block.members.flatMap((member, i) =>
      member.sets[round] === undefined ? [] : [{ member, number: i + 1 }],
    );
    for (const [i, { member, number }] of taking.entries()) {
      const isLast = i === taking.length - 1;
      const own = placesOfSet(member, round, around, setUps.get(member.id) ?? setUpsOf(member), {
        block: at,
        rest: isLast ? block.restAfterRound : block.restBetween,
        arrival: round === 0 ? "first" : member.id === lastSlot ? null : "again",
        rotation: { round: round + 1, rounds, member: number, members: block.members.length },
      });
      places.push(...own);
      lastSlot = member.id;
    }
  }
  return places;
}

/** How each set of an exercise is set up where it ends, so that the next says what has to be moved. */
function setUpsOf(slot: Slot): readonly SetUp[] {
  return slot.sets.map((set) =>
    set.extensions.reduce(
      (setUp, part) => (part.kind === "positionChange" ? { ...setUp, ...part.setUp } : setUp),
      setUpIn(slot, set),
    ),
  );
}

/** What a set is given by the block that it is in. */
type Given = Pick<PartPlace, "block" | "rest" | "arrival" | "rotation">;

function placesOfSet(
  slot: Slot,
  index: number,
  around: Surroundings,
  setUps: readonly SetUp[],
  given: Given,
): readonly Place[] {
  const planned = slot.sets[index];
  if (planned === undefined) return [];
  const set =
    planned.tempoAs === null ? planned : { ...planned, tempo: tempoOf(planned, slot.sets) };
  const fallen = fallenOf(planned, slot, around.fellShort);
  const parts = [...repeatsIn(slot, set, around), ...partsIn(slot, set)];
  const sides = sidesOf(set.side);
  let setUpBefore: SetUp = index === 0 ? NOTHING : (setUps[index - 1] ?? NOTHING);
  const places: Place[] = [];
  sides.forEach((side, sideIndex) => {
    parts.forEach((part, i) => {
      const next = parts[i + 1];
      const isLast = sideIndex === sides.length - 1 && next === undefined;
      const setUpChange = setUpChanges(setUpBefore, part.setUp);
      setUpBefore = part.setUp;
      places.push({
        kind: part.kind,
        block: given.block,
        slot,
        set,
        number: index + 1,
        extension: part.extension,
        ordinal: part.ordinal,
        repeat: part.repeat,
        detail: part.detail,
        side,
        isSecondSide: sideIndex > 0,
        setUp: part.setUp,
        setUpChange,
        target: part.target,
        rest: isLast ? given.rest : (next?.waitBefore ?? CHANGE_SIDES),
        arrival: sideIndex === 0 && i === 0 ? given.arrival : null,
        rotation: given.rotation,
        fallen,
      });
    });
  });
  const between = { phase: "between", round: 0, slotId: slot.id } as const;
  for (const item of set.between) places.push(...unrollItem(item, between, around.movement));
  return places;
}

const NOTHING: SetUp = {};

/** One part of a set before it is placed on a side. */
interface Part {
  readonly kind: SetStep["kind"];
  readonly extension: Extension | null;
  readonly ordinal: number;
  readonly repeat: SetStep["repeat"];
  readonly detail: PartDetail;
  readonly setUp: SetUp;
  readonly target: Target;
  readonly waitBefore: Rest;
}

const setUpIn = (slot: Slot, set: PlannedSet): SetUp =>
  Object.keys(set.setUp).length === 0 ? slot.setUp : { ...slot.setUp, ...set.setUp };

/** The set itself, as often as its target repeats it, or a trial is tried. */
function repeatsIn(slot: Slot, set: PlannedSet, around: Surroundings): readonly Part[] {
  const station = around.station(slot.station);
  const repeats = repeatsOf(set.target);
  const isTrial = set.load.kind === "trial" && station !== null;
  const tries = isTrial ? trialLoads(set, station, around.bodyWeight).length : null;
  const times = tries === null ? repeats.times : Math.min(tries, around.found(set)?.tries ?? tries);
  const waitBefore: Rest =
    tries === null ? { kind: "fixed", seconds: repeats.pause } : set.restAfter;
  const setUp = setUpIn(slot, set);
  return Array.from({ length: times }, (_, ordinal) => ({
    kind: "set",
    extension: null,
    ordinal,
    repeat: { number: ordinal + 1, of: times },
    detail: { kind: "plain" },
    setUp,
    target: set.target,
    waitBefore,
  }));
}

/** What extends a set, in order. */
function partsIn(slot: Slot, set: PlannedSet): readonly Part[] {
  let setUp = setUpIn(slot, set);
  return set.extensions.flatMap((extension) => {
    const { times, restBefore, target } = partsOf(extension);
    if (extension.kind === "positionChange") setUp = { ...setUp, ...extension.setUp };
    const here = setUp;
    return Array.from({ length: times }, (_, ordinal): Part => ({
      kind: extension.kind,
      extension,
      ordinal,
      repeat: { number: ordinal + 1, of: times },
      detail: detailOf(extension),
      setUp: here,
      target,
      waitBefore: restBefore,
    }));
  });
}

function detailOf(extension: Extension): PartDetail {
  switch (extension.kind) {
    case "partials":
      return { kind: "partials", where: extension.where };
    case "forced":
      return { kind: "forced", by: extension.by };
    case "endHold":
      return { kind: "endHold", at: extension.at };
    case "breather":
      return { kind: "breather", breaths: extension.breaths };
    case "drop":
    case "restPause":
    case "cluster":
    case "positionChange":
      return { kind: "plain" };
    default:
      return assertNever(extension);
  }
}
