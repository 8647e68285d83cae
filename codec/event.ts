import { z } from "zod";
import { idField, type Day } from "~/core/kernel/index.ts";
import { plannedDayField } from "./days.ts";
import { textField } from "./text.ts";
import { dayCodec } from "./values.ts";

/** What an event of the season can be. */
export const EVENT_KINDS = ["show", "test", "holiday", "travel", "other"] as const;
export type EventKind = (typeof EVENT_KINDS)[number];

const orNull = <S extends z.ZodType>(field: S) =>
  z.union([z.literal("").transform(() => null), field]).default(null);

/** An event as its form has it; one day where no last one is said. */
export function eventFormCodec(today: Day) {
  return z
    .object({
      personId: orNull(idField("person")),
      kind: z.enum(EVENT_KINDS),
      name: textField("a name, like Spring show", 80),
      starts: plannedDayField(today),
      ends: orNull(plannedDayField(today)),
      gymId: orNull(idField("gym")),
    })
    .transform(({ ends, ...event }) => ({ ...event, ends: ends ?? event.starts }))
    .refine(({ starts, ends }) => ends >= starts, {
      path: ["ends"],
      error: "The last day comes before the first.",
    });
}
export type EventForm = z.output<ReturnType<typeof eventFormCodec>>;

/** What the calendar sends: a phase or an event that moves, as it was shown, and one that goes. */
export const seasonActionCodec = z.discriminatedUnion("intent", [
  z.object({
    intent: z.literal("movePhase"),
    phase: idField("phase"),
    days: z.int().min(-800).max(800),
    /** Everything that was shown to move, with its new first day. */
    shown: z
      .array(z.object({ id: idField("phase"), to: dayCodec }))
      .min(1)
      .max(60),
  }),
  z.object({
    intent: z.literal("moveEvent"),
    event: idField("event"),
    starts: dayCodec,
    ends: dayCodec,
  }),
  z.object({ intent: z.literal("removeEvent"), event: idField("event") }),
]);
export type SeasonAction = z.output<typeof seasonActionCodec>;
