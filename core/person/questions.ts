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
    asks: "How close to failure?",
    sides: {
      reserve: "RIR 1 to 2",
      lastSet: "Only the last set to failure",
      isolationOnly: "Only isolation to failure",
      everything: "Everything to failure and beyond",
    },
  },
  volume: {
    asks: "How many hard sets?",
    sides: { few: "A few sets to failure", moderate: "Moderate", high: "High" },
  },
  isolationVolume: {
    asks: "How many where most of it is isolation?",
    sides: {
      same: "As many as otherwise",
      fewer: "Fewer: the range ends a quarter earlier",
    },
  },
  countDrops: {
    asks: "What does a drop add to the count of its set?",
    sides: {
      nothing: "Nothing: a set with its drops is one hard set",
      half: "Half a hard set each",
      whole: "A whole hard set each",
    },
  },
  countRestPause: {
    asks: "What does a rest-pause or cluster add?",
    sides: {
      nothing: "Nothing: it is one hard set",
      half: "Half a hard set each pause",
      whole: "A whole hard set each pause",
    },
  },
  countPastFailure: {
    asks: "What do partials and forced reps add?",
    sides: { nothing: "Nothing", half: "Half a hard set each", whole: "A whole hard set each" },
  },
  countDensity: {
    asks: "Which sets of a density block count?",
    sides: {
      withinReach: "Those that end close to failure",
      half: "Every set, as half a hard set",
      all: "Every set",
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
  calfRepetitions: {
    asks: "Heavy or high-rep calves?",
    sides: { heavy: "Heavy, six to ten", highRep: "High reps, ten to twenty" },
  },
  curlRepetitions: {
    asks: "How low may reps on curls go?",
    sides: { low: "As low as six", eightUp: "Never under about eight" },
  },
  acrossSets: {
    asks: "How does the load go across sets?",
    sides: {
      rising: "It rises",
      same: "It stays the same",
      falling: "It falls",
      topFirst: "Top set first, then back-off sets",
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
  pace: {
    asks: "What sets the pace of a session?",
    sides: { burn: "No rest, for the burn", ready: "Rest until ready" },
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
  shortRange: {
    asks: "Short-range reps?",
    sides: {
      stretched: "At the stretched end",
      squeezed: "At the squeezed end",
      sparingly: "Sparingly",
    },
  },
  goodExercise: {
    asks: "What makes an exercise good?",
    sides: {
      felt: "It is felt in the target",
      loadable: "It can be loaded week by week",
      safe: "It is safe at failure",
      studies: "Studies show it",
    },
  },
  machinesAtLimit: {
    asks: "Machines at failure?",
    sides: { harmless: "They cannot hurt", withHelp: "Only with help near" },
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
    sides: { either: "Either will do", both: "Both" },
  },
  curlHips: {
    asks: "Hips on curls?",
    sides: { pressed: "Pressed down", lifted: "Thighs may lift" },
  },
  hingeStart: {
    asks: "Where does a hinge start?",
    sides: { floor: "From the floor", pins: "From pins", standing: "From standing" },
  },
  hingeDepth: {
    asks: "How far down does a hinge go?",
    sides: { knee: "To about the knee", further: "Further, with straighter knees" },
  },
  kneeExtension: {
    asks: "How often knee extensions?",
    sides: { everyWeek: "Every week", sometimes: "Sometimes", never: "Not at all" },
  },
  kneeExtensionEffort: {
    asks: "How hard are knee extensions?",
    sides: { hard: "As hard as anything", lightOnly: "Light only" },
  },
  kneeExtensionSeat: {
    asks: "Seat on knee extensions?",
    sides: { upright: "Upright", reclined: "Reclined" },
  },
  kneeExtensionBend: {
    asks: "How far do knees bend on extensions?",
    sides: { full: "Full bend", limited: "Limited bend" },
  },
  abductionMachines: {
    asks: "Abduction and adduction machines?",
    sides: { useful: "Useful", waste: "A waste of time for some muscles" },
  },
  abductionPosture: {
    asks: "Posture for abduction?",
    sides: { leaning: "Leaning forward", extended: "Hips extended" },
  },
  calves: {
    asks: "Bent-knee calf work?",
    sides: { needed: "Needed", dispensable: "Dispensable" },
  },
  calfEnd: {
    asks: "Which end of a calf raise matters?",
    sides: { stretch: "The deep stretch", squeeze: "The squeeze at the top" },
  },
  calfOverstretch: {
    asks: "Stretching calves beyond the usual range?",
    sides: { sought: "Sought", avoided: "Avoided" },
  },
  sides: {
    asks: "Left and right?",
    sides: { equal: "Equal loads and reps", extraForWeak: "Extra work for the weak side" },
  },
  sideOrder: {
    asks: "In which order do the legs work?",
    sides: { alternating: "Alternating", inTurn: "One after the other" },
  },
  preparation: {
    asks: "How to prepare?",
    sides: {
      lightSets: "A pulse raiser and light sets suffice",
      mobility: "Dynamic mobility is needed",
      preFatigue: "Light pre-fatigue",
    },
  },
  stretchBetween: {
    asks: "Stretching between sets?",
    sides: { none: "None", between: "Between sets" },
  },
  stretchAfter: {
    asks: "Stretching afterwards?",
    sides: { needed: "Needed", notNeeded: "Not needed" },
  },
  mixedGrip: {
    asks: "A mixed grip on hinges?",
    sides: { used: "Where the bar slips", never: "Never" },
  },
  straps: {
    asks: "Straps?",
    sides: { whenGripEnds: "Only when grip ends the set", always: "Always", never: "Never" },
  },
  belt: {
    asks: "A belt?",
    sides: {
      nearBodyWeight: "From about body weight on",
      heaviest: "On the heaviest set",
      notNeeded: "Not needed",
    },
  },
  head: {
    asks: "Head and eyes?",
    sides: { up: "Eyes up", neutral: "Neutral", downAhead: "Down ahead" },
  },
  breath: {
    asks: "Breath?",
    sides: { held: "Held past the hardest point", out: "Let out on the way up" },
  },
  footPressure: {
    asks: "Pressure on the foot?",
    sides: { heel: "With the heel", whole: "With the whole foot" },
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

/** The questions by what they are about, in the order in which they are asked. */
export const QUESTION_GROUPS = {
  "Sessions and weeks": ["order", "frequency", "volume", "isolationVolume", "variety"],
  "How hard, how often": ["effort", "rest", "pace", "tempo", "acrossSets", "load"],
  "What counts": ["countDrops", "countRestPause", "countPastFailure", "countDensity"],
  "Choice of exercises": [
    "goodExercise",
    "emphasis",
    "squats",
    "kneeExtension",
    "curls",
    "calves",
    "abductionMachines",
    "definition",
  ],
  "How they are done": [
    "depth",
    "lockout",
    "footPosition",
    "shortRange",
    "hingeStart",
    "hingeDepth",
    "kneeExtensionEffort",
    "kneeExtensionSeat",
    "kneeExtensionBend",
    "curlHips",
    "curlRepetitions",
    "calfRepetitions",
    "calfEnd",
    "calfOverstretch",
    "abductionPosture",
    "sides",
    "sideOrder",
  ],
  "Body, gear and help": [
    "preparation",
    "stretchBetween",
    "stretchAfter",
    "head",
    "breath",
    "footPressure",
    "mixedGrip",
    "straps",
    "belt",
    "spotter",
    "machinesAtLimit",
    "burn",
  ],
} as const satisfies Readonly<Record<string, readonly Question[]>>;

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
