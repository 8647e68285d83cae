import { kind } from "../../kernel/index.ts";
import { bands, unit } from "../loading-fields.ts";

/**
 * Bands in order of tension. Reading: the nominal tension of the band used; what it pulls changes with its
 * stretch, so the total moved stays unknown.
 */
export const definition = kind("band", { unit, bands });
