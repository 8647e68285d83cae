import { z } from "zod";
import { FAULTS, MUSCLE_LENGTHS, REGIONS } from "~/core/movement/index.ts";
import {
  DRILL_KINDS,
  drillsOf,
  SET_ROLES,
  slotsOfBlock,
  TEMPO_PHASES,
  type Item,
  type PlannedSet,
  type SessionPlan,
  type Slot,
} from "~/core/prescription/index.ts";
import { seconds } from "~/core/quantity/index.ts";
import {
  countCodec,
  degreesCodec,
  idCodec,
  massCodec,
  metresCodec,
  movementRefCodec,
  rirCodec,
  secondsCodec,
  shareCodec,
  tempoCodec,
} from "./values.ts";

const name = z.string().max(60);
const setUpCodec = z.record(name, name);
const positive = countCodec.refine((n) => n >= 1, "expected at least 1");
const span = <T extends z.ZodType>(codec: T) => ({ min: codec, max: codec });
/** Repeats within one set or block; more is a slip of the keyboard. */
const repeats = countCodec.refine((n) => n >= 1 && n <= 60, "expected 1 to 60");
/** Work without a pause, up to an hour. */
const workSeconds = z.number().gt(0).max(3600).transform(seconds);
const accentSeconds = z.number().gt(0).max(60).transform(seconds);
const heartRate = countCodec.refine((n) => n >= 40 && n <= 230, "expected 40 to 230 beats");

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
      metres: metresCodec.refine((m) => m > 0, "expected more than 0 m"),
      outAndBack: z.boolean(),
    }),
    z.object({
      kind: z.literal("total"),
      of: z.enum(["reps", "steps"]),
      amount: positive,
      likelySets: repeats,
      pause: secondsCodec,
    }),
    z.object({
      kind: z.literal("intervals"),
      work: workSeconds,
      pause: secondsCodec,
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
    share: shareCodec,
  }),
  z.object({ kind: z.literal("shareOfMaximum"), share: shareCodec }),
  z.object({ kind: z.literal("fromLast"), steps: z.number().int().min(-30).max(30) }),
  z.object({ kind: z.literal("byEffort") }),
  z.object({ kind: z.literal("bodyWeight"), by: z.enum(["plus", "minus"]), mass: massCodec }),
  z.object({
    kind: z.literal("trial"),
    from: massCodec,
    steps: positive.refine((n) => n <= 30, "expected at most 30 steps"),
    tries: positive.refine((n) => n <= 8, "expected at most 8 tries"),
  }),
  z.object({
    kind: z.literal("fallback"),
    reading: massCodec,
    then: z.array(massCodec).min(1).max(4),
  }),
  z.object({
    kind: z.literal("shareOfMovement"),
    movement: movementRefCodec,
    share: shareCodec,
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
    z.object({ kind: z.literal("fixed"), seconds: secondsCodec }),
    z.object({ kind: z.literal("range"), ...span(secondsCodec) }),
    z.object({ kind: z.literal("atMost"), seconds: secondsCodec }),
    z.object({ kind: z.literal("breath"), likely: secondsCodec }),
    z.object({ kind: z.literal("heartRate"), below: heartRate, likely: secondsCodec }),
    z.object({ kind: z.literal("partner"), likely: secondsCodec }),
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
  z.object({ kind: z.literal("share"), of: z.enum(["first", "current"]), share: shareCodec }),
  z.object({ kind: z.literal("strip"), plates: positive }),
  z.object({ kind: z.literal("steps"), steps: positive }),
  z.object({ kind: z.literal("reading"), reading: massCodec }),
  z.object({ kind: z.literal("bodyweight") }),
]);

const holdPositionCodec = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("stretched") }),
  z.object({ kind: z.literal("shortened") }),
  z.object({ kind: z.literal("angle"), degrees: degreesCodec }),
]);

const line = { lineId: idCodec<"line">() };
const extended = { id: idCodec<"extension">(), ...line, target: targetCodec };

const extensionCodec = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("drop"), ...extended, to: dropLoadCodec, restBefore: secondsCodec }),
  z.object({ kind: z.literal("restPause"), ...extended, pauses: repeats, pause: secondsCodec }),
  z.object({
    kind: z.literal("cluster"),
    ...extended,
    groups: repeats,
    pause: secondsCodec,
    multiple: shareCodec,
  }),
  z.object({ kind: z.literal("partials"), ...extended, where: z.enum(MUSCLE_LENGTHS) }),
  z.object({ kind: z.literal("forced"), ...extended, by: z.enum(["self", "partner"]) }),
  z.object({ kind: z.literal("positionChange"), ...extended, setUp: setUpCodec }),
  z.object({
    kind: z.literal("endHold"),
    id: idCodec<"extension">(),
    ...line,
    at: holdPositionCodec,
    seconds: workSeconds,
  }),
  z.object({ kind: z.literal("breather"), ...extended, breaths: repeats }),
]);

const accentCodec = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("deadStop"), seconds: accentSeconds }),
  z.object({ kind: z.literal("secondSqueeze"), seconds: accentSeconds }),
  z.object({
    kind: z.literal("slowLastRep"),
    phase: z.enum(TEMPO_PHASES),
    seconds: accentSeconds,
  }),
]);

const intensityCodec = z
  .discriminatedUnion("kind", [
    z.object({ kind: z.literal("unsaid") }),
    z.object({ kind: z.literal("felt"), outOfTen: countCodec.refine((n) => n <= 10) }),
    z.object({ kind: z.literal("heartRate"), ...span(heartRate) }),
  ])
  .refine((i) => i.kind !== "heartRate" || i.min <= i.max, "expected a range from low to high");

const drillCodec = z
  .object({
    kind: z.enum(DRILL_KINDS),
    id: idCodec<"item">(),
    ...line,
    name: z.string().max(80),
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
  extensions: z.array(extensionCodec).max(12),
  optional: z.boolean(),
});

const slotCodec = z.object({
  id: idCodec<"slot">(),
  ...line,
  movement: movementRefCodec,
  station: idCodec<"station">(),
  setUp: setUpCodec,
  purpose: z.string().max(300),
  feltIn: z.array(z.enum(REGIONS)).max(6),
  sets: z.array(setCodec).max(60),
  progression: z.discriminatedUnion("kind", [
    z.object({ kind: z.literal("doubleProgression") }),
    z.object({ kind: z.literal("hold") }),
  ]),
  optional: z.boolean(),
  notes: z.object({ coach: z.string().max(2000), trainee: z.string().max(2000) }),
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

/** Reads a plan document. Throws a ZodError on anything else. */
export function readPlan(document: unknown): SessionPlan {
  return planCodec.parse(document);
}
