import {
  type Count,
  type Id,
  type MovementRef,
  seconds,
  type Mass,
  type Seconds,
  assertNever,
} from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import type { FindMovement } from "../movement/index.ts";
import {
  accentSeconds,
  partsOf,
  type Extension,
  roundsOf,
  type Block,
  type PlannedSet,
  type RotationBlock,
  type SessionPlan,
  type Slot,
  restSpan,
  type Rest,
  setUpChanges,
  type SetUp,
  legsCounted,
  sidesOf,
  type Side,
  repeatsOf,
  workOf,
  type Target,
  repSeconds,
  tempoOf,
} from "../plan/index.ts";
import { fallenOf, type Fallen } from "./fallback.ts";
import { atStation, hangSteps, type StepsAtStation, type UnhungStep } from "./hang.ts";
import {
  droppedLoad,
  foundLoad,
  setLoad,
  sharedLoad,
  trialLoads,
  type LoadSources,
  type LoadsOfSet,
  type Strength,
} from "./step-load.ts";
import type { PartDetail, RotationPlace, SetStep, Step, StepLoad } from "./step.ts";
import { unrollItem, unrollItems, usualRepOf } from "./unroll-items.ts";

/** What unrolling looks up. A missing station or movement is a plan from another gym: the load stays open. */
export interface Surroundings {
  readonly movement: FindMovement;
  readonly station: (id: Id<"station">) => Station | null;
  readonly bodyWeight: Mass | null;
  /** The total of the heaviest work set last logged with a movement; null where none or unknown. */
  readonly lastTotal: (movement: MovementRef) => Mass | null;
  /** The reading of the first work set last logged with a movement at a station. */
  readonly lastReading: (movement: MovementRef, station: Id<"station">) => Mass | null;
  /** The total that is usually moved with a movement at a station for so many reps; null where nothing says. */
  readonly usualTotal: (movement: MovementRef, station: Id<"station">, reps: Count) => Mass | null;
  /** Where a movement was last logged; null where nowhere. */
  readonly lastStation: (movement: MovementRef) => Id<"station"> | null;
  /** What a trial came to in this training; null before and while it goes on. */
  readonly found: (trial: PlannedSet) => FoundLoad | null;
  /** True for a set that was trained in this training and fell short of its target; false before. */
  readonly fellShort: (set: PlannedSet) => boolean;
  /** What a set of so much for so many possible reps lets expect; null where that is no measure. */
  readonly strengthFrom: (total: Mass, possible: number) => Strength | null;
  /** What can be worked out from the estimated maximum there; null where there is none. */
  readonly strength: (movement: MovementRef, station: Id<"station">) => Strength | null;
}

/** A load that a trial found, and after how many tries. */
export interface FoundLoad {
  readonly reading: Mass;
  readonly tries: number;
}

/** These movements and stations, of a person of whom nothing is known but what is given. */
export function surroundingsOf(
  stations: readonly Station[],
  movement: FindMovement,
  known: Partial<Omit<Surroundings, "movement" | "station">> = {},
): Surroundings {
  const byId = new Map(stations.map((station) => [station.id, station]));
  return {
    movement,
    station: (id) => byId.get(id) ?? null,
    bodyWeight: null,
    lastTotal: () => null,
    lastReading: () => null,
    usualTotal: () => null,
    lastStation: () => null,
    found: () => null,
    fellShort: () => false,
    strengthFrom: () => null,
    strength: () => null,
    ...known,
  };
}

/** Between the two sides of one set nobody rests long; it is only the change of position. */
const CHANGE_SIDES: Rest = { kind: "fixed", seconds: seconds(15) };

/** Every single step of a session in order, with load, what to change, target, time and rest. */
export function unroll(plan: SessionPlan, around: Surroundings): readonly Step[] {
  const before: SetLoads = new Map();
  return plan.blocks.flatMap((block) =>
    hung(around, (atStations) => stepsOfBlock(block, around, before, atStations)),
  );
}

/** The steps of one slot trained by itself. */
export function unrollSlot(slot: Slot, around: Surroundings): readonly SetStep[] {
  const steps = hung(around, (atStations) => unrollAlone(slot, around, new Map(), atStations));
  return steps.filter((step) => step.kind !== "item");
}

type SetLoads = Map<Id<"set">, LoadsOfSet>;

/** What is done at each station, collected while steps are made. */
type AtStations = Map<Id<"station">, StepsAtStation>;

/** Steps with what hangs for them decided together. */
function hung(
  around: Surroundings,
  unhung: (atStations: AtStations) => readonly Step[],
): readonly Step[] {
  const atStations: AtStations = new Map();
  const steps = unhung(atStations);
  for (const at of atStations.values()) hangSteps(at, around.bodyWeight);
  return steps;
}

function stepsOfBlock(
  block: Block,
  around: Surroundings,
  before: SetLoads,
  atStations: AtStations,
): readonly Step[] {
  switch (block.kind) {
    case "exercise":
      return unrollAlone(block.slot, around, before, atStations);
    case "rotation":
      return unrollRotation(block, around, before, atStations);
    case "prepare":
    case "conditioning":
    case "restore":
      return unrollItems(block, around.movement);
    default:
      return assertNever(block);
  }
}

function unrollAlone(
  slot: Slot,
  around: Surroundings,
  before: SetLoads,
  atStations: AtStations,
): readonly Step[] {
  const walk = new SlotWalk(slot, around, before, atStations);
  return slot.sets.flatMap((set, index) =>
    walk.set(set, index, set.restAfter, index === 0 ? "first" : null, null),
  );
}

function unrollRotation(
  block: RotationBlock,
  around: Surroundings,
  before: SetLoads,
  atStations: AtStations,
): readonly Step[] {
  const walks = block.members.map((member) => new SlotWalk(member, around, before, atStations));
  const rounds = roundsOf(block);
  const steps: Step[] = [];
  let lastSlot: Id<"slot"> | null = null;
  for (let round = 0; round < rounds; round += 1) {
    const taking = block.members.flatMap((member, i) => {
      const [set, walk] = [member.sets[round], walks[i]];
      return set === undefined || walk === undefined ? [] : [{ member, set, walk, number: i + 1 }];
    });
    taking.forEach(({ member, set, walk, number }, i) => {
      const rest = i === taking.length - 1 ? block.restAfterRound : block.restBetween;
      const arrival = round === 0 ? "first" : member.id === lastSlot ? null : "again";
      const place = { round: round + 1, rounds, member: number, members: block.members.length };
      steps.push(...walk.set(set, round, rest, arrival, place));
      lastSlot = member.id;
    });
  }
  return steps;
}

/** One part of a set before it is placed on a side: its kind, load, target and what comes before it. */
interface Part {
  readonly kind: SetStep["kind"];
  readonly extension: Extension | null;
  readonly ordinal: number;
  readonly repeat: SetStep["repeat"];
  readonly detail: PartDetail;
  readonly load: StepLoad;
  readonly setUp: SetUp;
  readonly target: Target;
  readonly restBefore: Rest;
}

/** Where a part stands in its session. */
interface Placing {
  readonly number: number;
  readonly isSecondSide: boolean;
  readonly rest: Rest;
  readonly arrival: SetStep["arrival"];
  readonly rotation: RotationPlace | null;
  readonly fallen: Fallen | null;
}

const NO_FALLBACK: readonly Mass[] = [];
const NO_ACCENTS: SetStep["accents"] = [];

/** Walks the sets of one slot and remembers how it is set up; what hangs is decided when the block is known. */
class SlotWalk {
  private setUpNow: SetUp = {};
  private readonly station: Station | null;
  private readonly usual: Seconds;
  private readonly sources: LoadSources;
  private readonly find: FindMovement;
  private readonly found: Surroundings["found"];
  private readonly fellShort: Surroundings["fellShort"];

  constructor(
    private readonly slot: Slot,
    around: Surroundings,
    private readonly before: SetLoads,
    private readonly atStations: AtStations,
  ) {
    this.station = around.station(slot.station);
    this.find = around.movement;
    this.found = around.found;
    this.fellShort = around.fellShort;
    this.usual = usualRepOf(slot.movement, around.movement);
    this.sources = {
      bodyWeight: around.bodyWeight,
      lastTotal: around.lastTotal,
      isLogged: (movement) => around.lastStation(movement) !== null,
      lastReading: around.lastReading(slot.movement, slot.station),
      usualTotal: (reps) => around.usualTotal(slot.movement, slot.station, reps),
      strength: around.strength(slot.movement, slot.station),
      rounding: slot.rounding,
      before,
    };
  }

  set(
    planned: PlannedSet,
    index: number,
    rest: Rest,
    arrival: SetStep["arrival"],
    rotation: RotationPlace | null,
  ): readonly Step[] {
    const fallen = fallenOf(planned, this.slot, this.fellShort);
    const set =
      planned.tempoAs === null ? planned : { ...planned, tempo: tempoOf(planned, this.slot.sets) };
    const parts = this.parts(set, fallen);
    const sides = sidesOf(set.side);
    const steps: Step[] = [];
    sides.forEach((side, sideIndex) => {
      const isLastSide = sideIndex === sides.length - 1;
      parts.forEach((part, i) => {
        const next = parts[i + 1];
        const isLast = isLastSide && next === undefined;
        steps.push(
          this.place(set, part, side, {
            number: index + 1,
            isSecondSide: sideIndex > 0,
            rest: isLast ? rest : (next?.restBefore ?? CHANGE_SIDES),
            arrival: steps.length === 0 ? arrival : null,
            rotation,
            fallen,
          }),
        );
      });
    });
    const between = { phase: "between", round: 0, slotId: this.slot.id } as const;
    return [...steps, ...set.between.flatMap((item) => unrollItem(item, between, this.find))];
  }

  /** The set itself, its repeats, and its extensions, in order. */
  private parts(set: PlannedSet, fallen: Fallen | null): readonly Part[] {
    const found = this.found(set);
    const first = setLoad(
      fallen === null ? set : { ...set, load: fallen.load },
      this.station,
      this.sources,
    );
    const partLoads = new Map<Id<"extension">, StepLoad>();
    if (this.station !== null) {
      // What a trial comes to is found in training, so that nothing can be worked out from it before.
      const load = set.load.kind === "trial" ? foundLoad(found, this.station, this.sources) : first;
      this.before.set(set.id, { load, parts: partLoads, station: this.station });
    }
    let current = first;
    let setUp: SetUp =
      Object.keys(set.setUp).length === 0 ? this.slot.setUp : { ...this.slot.setUp, ...set.setUp };
    const tries =
      set.load.kind === "trial" && this.station !== null
        ? trialLoads(set.load, this.station, this.sources).slice(0, found?.tries)
        : null;
    const repeats = repeatsOf(set.target);
    const times = tries?.length ?? repeats.times;
    const pause: Rest = tries === null ? { kind: "fixed", seconds: repeats.pause } : set.restAfter;
    const parts: Part[] = Array.from({ length: times }, (_, ordinal) => ({
      kind: "set",
      extension: null,
      ordinal,
      repeat: { number: ordinal + 1, of: times },
      detail: { kind: "plain" },
      load: tries?.[ordinal] ?? first,
      setUp,
      target: set.target,
      restBefore: pause,
    }));
    for (const extension of set.extensions) {
      const { times: often, restBefore, target } = partsOf(extension);
      if (extension.kind === "drop") {
        current = droppedLoad(extension.to, first, current, this.station, this.sources);
      }
      if (extension.kind === "positionChange") setUp = { ...setUp, ...extension.setUp };
      const load =
        extension.kind === "cluster" && first.kind === "made" && this.station !== null
          ? sharedLoad(this.station, first, { share: extension.multiple, upTo: null }, this.sources)
          : current;
      if (extension.kind === "cluster") current = load;
      partLoads.set(extension.id, load);
      for (let ordinal = 0; ordinal < often; ordinal += 1) {
        parts.push({
          kind: extension.kind,
          extension,
          ordinal,
          repeat: { number: ordinal + 1, of: often },
          detail: detailOf(extension),
          load,
          setUp,
          target,
          restBefore,
        });
      }
    }
    return parts;
  }

  /** One literal, not a spread: a session is unrolled at every keystroke, and spreading is many times slower. */
  private place(set: PlannedSet, part: Part, side: Side, at: Placing): SetStep {
    const setUpChange = setUpChanges(this.setUpNow, part.setUp);
    this.setUpNow = part.setUp;
    const step: UnhungStep = {
      kind: part.kind,
      key: {
        setId: set.id,
        extensionId: part.extension?.id ?? null,
        round: 0,
        ordinal: part.ordinal,
        side,
      },
      slotId: this.slot.id,
      role: set.role,
      setNumber: at.number,
      setCount: this.slot.sets.length,
      repeat: part.repeat,
      detail: part.detail,
      load: part.load,
      fallenFrom: part.extension === null ? (at.fallen?.from ?? null) : null,
      fallback: part.extension === null ? (at.fallen?.load.then ?? NO_FALLBACK) : NO_FALLBACK,
      change: null,
      setUp: part.setUp,
      setUpChange,
      target: part.target,
      legs: legsCounted(set.side),
      matchesFirstSide: set.side.kind === "each" && set.side.matchFirst && at.isSecondSide,
      effort: set.effort,
      effortUpTo: set.effortUpTo,
      range: set.range,
      gear: set.gear,
      tempo: set.tempo,
      accents: part.kind === "endHold" ? NO_ACCENTS : set.accents,
      workSeconds: workSeconds(part, set, this.usual),
      restAfter: restSpan(at.rest),
      restRule: at.rest,
      optional: set.optional || this.slot.optional,
      arrival: at.arrival,
      rotation: at.rotation,
    };
    if (this.station !== null) atStation(this.atStations, this.station, step);
    return step;
  }
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

/** A short-range repetition takes about so much of a full one. Source: our rule, docs/arithmetic.md § Time. */
const SHORT_REP = 0.6;

/** A hold has no repetitions, so what is done to those adds nothing to it. */
function workSeconds(
  { kind, target }: Pick<Part, "kind" | "target">,
  set: PlannedSet,
  usual: Seconds,
): SetStep["workSeconds"] {
  const accents = accentSeconds(kind === "endHold" ? NO_ACCENTS : set.accents, set.tempo, usual);
  const perRep = repSeconds(set.tempo, usual) + accents.perRep;
  const work = workOf(target, perRep, set.side);
  const reach = set.range === "full" || target.kind === "seconds" ? 1 : SHORT_REP;
  const once = accents.once;
  return { min: seconds(work.min * reach + once), max: seconds(work.max * reach + once) };
}
