import { seconds } from "../../../kernel/index.ts";
import {
  choice,
  instead,
  member,
  trains,
  VASTI,
  when,
  type Family,
  type Shipped,
} from "./build.ts";
import { TRUNK } from "./trunk.ts";

const HOLD: Family = {
  ...TRUNK,
  pattern: "isometric",
  jointActions: ["kneeExtension", "hipExtension"],
  kneeStress: "moderate",
  hipStress: "low",
  safeAlone: { toTheLimit: true, how: "Stand up or sit down." },
  loadings: ["bodyweight", "unloaded"],
  setUp: [choice("Knee angle", ["90 degrees", "60 degrees", "45 degrees"])],
  usualRep: seconds(30),
  takeUp: "Slide into the angle.",
  putBack: "Slide out of it.",
  cautions: [
    "Keep breathing: holding the breath in long holds is not for uncontrolled blood pressure.",
  ],
};

/** The shipped movements for holds. */
export const ISOMETRICS: readonly Shipped[] = [
  member(HOLD, "wall-sit", "Wall sit", {
    regions: trains([...VASTI]),
    cues: ["Thighs level or higher", "Back on the wall", "Whole foot"],
    faults: [
      when("hipsLift", "sliding up", "Hold the angle", "Shorter hold"),
      when("heelsLift", "feet too close", "Heels heavy", "Feet further out"),
    ],
    substitutes: [instead("body-weight-squat", "moving"), instead("spanish-squat", "with a strap")],
  }),
  member(
    { ...HOLD, laterality: "oneLeg", loadings: ["bodyweight", "dumbbells"] },
    "split-squat-hold",
    "Split squat hold",
    {
      regions: trains([...VASTI], ["gluteusMaximus", "gluteusMedius"]),
      length: "stretched",
      givesOutFirst: "balance",
      setUp: [choice("Depth", ["knee just above the floor", "half way"])],
      cues: ["Front heel heavy", "Hips level", "Breathe"],
      faults: [
        when("trunkLeans", "tired trunk", "Tall", "Hold a support"),
        when("hipShifts", "hip opens", "Hips square", "Shorter stance"),
      ],
      substitutes: [
        instead("dumbbell-split-squat", "moving"),
        instead("wall-sit", "both legs, supported"),
      ],
    },
  ),
  member(
    { ...HOLD, loadings: ["stack", "plateMachine"] },
    "knee-extension-hold",
    "Knee extension hold",
    {
      regions: trains(["rectusFemoris", ...VASTI]),
      jointActions: ["kneeExtension"],
      stability: "supported",
      setUpEffort: "some",
      setUp: [choice("Knee angle", ["60 degrees", "30 degrees"])],
      cues: ["Lift to the angle", "Hold still", "Breathe"],
      faults: [
        when("rangeShortens", "sinking", "Hold the mark", "One pin lighter"),
        when("hipsLift", "bracing with the hips", "Sit heavy", "Hold the handles"),
      ],
      substitutes: [instead("wall-sit", "no machine"), instead("leg-extension", "moving")],
    },
  ),
  member(HOLD, "bridge-hold", "Bridge hold", {
    regions: trains(["gluteusMaximus"], ["hamstringsHipExtension"]),
    jointActions: ["hipExtension"],
    length: "shortened",
    kneeStress: "none",
    setUp: [choice("Legs", ["both", "one"])],
    cues: ["Ribs down", "Squeeze", "Breathe"],
    faults: [
      when("lowBackArches", "too high", "Tuck the pelvis", "A hand lower"),
      when("hipShifts", "one side drops", "Level hips", "Both legs"),
    ],
    substitutes: [
      instead("glute-bridge", "moving"),
      instead("long-lever-bridge", "more hamstring"),
    ],
  }),
  member(HOLD, "bent-knee-heel-hold", "Bent-knee heel hold", {
    regions: trains(["soleus"], [...VASTI]),
    jointActions: ["anklePlantarFlexion"],
    setUp: [choice("Knees", ["bent 30 degrees", "bent 60 degrees"])],
    cues: ["Heels high", "Knees bent", "Breathe"],
    faults: [
      when("rangeShortens", "heels sink", "Heels high", "Shorter hold"),
      when("trunkLeans", "balance", "Tall", "A hand on the wall"),
    ],
    substitutes: [
      instead("bent-knee-calf-raise", "moving"),
      instead("seated-calf-raise", "loaded"),
    ],
  }),
];
