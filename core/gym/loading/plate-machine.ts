import { kind } from "../../kernel/index.ts";
import { maybe, oneOrTwo, plates, unit } from "../loading-fields.ts";

/** One or two loading points filled alike. Reading: the hung plates, never the carriage. */
export const definition = kind("plateMachine", { unit, carriage: maybe, points: oneOrTwo, plates });
