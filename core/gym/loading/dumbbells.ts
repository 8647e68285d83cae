import { z } from "zod";
import { kind } from "../../kernel/index.ts";
import { someLoads, unit } from "../loading-fields.ts";

/** Two alike. Reading: one of them (`each`) or both together (`pair`). */
export const definition = kind("dumbbells", {
  unit,
  present: someLoads,
  counted: z.enum(["each", "pair"]),
});
