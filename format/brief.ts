import {
  type ApproachRef,
  PROVOCATIONS,
  type Brief,
  type BriefField,
  type Caution,
  type Effect,
  type Exclusion,
  type Goal,
  type Limit,
  type Provocation,
  type TightSpot,
  type Watched,
  type MeasuredKind,
  type Measurement,
  type OwnVolume,
} from "~/core/person/index.ts";
import { type MovementRef, type Region, assertNever } from "~/core/kernel/index.ts";
import { formatShortDay, plural } from "./numbers.ts";
import { LOADING_NAMES } from "./station.ts";
import { JOINT_NAMES, LEVEL_NAMES, PATTERN_NAMES, SIDE_NAMES, WHO_IS } from "./training.ts";
import type { MuscleNames } from "./muscles.ts";

export const GOAL_NAMES: Readonly<Record<Goal, string>> = {
  size: "Size",
  strength: "Strength",
  definition: "Definition",
  symmetry: "Symmetry",
  firstSteps: "First steps",
  returning: "Return after a break",
};

export const PROVOCATION_NAMES: Readonly<Record<Provocation, string>> = {
  loadOnSpine: "load on the spine",
  kneeLoad: "load on the bent knee",
  hipLoad: "load on the hip",
  deepStretch: "deep stretch under load",
  grip: "gripping",
  balance: "balancing",
};

export const PROVOCATION_OPTIONS = PROVOCATIONS.map((p) => [p, PROVOCATION_NAMES[p]] as const);

export const CAUTION_NAMES: Readonly<Record<Caution, string>> = {
  pregnancy: "Pregnancy",
  heart: "Heart condition",
  bloodPressure: "Uncontrolled blood pressure",
  surgery: "Recent surgery",
};

export const TIGHT_NAMES: Readonly<Record<TightSpot, string>> = {
  ankle: "Ankles",
  hip: "Hips",
  hamstrings: "Hamstrings",
};

export const LIMB_NAMES: Readonly<Record<Brief["limbs"], string>> = {
  unknown: "Not known",
  longThighs: "Long thighs for the trunk",
  even: "Even",
  longTrunk: "Long trunk for the legs",
};

export const HELPER_NAMES: Readonly<Record<Brief["helper"], string>> = {
  unknown: "Not known",
  alone: "Alone",
  partner: "With a partner",
  spotter: "With a spotter",
};

export const FIELD_NAMES: Readonly<Record<BriefField, string>> = {
  goal: "Goal",
  level: "Level",
  birthYear: "Year of birth",
  trainingYears: "Years of training",
  approach: "Approach",
  cautions: "Screening",
  screenedBy: "Screened by",
  screenedOn: "Screened on",
  clearances: "Cleared and forbidden",
  limbs: "Proportions",
  tight: "Mobility limits",
  priorities: "Priorities",
  notToGrow: "Keep from growing",
  weakerSide: "Weaker side",
  weakerSideCause: "Its cause",
  limits: "Pains and limits",
  gyms: "Gyms",
  daysPerWeek: "Days a week",
  minutesCap: "Time for a session",
  helper: "Spotter or partner",
  likes: "Likes",
  dislikes: "Dislikes",
  noEquipment: "Does not train with",
  gear: "Own gear",
  ownVolume: "Own hard sets",
};

export const BRIEF_FIELDS = Object.keys(FIELD_NAMES) as readonly BriefField[];

/** Hard sets of one's own as a list; empty where there are none. */
export function formatOwnVolume(
  { weekly, session, exercise, isolation }: OwnVolume,
  muscles: MuscleNames,
): string {
  const ranges = Object.entries(weekly).map(
    ([region, { low, high }]) => `${muscles.row[region as Region]} ${low}–${high} a week`,
  );
  const caps = [
    [session, "in a session"],
    [exercise, "of an exercise"],
    [isolation, "a muscle where most is isolation"],
  ].flatMap(([most, of]) => (most === null ? [] : [`at most ${most} ${of}`]));
  return [...caps, ...ranges].join(", ");
}

const WATCHED: Readonly<Record<Watched, string>> = {
  bandsHalved: "halves the weekly sets and caps a session at 10 hard sets",
  clearingAsked: "asks for medical clearance before hard training",
  ownSets: "is what hard sets are held against, before the approach",
  settings: "sets order, effort, sets, rest and what is found missing",
  heelsAndDepth: "suggests raised heels where an exercise allows them",
  supportedSquats: "suggests supported squats beside free ones",
  priorityFirst: "puts these first",
  noGrowth: "warns above 4 direct sets a week",
  weakSideFirst: "lets that side begin",
  gyms: "offers these gyms first",
  weekSpread: "spreads the week's sets over that many sessions",
  timeCap: "warns when a session runs over",
  limitAlone: "warns of sets to failure that are not safe alone",
  strapsAnswerGrip: "offers straps where the grip gives out first",
  loadHeld: "counts a held load as success while body weight falls",
  progressCounts: "counts rising reps and loads",
};

/** "rules out 23 exercises"; null where a field says nothing yet. */
export function formatEffect(effect: Effect): string | null {
  const exercises = (n: number) => plural(n, "exercise");
  switch (effect.kind) {
    case "takesOut":
      return effect.movements === 0 ? null : `rules out ${exercises(effect.movements)}`;
    case "ranksUp":
      return `puts ${exercises(effect.movements)} first`;
    case "watches":
      return WATCHED[effect.what];
    case "none":
      return null;
    default:
      return assertNever(effect);
  }
}

/** "knee, aggravated by load on the bent knee, 4 of 10 (up to 3 allowed)" */
export function formatLimit(limit: Limit): string {
  return `${JOINT_NAMES[limit.joint]}, aggravated by ${PROVOCATION_NAMES[limit.provokedBy]}, ${limit.severity} of 10 (up to ${limit.allowed} allowed)`;
}

/** Why a brief takes a movement out, as half a sentence. */
export function formatExclusion(why: Exclusion): string {
  switch (why.code) {
    case "limit":
      return `${JOINT_NAMES[why.joint]} hurts at ${why.severity} of 10 with ${PROVOCATION_NAMES[why.provokedBy]}, and this asks ${why.asks} of it`;
    case "forbidden":
      return `${PATTERN_NAMES[why.pattern].toLowerCase()} was forbidden by ${why.by}`;
    case "level":
      return `needs ${WHO_IS[why.needs]}; the client is ${WHO_IS[why.has]}`;
    case "equipment":
      return `${LOADING_NAMES[why.loading].toLowerCase()} is ruled out by the brief`;
    case "needsHands":
      return `takes a second pair of hands, and the client trains alone; ${why.handsFree} does without`;
    case "disliked":
      return "is disliked";
    default:
      return assertNever(why);
  }
}

export const MEASURED_NAMES: Readonly<Record<MeasuredKind, string>> = {
  bodyWeight: "Body weight",
  calf: "Calf girth",
  thigh: "Thigh girth",
  hip: "Hip girth",
  waist: "Waist girth",
  readiness: "Readiness",
};

/** "82.4 kg", "38.5 cm left", "4 of 5". */
export function formatMeasurement({ value, side }: Measurement): string {
  const amount = value.thousandths / 1000;
  if (value.unit === "ofFive") return `${amount} of 5`;
  return `${amount} ${value.unit}${side === "both" ? "" : ` ${side}`}`;
}

const listed = (texts: readonly string[]) => texts.join(", ");

/** How what a brief refers to is called, and the year against which an age is said. */
export interface BriefNames {
  readonly approach: (ref: ApproachRef | null) => string;
  /** Null for a gym that is no longer the studio's. */
  readonly gym: (id: string) => string | null;
  readonly movement: (ref: MovementRef) => string;
  readonly muscles: MuscleNames;
  readonly year: number;
}

/** What a field of a brief says, in words; empty where nothing is known. */
export function formatBriefField(field: BriefField, brief: Brief, names: BriefNames): string {
  switch (field) {
    case "goal":
      return GOAL_NAMES[brief.goal];
    case "level":
      return LEVEL_NAMES[brief.level];
    case "birthYear":
      return brief.birthYear === null
        ? ""
        : `${brief.birthYear}, turns ${names.year - brief.birthYear} this year`;
    case "trainingYears":
      return brief.trainingYears === null ? "" : `${brief.trainingYears} years`;
    case "approach":
      return names.approach(brief.approach);
    case "cautions":
      return [
        listed(brief.cautions.map((c) => CAUTION_NAMES[c])),
        brief.screenedBy === ""
          ? ""
          : `screened by ${brief.screenedBy}${brief.screenedOn === null ? "" : ` on ${formatShortDay(brief.screenedOn)}`}`,
      ]
        .filter((t) => t !== "")
        .join("; ");
    case "clearances":
      return brief.clearances
        .map((c) => `${PATTERN_NAMES[c.pattern]} ${c.verdict} by ${c.by}`)
        .join("; ");
    case "limbs":
      return brief.limbs === "unknown" ? "" : LIMB_NAMES[brief.limbs];
    case "tight":
      return listed(brief.tight.map((t) => TIGHT_NAMES[t]));
    case "priorities":
      return brief.priorities.map((r) => names.muscles.row[r]).join(" · ");
    case "notToGrow":
      return brief.notToGrow.map((r) => names.muscles.row[r]).join(" · ");
    case "weakerSide":
      return brief.weakerSide === null
        ? ""
        : `${SIDE_NAMES[brief.weakerSide]}${brief.weakerSideCause === "" ? "" : `: ${brief.weakerSideCause}`}`;
    case "limits":
      return brief.limits.map(formatLimit).join("; ");
    case "gyms":
      return listed(brief.gyms.flatMap((id) => names.gym(id) ?? []));
    case "daysPerWeek":
      return brief.daysPerWeek === null ? "" : String(brief.daysPerWeek);
    case "minutesCap":
      return brief.minutesCap === null ? "" : `${brief.minutesCap} minutes at most`;
    case "helper":
      return brief.helper === "unknown" ? "" : HELPER_NAMES[brief.helper];
    case "likes":
      return listed(brief.likes.map(names.movement));
    case "dislikes":
      return listed(brief.dislikes.map(names.movement));
    case "noEquipment":
      return listed(brief.noEquipment.map((kind) => LOADING_NAMES[kind].toLowerCase()));
    case "gear":
      return listed(brief.gear);
    case "ownVolume":
      return formatOwnVolume(brief.ownVolume, names.muscles);
    case "screenedBy":
      return brief.screenedBy;
    case "screenedOn":
      return brief.screenedOn === null ? "" : formatShortDay(brief.screenedOn);
    case "weakerSideCause":
      return brief.weakerSideCause;
    default:
      return assertNever(field);
  }
}
