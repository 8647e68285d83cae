import { EMPTY_BRIEF, type MeasuredKind } from "~/core/person/index.ts";
import { type MassUnit, minutes } from "~/core/kernel/index.ts";
import type { BriefDocument } from "~/codec/brief.ts";

/** What a trainee's brief says, and how their body weight went: a start and the change of every week. */
export interface DemoBrief {
  readonly document: BriefDocument;
  readonly weight: {
    readonly start: number;
    readonly weekly: number;
    readonly unit: MassUnit;
  } | null;
  readonly girths: readonly (readonly [MeasuredKind, "left" | "right" | "both", number])[];
}

const brief = (over: Partial<BriefDocument>): BriefDocument => ({ ...EMPTY_BRIEF, ...over });

/** By the name of the trainee. */
export const BRIEFS: Readonly<Record<string, DemoBrief>> = {
  "Odra Velling": {
    document: brief({
      goal: "size",
      birthYear: 1991,
      trainingYears: 11,
      approach: "shipped:long-muscle",
      priorities: ["vastusMedialis", "rectusFemoris"],
      notToGrow: ["adductors"],
      daysPerWeek: 2,
      minutesCap: minutes(75),
      helper: "partner",
      gear: ["belt", "sleeves"],
      likes: ["shipped:leg-press", "shipped:leg-extension"],
    }),
    weight: { start: 66.4, weekly: 0.2, unit: "kg" },
    girths: [
      ["thigh", "left", 58.5],
      ["thigh", "right", 58.9],
    ],
  },
  "Sorrel Tavish": {
    document: brief({
      goal: "strength",
      birthYear: 1987,
      trainingYears: 5,
      approach: "shipped:even-ground",
      daysPerWeek: 1,
      minutesCap: minutes(70),
      helper: "alone",
    }),
    weight: { start: 78.2, weekly: 0.05, unit: "kg" },
    girths: [],
  },
  "Bevan Istrate": {
    document: brief({
      goal: "firstSteps",
      birthYear: 1998,
      trainingYears: 0.8,
      approach: "shipped:first-steps",
      tight: ["ankle"],
      limbs: "longThighs",
      daysPerWeek: 2,
      minutesCap: minutes(60),
      helper: "alone",
    }),
    weight: { start: 81.2, weekly: -0.1, unit: "kg" },
    girths: [],
  },
  "Ilka Marrow": {
    document: brief({
      goal: "returning",
      birthYear: 1979,
      trainingYears: 6,
      screenedBy: "the physiotherapist at Quay Street",
      limits: [
        { joint: "knee", provokedBy: "kneeLoad", since: null, severity: 3, allowed: 3 },
        { joint: "lowBack", provokedBy: "loadOnSpine", since: null, severity: 2, allowed: 3 },
      ],
      weakerSide: "left",
      weakerSideCause: "guarding the knee since the summer",
      daysPerWeek: 2,
      minutesCap: minutes(60),
      helper: "alone",
    }),
    weight: { start: 71, weekly: 0, unit: "kg" },
    girths: [
      ["thigh", "left", 53.8],
      ["thigh", "right", 55.1],
    ],
  },
  "Tamsin Kroll": {
    document: brief({
      goal: "strength",
      birthYear: 1988,
      trainingYears: 5,
      approach: "shipped:heavy-iron",
      daysPerWeek: 1,
      minutesCap: minutes(90),
      helper: "spotter",
      gear: ["lifting straps", "belt"],
      dislikes: ["shipped:leg-extension"],
    }),
    weight: { start: 146, weekly: 0.3, unit: "lb" },
    girths: [],
  },
  "Perrin Auld": {
    document: brief({
      goal: "firstSteps",
      birthYear: 1958,
      trainingYears: 0,
      approach: "shipped:first-steps",
      cautions: ["bloodPressure"],
      tight: ["hip", "ankle"],
      daysPerWeek: 1,
      minutesCap: minutes(45),
      helper: "alone",
    }),
    weight: null,
    girths: [],
  },
  "Corvin Hale": {
    document: brief({
      goal: "strength",
      birthYear: 1993,
      trainingYears: 4,
      approach: "shipped:heavy-iron",
      daysPerWeek: 2,
      minutesCap: minutes(75),
      helper: "spotter",
    }),
    weight: { start: 82, weekly: 0.1, unit: "kg" },
    girths: [],
  },
  "Wren Castellan": {
    document: brief({
      goal: "definition",
      birthYear: 1990,
      trainingYears: 6,
      daysPerWeek: 1,
      minutesCap: minutes(60),
      priorities: ["gluteusMaximus"],
      helper: "alone",
    }),
    weight: { start: 66, weekly: -0.25, unit: "kg" },
    girths: [],
  },
};
