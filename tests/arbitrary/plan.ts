import fc from "fast-check";
import {
  FAULTS,
  MUSCLE_LENGTHS,
  REGIONS,
  count,
  degrees,
  kg,
  metres,
  seconds,
  share,
} from "~/core/kernel/index.ts";
import {
  DRILL_KINDS,
  RIR_VALUES,
  ROUNDING_ROOM,
  SET_ROLES,
  TEMPO_PHASES,
  type Accent,
  type Block,
  type Drill,
  type DropLoad,
  type Extension,
  type HoldPosition,
  type Item,
  type LoadRule,
  type PlannedSet,
  type Rest,
  type SessionPlan,
  type SideMode,
  type Slot,
  type Target,
  type TempoPhase,
} from "~/core/plan/index.ts";
import { TOWARDS } from "~/core/gym/index.ts";
import { sampleId, sampleMint } from "../samples/index.ts";

/** Generated plans of every structure, for properties; every id in one plan is different. */
const counts = (min: number, max: number) => fc.integer({ min, max }).map(count);
const secs = (min: number, max: number) => fc.integer({ min, max }).map(seconds);
const ordered = <T extends number>(of: fc.Arbitrary<T>) =>
  fc.tuple(of, of).map(([a, b]) => (a <= b ? { min: a, max: b } : { min: b, max: a }));
const shares = fc.integer({ min: 5, max: 120 }).map((n) => share(n / 100));
const minted = <const T extends object>(of: fc.Arbitrary<T>) =>
  of.map((rest) => ({ id: sampleMint(), lineId: sampleMint(), ...rest }));
const kind = <K extends string, T extends object>(
  k: K,
  rest: { [F in keyof T]: fc.Arbitrary<T[F]> },
) =>
  fc.record(
    { kind: fc.constant(k), ...rest },
    { noNullPrototype: true },
  ) as unknown as fc.Arbitrary<{ kind: K } & T>;

export const anyTarget: fc.Arbitrary<Target> = fc.oneof(
  ordered(counts(1, 60)).map((range): Target => ({ kind: "reps", ...range })),
  kind("limit", { atLeast: fc.option(counts(1, 30)), likely: counts(1, 30) }),
  ordered(secs(1, 300)).map((range): Target => ({ kind: "seconds", ...range })),
  kind("steps", {
    steps: counts(1, 60),
    counted: fc.constantFrom("perSide" as const, "inAll" as const),
    outAndBack: fc.boolean(),
  }),
  kind("metres", {
    metres: fc.integer({ min: 1, max: 400 }).map(metres),
    outAndBack: fc.boolean(),
  }),
  kind("total", {
    of: fc.constantFrom("reps" as const, "steps" as const),
    amount: counts(1, 200),
    likelySets: counts(1, 8),
    pause: secs(0, 120),
  }),
  kind("intervals", { work: secs(1, 120), pause: secs(0, 120), rounds: counts(1, 12) }),
  kind("untilForm", { criterion: fc.constantFrom(...FAULTS), likely: counts(1, 30) }),
  kind("afterBurn", { reps: counts(1, 20), likely: counts(1, 30) }),
);

const anyRest: fc.Arbitrary<Rest> = fc.oneof(
  kind("fixed", { seconds: secs(0, 600) }),
  ordered(secs(0, 600)).map((range): Rest => ({ kind: "range", ...range })),
  kind("atMost", { seconds: secs(0, 600) }),
  kind("breath", { likely: secs(0, 600) }),
  kind("heartRate", { below: counts(60, 160), likely: secs(0, 600) }),
  kind("partner", { likely: secs(0, 600) }),
);

const anySide: fc.Arbitrary<SideMode> = fc.oneof(
  fc.constantFrom<SideMode>(
    { kind: "both" },
    { kind: "left" },
    { kind: "right" },
    { kind: "alternating" },
  ),
  kind("each", {
    first: fc.constantFrom("left" as const, "right" as const),
    matchFirst: fc.boolean(),
  }),
);

const readings = fc.integer({ min: 8, max: 80 }).map((n) => kg(n * 2.5));

const anyDropLoad: fc.Arbitrary<DropLoad> = fc.oneof(
  kind("share", {
    of: fc.constantFrom("first" as const, "current" as const),
    share: fc.integer({ min: 20, max: 95 }).map((n) => share(n / 100)),
  }),
  kind("strip", { plates: counts(1, 3) }),
  kind("steps", { steps: counts(1, 4) }),
  kind("reading", { reading: readings }),
  kind("bodyweight", {}),
);

const setUps = fc.dictionary(
  fc.constantFrom("Stance", "Foot height", "Heel plates"),
  fc.constantFrom("wide", "narrow", "high", "none"),
  { maxKeys: 2, noNullPrototype: true },
);

const anyHold: fc.Arbitrary<HoldPosition> = fc.oneof(
  fc.constantFrom<HoldPosition>({ kind: "stretched" }, { kind: "shortened" }),
  kind("angle", { degrees: fc.integer({ min: 0, max: 140 }).map(degrees) }),
);

export const anyExtension: fc.Arbitrary<Extension> = minted(
  fc.oneof(
    kind("drop", { to: anyDropLoad, target: anyTarget, restBefore: secs(0, 60) }),
    kind("restPause", { pauses: counts(1, 4), pause: secs(1, 60), target: anyTarget }),
    kind("cluster", {
      groups: counts(1, 6),
      pause: secs(1, 60),
      multiple: shares,
      target: anyTarget,
    }),
    kind("partials", { where: fc.constantFrom(...MUSCLE_LENGTHS), target: anyTarget }),
    kind("forced", { by: fc.constantFrom("self" as const, "partner" as const), target: anyTarget }),
    kind("positionChange", { setUp: setUps, target: anyTarget }),
    kind("endHold", { at: anyHold, seconds: secs(1, 120) }),
    kind("breather", { breaths: counts(1, 10), target: anyTarget }),
  ),
) as fc.Arbitrary<Extension>;

const anyDrill: fc.Arbitrary<Drill> = minted(
  fc.record({
    kind: fc.constantFrom(...DRILL_KINDS),
    name: fc.constantFrom("Bike", "Couch stretch"),
    movement: fc.constantFrom(null, "shipped:back-squat" as const),
    target: anyTarget,
    side: anySide,
    intensity: fc.oneof(
      kind("unsaid", {}),
      kind("felt", { outOfTen: counts(0, 10) }),
      ordered(counts(60, 180)).map((range) => ({ kind: "heartRate" as const, ...range })),
    ),
  }),
) as fc.Arbitrary<Drill>;

export const anyItem: fc.Arbitrary<Item> = fc.oneof(
  anyDrill,
  minted(
    kind("tightnessCheck", {
      region: fc.constantFrom(...REGIONS),
      seconds: secs(1, 60),
      ifTight: anyDrill,
    }),
  ) as fc.Arbitrary<Item>,
);

const anyPhase = (least: number): fc.Arbitrary<TempoPhase> =>
  fc.oneof(
    fc.integer({ min: least, max: 60 }).map((n) => n / 2),
    fc.constantFrom("explosive" as const, null),
  );
const [anyMove, anyPause] = [anyPhase(1), anyPhase(0)];

const anyAccent: fc.Arbitrary<Accent> = fc.oneof(
  kind("deadStop", { seconds: secs(1, 5) }),
  kind("secondSqueeze", { seconds: secs(1, 5) }),
  kind("slowLastRep", { phase: fc.constantFrom(...TEMPO_PHASES), seconds: secs(1, 20) }),
);

const anyLoad: fc.Arbitrary<LoadRule> = fc.oneof(
  kind("absolute", { reading: readings }),
  kind("open", {}),
  kind("shareOfMaximum", { share: shares }),
  kind("fromLast", { steps: fc.integer({ min: -5, max: 5 }) }),
  kind("byEffort", {}),
  kind("bodyWeight", { by: fc.constantFrom("plus" as const, "minus" as const), mass: readings }),
  kind("trial", { from: readings, steps: counts(1, 4), tries: counts(1, 4) }),
  kind("fallback", {
    reading: readings,
    then: fc.array(readings, { minLength: 1, maxLength: 2 }),
  }),
  kind("shareOfMovement", { movement: fc.constant("shipped:leg-press" as const), share: shares }),
);

export const anySet: fc.Arbitrary<PlannedSet> = minted(
  fc.record({
    role: fc.constantFrom(...SET_ROLES),
    target: anyTarget,
    load: anyLoad,
    effort: fc.constantFrom(...RIR_VALUES),
    tempo: fc.record(
      { lower: anyMove, stretch: anyPause, lift: anyMove, squeeze: anyPause },
      { noNullPrototype: true },
    ),
    accents: fc.array(anyAccent, { maxLength: 3 }),
    setUp: setUps,
    restAfter: anyRest,
    between: fc.array(anyItem, { maxLength: 2 }),
    side: anySide,
    extensions: fc.array(anyExtension, { maxLength: 4 }),
    optional: fc.boolean(),
  }),
) as fc.Arbitrary<PlannedSet>;

/** Later sets sometimes follow from the first one. */
const anySets = fc
  .array(fc.tuple(anySet, fc.integer({ min: 0, max: 3 })), { maxLength: 5 })
  .map((drawn): readonly PlannedSet[] => {
    const first = drawn[0]?.[0];
    return drawn.map(([set, how], i) => {
      if (first === undefined || i === 0) return set;
      if (how === 0)
        return {
          ...set,
          load: { kind: "shareOfSet", set: first.id, part: null, share: share(0.8) },
        };
      return how === 1 ? { ...set, load: { kind: "stepsFromSet", set: first.id, steps: -1 } } : set;
    });
  });

export const anySlot: fc.Arbitrary<Slot> = minted(
  fc.record({
    movement: fc.constantFrom("shipped:back-squat" as const, "shipped:leg-extension" as const),
    station: fc.constant(sampleId<"station">(1)),
    setUp: setUps,
    purpose: fc.constantFrom("", "Quads without the back"),
    feltIn: fc.subarray([...REGIONS], { maxLength: 3 }),
    sets: anySets,
    rounding: fc.record({
      towards: fc.constantFrom(...TOWARDS),
      within: fc.constantFrom(...ROUNDING_ROOM),
    }),
    progression: fc.constantFrom({ kind: "doubleProgression" as const }, { kind: "hold" as const }),
    optional: fc.boolean(),
    notes: fc.record({ coach: fc.constant(""), trainee: fc.constantFrom("", "Heels down") }),
  }),
) as fc.Arbitrary<Slot>;

const anyBlock: fc.Arbitrary<Block> = minted(
  fc.oneof(
    kind("exercise", { slot: anySlot }),
    kind("rotation", {
      members: fc.array(anySlot, { minLength: 2, maxLength: 3 }),
      restBetween: anyRest,
      restAfterRound: anyRest,
    }),
    fc
      .tuple(
        fc.constantFrom("prepare" as const, "conditioning" as const, "restore" as const),
        fc.record({
          items: fc.array(anyItem, { maxLength: 3 }),
          rounds: counts(1, 3),
          restAfterRound: anyRest,
        }),
      )
      .map(([k, rest]) => ({ kind: k, ...rest })),
  ),
) as fc.Arbitrary<Block>;

export const anyPlan: fc.Arbitrary<SessionPlan> = fc
  .array(anyBlock, { maxLength: 4 })
  .map((blocks) => ({ schemaVersion: 1, blocks }));
