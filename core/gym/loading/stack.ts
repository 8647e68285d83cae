import { kind } from "../../kernel/index.ts";
import { addOns, pulleyRatio, someLoads, unit } from "../loading-fields.ts";

/**
 * A pin, with optional add-ons (each once). Reading: pin label and add-ons. `pulleyRatio` is the share of the
 * reading that is moved at the handle.
 */
export const definition = kind("stack", { unit, pins: someLoads, addOns, pulleyRatio });
