import { z } from "zod";
import { idField } from "~/core/kernel/index.ts";
import { WAYS } from "~/core/progress/index.ts";

const line = { slotId: idField("slot"), line: idField("line") };
const shown = z.string().max(20);
const session = idField("sessionLog");

/** How many sessions are accepted, or taken back, in one go. */
const MOST = 400;

/** What Today sends: the coach's word on what waits, and how it is taken back. */
export const decideCodec = z.discriminatedUnion("intent", [
  z.object({ intent: z.literal("accept"), session, ...line, shown }),
  z.object({ intent: z.literal("way"), session, ...line, shown, way: z.enum(WAYS) }),
  z.object({
    intent: z.literal("change"),
    session,
    ...line,
    shown,
    load: z.string().max(20),
    reason: z.string().max(500),
  }),
  z.object({ intent: z.literal("takeBack"), session, ...line }),
  /** Accepts what needs no coach, each line with the mark of what was shown, and plans the next sessions. */
  z.object({
    intent: z.literal("acceptAll"),
    sessions: z
      .array(z.object({ id: session, lines: z.array(z.object({ ...line, shown })).max(200) }))
      .min(1)
      .max(MOST),
  }),
  z.object({ intent: z.literal("takeBackAll"), sessions: z.array(session).min(1).max(MOST) }),
  z.object({
    intent: z.literal("putOff"),
    person: idField("person"),
    subject: z.string().min(1).max(140),
    isPutOff: z.boolean(),
    /** For so many days. */
    days: z.int().min(1).max(60),
  }),
  z.object({ intent: z.literal("drop"), plan: idField("plan"), isDropped: z.boolean() }),
  /** Shows whoever is signed in their own clients alone, or all of the studio. */
  z.object({ intent: z.literal("show"), isMine: z.boolean() }),
  z.object({ intent: z.literal("workOut") }),
]);
export type DecideAction = z.output<typeof decideCodec>;

/** What is answered: what could not be done, and of several sessions those that were. */
export interface DecideReply {
  readonly problem: string | null;
  readonly planned?: readonly string[];
  readonly left?: number;
}
