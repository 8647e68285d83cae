import { z } from "zod";
import { kind } from "../../kernel/index.ts";

/** The session is over, with the effort of the whole out of ten. */
export const definition = kind("end", {
  sessionEffort: z.number().int().min(0).max(10).nullable(),
});

export const subject = () => "end";
