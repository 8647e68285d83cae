import { z } from "zod";
import type { OrderedCommand } from "~/core/log/index.ts";
import { JOINTS, LIMITERS } from "~/core/movement/index.ts";
import {
  countCodec,
  idCodec,
  massCodec,
  metresCodec,
  movementRefCodec,
  rirCodec,
  secondsCodec,
  tempoCodec,
} from "./values.ts";

const sideCodec = z.enum(["both", "left", "right"]);

const partKeyCodec = z.object({
  setId: idCodec<"set">(),
  extensionId: idCodec<"extension">().nullable(),
  round: z.number().int().min(0).max(1000),
  ordinal: z.number().int().min(0).max(1000),
  side: sideCodec,
});

const partCodec = z.object({
  id: idCodec<"part">(),
  slotId: idCodec<"slot">(),
  key: partKeyCodec,
  stationVersion: idCodec<"stationVersion">(),
  reading: massCodec.nullable(),
  platesHung: z.array(massCodec).max(40).nullable(),
  fullReps: countCodec.nullable(),
  partialReps: countCodec.nullable(),
  forcedReps: countCodec.nullable(),
  seconds: secondsCodec.nullable(),
  steps: countCodec.nullable(),
  metres: metresCodec.nullable(),
  rir: rirCodec,
  limiter: z.enum(LIMITERS).nullable(),
  note: z.string().max(2000),
});

const contextCodec = z.object({
  slotId: idCodec<"slot">(),
  lineId: idCodec<"line">(),
  movement: movementRefCodec,
  station: idCodec<"station">(),
  stationVersion: idCodec<"stationVersion">(),
  setUp: z.record(z.string().max(60), z.string().max(60)),
  tempo: tempoCodec,
  restSeconds: secondsCodec.nullable(),
  hardSetsBefore: z.number().int().min(0).max(1000),
  gear: z
    .array(z.object({ name: z.string().max(60), fromSet: z.number().int().min(1).max(1000) }))
    .max(20)
    .nullable(),
  helper: z.enum(["alone", "partner", "spotter", "unknown"]),
  bodyWeight: massCodec.nullable(),
});

const bodyCodec = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("part"), part: partCodec }),
  z.object({ kind: z.literal("removePart"), key: partKeyCodec }),
  z.object({ kind: z.literal("context"), context: contextCodec }),
  z.object({
    kind: z.literal("pain"),
    id: idCodec<"pain">(),
    slotId: idCodec<"slot">(),
    key: partKeyCodec.nullable(),
    joint: z.enum(JOINTS),
    side: sideCodec,
    score: z.number().int().min(0).max(10),
    note: z.string().max(2000),
  }),
  z.object({
    kind: z.literal("note"),
    slotId: idCodec<"slot">().nullable(),
    text: z.string().max(4000),
  }),
  z.object({ kind: z.literal("skip"), slotId: idCodec<"slot">(), reason: z.string().max(500) }),
  z.object({ kind: z.literal("end"), sessionEffort: z.number().int().min(0).max(10).nullable() }),
]);

/** A command as it travels and as it is stored. */
export const commandCodec = z.object({
  commandId: idCodec<"command">(),
  runId: idCodec<"run">(),
  device: idCodec<"device">(),
  seq: z.number().int().min(1).max(1_000_000),
  parent: idCodec<"command">().nullable(),
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
});

/** What the server answers: what is committed, and what came in since the device last heard. */
export const syncReplyCodec = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("accepted"),
    commands: z.array(orderedCommandCodec),
    /** The plan's newest revision; another than the pinned one is offered on the floor. */
    newestRevision: idCodec<"revision">(),
  }),
  z.object({
    kind: z.literal("refused"),
    code: z.enum(["erased", "gap", "unknownParent", "foreignRun"]),
    expectedSeq: z.number().int().nullable(),
  }),
]);
export type SyncReply = z.infer<typeof syncReplyCodec>;
