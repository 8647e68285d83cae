import { kind } from "../../kernel/index.ts";
import { loads, movedShare, unit } from "../loading-fields.ts";

/** `movedShare` of the body is moved, with what can be added. Reading: the added load, 0 for none. */
export const definition = kind("bodyweight", { unit, movedShare, added: loads });
