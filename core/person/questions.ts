/**
 * What coaches disagree about, each with its sides. The first side is no better than the others. Every side is
 * worded as a view that somebody holds, since none of these is settled.
 */
export const QUESTIONS = {
  order: {
    asks: "What comes first?",
    sides: {
      compoundFirst: "Free and heavy compound lifts first, isolation last",
      isolationFirst: "Isolation first, to tire the muscle before the compound lift",
      kneeFlexionFirst: "Knee flexion first, to ready the knees",
      hamstringsLast: "Hamstrings after quads",
      calvesFirst: "Calves first, because they get skipped",
      calvesElsewhere: "Calves on another day",
    },
  },
  effort: {
    asks: "How close to the limit?",
    sides: {
      reserve: "One to two reps left",
      lastSet: "Only the last set to the limit",
      isolationOnly: "Only isolation to the limit",
      everything: "Everything to the limit and beyond",
    },
  },
  volume: {
    asks: "How many hard sets?",
    sides: { few: "A few sets to the limit", moderate: "Moderate", high: "High" },
  },
  extensions: {
    asks: "What do drops, rest-pauses, clusters, partials and forced reps add to a set's count?",
    sides: {
      nothing: "Nothing: a set with its drops is one hard set",
      half: "Half a hard set each",
      whole: "A whole hard set each",
    },
  },
  frequency: {
    asks: "How often a week?",
    sides: {
      once: "Once",
      twiceVariants: "Twice, with variants",
      often: "More often, with little each time",
      frontAndBack: "Split into front and back days",
    },
  },
  repetitions: {
    asks: "Which repetition range for calves and curls?",
    sides: {
      heavyCalves: "Heavy calves, curls as low as six",
      highRepCalves: "High-rep calves, curls never under about eight",
    },
  },
  rest: {
    asks: "How long a rest?",
    sides: {
      none: "Next to none",
      seconds: "Under a minute",
      twoMinutes: "About two minutes",
      long: "Three to five minutes",
      breath: "By breath or heart rate",
    },
  },
  tempo: {
    asks: "Which tempo?",
    sides: {
      continuous: "Continuous tension",
      pauses: "Pauses and holds",
      slowLowering: "Slow lowering as a stimulus of its own",
      lessLoad: "Slow lowering only as a way to use less load",
    },
  },
  emphasis: {
    asks: "Which end of the range?",
    sides: { stretch: "The stretch", squeeze: "The squeeze", allLengths: "All lengths" },
  },
  lockout: {
    asks: "Lockout on presses?",
    sides: {
      never: "Never",
      harmless: "Harmless, only less tension",
      breather: "Allowed for a breather",
    },
  },
  depth: {
    asks: "How deep?",
    sides: {
      parallel: "To parallel",
      deepest: "As deep as possible",
      tension: "As deep as tension and joints allow",
    },
  },
  footPosition: {
    asks: "Do foot and toe position shift emphasis?",
    sides: { shifts: "They shift it between heads", hardly: "They hardly matter" },
  },
  squats: {
    asks: "Are squats and lunges needed?",
    sides: {
      essential: "Essential",
      structure: "It depends on structure",
      machines: "Machines do it better",
    },
  },
  curls: {
    asks: "Lying or seated curls?",
    sides: { either: "Either, hips pressed down", both: "Both, thighs may lift" },
  },
  kneeExtension: {
    asks: "Knee extensions?",
    sides: {
      everyWeek: "Every week, knee on the pivot, full bend",
      lightOnly: "Light only, seat reclined, limited bend",
    },
  },
  abductionMachines: {
    asks: "Abduction and adduction machines?",
    sides: {
      useful: "Useful, leaning or hips extended",
      waste: "A waste of time for some regions",
    },
  },
  calves: {
    asks: "Bent-knee calf work?",
    sides: {
      needed: "Needed, with a deep stretch",
      dispensable: "Dispensable; squeeze at the top, no overstretching",
    },
  },
  sides: {
    asks: "Left and right?",
    sides: {
      equal: "Equal loads and reps, alternating",
      extraForWeak: "Extra work for the weak side, one after the other",
    },
  },
  preparation: {
    asks: "How to prepare?",
    sides: {
      lightSets: "A pulse raiser and light sets suffice",
      mobility: "Dynamic mobility is needed",
      preFatigue: "Pre-fatigue; stretching between sets",
    },
  },
  headAndBreath: {
    asks: "Head, breath, pressure on the foot?",
    sides: {
      neutralHeld: "Neutral head, breath held past the hardest point, whole foot",
      upExhale: "Eyes up, breath out on the way up, heel",
      downAhead: "Eyes down ahead, whole foot",
    },
  },
  spotter: {
    asks: "A spotter?",
    sides: { wanted: "Wanted", safeties: "Unwanted; safeties instead" },
  },
  burn: {
    asks: "Burn and discomfort in the muscle?",
    sides: {
      pursued: "To be pursued, joint pain never",
      tolerated: "Tolerated, joint pain never",
    },
  },
  definition: {
    asks: "What makes definition?",
    sides: { variety: "Variety of exercises", bodyFat: "Body fat and genetics" },
  },
  variety: {
    asks: "How much variety?",
    sides: {
      withinSession: "Within the session",
      everyFewWeeks: "Every few weeks",
      sameForAYear: "The same for a year",
    },
  },
  load: {
    asks: "Must the load rise?",
    sides: { mustRise: "It must rise", oneIndicator: "One indicator among several" },
  },
} as const satisfies Record<
  string,
  { readonly asks: string; readonly sides: Readonly<Record<string, string>> }
>;

export type Question = keyof typeof QUESTIONS;

/** A side for each question: what an approach takes as its view. */
export type Stances = {
  readonly [Q in Question]: keyof (typeof QUESTIONS)[Q]["sides"];
};

/** The questions in the order in which they are asked. */
export const QUESTION_NAMES = Object.keys(QUESTIONS) as readonly Question[];

/** The sides of a question, by name. */
export function sidesOfQuestion(question: Question): readonly string[] {
  return Object.keys(QUESTIONS[question].sides);
}

/** What a side holds, in words; null for a side that the question does not have. */
export function sideSays(question: Question, side: string): string | null {
  const sides: Readonly<Record<string, string>> = QUESTIONS[question].sides;
  return sides[side] ?? null;
}
