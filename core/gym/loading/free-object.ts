import { kind } from "../../kernel/index.ts";
import { oneOrTwo, someLoads, unit } from "../loading-fields.ts";

/** Kettlebells, sandbags, single plates. Reading: one of them, also where two are held. */
export const definition = kind("freeObject", { unit, present: someLoads, held: oneOrTwo });
