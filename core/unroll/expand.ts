import { assertNever, seconds, type Id } from "../kernel/index.ts";
import {
  burstsOf,
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
import type { ItemStep, StepDetail, RotationPlace, SetStep } from "./step.ts";
import type { UnrollContext } from "./unroll-context.ts";
import { unrollItem, unrollItems } from "./unroll-items.ts";

/** One burst of a set where it is done, before its load, plates and times are known. */
export interface SetPlace {
  readonly kind: SetStep["kind"];
  /** Its block by its place in the session: what hangs is decided for a block together. */
  readonly block: number;
  readonly slot: Slot;
  /** The set with the tempo that it is done at. */
  readonly set: PlannedSet;
  /** 1-based among the sets of its slot. */
  readonly number: number;
  /** The extension that it is; null for the set itself. */
  readonly extension: Extension | null;
  readonly ordinal: number;
  readonly repeat: SetStep["repeat"];
  readonly detail: StepDetail;
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

/** Where something is done: a set, an extension of one, or an item, whose step is known at once. */
export type Place = SetPlace | ItemStep;

export const isSetPlace = (place: Place): place is SetPlace => place.kind !== "item";

/** Between the two sides of one set nobody rests long; it is only the change of position. */
const CHANGE_SIDES: Rest = { kind: "fixed", seconds: seconds(15) };

/** Everything that is done in a session, in order: every side, repeat and extension of every set, and every item. */
export function expand(blocks: readonly Block[], context: UnrollContext): readonly Place[] {
  return blocks.flatMap((block, i) => placesOfBlock(block, i, context));
}

function placesOfBlock(block: Block, at: number, context: UnrollContext): readonly Place[] {
  switch (block.kind) {
    case "exercise":
      return placesOfSlot(block.slot, at, context);
    case "rotation":
      return placesOfRotation(block, at, context);
    case "prepare":
    case "conditioning":
    case "restore":
      return unrollItems(block, context.movement);
    default:
      return assertNever(block);
  }
}

/** The sets of an exercise trained by itself. */
export function placesOfSlot(slot: Slot, block: number, context: UnrollContext): readonly Place[] {
  const setUps = setUpsOf(slot);
  return slot.sets.flatMap((set, index) =>
    placesOfSet(slot, index, context, setUps, {
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
  context: UnrollContext,
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
      const own = placesOfSet(member, round, context, setUps.get(member.id) ?? setUpsOf(member), {
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
      (setUp, extension) =>
        extension.kind === "positionChange" ? { ...setUp, ...extension.setUp } : setUp,
      setUpIn(slot, set),
    ),
  );
}

/** What a set is given by the block that it is in. */
type Given = Pick<SetPlace, "block" | "rest" | "arrival" | "rotation">;

function placesOfSet(
  slot: Slot,
  index: number,
  context: UnrollContext,
  setUps: readonly SetUp[],
  given: Given,
): readonly Place[] {
  const planned = slot.sets[index];
  if (planned === undefined) return [];
  const set =
    planned.tempoAs === null ? planned : { ...planned, tempo: tempoOf(planned, slot.sets) };
  const fallen = fallenOf(planned, slot, context.fellShort);
  const bursts = [...repeatsIn(slot, set, context), ...burstsIn(slot, set)];
  const sides = sidesOf(set.side);
  let setUpBefore: SetUp = index === 0 ? NOTHING : (setUps[index - 1] ?? NOTHING);
  const places: Place[] = [];
  sides.forEach((side, sideIndex) => {
    bursts.forEach((burst, i) => {
      const next = bursts[i + 1];
      const isLast = sideIndex === sides.length - 1 && next === undefined;
      const setUpChange = setUpChanges(setUpBefore, burst.setUp);
      setUpBefore = burst.setUp;
      places.push({
        kind: burst.kind,
        block: given.block,
        slot,
        set,
        number: index + 1,
        extension: burst.extension,
        ordinal: burst.ordinal,
        repeat: burst.repeat,
        detail: burst.detail,
        side,
        isSecondSide: sideIndex > 0,
        setUp: burst.setUp,
        setUpChange,
        target: burst.target,
        rest: isLast ? given.rest : (next?.waitBefore ?? CHANGE_SIDES),
        arrival: sideIndex === 0 && i === 0 ? given.arrival : null,
        rotation: given.rotation,
        fallen,
      });
    });
  });
  const between = { phase: "between", round: 0, slotId: slot.id } as const;
  for (const item of set.between) places.push(...unrollItem(item, between, context.movement));
  return places;
}

const NOTHING: SetUp = {};

/** One burst of a set before it is placed on a side. */
interface Burst {
  readonly kind: SetStep["kind"];
  readonly extension: Extension | null;
  readonly ordinal: number;
  readonly repeat: SetStep["repeat"];
  readonly detail: StepDetail;
  readonly setUp: SetUp;
  readonly target: Target;
  readonly waitBefore: Rest;
}

const setUpIn = (slot: Slot, set: PlannedSet): SetUp =>
  Object.keys(set.setUp).length === 0 ? slot.setUp : { ...slot.setUp, ...set.setUp };

/** The set itself, as often as its target repeats it, or a trial is tried. */
function repeatsIn(slot: Slot, set: PlannedSet, context: UnrollContext): readonly Burst[] {
  const station = context.station(slot.station);
  const repeats = repeatsOf(set.target);
  const isTrial = set.load.kind === "trial" && station !== null;
  const tries = isTrial ? trialLoads(set, station, context.bodyWeight).length : null;
  const times =
    tries === null ? repeats.times : Math.min(tries, context.found(set)?.tries ?? tries);
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
function burstsIn(slot: Slot, set: PlannedSet): readonly Burst[] {
  let setUp = setUpIn(slot, set);
  return set.extensions.flatMap((extension) => {
    const { times, restBefore, target } = burstsOf(extension);
    if (extension.kind === "positionChange") setUp = { ...setUp, ...extension.setUp };
    const here = setUp;
    return Array.from({ length: times }, (_, ordinal): Burst => ({
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

function detailOf(extension: Extension): StepDetail {
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
