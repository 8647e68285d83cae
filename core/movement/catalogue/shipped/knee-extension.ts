import { seconds } from "../../../kernel/index.ts";
import type { Movement } from "../../index.ts";
import { choice, instead, member, trains, VASTI, when, type Family } from "./build.ts";

export const EXTENSION: Family = {
  pattern: "kneeExtension",
  jointActions: ["kneeExtension"],
  length: "shortened",
  profile: "top",
  laterality: "twoLegs",
  stability: "supported",
  givesOutFirst: "targetMuscle",
  safeAlone: { toTheLimit: true, how: "Let the pad come down; the stop takes it." },
  spinalLoad: "none",
  kneeStress: "high",
  hipStress: "none",
  difficulty: "beginner",
  setUpEffort: "some",
  loadings: ["stack", "plateMachine"],
  setUp: [
    choice("Seat", ["upright", "reclined"], "reclined: more of the middle head"),
    choice("Start", ["90 degrees", "less bend", "more bend"]),
  ],
  tempoStart: "lift",
  usualRep: seconds(3.5),
  breathing: "Out on the way up, in on the way down.",
  takeUp: "Knee in line with the pivot, pad just above the foot, hips strapped or held down.",
  putBack: "Lower until the stack rests.",
  spotting: "None needed.",
  cautions: [
    "Mind tendon strain: raise the load slowly and shorten the range when the knee complains.",
  ],
};

/** The shipped movements for knee extensions. */
export const KNEE_EXTENSIONS: readonly Movement[] = [
  {
    ref: "shipped:leg-extension",
    name: "Leg extension",
    pattern: "kneeExtension",
    jointActions: ["kneeExtension"],
    regions: [
      { region: "rectusFemoris", share: 1 },
      { region: "vastusLateralis", share: 1 },
      { region: "vastusMedialis", share: 1 },
      { region: "vastusIntermedius", share: 1 },
    ],
    length: "shortened",
    profile: "top",
    laterality: "twoLegs",
    stability: "supported",
    givesOutFirst: "targetMuscle",
    safeAlone: { toTheLimit: true, how: "Let the stack down." },
    spinalLoad: "none",
    kneeStress: "moderate",
    hipStress: "none",
    difficulty: "beginner",
    setUpEffort: "some",
    loadings: ["stack"],
    setUp: [
      {
        name: "Seat back",
        choices: ["upright", "reclined"],
        usual: "upright",
        claimed: "reclined: more of the middle head",
        shifts: { reclined: { length: "stretched", profile: "even" } },
      },
      { name: "Start angle", choices: ["full bend", "limited bend"], usual: "full bend" },
    ],
    tempoStart: "lift",
    usualRep: seconds(3.5),
    breathing: "Out on the way up.",
    takeUp: "Knee in line with the pivot, pad above the ankle.",
    putBack: "Let the stack down without a bang.",
    spotting: "A hand under the pad for the last reps.",
    cues: ["Thighs stay down", "Squeeze, do not kick"],
    faults: [
      {
        fault: "swing",
        cause: "kicking out of the bottom",
        cue: "Start slowly",
        corrective: "A pause at the bottom",
      },
      {
        fault: "hipsLift",
        cause: "stack too heavy",
        cue: "Hold the handles, sit heavy",
        corrective: "One pin less",
      },
    ],
    cautions: ["Mind tendon strain; limit the bend where the kneecap complains."],
    substitutes: [
      { movement: "shipped:dumbbell-split-squat", reason: "quads without a machine" },
      { movement: "shipped:leg-press", reason: "quads with feet low" },
    ],
  },
  member(EXTENSION, "single-leg-extension", "Single-leg extension", {
    regions: trains(["rectusFemoris", ...VASTI]),
    laterality: "oneLeg",
    cues: ["Toes up", "Straight without a snap", "Same range on both sides"],
    faults: [
      when("hipsLift", "load too heavy", "Sit heavy", "Hold the handles"),
      when("swing", "kicking the start", "Start from rest", "One pin lighter"),
    ],
    substitutes: [
      instead("leg-extension", "both legs"),
      instead("terminal-knee-extension", "standing, with a band"),
    ],
  }),
  member(EXTENSION, "reclined-leg-extension", "Reclined leg extension", {
    regions: trains(["rectusFemoris", ...VASTI]),
    length: "stretched",
    profile: "even",
    setUp: [
      choice("Seat", ["reclined 45 degrees", "fully reclined"], "reclined: middle head longer"),
    ],
    cues: ["Hips open and still", "Lift slowly off the bottom", "Full control down"],
    faults: [
      when("hipsLift", "hips flex to help", "Hips down", "Belt over the hips"),
      when("rangeShortens", "load above the start", "Begin from full bend", "Two pins lighter"),
    ],
    substitutes: [
      instead("leg-extension", "upright, heavier"),
      instead("reverse-nordic", "without a machine"),
    ],
  }),
  member({ ...EXTENSION, loadings: ["bodyweight", "band"] }, "reverse-nordic", "Reverse Nordic", {
    regions: trains(["rectusFemoris", ...VASTI], [], ["hipFlexors"]),
    length: "stretched",
    profile: "bottom",
    tempoStart: "lower",
    setUpEffort: "little",
    difficulty: "trained",
    setUp: [choice("Help", ["none", "band in front"])],
    takeUp: "Kneel on a mat, hips open.",
    putBack: "Hands behind, sit back.",
    safeAlone: { toTheLimit: true, how: "Sit back on the heels or put the hands behind." },
    cues: [
      "One line from knee to shoulder",
      "Lean back slowly",
      "Pull yourself up with the thighs",
    ],
    faults: [
      when("hipShifts", "folding at the hips", "Hips stay open", "A band in front to help"),
      when("rushed", "falling back", "Four seconds down", "Half the range"),
    ],
    substitutes: [
      instead("sissy-squat", "standing"),
      instead("reclined-leg-extension", "load that can be chosen"),
    ],
  }),
  member(
    { ...EXTENSION, loadings: ["band"] },
    "terminal-knee-extension",
    "Terminal knee extension",
    {
      regions: trains(["vastusMedialis", "vastusLateralis", "vastusIntermedius"]),
      laterality: "oneLeg",
      kneeStress: "low",
      setUpEffort: "little",
      setUp: [choice("Band", ["behind the knee"])],
      takeUp: "Band behind the knee, step back until it pulls.",
      putBack: "Step forward and out.",
      cues: ["Heel down", "Straighten slowly", "Hold one second"],
      faults: [
        when(
          "hipShifts",
          "pushing the hip back instead",
          "Hip still, knee moves",
          "A hand on the hip",
        ),
        when("heelsLift", "too much pull", "Heel heavy", "A lighter band"),
      ],
      substitutes: [
        instead("single-leg-extension", "seated, load by the pin"),
        instead("spanish-squat", "both legs, strap"),
      ],
    },
  ),
  member({ ...EXTENSION, loadings: ["stack"] }, "cable-leg-extension", "Cable leg extension", {
    regions: trains(["rectusFemoris", ...VASTI]),
    length: "mid",
    profile: "middle",
    laterality: "oneLeg",
    setUp: [choice("Sit on", ["a bench", "a box"])],
    takeUp: "Strap on the ankle, bench far enough that the cable pulls throughout.",
    cues: ["Thigh still", "Straighten fully", "Slow back"],
    faults: [
      when("swing", "thigh lifts", "Thigh on the bench", "A hand on the thigh"),
      when("rangeShortens", "bench too close", "Full straight", "Bench half a step away"),
    ],
    substitutes: [
      instead("leg-extension", "with a machine"),
      instead("terminal-knee-extension", "with a band"),
    ],
  }),
];
