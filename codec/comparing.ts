import { z } from "zod";
import { idField, movementField } from "~/core/kernel/index.ts";
import { comparingField } from "~/core/log/index.ts";
import { textField } from "./text.ts";

/** Longest reason that is kept with a word on comparing. */
const REASON = 500;

/** What does not matter when sessions of an exercise are compared, for whom, on which equipment, and why. */
export const comparingFormCodec = z
  .object({
    /** The exercise and its equipment, as `lastKey` names them. */
    at: z.string().max(200),
    equipment: z.enum(["this", "all"], { error: "Choose this equipment or all." }),
    who: z.enum(["this", "all"], { error: "Choose this client or all." }),
    /** A condition, or a parameter of the set-up behind a colon. */
    condition: z.string().max(100),
    reason: textField("a reason", REASON),
  })
  .transform(({ at, condition, ...rest }, context) => {
    const space = at.indexOf(" ");
    const colon = condition.indexOf(":");
    const read = z
      .object({ movement: movementField, station: idField("station") })
      .safeParse({ movement: at.slice(0, space), station: at.slice(space + 1) });
    const said = comparingField.safeParse({
      movement: at.slice(0, space),
      condition: colon < 0 ? condition : condition.slice(0, colon),
      parameter: colon < 0 ? null : condition.slice(colon + 1),
    });
    if (!read.success || !said.success) {
      context.addIssue({ code: "custom", message: "Choose an exercise and what does not matter." });
      return z.NEVER;
    }
    return { ...rest, ...said.data, station: read.data.station };
  });

export const withdrawComparingCodec = z.object({ withdraw: idField("comparing") });
