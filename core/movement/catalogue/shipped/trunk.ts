import { seconds } from "../../../kernel/index.ts";
import { choice, instead, member, trains, when, type Family, type Shipped } from "./build.ts";

export const TRUNK: Family = {
  pattern: "trunk",
  jointActions: ["trunkStability"],
  length: "mid",
  profile: "even",
  laterality: "twoLegs",
  stability: "free",
  givesOutFirst: "targetMuscle",
  safeAlone: { toTheLimit: true, how: "Knees to the floor." },
  spinalLoad: "low",
  kneeStress: "none",
  hipStress: "none",
  difficulty: "beginner",
  setUpEffort: "little",
  loadings: ["unloaded", "bodyweight"],
  setUp: [choice("Range", ["short", "full"])],
  tempoStart: "lift",
  usualRep: seconds(4),
  breathing: "Keep breathing behind the brace.",
  takeUp: "Set the ribs over the pelvis first.",
  putBack: "Knees down.",
  spotting: "None needed.",
  cautions: ["Low back pain ends the set."],
};

/** The shipped movements for the trunk. */
export const TRUNK_MOVEMENTS: readonly Shipped[] = [
  member(TRUNK, "plank", "Plank", {
    regions: trains(["trunk"]),
    usualRep: seconds(30),
    setUp: [choice("Support on", ["forearms", "hands"])],
    cues: ["Ribs to hips", "Squeeze the glutes", "Breathe"],
    faults: [
      when("lowBackArches", "hips sink", "Tuck the pelvis", "Knees down"),
      when("hipsLift", "escaping upwards", "One long line", "Shorter holds"),
    ],
    substitutes: [
      instead("dead-bug", "lying, easier on the back"),
      instead("rollout", "harder, moving"),
    ],
  }),
  member(TRUNK, "side-plank", "Side plank", {
    regions: trains(["trunk"], ["gluteusMedius"]),
    laterality: "oneLeg",
    usualRep: seconds(20),
    setUp: [choice("Legs", ["straight", "bent"])],
    cues: ["Hips high", "Long neck", "Push the floor away"],
    faults: [
      when("hipShifts", "hips sink", "Hips high", "Knees bent"),
      when("trunkLeans", "rolling forward", "Chest open", "Against a wall"),
    ],
    substitutes: [instead("side-plank-leg-raise", "harder"), instead("suitcase-carry", "standing")],
  }),
  member(TRUNK, "dead-bug", "Dead bug", {
    regions: trains(["trunk"], ["hipFlexors"]),
    laterality: "alternating",
    cues: ["Back flat", "Opposite arm and leg", "Slow"],
    faults: [
      when("lowBackArches", "leg too low", "Back flat", "Bent knee"),
      when("rushed", "cycling", "Three seconds out", "Fewer reps"),
    ],
    substitutes: [instead("bird-dog", "on hands and knees"), instead("plank", "a hold")],
  }),
  member(TRUNK, "bird-dog", "Bird dog", {
    regions: trains(["trunk"], ["spinalErectors", "gluteusMaximus"]),
    laterality: "alternating",
    cues: ["Back like a table", "Reach long", "Hips level"],
    faults: [
      when("hipShifts", "hip opens", "Hips square", "Leg only"),
      when("lowBackArches", "leg too high", "Stop at level", "Toe on the floor"),
    ],
    substitutes: [
      instead("dead-bug", "on the back"),
      instead("horizontal-back-extension", "loaded"),
    ],
  }),
  member(TRUNK, "rollout", "Rollout", {
    regions: trains(["trunk"], ["upperBack"]),
    length: "stretched",
    profile: "bottom",
    tempoStart: "lower",
    difficulty: "advanced",
    setUp: [choice("From", ["the knees", "standing"]), choice("On", ["a wheel", "a ball"])],
    cues: ["Tuck first", "Roll only as far as the back holds", "Pull back with the trunk"],
    faults: [
      when("lowBackArches", "too far out", "Stop earlier", "Roll to a wall"),
      when("hipsLift", "hips lead the way back", "Hips and shoulders together", "Shorter range"),
    ],
    substitutes: [instead("plank", "a hold"), instead("cable-crunch", "load by the pin")],
  }),
  member({ ...TRUNK, loadings: ["stack"] }, "cable-crunch", "Cable crunch", {
    regions: trains(["trunk"]),
    length: "shortened",
    profile: "middle",
    setUpEffort: "some",
    setUp: [choice("Attachment", ["rope"])],
    takeUp: "Kneel, rope beside the head.",
    putBack: "Rise with the stack.",
    cues: ["Ribs to hips", "Hips still", "Slow back"],
    faults: [
      when("hipShifts", "bowing from the hips", "Hips still", "Sit on the heels"),
      when("swing", "too heavy", "Round slowly", "Two pins lighter"),
    ],
    substitutes: [instead("rollout", "no cable"), instead("dead-bug", "home kit")],
  }),
  member({ ...TRUNK, loadings: ["stack", "band"] }, "anti-rotation-press", "Anti-rotation press", {
    regions: trains(["trunk"]),
    laterality: "oneLeg",
    setUp: [choice("Stance", ["standing", "half kneeling"])],
    takeUp: "Sideways to the cable, handle at the chest.",
    putBack: "Step in.",
    cues: ["Press straight out", "Do not turn", "Breathe out"],
    faults: [
      when("hipShifts", "hips turn", "Belt buckle forward", "Step closer"),
      when("trunkLeans", "leaning away", "Tall", "Two pins lighter"),
    ],
    substitutes: [instead("side-plank", "no kit"), instead("suitcase-carry", "walking")],
  }),
  member({ ...TRUNK, loadings: ["dumbbells", "freeObject"] }, "suitcase-carry", "Suitcase carry", {
    regions: trains(["trunk", "grip"], ["gluteusMedius", "upperBack"]),
    laterality: "oneLeg",
    givesOutFirst: "grip",
    usualRep: seconds(1),
    setUp: [choice("Hand", ["one", "both"])],
    takeUp: "Lift with bent knees.",
    putBack: "Bend the knees and set it down.",
    cues: ["Walk tall", "Do not lean", "Quiet steps"],
    faults: [
      when("trunkLeans", "too heavy", "Tall", "Lighter weight"),
      when("hipShifts", "swaying", "Quiet hips", "Shorter steps"),
    ],
    substitutes: [instead("side-plank", "without walking"), instead("loaded-carry", "both hands")],
  }),
];
