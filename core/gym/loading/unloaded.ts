import { kind } from "../../kernel/index.ts";
import { unit } from "../loading-fields.ts";

/** Nothing to load. Reading: always 0. */
export const definition = kind("unloaded", { unit });
