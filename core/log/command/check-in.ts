import { z } from "zod";
import { kind, massField } from "../../kernel/index.ts";
import { isPlausible } from "../../person/index.ts";

/** How the trainee comes to the session: body weight, and readiness out of five. Null: not said. */
export const definition = kind("checkIn", {
  bodyWeight: massField
    .refine((weight) => isPlausible("bodyWeight", weight), "expected the weight of a person")
    .nullable(),
  readiness: z.number().int().min(1).max(5).nullable(),
});

export const subject = () => "checkIn";
