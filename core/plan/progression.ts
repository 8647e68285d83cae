import { unionOf, type FamilyOf } from "../kernel/index.ts";
import * as doubleProgression from "./progression/double-progression.ts";
import * as keepLoad from "./progression/keep-load.ts";

/** The ways in which a line moves on; the only list of them. */
export const PROGRESSIONS = { doubleProgression, keepLoad } as const;

/** How a line of an exercise moves on from session to session. */
export type ProgressionRule = FamilyOf<typeof PROGRESSIONS>;
export const progressionField = unionOf(PROGRESSIONS);
