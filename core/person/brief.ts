import type { Joint, Pattern, Region, Day, Id, MovementRef, Minutes } from "../kernel/index.ts";
import type { LoadingKind } from "../gym/index.ts";
import type { ApproachRef } from "./approach.ts";
import { NO_OWN_VOLUME, type OwnVolume } from "./own-volume.ts";

export const GOALS = [
  "size",
  "strength",
  "definition",
  "symmetry",
  "firstSteps",
  "returning",
] as const;
export type Goal = (typeof GOALS)[number];

export const LEVELS = ["beginner", "trained", "advanced"] as const;
export type Level = (typeof LEVELS)[number];

/** What in a movement provokes a pain. Each is read off the movement's own facts. */
export const PROVOCATIONS = [
  "loadOnSpine",
  "kneeLoad",
  "hipLoad",
  "deepStretch",
  "grip",
  "balance",
] as const;
export type Provocation = (typeof PROVOCATIONS)[number];

/** Pain and what may be trained around it. Scores are out of ten; `allowed` is what the coach accepts. */
export interface Limit {
  readonly joint: Joint;
  readonly provokedBy: Provocation;
  readonly since: Day | null;
  readonly severity: number;
  readonly allowed: number;
}

/** What a professional said about a kind of movement, and when. */
export interface Clearance {
  readonly verdict: "cleared" | "forbidden";
  readonly pattern: Pattern;
  readonly by: string;
  readonly on: Day | null;
}

export const TIGHT_SPOTS = ["ankle", "hip", "hamstrings"] as const;
export type TightSpot = (typeof TIGHT_SPOTS)[number];

/** Circumstances in which a professional clears somebody first. */
export const CAUTIONS = ["pregnancy", "heart", "bloodPressure", "surgery"] as const;
export type Caution = (typeof CAUTIONS)[number];

/**
 * What a coach knows of a person before any exercise is chosen. Null and empty are "not known", which
 * constrains nothing. Every field has an effect (see `effectsOf`).
 */
export interface Brief {
  readonly goal: Goal;
  readonly level: Level;
  readonly birthYear: number | null;
  readonly trainingYears: number | null;
  readonly approach: ApproachRef | null;
  readonly cautions: readonly Caution[];
  readonly screenedBy: string;
  readonly screenedOn: Day | null;
  readonly clearances: readonly Clearance[];
  readonly limbs: "unknown" | "longThighs" | "even" | "longTrunk";
  readonly tight: readonly TightSpot[];
  readonly priorities: readonly Region[];
  readonly notToGrow: readonly Region[];
  readonly weakerSide: "left" | "right" | null;
  readonly weakerSideCause: string;
  readonly limits: readonly Limit[];
  readonly gyms: readonly Id<"gym">[];
  readonly daysPerWeek: number | null;
  readonly minutesCap: Minutes | null;
  readonly helper: "alone" | "partner" | "spotter" | "unknown";
  readonly likes: readonly MovementRef[];
  readonly dislikes: readonly MovementRef[];
  /** Kinds of equipment that this client does not train with: no rack, no machines. */
  readonly noEquipment: readonly LoadingKind[];
  readonly gear: readonly string[];
  /** Hard sets for this client in place of the approach's. */
  readonly ownVolume: OwnVolume;
}

export const EMPTY_BRIEF: Brief = {
  goal: "size",
  level: "trained",
  birthYear: null,
  trainingYears: null,
  approach: null,
  cautions: [],
  screenedBy: "",
  screenedOn: null,
  clearances: [],
  limbs: "unknown",
  tight: [],
  priorities: [],
  notToGrow: [],
  weakerSide: null,
  weakerSideCause: "",
  limits: [],
  gyms: [],
  daysPerWeek: null,
  minutesCap: null,
  helper: "unknown",
  likes: [],
  dislikes: [],
  noEquipment: [],
  gear: [],
  ownVolume: NO_OWN_VOLUME,
};

/** True for somebody who is new or returns: few hard sets at first, since severe soreness can be dangerous. */
export function isNewToThis(brief: Brief): boolean {
  return (
    brief.goal === "firstSteps" ||
    brief.goal === "returning" ||
    (brief.trainingYears !== null && brief.trainingYears < 0.5)
  );
}

/** True where there are straps among the client's own gear. */
export const hasStraps = ({ gear }: Pick<Brief, "gear">): boolean =>
  gear.some((name) => name.toLowerCase().includes("strap"));

/** The age at the end of the year, or null where no year of birth is known. */
export function ageIn(brief: Brief, year: number): number | null {
  return brief.birthYear === null ? null : year - brief.birthYear;
}

/**
 * Why a professional should clear this person before hard training, where nobody has: minority, sixty-five
 * and older, or a stated caution. Source: PRACTICE.md §10; ages: our rule.
 */
export function needsClearing(brief: Brief, year: number): "minor" | "older" | Caution | null {
  if (brief.screenedBy.trim() !== "" && brief.screenedOn !== null) return null;
  const [caution] = brief.cautions;
  if (caution !== undefined) return caution;
  const age = ageIn(brief, year);
  if (age === null) return null;
  return age < 18 ? "minor" : age >= 65 ? "older" : null;
}
