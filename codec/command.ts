import { rirField, setUpField, tempoField } from "~/core/plan/index.ts";
import { z } from "zod";
import type { OrderedCommand } from "~/core/log/index.ts";
import {
  metres,
  seconds,
  JOINTS,
  LIMITERS,
  textWithin,
  idField,
  massField,
  movementField,
} from "~/core/kernel/index.ts";
import { countCodec, metresCodec, secondsCodec } from "./values.ts";

const sideCodec = z.enum(["both", "left", "right"]);

/** The longest texts of a command. The device asks before it stores, the server before it commits. */
export const COMMAND_BOUNDS = { partNote: 2000, note: 4000, reason: 500 } as const;

/** Rows keep whole milliseconds and whole metres, so commands do too. */
const milliseconds = secondsCodec.transform((s) => seconds(Math.round(s * 1000) / 1000));
const wholeMetres = metresCodec.transform((m) => metres(Math.round(m)));

const partKeyCodec = z.object({
  setId: idField("set"),
  extensionId: idField("extension").nullable(),
  round: z.number().int().min(0).max(1000),
  ordinal: z.number().int().min(0).max(1000),
  side: sideCodec,
});

const partCodec = z.object({
  id: idField("part"),
  slotId: idField("slot"),
  key: partKeyCodec,
  stationVersion: idField("stationVersion"),
  reading: massField.nullable(),
  platesHung: z.array(massField).max(40).nullable(),
  fullReps: countCodec.nullable(),
  partialReps: countCodec.nullable(),
  forcedReps: countCodec.nullable(),
  seconds: milliseconds.nullable(),
  steps: countCodec.nullable(),
  metres: wholeMetres.nullable(),
  rir: rirField,
  limiter: z.enum(LIMITERS).nullable(),
  note: textWithin(COMMAND_BOUNDS.partNote),
});

const contextCodec = z.object({
  slotId: idField("slot"),
  lineId: idField("line"),
  movement: movementField,
  station: idField("station"),
  stationVersion: idField("stationVersion"),
  setUp: setUpField,
  tempo: tempoField,
  restSeconds: milliseconds.nullable(),
  hardSetsBefore: z.number().int().min(0).max(1000),
  gear: z
    .array(z.object({ name: textWithin(60), fromSet: z.number().int().min(1).max(1000) }))
    .max(20)
    .nullable(),
  helper: z.enum(["alone", "partner", "spotter", "unknown"]),
  bodyWeight: massField.nullable(),
});

const why = textWithin(COMMAND_BOUNDS.reason);

const bodyCodec = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("part"), part: partCodec, why: why.exactOptional() }),
  z.object({ kind: z.literal("removePart"), key: partKeyCodec, why: why.exactOptional() }),
  z.object({ kind: z.literal("context"), context: contextCodec }),
  z.object({
    kind: z.literal("pain"),
    id: idField("pain"),
    slotId: idField("slot"),
    key: partKeyCodec.nullable(),
    joint: z.enum(JOINTS),
    side: sideCodec,
    score: z.number().int().min(0).max(10),
    note: textWithin(COMMAND_BOUNDS.partNote),
  }),
  z.object({
    kind: z.literal("note"),
    slotId: idField("slot").nullable(),
    text: textWithin(COMMAND_BOUNDS.note),
  }),
  z.object({
    kind: z.literal("skip"),
    slotId: idField("slot"),
    reason: textWithin(COMMAND_BOUNDS.reason),
  }),
  z.object({ kind: z.literal("end"), sessionEffort: z.number().int().min(0).max(10).nullable() }),
  z.object({ kind: z.literal("reopen"), why }),
]);

/** A command as it travels and as it is stored. */
export const commandCodec = z.object({
  commandId: idField("command"),
  runId: idField("run"),
  device: idField("device"),
  seq: z.number().int().min(1).max(1_000_000),
  parent: idField("command").nullable(),
  at: z.number().int().min(0),
  body: bodyCodec,
});

export const orderedCommandCodec = z
  .object({ command: commandCodec, position: z.number().int().min(1).nullable() })
  .transform((entry): OrderedCommand => entry);

/** What a device sends: its commands in sequence, and the last position that it knows. */
export const syncRequestCodec = z.object({
  commands: z.array(commandCodec).max(200),
  known: z.number().int().min(0),
  /** Over the ids of all commands that the device takes to be on the server; a version before did not say it. */
  digest: z
    .string()
    .regex(/^[0-9a-f]{32}$/)
    .exactOptional(),
});

/** What the server answers: what is committed, and what came in since the device last heard. */
export const syncReplyCodec = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("accepted"),
    commands: z.array(orderedCommandCodec),
    /** The plan's newest revision; another than the pinned one is offered on the floor. */
    newestRevision: idField("revision"),
  }),
  /** The server does not hold what the device takes it to hold: all that it does hold. Nothing was accepted. */
  z.object({
    kind: z.literal("differs"),
    ids: z.array(idField("command")),
    commands: z.array(orderedCommandCodec),
  }),
  z.object({
    kind: z.literal("refused"),
    code: z.enum(["missing", "erased", "gap", "unknownEquipment", "foreignRun"]),
    expectedSeq: z.number().int().nullable(),
  }),
]);
export type SyncReply = z.infer<typeof syncReplyCodec>;
