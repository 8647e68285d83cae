import { unionOf, type FamilyOf } from "../kernel/index.ts";
import * as felt from "./intensity/felt.ts";
import * as heartRate from "./intensity/heart-rate.ts";
import * as unsaid from "./intensity/unsaid.ts";

/** The ways to say how hard something is that has no load; the only list of them. */
export const INTENSITIES = { unsaid, felt, heartRate } as const;

/** How hard something is done that has no load: as felt out of ten, or by the heart. */
export type Intensity = FamilyOf<typeof INTENSITIES>;
export const intensityField = unionOf(INTENSITIES);
