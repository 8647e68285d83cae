import { kind } from "../../kernel/index.ts";
import { maybe, plates, unit } from "../loading-fields.ts";

/** Two sleeves, plates in pairs. Reading: bar and plates; with an unknown bar the hung plates only. */
export const definition = kind("bar", { unit, bar: maybe, plates });
