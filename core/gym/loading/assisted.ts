import { kind } from "../../kernel/index.ts";
import { movedShare, someLoads, unit } from "../loading-fields.ts";

/** A counterweight carries part of the body. Reading: the counterweight, so a higher one is easier. */
export const definition = kind("assisted", { unit, movedShare, pins: someLoads });
