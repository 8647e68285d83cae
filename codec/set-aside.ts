import { z } from "zod";
import { idCodec } from "./values.ts";

/** A finding set aside with its reason, or one taken back. The fact is kept as it stood on the screen. */
export const setAsideCodec = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("setAside"),
    key: z.string().min(1).max(200),
    fact: z.looseObject({ code: z.string().max(60) }),
    reason: z.string().trim().min(1).max(500),
  }),
  z.object({ kind: z.literal("takeBack"), id: idCodec<"dismissal">() }),
]);
