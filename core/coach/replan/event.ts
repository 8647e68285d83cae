import { kindsOf, unionOf, type FamilyOf } from "../../kernel/index.ts";
import * as away from "./away.ts";
import * as equipmentGone from "./equipment-gone.ts";
import * as flareUp from "./flare-up.ts";
import * as missed from "./missed.ts";
import * as otherGym from "./other-gym.ts";
import * as showEarlier from "./show-earlier.ts";

/** What goes wrong in a phase, so that the rest of it is replanned; the only list of them. */
export const REPLAN_EVENTS = {
  missed,
  away,
  equipmentGone,
  otherGym,
  flareUp,
  showEarlier,
} as const;
export type ReplanEvent = FamilyOf<typeof REPLAN_EVENTS>;
export const REPLAN_EVENT_KINDS = kindsOf(REPLAN_EVENTS);
export const replanEventField = unionOf(REPLAN_EVENTS);
