import { seconds } from "../../../kernel/index.ts";
import { ABDUCTION } from "./abduction.ts";
import { choice, instead, member, trains, when, type Family, type Shipped } from "./build.ts";

const ADDUCTION: Family = {
  ...ABDUCTION,
  pattern: "adduction",
  jointActions: ["hipAdduction"],
  length: "mid",
  profile: "even",
  setUp: [choice("Start width", ["comfortable", "wide"], "wide: longer adductors")],
  tempoStart: "lift",
  breathing: "Out as the legs close, in as they open.",
  takeUp: "Pads inside the knees; set the width before the load.",
  cautions: ["Groin strain comes fast: widen the start and raise the load slowly."],
};

/** The shipped movements for adduction. */
export const ADDUCTIONS: readonly Shipped[] = [
  member(ADDUCTION, "adduction-machine", "Adduction machine", {
    regions: trains(["adductors"]),
    cues: ["Close with the thighs", "Hold closed", "Slow open"],
    faults: [
      when("bounce", "falling open", "Slow open", "One pin lighter"),
      when("trunkLeans", "rocking", "Still trunk", "Hold the handles"),
    ],
    substitutes: [instead("cable-hip-adduction", "standing"), instead("ball-squeeze", "home kit")],
  }),
  member(
    { ...ADDUCTION, laterality: "oneLeg", stability: "free", setUpEffort: "some" },
    "cable-hip-adduction",
    "Cable hip adduction",
    {
      regions: trains(["adductors"], [], ["gluteusMedius"]),
      setUp: [choice("Support", ["a frame"])],
      takeUp: "Strap on the near ankle, step away from the pulley.",
      cues: ["Sweep in front", "Tall on the standing leg", "Slow out"],
      faults: [
        when("trunkLeans", "too heavy", "Tall", "Two pins lighter"),
        when("swing", "momentum", "Pause at the end", "Slower"),
      ],
      substitutes: [
        instead("adduction-machine", "seated"),
        instead("sliding-adduction", "on the floor"),
      ],
    },
  ),
  member(
    { ...ADDUCTION, laterality: "oneLeg", stability: "free", loadings: ["bodyweight"] },
    "side-plank-adduction",
    "Side plank adduction",
    {
      regions: trains(["adductors"], ["trunk"]),
      length: "mid",
      difficulty: "advanced",
      setUp: [choice("Top leg held at", ["the knee", "the ankle"])],
      takeUp: "Side plank with the top leg on a bench.",
      putBack: "Bottom knee down.",
      cues: ["Press the top leg down", "Bottom leg rises", "Long line"],
      faults: [
        when("hipShifts", "hips sink", "Hips high", "Support at the knee"),
        when("rushed", "dropping", "Slow down", "Holds first"),
      ],
      substitutes: [
        instead("adduction-machine", "load by the pin"),
        instead("ball-squeeze", "easy start"),
      ],
    },
  ),
  member({ ...ADDUCTION, loadings: ["unloaded"] }, "ball-squeeze", "Ball squeeze", {
    regions: trains(["adductors"]),
    length: "shortened",
    profile: "even",
    usualRep: seconds(5),
    setUp: [choice("Knees", ["bent", "straight"])],
    takeUp: "On the back, ball between the knees.",
    putBack: "Let go slowly.",
    cues: ["Squeeze and hold", "Back flat", "Keep breathing"],
    faults: [
      when("lowBackArches", "bracing with the back", "Back flat", "Feet closer"),
      when("rushed", "pulses", "Hold five seconds", "Fewer reps"),
    ],
    substitutes: [
      instead("adduction-machine", "full range"),
      instead("sliding-adduction", "longer"),
    ],
  }),
  member(
    { ...ADDUCTION, laterality: "oneLeg", stability: "free", loadings: ["bodyweight", "unloaded"] },
    "sliding-adduction",
    "Sliding adduction",
    {
      regions: trains(["adductors"], ["gluteusMedius"]),
      length: "stretched",
      profile: "bottom",
      tempoStart: "lower",
      setUp: [choice("Position", ["standing", "kneeling"])],
      takeUp: "One foot on a slider, hold on.",
      putBack: "Feet together.",
      cues: ["Slide out slowly", "Pull back with the inner thigh", "Hips square"],
      faults: [
        when("trunkLeans", "falling to the side", "Tall", "Hold a support"),
        when("rushed", "slipping", "Four seconds out", "Shorter slide"),
      ],
      substitutes: [
        instead("cable-hip-adduction", "load by the pin"),
        instead("cossack-squat", "with squat"),
      ],
    },
  ),
];
