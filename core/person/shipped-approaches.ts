import type { Approach, ApproachRef } from "./approach.ts";
import type { Stances } from "./questions.ts";

const MIDDLE: Stances = {
  order: "compoundFirst",
  effort: "reserve",
  volume: "moderate",
  extensions: "nothing",
  frequency: "twiceVariants",
  repetitions: "highRepCalves",
  rest: "twoMinutes",
  tempo: "lessLoad",
  emphasis: "allLengths",
  lockout: "harmless",
  depth: "tension",
  footPosition: "hardly",
  squats: "structure",
  curls: "both",
  kneeExtension: "everyWeek",
  abductionMachines: "useful",
  calves: "needed",
  sides: "equal",
  preparation: "lightSets",
  headAndBreath: "neutralHeld",
  spotter: "safeties",
  burn: "tolerated",
  definition: "bodyFat",
  variety: "everyFewWeeks",
  load: "oneIndicator",
};

/** The approaches that ship. Each is a bundle of views that coaches hold, under a name of our own. */
export const SHIPPED_APPROACHES: readonly Approach[] = [
  {
    ref: "shipped:even-ground",
    name: "Even Ground",
    summary: "A bit of everything that works, a rep or two short of the limit, twice a week.",
    holds: [
      "Every region of the leg gets moderate weekly work at more than one length.",
      "One or two reps stay in reserve, so that the second day is as good as the first.",
      "Compound lifts lead while the trunk is fresh.",
    ],
    disputed: [
      "Others hold that a reserve wastes sets and only the limit tells.",
      "Others hold that one hard day and a full week of rest does more.",
    ],
    suits: "Most trained people with two days a week, and whoever has no reason for another.",
    stances: MIDDLE,
  },
  {
    ref: "shipped:first-steps",
    name: "First Steps",
    summary:
      "Few movements that are safe to fail, few sets, far from the limit, until form stands.",
    holds: [
      "Skill comes before load: the same few movements, session after session.",
      "Machines and supported positions make failing harmless.",
      "Volume grows only after soreness has become mild.",
    ],
    disputed: [
      "Others start with free squats from the first day.",
      "Others see no need for so much reserve.",
    ],
    suits: "Beginners, people who return after months, and anybody new to training alone.",
    stances: {
      ...MIDDLE,
      volume: "few",
      squats: "machines",
      tempo: "lessLoad",
      depth: "parallel",
      sides: "equal",
      preparation: "mobility",
      variety: "sameForAYear",
      spotter: "wanted",
      curls: "either",
    },
  },
  {
    ref: "shipped:heavy-iron",
    name: "Heavy Iron",
    summary: "Few big lifts, long rests, low reps, and a load that has to rise.",
    holds: [
      "Strength in squat, hinge and press drives everything else.",
      "Three to five minutes of rest keep every set honest.",
      "What does not move the bar is left out.",
    ],
    disputed: [
      "Others see no advantage of heavy free lifts over machines for size.",
      "Load is only one indicator of progress, hold others.",
    ],
    suits: "Strength phases of people with sound technique, safeties and time.",
    stances: {
      ...MIDDLE,
      effort: "reserve",
      volume: "moderate",
      rest: "long",
      repetitions: "heavyCalves",
      squats: "essential",
      depth: "parallel",
      kneeExtension: "lightOnly",
      abductionMachines: "waste",
      calves: "dispensable",
      variety: "sameForAYear",
      load: "mustRise",
      curls: "either",
      lockout: "breather",
    },
  },
  {
    ref: "shipped:long-muscle",
    name: "Long Muscle",
    summary: "Every muscle meets its hardest point in the stretch, with slow lowering and pauses.",
    holds: [
      "Loading a muscle while it is long is worth more than the squeeze.",
      "Seated curls, reclined extensions, deep squats and deficit calf work come first.",
      "Slow lowering and a pause below take the bounce out.",
    ],
    disputed: [
      "How much more the stretch is worth is not settled, and it may differ by muscle.",
      "Others hold that the squeeze or all lengths together matter as much.",
    ],
    suits: "People with healthy tendons, good control and patience with lighter loads.",
    stances: {
      ...MIDDLE,
      effort: "lastSet",
      tempo: "slowLowering",
      emphasis: "stretch",
      depth: "deepest",
      curls: "either",
      kneeExtension: "everyWeek",
      lockout: "never",
      footPosition: "shifts",
    },
  },
  {
    ref: "shipped:brief-and-hard",
    name: "Brief and Hard",
    summary: "One short session a week, everything to the limit on machines that make that safe.",
    holds: [
      "A few sets taken to the limit do what many do short of it.",
      "Isolation first tires the muscle, so that the compound lift needs less load.",
      "A week of rest belongs to the session.",
    ],
    disputed: [
      "Others find more hard sets or a second day worth more.",
      "Limit sets cost recovery and form, others hold.",
    ],
    suits: "Experienced people with little time, good machines and somebody beside them.",
    stances: {
      ...MIDDLE,
      order: "isolationFirst",
      effort: "everything",
      extensions: "half",
      volume: "few",
      frequency: "once",
      rest: "breath",
      squats: "machines",
      tempo: "continuous",
      lockout: "never",
      spotter: "wanted",
      burn: "pursued",
      variety: "sameForAYear",
      preparation: "preFatigue",
    },
  },
  {
    ref: "shipped:dense-work",
    name: "Dense Work",
    summary: "Much work in little time: high volume, short rests, continuous tension, variety.",
    holds: [
      "Many sets with short rests, rotations and drops fill the muscle.",
      "Curls come first so that knees are warm before they are loaded.",
      "The load may stand still while the work gets denser.",
    ],
    disputed: [
      "Short rests lower what can be lifted, and others count that against them.",
      "Others see no more growth above moderate volume, only more fatigue.",
    ],
    suits: "Conditioned people in a phase of lighter loads, or with light kit only.",
    stances: {
      ...MIDDLE,
      order: "kneeFlexionFirst",
      effort: "isolationOnly",
      volume: "high",
      rest: "seconds",
      tempo: "continuous",
      emphasis: "squeeze",
      preparation: "preFatigue",
      burn: "pursued",
      definition: "variety",
      variety: "withinSession",
      footPosition: "shifts",
      lockout: "never",
    },
  },
  {
    ref: "shipped:two-halves",
    name: "Two Halves",
    summary: "A front day and a back day, so that hamstrings and glutes are never the remainder.",
    holds: [
      "Quads and calves on one day, hamstrings and glutes on the other.",
      "The weak side gets extra work, one leg after the other.",
      "What is trained fresh grows first.",
    ],
    disputed: [
      "Squats and presses load both halves anyway, others say.",
      "A missed day leaves half a leg untrained for two weeks.",
    ],
    suits: "People with lagging hamstrings or one weaker leg and two reliable days.",
    stances: {
      ...MIDDLE,
      frequency: "frontAndBack",
      effort: "lastSet",
      sides: "extraForWeak",
      order: "hamstringsLast",
      squats: "structure",
    },
  },
];

/** The shipped approach that a reference names, or null. */
export function findShippedApproach(ref: ApproachRef): Approach | null {
  return SHIPPED_APPROACHES.find((approach) => approach.ref === ref) ?? null;
}

/** What holds where nobody chose. */
export const DEFAULT_APPROACH: ApproachRef = "shipped:even-ground";

/** The approach that a brief names, or the one that holds where nobody chose. */
export function approachAmong(
  approaches: readonly Approach[],
  chosen: ApproachRef | null,
): Approach {
  const wanted = approaches.find((a) => a.ref === (chosen ?? DEFAULT_APPROACH));
  const approach = wanted ?? approaches.find((a) => a.ref === DEFAULT_APPROACH);
  if (approach === undefined) throw new Error("the default approach is missing");
  return approach;
}
