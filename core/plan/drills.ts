import { unionOf, type FamilyOf } from "../kernel/index.ts";
import * as coolDown from "./item/cool-down.ts";
import * as intervals from "./item/intervals.ts";
import * as mobility from "./item/mobility.ts";
import * as preFatigue from "./item/pre-fatigue.ts";
import * as pulseRaiser from "./item/pulse-raiser.ts";
import * as selfMassage from "./item/self-massage.ts";
import * as steadyCardio from "./item/steady-cardio.ts";
import * as stretch from "./item/stretch.ts";

/** The kinds of drills; the only list of them. */
export const DRILLS = {
  pulseRaiser,
  mobility,
  preFatigue,
  stretch,
  steadyCardio,
  intervals,
  coolDown,
  selfMassage,
} as const;

export type Drill = FamilyOf<typeof DRILLS>;
export type DrillKind = Drill["kind"];
export const drillField = unionOf(DRILLS);
