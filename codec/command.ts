import { z } from "zod";
import { idField } from "~/core/kernel/index.ts";
import { commandField, type OrderedCommand } from "~/core/log/index.ts";

/** A command as it travels and as it is stored. */
export const commandCodec = commandField;

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
