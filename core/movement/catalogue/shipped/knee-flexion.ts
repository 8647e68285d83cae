import { seconds } from "../../../kernel/index.ts";
import type { Movement } from "../../index.ts";
import { choice, instead, member, trains, when, type Family } from "./build.ts";
import { EXTENSION } from "./knee-extension.ts";

const CURL: Family = {
  ...EXTENSION,
  pattern: "kneeFlexion",
  jointActions: ["kneeFlexion"],
  kneeStress: "low",
  loadings: ["stack"],
  setUp: [
    choice("Toes", ["pulled up", "pointed"], "pointed: less calf"),
    choice("Pad", ["at the heel", "above the ankle"]),
  ],
  takeUp: "Knee in line with the pivot, thighs held down.",
  cautions: ["Long holds in the shortened hamstring can cramp."],
};

const FLOOR_CURL: Family = {
  ...CURL,
  setUpEffort: "little",
  loadings: ["bodyweight", "unloaded"],
  setUp: [choice("Arms", ["on the floor", "crossed"])],
  takeUp: "On the back, hips up, heels under the load.",
  putBack: "Hips down to the floor.",
};

/** The shipped movements for curls. */
export const KNEE_FLEXIONS: readonly Movement[] = [
  {
    ref: "shipped:lying-leg-curl",
    name: "Lying leg curl",
    pattern: "kneeFlexion",
    jointActions: ["kneeFlexion"],
    regions: [
      { region: "hamstringsKneeFlexion", share: 1 },
      { region: "gastrocnemius", share: 0.25 },
      { region: "sartorius", share: 0.25 },
    ],
    length: "shortened",
    profile: "top",
    laterality: "twoLegs",
    stability: "supported",
    givesOutFirst: "targetMuscle",
    safeAlone: { toTheLimit: true, how: "Let the stack down." },
    spinalLoad: "none",
    kneeStress: "low",
    hipStress: "none",
    difficulty: "beginner",
    setUpEffort: "some",
    loadings: ["stack"],
    setUp: [
      {
        name: "Ankles",
        choices: ["flexed", "pointed"],
        usual: "flexed",
        claimed: "pointed: less calf",
      },
      { name: "Hips", choices: ["pressed down", "thighs lifted"], usual: "pressed down" },
    ],
    tempoStart: "lift",
    usualRep: seconds(3.5),
    breathing: "Out on the way up.",
    takeUp: "Knees just past the edge, pad above the heel.",
    putBack: "Let the stack down without a bang.",
    spotting: "A hand under the pad for the last reps.",
    cues: ["Hips down", "Heels to the seat"],
    faults: [
      {
        fault: "hipsLift",
        cause: "stack too heavy",
        cue: "Press the hips into the bench",
        corrective: "One pin less",
      },
      {
        fault: "rangeShortens",
        cause: "tired at the top",
        cue: "Touch at the top each rep",
        corrective: "Fewer reps, full range",
      },
    ],
    cautions: ["Long holds in the shortened position can cramp."],
    substitutes: [
      { movement: "shipped:seated-leg-curl", reason: "knee flexion at longer length" },
      { movement: "shipped:dumbbell-romanian-deadlift", reason: "hamstrings without a machine" },
    ],
  },
  {
    ref: "shipped:seated-leg-curl",
    name: "Seated leg curl",
    pattern: "kneeFlexion",
    jointActions: ["kneeFlexion"],
    regions: [
      { region: "hamstringsKneeFlexion", share: 1 },
      { region: "gastrocnemius", share: 0.25 },
    ],
    length: "stretched",
    profile: "even",
    laterality: "twoLegs",
    stability: "supported",
    givesOutFirst: "targetMuscle",
    safeAlone: { toTheLimit: true, how: "Let the stack up." },
    spinalLoad: "none",
    kneeStress: "low",
    hipStress: "none",
    difficulty: "beginner",
    setUpEffort: "some",
    loadings: ["stack"],
    setUp: [
      { name: "Thigh brace", choices: ["firm", "light"], usual: "firm" },
      {
        name: "Trunk",
        choices: ["upright", "leaning forward"],
        usual: "upright",
        claimed: "leaning: longer hamstring",
      },
    ],
    tempoStart: "lift",
    usualRep: seconds(3.5),
    breathing: "Out while bending.",
    takeUp: "Knee in line with the pivot, brace down.",
    putBack: "Let the stack back without a bang.",
    spotting: "None needed.",
    cues: ["Thighs pinned", "Pull under the seat"],
    faults: [
      {
        fault: "swing",
        cause: "rocking the trunk",
        cue: "Back against the pad",
        corrective: "One pin less",
      },
    ],
    cautions: ["Stop at sharp pain behind the knee."],
    substitutes: [
      { movement: "shipped:lying-leg-curl", reason: "knee flexion at shorter length" },
      { movement: "shipped:romanian-deadlift", reason: "hamstrings in the stretch at the hip" },
    ],
  },
  member(CURL, "standing-leg-curl", "Standing leg curl", {
    regions: trains(["hamstringsKneeFlexion"], [], ["gastrocnemius"]),
    laterality: "oneLeg",
    cues: ["Hip straight", "Heel to the seat", "Slow all the way down"],
    faults: [
      when("hipsLift", "hip bends to help", "Hip stays open", "One pin lighter"),
      when("swing", "kick start", "Start from rest", "Pause at the bottom"),
    ],
    substitutes: [
      instead("lying-leg-curl", "both legs"),
      instead("cable-leg-curl", "with a strap"),
    ],
  }),
  member(CURL, "single-leg-lying-curl", "Single-leg lying curl", {
    regions: trains(["hamstringsKneeFlexion"], [], ["gastrocnemius"]),
    laterality: "oneLeg",
    cues: ["Hips down", "Heel to the seat", "Hold one second"],
    faults: [
      when("hipsLift", "load above the hamstring", "Hips into the pad", "One pin lighter"),
      when("rangeShortens", "tired before the top", "Pad to the thigh", "End the set there"),
    ],
    substitutes: [
      instead("lying-leg-curl", "both legs, heavier"),
      instead("standing-leg-curl", "hip straight"),
    ],
  }),
  member({ ...CURL, loadings: ["bodyweight", "assisted", "band"] }, "nordic-curl", "Nordic curl", {
    regions: trains(["hamstringsKneeFlexion"], ["gluteusMaximus"]),
    length: "mid",
    profile: "bottom",
    tempoStart: "lower",
    difficulty: "advanced",
    usualRep: seconds(5),
    setUp: [
      choice("Help", ["band", "hands", "none"]),
      choice("Heels held by", ["a pad", "a partner"]),
    ],
    takeUp: "Kneel on a pad, heels held, hips straight.",
    putBack: "Catch yourself with the hands, walk back up.",
    safeAlone: { toTheLimit: true, how: "Hands catch the fall." },
    cues: ["Hips straight", "Lower as slowly as you can", "Hands ready"],
    faults: [
      when("hipsLift", "folding to escape", "Hips forward", "A stronger band"),
      when("rushed", "falling the last half", "Slow to the same point", "Hold at that point"),
    ],
    substitutes: [
      instead("glute-ham-raise", "with a bench"),
      instead("slider-leg-curl", "easier, on the floor"),
    ],
    cautions: [
      "Severe soreness when new: very few reps at first.",
      "Something must really hold the heels.",
    ],
  }),
  member({ ...CURL, loadings: ["bodyweight"] }, "glute-ham-raise", "Glute-ham raise", {
    regions: trains(
      ["hamstringsKneeFlexion", "hamstringsHipExtension"],
      ["gluteusMaximus", "gastrocnemius"],
      ["spinalErectors"],
    ),
    jointActions: ["kneeFlexion", "hipExtension"],
    length: "mid",
    profile: "middle",
    difficulty: "advanced",
    tempoStart: "lower",
    setUp: [choice("Knees", ["on the pad", "behind the pad"])],
    cues: ["Straight from knee to shoulder", "Push the toes into the plate", "Slow down"],
    faults: [
      when("lowBackArches", "back does the work", "Ribs down", "Knees a little further forward"),
      when("swing", "throwing the trunk up", "From stillness", "A band in front"),
    ],
    substitutes: [
      instead("nordic-curl", "without a bench"),
      instead("back-extension", "hips only"),
    ],
  }),
  member({ ...CURL, loadings: ["band"] }, "band-leg-curl", "Band leg curl", {
    regions: trains(["hamstringsKneeFlexion"], [], ["gastrocnemius"]),
    profile: "top",
    setUpEffort: "little",
    setUp: [choice("Position", ["lying", "seated"])],
    takeUp: "Band around the heels, anchor low and behind.",
    cues: ["Hips down", "Heels in", "Slow out"],
    faults: [
      when("hipsLift", "band too strong", "Hips down", "A lighter band"),
      when("rangeShortens", "anchor too far", "All the way in", "Move closer"),
    ],
    substitutes: [instead("cable-leg-curl", "with a stack"), instead("slider-leg-curl", "no band")],
  }),
  member(
    { ...CURL, loadings: ["dumbbells", "freeObject"] },
    "dumbbell-leg-curl",
    "Dumbbell leg curl",
    {
      regions: trains(["hamstringsKneeFlexion"], [], ["gastrocnemius"]),
      profile: "bottom",
      length: "mid",
      setUpEffort: "some",
      setUp: [choice("Bench", ["flat", "inclined"])],
      takeUp: "Lying prone, a dumbbell between the feet, handed over by somebody.",
      putBack: "Lower it to the floor with straight knees.",
      cues: ["Feet squeeze the weight", "Hips down", "Stop before upright"],
      faults: [
        when("hipsLift", "too heavy", "Hips into the bench", "Lighter weight"),
        when("swing", "momentum", "Two seconds up", "Pause at the bottom"),
      ],
      substitutes: [
        instead("lying-leg-curl", "with a machine"),
        instead("band-leg-curl", "without a weight to drop"),
      ],
      cautions: ["The weight must sit safely between the feet; nobody near when it is lowered."],
    },
  ),
  member(CURL, "cable-leg-curl", "Cable leg curl", {
    regions: trains(["hamstringsKneeFlexion"], [], ["gastrocnemius"]),
    laterality: "oneLeg",
    length: "mid",
    profile: "even",
    setUp: [choice("Position", ["standing", "lying"])],
    takeUp: "Strap on the ankle, facing the pulley, hold on.",
    cues: ["Thigh still", "Heel to the seat", "Slow back"],
    faults: [
      when("swing", "hip helps", "Hip still", "One pin lighter"),
      when("trunkLeans", "pulled forward", "Tall", "Hold a frame"),
    ],
    substitutes: [
      instead("standing-leg-curl", "with a machine"),
      instead("band-leg-curl", "home kit"),
    ],
  }),
  member(FLOOR_CURL, "slider-leg-curl", "Slider leg curl", {
    regions: trains(["hamstringsKneeFlexion"], ["gluteusMaximus", "hamstringsHipExtension"]),
    jointActions: ["kneeFlexion", "hipExtension"],
    length: "mid",
    profile: "bottom",
    tempoStart: "lower",
    cues: ["Hips stay up", "Slide out slowly", "Pull the heels home"],
    faults: [
      when("hipsLift", "hips sink", "Hips high throughout", "Lowering only"),
      when("rushed", "slipping out", "Four seconds out", "Shorter slide"),
    ],
    substitutes: [
      instead("ball-leg-curl", "heels on a ball"),
      instead("lying-leg-curl", "load by the pin"),
    ],
  }),
  member(FLOOR_CURL, "ball-leg-curl", "Ball leg curl", {
    regions: trains(["hamstringsKneeFlexion"], ["gluteusMaximus"], ["trunk"]),
    jointActions: ["kneeFlexion", "hipExtension"],
    profile: "middle",
    givesOutFirst: "balance",
    setUp: [choice("Legs", ["both", "one"])],
    cues: ["Hips high", "Roll the ball in", "Slow out"],
    faults: [
      when("hipsLift", "hips drop as the ball comes in", "Higher hips", "Bridge only"),
      when("swing", "ball wanders", "Press both heels down", "Ball against a wall"),
    ],
    substitutes: [
      instead("slider-leg-curl", "towels on a smooth floor"),
      instead("band-leg-curl", "lying, with a band"),
    ],
  }),
];
