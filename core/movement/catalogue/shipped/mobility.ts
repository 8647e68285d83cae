import { seconds } from "../../../kernel/index.ts";
import {
  answering,
  choice,
  instead,
  member,
  trains,
  when,
  type Family,
  type Shipped,
} from "./build.ts";
import { TRUNK } from "./trunk.ts";

const MOBILITY: Family = {
  ...TRUNK,
  pattern: "mobility",
  jointActions: ["hipFlexion"],
  laterality: "oneLeg",
  length: "stretched",
  givesOutFirst: "targetMuscle",
  safeAlone: { toTheLimit: true, how: "Ease out of it." },
  spinalLoad: "none",
  setUp: [choice("Support", ["none", "a wall"])],
  usualRep: seconds(5),
  breathing: "Slow breaths out into the stretch.",
  takeUp: "Ease in.",
  putBack: "Ease out.",
  loadings: ["unloaded"],
  cautions: ["Tension, never pain; nerve-like tingling ends it."],
};

/** The shipped movements for mobility. */
export const MOBILITY_MOVEMENTS: readonly Shipped[] = [
  member(MOBILITY, "couch-stretch", "Half-kneeling thigh stretch", {
    regions: trains(["rectusFemoris", "hipFlexors"]),
    kneeStress: "moderate",
    cues: ["Tuck the pelvis first", "Then lean in", "Breathe"],
    faults: [
      when("lowBackArches", "leaning before tucking", "Tuck first", "Front foot closer"),
      when("rushed", "bouncing", "Hold still", "Less range"),
    ],
    substitutes: [
      instead("deep-squat-sit", "both sides"),
      instead("thigh-rolling", "pressure instead of stretch"),
    ],
  }),
  member(MOBILITY, "strap-hamstring-stretch", "Hamstring stretch with a strap", {
    regions: trains(["hamstringsHipExtension", "hamstringsKneeFlexion"]),
    setUp: [choice("Knee", ["straight", "soft"])],
    cues: ["Hip stays down", "Pull with the strap", "Breathe out"],
    faults: [
      when("hipShifts", "hip lifts", "Hip heavy", "Bend the other knee"),
      when("rushed", "jerking", "Ease in", "Less pull"),
    ],
    substitutes: [
      instead("leg-swing", "moving"),
      instead("seated-good-morning", "under light load, later"),
    ],
  }),
  member(MOBILITY, "step-calf-stretch", "Calf stretch on a step", {
    regions: trains(["gastrocnemius", "soleus"]),
    jointActions: ["ankleDorsiflexion"],
    setUp: [choice("Knee", ["straight", "bent"])],
    cues: ["Heel sinks", "Knee as set", "Thirty quiet seconds"],
    faults: [
      when("bounce", "pulsing", "Hold still", "Hold on"),
      when("rushed", "too short", "Count breaths", "Five slow breaths"),
    ],
    substitutes: [
      instead("ankle-rock", "moving"),
      instead("single-leg-calf-raise", "a pause in the stretch"),
    ],
  }),
  member({ ...MOBILITY, laterality: "twoLegs" }, "adductor-rock", "Adductor rock back", {
    regions: trains(["adductors"]),
    jointActions: ["hipAdduction"],
    cues: ["Flat back", "Rock to the heels", "Slow"],
    faults: [
      when("backRounds", "rocking too far", "Stop when the back rounds", "Knees narrower"),
      when("rushed", "bouncing", "Three seconds each way", "Fewer"),
    ],
    substitutes: [
      instead("deep-squat-sit", "upright"),
      instead("sliding-adduction", "loaded, later"),
    ],
  }),
  member(MOBILITY, "hip-switch", "Seated hip switch", {
    regions: trains(["gluteusMedius", "adductors"]),
    laterality: "alternating",
    jointActions: ["hipAbduction", "hipAdduction"],
    cues: ["Sit tall", "Knees side to side", "Heels stay"],
    faults: [
      when("trunkLeans", "falling back", "Tall", "Hands behind"),
      when("rushed", "flopping", "Slow knees", "Smaller range"),
    ],
    substitutes: [instead("figure-four-stretch", "a hold"), instead("leg-swing", "standing")],
  }),
  member(MOBILITY, "ankle-rock", "Ankle rock", {
    regions: trains(["soleus"]),
    jointActions: ["ankleDorsiflexion"],
    setUp: [choice("Foot from the wall", ["one hand", "half a hand"])],
    cues: ["Knee to the wall", "Heel down", "Over the second toe"],
    faults: [
      when("heelsLift", "too far from the wall", "Heel heavy", "Closer"),
      when("kneesCave", "arch collapses", "Knee over the second toe", "Slower"),
    ],
    substitutes: [instead("step-calf-stretch", "a hold"), instead("deep-squat-sit", "both ankles")],
  }),
  member({ ...MOBILITY, laterality: "twoLegs" }, "deep-squat-sit", "Deep squat sit", {
    regions: trains(["adductors", "soleus"], ["gluteusMaximus"]),
    kneeStress: "moderate",
    setUp: [
      choice("Hold on to", ["a frame", "nothing"]),
      answering(choice("Heels", ["flat", "raised"]), { tightAnkle: "raised" }),
    ],
    cues: ["Sit between the heels", "Elbows inside the knees", "Breathe"],
    faults: [
      when("heelsLift", "stiff ankles", "Hold on", "Heels raised"),
      when("backRounds", "collapsing", "Long spine", "Hold a frame"),
    ],
    substitutes: [instead("adductor-rock", "on the knees"), instead("ankle-rock", "ankles alone")],
  }),
  member(MOBILITY, "figure-four-stretch", "Figure-four stretch", {
    regions: trains(["gluteusMaximus", "gluteusMedius"]),
    setUp: [choice("Position", ["lying", "seated"])],
    cues: ["Ankle over the knee", "Pull the thigh in", "Breathe"],
    faults: [
      when("hipShifts", "pelvis rolls", "Level pelvis", "Less pull"),
      when("rushed", "jerking", "Ease in", "Five breaths"),
    ],
    substitutes: [instead("hip-switch", "moving"), instead("thigh-rolling", "pressure")],
  }),
  member({ ...MOBILITY, laterality: "twoLegs" }, "thigh-rolling", "Thigh rolling", {
    regions: trains(["vastusLateralis"], ["rectusFemoris", "adductors"]),
    length: "mid",
    setUp: [choice("Tool", ["roller", "ball"])],
    cues: ["Slow", "Stay on the muscle", "Breathe"],
    faults: [
      when("rushed", "rolling fast", "Two hands a second", "Slower"),
      when("trunkLeans", "all weight on it", "Support yourself", "Softer roller"),
    ],
    substitutes: [
      instead("couch-stretch", "stretch instead"),
      instead("stationary-cycling", "as a warm-up"),
    ],
    cautions: ["Uncomfortable is enough; not over bone, bruises or veins."],
  }),
  member(MOBILITY, "leg-swing", "Leg swing", {
    regions: trains(["hamstringsHipExtension", "hipFlexors"]),
    usualRep: seconds(1.5),
    length: "mid",
    setUp: [choice("Direction", ["front and back", "side to side"])],
    cues: ["Hold on", "Loose leg", "Grow the range"],
    faults: [
      when("lowBackArches", "swinging too high", "Still trunk", "Smaller"),
      when("rushed", "kicking", "Loose", "Slower"),
    ],
    substitutes: [instead("strap-hamstring-stretch", "a hold"), instead("hip-switch", "seated")],
  }),
];
