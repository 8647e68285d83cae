import { z } from "zod";
import {
  FAULTS,
  MUSCLE_LENGTHS,
  REGIONS,
  count,
  degrees,
  metres,
  seconds,
  share,
} from "~/core/kernel/index.ts";
import {
  BOUNDS,
  DRILL_KINDS,
  drillsOf,
  ROUNDING_ROOM,
  SET_ROLES,
  slotsOfBlock,
  TEMPO_PHASES,
  USUAL_ROUNDING,
  type BoundName,
  type Item,
  type PlannedSet,
  type Slot,
} from "~/core/plan/index.ts";
import { TOWARDS } from "~/core/gym/index.ts";
import { textWithin } from "./text.ts";
import {
  idCodec,
  massCodec,
  movementRefCodec,
  rirCodec,
  setUpCodec,
  tempoCodec,
} from "./values.ts";

/** A number of a prescription within its bound, as the written line and the cells keep it. */
const within = (bound: BoundName) => {
  const { least, most } = BOUNDS[bound];
  return z.number().min(least).max(most);
};
const whole = (bound: BoundName) => within(bound).int().transform(count);
const time = (bound: BoundName) => within(bound).transform(seconds);
const percent = (bound: "percent" | "dropPercent") => {
  const { least, most } = BOUNDS[bound];
  return z
    .number()
    .min(least / 100)
    .max(most / 100)
    .transform(share);
};
const positive = whole("amount");
const span = <T extends z.ZodType>(codec: T) => ({ min: codec, max: codec });
const repeats = whole("repeats");
const workSeconds = time("work");
const pauseSeconds = time("pause");
const restSeconds = time("rest");
const heartRate = whole("heartRate");

const targetCodec = z
  .discriminatedUnion("kind", [
    z.object({ kind: z.literal("reps"), ...span(positive) }),
    z.object({ kind: z.literal("limit"), atLeast: positive.nullable(), likely: positive }),
    z.object({ kind: z.literal("seconds"), ...span(workSeconds) }),
    z.object({
      kind: z.literal("steps"),
      steps: positive,
      counted: z.enum(["perSide", "inAll"]),
      outAndBack: z.boolean(),
    }),
    z.object({
      kind: z.literal("metres"),
      metres: within("metres").transform(metres),
      outAndBack: z.boolean(),
    }),
    z.object({
      kind: z.literal("total"),
      of: z.enum(["reps", "steps"]),
      amount: positive,
      likelySets: repeats,
      pause: pauseSeconds,
    }),
    z.object({
      kind: z.literal("intervals"),
      work: workSeconds,
      pause: pauseSeconds,
      rounds: repeats,
    }),
    z.object({ kind: z.literal("untilForm"), criterion: z.enum(FAULTS), likely: positive }),
    z.object({ kind: z.literal("afterBurn"), reps: positive, likely: positive }),
  ])
  .refine((t) => !("min" in t) || t.min <= t.max, "expected a range from low to high");

const setReference = idCodec<"set">();

const loadRuleCodec = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("absolute"), reading: massCodec }),
  z.object({ kind: z.literal("open") }),
  z.object({
    kind: z.literal("shareOfSet"),
    set: setReference,
    part: idCodec<"extension">().nullable(),
    share: percent("percent"),
  }),
  z.object({ kind: z.literal("shareOfMaximum"), share: percent("percent") }),
  z.object({ kind: z.literal("fromLast"), steps: z.number().int().min(-30).max(30) }),
  z.object({ kind: z.literal("byEffort") }),
  z.object({ kind: z.literal("bodyWeight"), by: z.enum(["plus", "minus"]), mass: massCodec }),
  z.object({
    kind: z.literal("trial"),
    from: massCodec,
    steps: whole("steps"),
    tries: whole("tries"),
  }),
  z.object({
    kind: z.literal("fallback"),
    reading: massCodec,
    then: z.array(massCodec).min(1).max(4),
  }),
  z.object({
    kind: z.literal("shareOfMovement"),
    movement: movementRefCodec,
    share: percent("percent"),
  }),
  z.object({
    kind: z.literal("stepsFromSet"),
    set: setReference,
    steps: z
      .number()
      .int()
      .min(-30)
      .max(30)
      .refine((n) => n !== 0, "expected steps up or down"),
  }),
]);

const restCodec = z
  .discriminatedUnion("kind", [
    z.object({ kind: z.literal("fixed"), seconds: restSeconds }),
    z.object({ kind: z.literal("range"), ...span(restSeconds) }),
    z.object({ kind: z.literal("atMost"), seconds: restSeconds }),
    z.object({ kind: z.literal("breath"), likely: restSeconds }),
    z.object({ kind: z.literal("heartRate"), below: heartRate, likely: restSeconds }),
    z.object({ kind: z.literal("partner"), likely: restSeconds }),
  ])
  .refine((r) => r.kind !== "range" || r.min <= r.max, "expected a range from low to high");

const sideCodec = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("both") }),
  z.object({ kind: z.literal("left") }),
  z.object({ kind: z.literal("right") }),
  z.object({
    kind: z.literal("each"),
    first: z.enum(["left", "right"]),
    matchFirst: z.boolean(),
  }),
  z.object({ kind: z.literal("alternating") }),
]);

const dropLoadCodec = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("share"),
    of: z.enum(["first", "current"]),
    share: percent("dropPercent"),
  }),
  z.object({ kind: z.literal("strip"), plates: whole("plates") }),
  z.object({ kind: z.literal("steps"), steps: whole("steps") }),
  z.object({ kind: z.literal("reading"), reading: massCodec }),
  z.object({ kind: z.literal("bodyweight") }),
]);

const holdPositionCodec = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("stretched") }),
  z.object({ kind: z.literal("shortened") }),
  z.object({ kind: z.literal("angle"), degrees: whole("degrees").transform(degrees) }),
]);

const line = { lineId: idCodec<"line">() };
const extended = { id: idCodec<"extension">(), ...line, target: targetCodec };

const extensionCodec = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("drop"), ...extended, to: dropLoadCodec, restBefore: pauseSeconds }),
  z.object({ kind: z.literal("restPause"), ...extended, pauses: repeats, pause: pauseSeconds }),
  z.object({
    kind: z.literal("cluster"),
    ...extended,
    groups: repeats,
    pause: pauseSeconds,
    multiple: percent("percent"),
  }),
  z.object({ kind: z.literal("partials"), ...extended, where: z.enum(MUSCLE_LENGTHS) }),
  z.object({ kind: z.literal("forced"), ...extended, by: z.enum(["self", "partner"]) }),
  z.object({ kind: z.literal("positionChange"), ...extended, setUp: setUpCodec }),
  z.object({
    kind: z.literal("endHold"),
    id: idCodec<"extension">(),
    ...line,
    at: holdPositionCodec,
    seconds: time("hold"),
  }),
  z.object({ kind: z.literal("breather"), ...extended, breaths: repeats }),
]);

const accentCodec = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("deadStop"), seconds: time("accent") }),
  z.object({ kind: z.literal("secondSqueeze"), seconds: time("accent") }),
  z.object({
    kind: z.literal("slowLastRep"),
    phase: z.enum(TEMPO_PHASES),
    seconds: time("accent"),
  }),
]);

const intensityCodec = z
  .discriminatedUnion("kind", [
    z.object({ kind: z.literal("unsaid") }),
    z.object({ kind: z.literal("felt"), outOfTen: whole("felt") }),
    z.object({ kind: z.literal("heartRate"), ...span(heartRate) }),
  ])
  .refine((i) => i.kind !== "heartRate" || i.min <= i.max, "expected a range from low to high");

const drillCodec = z
  .object({
    kind: z.enum(DRILL_KINDS),
    id: idCodec<"item">(),
    ...line,
    name: textWithin(80),
    movement: movementRefCodec.nullable(),
    target: targetCodec,
    side: sideCodec,
    intensity: intensityCodec,
  })
  .refine((d) => d.name.trim() !== "" || d.movement !== null, "expected a name or a movement");

const itemCodec = z.union([
  z.object({
    kind: z.literal("tightnessCheck"),
    id: idCodec<"item">(),
    ...line,
    region: z.enum(REGIONS),
    seconds: workSeconds,
    ifTight: drillCodec,
  }),
  drillCodec,
]);

const setCodec = z.object({
  id: idCodec<"set">(),
  ...line,
  role: z.enum(SET_ROLES),
  target: targetCodec,
  load: loadRuleCodec,
  effort: rirCodec,
  tempo: tempoCodec,
  accents: z.array(accentCodec).max(3),
  setUp: setUpCodec,
  restAfter: restCodec,
  between: z.array(itemCodec).max(4),
  side: sideCodec,
  extensions: z.array(extensionCodec).max(BOUNDS.extensions.most),
  optional: z.boolean(),
});

const roundingCodec = z
  .object({
    towards: z.enum(TOWARDS),
    within: z
      .number()
      .refine((n) => ROUNDING_ROOM.some((known) => known === n), "expected a room on offer")
      .transform((n) => (n === 0 ? 0 : share(n))),
  })
  // Plans written before there was a choice.
  .default(USUAL_ROUNDING);

const slotCodec = z.object({
  id: idCodec<"slot">(),
  ...line,
  movement: movementRefCodec,
  station: idCodec<"station">(),
  setUp: setUpCodec,
  purpose: textWithin(300),
  feltIn: z.array(z.enum(REGIONS)).max(6),
  sets: z.array(setCodec).max(BOUNDS.sets.most),
  rounding: roundingCodec,
  progression: z.discriminatedUnion("kind", [
    z.object({ kind: z.literal("doubleProgression") }),
    z.object({ kind: z.literal("hold") }),
  ]),
  optional: z.boolean(),
  notes: z.object({ coach: textWithin(2000), trainee: textWithin(2000) }),
});

const block = { id: idCodec<"block">(), ...line };
const items = {
  ...block,
  items: z.array(itemCodec).max(40),
  rounds: repeats,
  restAfterRound: restCodec,
};

const blockCodec = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("exercise"), ...block, slot: slotCodec }),
  z.object({
    kind: z.literal("rotation"),
    ...block,
    members: z.array(slotCodec).min(2, "expected at least two exercises in a rotation").max(12),
    restBetween: restCodec,
    restAfterRound: restCodec,
  }),
  z.object({ kind: z.literal("prepare"), ...items }),
  z.object({ kind: z.literal("conditioning"), ...items }),
  z.object({ kind: z.literal("restore"), ...items }),
]);

/** The plan document. A later schema version is upgraded here, on reading. */
export const planCodec = z.object({
  schemaVersion: z.literal(1),
  blocks: z.array(blockCodec).max(60).refine(idsAreUnique, "expected every id once"),
});

/** Ids tell parts of a log apart, so one that is repeated would mix up what was done. */
function idsAreUnique(blocks: readonly z.infer<typeof blockCodec>[]): boolean {
  const ids = blocks.flatMap((b) => [
    b.id,
    ...("items" in b ? b.items.flatMap(itemIds) : slotsOfBlock(b).flatMap(slotIds)),
  ]);
  return new Set<string>(ids).size === ids.length;
}

function slotIds(slot: Slot): readonly string[] {
  const ofSet = (set: PlannedSet) => [
    set.id,
    ...set.extensions.map((e) => e.id),
    ...set.between.flatMap(itemIds),
  ];
  return [slot.id, ...slot.sets.flatMap(ofSet)];
}

function itemIds(item: Item): readonly string[] {
  return drillsOf(item).map(({ id }) => id);
}
