import { seconds } from "../../../kernel/index.ts";
import {
  answering,
  choice,
  instead,
  member,
  trains,
  VASTI,
  when,
  type Family,
  type Shipped,
} from "./build.ts";

const LUNGE: Family = {
  pattern: "lunge",
  jointActions: ["kneeExtension", "hipExtension", "hipAbduction"],
  length: "stretched",
  profile: "bottom",
  laterality: "oneLeg",
  stability: "free",
  givesOutFirst: "balance",
  safeAlone: { toTheLimit: true, how: "Put the dumbbells down." },
  spinalLoad: "low",
  kneeStress: "moderate",
  hipStress: "moderate",
  difficulty: "trained",
  setUpEffort: "little",
  loadings: ["dumbbells", "bodyweight"],
  setUp: [
    answering(
      choice("Step length", ["middle", "short", "long"], "short: more quad; long: more glute"),
      { achingKnee: "long" },
    ),
    choice("Trunk", ["upright", "leaning"], "leaning: more glute"),
  ],
  tempoStart: "lower",
  usualRep: seconds(4),
  breathing: "In on the way down, out on the way up.",
  takeUp: "Stand tall, weights at the sides, then step.",
  putBack: "Feet together before the weights go down.",
  spotting: "From behind at the hips, only when balance is new.",
  cautions: ["Free floor around; stop when balance goes rather than when the muscle does."],
};

/** The shipped movements for lunges and steps. */
export const LUNGES: readonly Shipped[] = [
  {
    ref: "shipped:dumbbell-split-squat",
    name: "Dumbbell split squat",
    pattern: "lunge",
    jointActions: ["kneeExtension", "hipExtension"],
    regions: [
      { region: "vastusLateralis", share: 1 },
      { region: "vastusMedialis", share: 1 },
      { region: "vastusIntermedius", share: 1 },
      { region: "gluteusMaximus", share: 1 },
      { region: "gluteusMedius", share: 0.5 },
      { region: "adductors", share: 0.5 },
      { region: "grip", share: 0.25 },
    ],
    length: "stretched",
    profile: "bottom",
    laterality: "oneLeg",
    stability: "free",
    givesOutFirst: "balance",
    safeAlone: { toTheLimit: true, how: "Kneel down and put the dumbbells beside you." },
    spinalLoad: "low",
    kneeStress: "moderate",
    hipStress: "moderate",
    difficulty: "beginner",
    setUpEffort: "little",
    loadings: ["dumbbells"],
    setUp: [
      { name: "Rear foot", choices: ["floor", "low step", "bench"], usual: "floor" },
      {
        name: "Stride",
        choices: ["short", "long"],
        usual: "short",
        claimed: "short: more quad; long: more glute",
      },
    ],
    tempoStart: "lower",
    usualRep: seconds(4),
    breathing: "In on the way down, out on the way up.",
    takeUp: "Set the feet first, then pick up the dumbbells.",
    putBack: "Dumbbells down before the feet move.",
    spotting: "Beside, ready to steady the shoulder.",
    cues: ["Weight over the front foot", "Straight down, straight up"],
    faults: [
      {
        fault: "kneesCave",
        cause: "hip tires before the thigh",
        cue: "Knee over the middle toes",
        corrective: "Hold on with one hand",
      },
    ],
    cautions: ["A painful kneecap: shorten the range, lean forward a little."],
    substitutes: [
      { movement: "shipped:single-leg-press", reason: "one leg without balance" },
      { movement: "shipped:leg-press", reason: "supported" },
    ],
  },
  member({ ...LUNGE, loadings: ["bar"] }, "barbell-split-squat", "Barbell split squat", {
    regions: trains(
      [...VASTI, "gluteusMaximus"],
      ["adductors", "gluteusMedius"],
      ["spinalErectors"],
    ),
    spinalLoad: "moderate",
    setUpEffort: "some",
    safeAlone: { toTheLimit: false, how: "Inside a rack with safeties." },
    cues: ["Straight down", "Front heel heavy", "Hips level"],
    faults: [
      when("kneesCave", "tired hip", "Knee over the second toe", "Dumbbells instead"),
      when("trunkLeans", "step too long", "Tall", "Shorter step"),
    ],
    substitutes: [
      instead("dumbbell-split-squat", "easier to leave"),
      instead("guided-bar-split-squat", "guided, steadier"),
    ],
  }),
  member(LUNGE, "rear-foot-elevated-split-squat", "Rear-foot-elevated split squat", {
    regions: trains([...VASTI, "gluteusMaximus"], ["adductors", "gluteusMedius"], ["grip"]),
    loadings: ["dumbbells", "bodyweight", "bar"],
    setUpEffort: "some",
    setUp: [
      choice("Rear foot height", ["low", "bench"]),
      choice("Trunk", ["upright", "leaning"], "leaning: more glute"),
    ],
    cues: ["Weight on the front foot", "Down, not forward", "Hips square"],
    faults: [
      when("hipShifts", "rear hip opens", "Hip bones forward", "Lower rear foot"),
      when("trunkLeans", "rear leg pushes", "Light rear foot", "Shoe laces down on the pad"),
    ],
    substitutes: [
      instead("dumbbell-split-squat", "both feet on the floor"),
      instead("single-leg-press", "no balance needed"),
    ],
  }),
  member(LUNGE, "front-foot-elevated-split-squat", "Front-foot-elevated split squat", {
    regions: trains([...VASTI, "gluteusMaximus"], ["adductors", "gluteusMedius"]),
    setUp: [choice("Front foot height", ["one plate", "a low step"])],
    kneeStress: "high",
    cues: ["Knee travels forward", "Heel down", "Deep and slow"],
    faults: [
      when("heelsLift", "ankle mobility", "Heel stays down", "Lower step"),
      when("rushed", "dropping into the stretch", "Four seconds down", "Hold a support"),
    ],
    substitutes: [
      instead("rear-foot-elevated-split-squat", "more load on the front leg"),
      instead("hack-squat", "same depth with support"),
    ],
  }),
  member({ ...LUNGE, laterality: "alternating" }, "walking-lunge", "Walking lunge", {
    regions: trains(
      [...VASTI, "gluteusMaximus"],
      ["adductors", "gluteusMedius", "hamstringsHipExtension"],
      ["grip"],
    ),
    hipStress: "high",
    cues: ["Long enough step", "Knee kisses the floor", "Push up through the front heel"],
    faults: [
      when("kneesCave", "narrow track", "Walk on two rails", "Wider steps"),
      when("trunkLeans", "tired trunk", "Tall", "Lighter weights"),
    ],
    substitutes: [
      instead("reverse-lunge", "on the spot, kinder to the knee"),
      instead("step-up", "no stepping forward"),
    ],
  }),
  member({ ...LUNGE, laterality: "alternating" }, "reverse-lunge", "Reverse lunge", {
    regions: trains(["gluteusMaximus", ...VASTI], ["adductors", "gluteusMedius"], ["grip"]),
    kneeStress: "low",
    cues: ["Step straight back", "Front shin upright", "Pull up with the front leg"],
    faults: [
      when("hipShifts", "stepping on a line", "Feet on two rails", "Hold a support"),
      when("trunkLeans", "pushing off the back foot", "Front foot does it", "Pause at the bottom"),
    ],
    substitutes: [
      instead("dumbbell-split-squat", "no step, steadier"),
      instead("walking-lunge", "forward"),
    ],
  }),
  member({ ...LUNGE, laterality: "alternating" }, "forward-lunge", "Forward lunge", {
    regions: trains([...VASTI], ["gluteusMaximus", "adductors", "gluteusMedius"]),
    kneeStress: "high",
    cues: ["Soft landing", "Knee over the toes", "Push back to the start"],
    faults: [
      when("kneesCave", "landing too narrow", "Land wide", "Slower steps"),
      when("rushed", "falling into the step", "Soft foot", "Reverse lunges first"),
    ],
    substitutes: [
      instead("reverse-lunge", "less braking for the knee"),
      instead("step-up", "no landing"),
    ],
  }),
  member({ ...LUNGE, laterality: "alternating" }, "lateral-lunge", "Lateral lunge", {
    regions: trains(["adductors", "gluteusMaximus"], ["gluteusMedius", ...VASTI]),
    jointActions: ["kneeExtension", "hipExtension", "hipAdduction"],
    cues: ["Sit back over one heel", "Other leg straight", "Push the floor away"],
    faults: [
      when("heelsLift", "stepping too short", "Whole foot", "Longer step"),
      when("backRounds", "reaching down", "Proud chest", "Hold the weight in front"),
    ],
    substitutes: [
      instead("cossack-squat", "deeper, no step"),
      instead("adduction-machine", "seated"),
    ],
  }),
  member({ ...LUNGE, laterality: "alternating" }, "crossover-lunge", "Crossover lunge", {
    regions: trains(["gluteusMedius", "gluteusMaximus"], [...VASTI, "adductors"]),
    hipStress: "high",
    difficulty: "advanced",
    setUp: [choice("Cross", ["a little", "far"])],
    cues: ["Step behind and across", "Hips face forward", "Front heel heavy"],
    faults: [
      when("hipShifts", "hips turn", "Belt buckle forward", "Cross less"),
      when("kneesCave", "crossing too far", "Knee over the foot", "Reverse lunges first"),
    ],
    substitutes: [
      instead("cable-hip-abduction", "side glutes alone"),
      instead("reverse-lunge", "without crossing"),
    ],
  }),
  member(LUNGE, "step-up", "Step-up", {
    regions: trains([...VASTI, "gluteusMaximus"], ["gluteusMedius"], ["grip"]),
    length: "mid",
    setUp: [choice("Step height", ["knee height", "low", "above the knee"], "high: more glute")],
    takeUp: "Whole foot on the step.",
    putBack: "Step down backwards.",
    cues: ["Whole foot on the step", "No push from below", "Slow down"],
    faults: [
      when("bounce", "pushing off the floor", "Toes up on the back foot", "Lower step"),
      when("kneesCave", "step too high", "Knee over the toes", "Lower step"),
    ],
    substitutes: [
      instead("lateral-step-down", "lowering only, lighter"),
      instead("dumbbell-split-squat", "both feet on the floor"),
    ],
  }),
  member(
    { ...LUNGE, loadings: ["bodyweight", "dumbbells"] },
    "lateral-step-down",
    "Lateral step-down",
    {
      regions: trains(
        ["vastusMedialis", "vastusLateralis"],
        ["gluteusMedius", "vastusIntermedius"],
      ),
      length: "mid",
      profile: "bottom",
      difficulty: "beginner",
      setUp: [choice("Step height", ["low", "middle"])],
      takeUp: "Stand sideways on a step, one foot free.",
      putBack: "Step down with the free foot.",
      cues: ["Heel taps, no weight", "Knee over the second toe", "Hips level"],
      faults: [
        when("hipShifts", "hip drops", "Level belt", "Lower step"),
        when("kneesCave", "weak hip", "Knee out", "A hand on a wall"),
      ],
      substitutes: [
        instead("step-up", "with more load"),
        instead("terminal-knee-extension", "where bending hurts"),
      ],
    },
  ),
  member({ ...LUNGE, loadings: ["bar"] }, "guided-bar-split-squat", "Guided-bar split squat", {
    regions: trains([...VASTI, "gluteusMaximus"], ["adductors"], ["gluteusMedius"]),
    stability: "guided",
    givesOutFirst: "targetMuscle",
    spinalLoad: "moderate",
    setUpEffort: "some",
    safeAlone: { toTheLimit: true, how: "Turn the bar into the hooks; stops below." },
    cues: ["Front foot under the bar or ahead", "Straight down", "Front heel heavy"],
    faults: [
      when("lowBackArches", "front foot too far ahead", "Ribs down", "Foot back a little"),
      when("kneesCave", "narrow track", "Two rails", "Wider feet"),
    ],
    substitutes: [instead("dumbbell-split-squat", "free"), instead("single-leg-press", "seated")],
  }),
  member(LUNGE, "deficit-reverse-lunge", "Deficit reverse lunge", {
    regions: trains(
      ["gluteusMaximus", ...VASTI],
      ["adductors", "hamstringsHipExtension", "gluteusMedius"],
    ),
    setUp: [choice("Step height", ["one plate", "a low step"])],
    cues: ["Long step back off the plate", "Deep and slow", "Pull up with the front leg"],
    faults: [
      when("trunkLeans", "depth beyond control", "Tall", "A lower plate"),
      when("hipShifts", "stepping on a line", "Two rails", "Hold a support"),
    ],
    substitutes: [
      instead("reverse-lunge", "from the floor"),
      instead("front-foot-elevated-split-squat", "no step"),
    ],
  }),
];
