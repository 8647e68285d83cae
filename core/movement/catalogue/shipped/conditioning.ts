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

const CONDITIONING: Family = {
  ...TRUNK,
  pattern: "conditioning",
  jointActions: ["kneeExtension", "hipExtension", "anklePlantarFlexion"],
  laterality: "alternating",
  givesOutFirst: "breath",
  safeAlone: { toTheLimit: true, how: "Stop moving." },
  kneeStress: "low",
  hipStress: "low",
  spinalLoad: "none",
  setUpEffort: "some",
  usualRep: seconds(1),
  breathing: "Find a rhythm that can be held.",
  takeUp: "Start easy for two minutes.",
  putBack: "Slow down before you stop.",
  cautions: ["Chest pain, faintness or unusual breathlessness: stop and get medical help at once."],
};

/** The shipped movements for conditioning. */
export const CONDITIONING_MOVEMENTS: readonly Shipped[] = [
  member({ ...CONDITIONING, loadings: ["plateMachine", "freeObject"] }, "sled-push", "Sled push", {
    regions: trains([...VASTI, "gluteusMaximus"], ["gastrocnemius", "trunk"]),
    length: "mid",
    setUp: [choice("Handles", ["high", "low"])],
    cues: ["Long body line", "Push the floor behind you", "Short quick steps"],
    faults: [
      when("backRounds", "hips too high", "Long line", "High handles"),
      when("rushed", "stumbling", "Whole foot", "Lighter sled"),
    ],
    substitutes: [instead("inclined-walk", "no sled"), instead("stair-climbing", "machine")],
  }),
  member(
    { ...CONDITIONING, loadings: ["plateMachine", "freeObject"] },
    "backward-sled-drag",
    "Backward sled drag",
    {
      regions: trains([...VASTI], ["tibialisAnterior"]),
      length: "mid",
      setUp: [choice("Strap", ["in the hands", "around the hips"])],
      cues: ["Lean back a little", "Toe to heel", "Keep the strap tight"],
      faults: [
        when("trunkLeans", "pulling with the arms", "Long arms", "Strap around the hips"),
        when("rushed", "jerking", "Smooth steps", "Lighter sled"),
      ],
      substitutes: [
        instead("terminal-knee-extension", "no sled"),
        instead("stationary-cycling", "seated"),
      ],
      cautions: [
        "Clear way behind you.",
        "Chest pain, faintness or unusual breathlessness: stop and get medical help at once.",
      ],
    },
  ),
  member({ ...CONDITIONING, loadings: ["unloaded"] }, "stationary-cycling", "Stationary cycling", {
    regions: trains([...VASTI], ["gluteusMaximus", "gastrocnemius"]),
    stability: "supported",
    setUp: [choice("Seat height", ["knee almost straight at the bottom"])],
    cues: ["Round strokes", "Relaxed shoulders", "A pace you can talk at"],
    faults: [
      when("hipShifts", "seat too high", "Level hips", "Seat one notch down"),
      when("rushed", "no resistance", "Feel the pedal", "One step harder"),
    ],
    substitutes: [instead("inclined-walk", "on foot"), instead("rowing", "with the trunk")],
  }),
  member({ ...CONDITIONING, loadings: ["unloaded"] }, "inclined-walk", "Inclined walk", {
    regions: trains(["gluteusMaximus", "gastrocnemius"], ["hamstringsHipExtension", "soleus"]),
    setUp: [choice("Incline", ["moderate", "steep"])],
    cues: ["Hands off the rail", "Long steps", "Tall"],
    faults: [
      when("trunkLeans", "hanging on the rail", "Hands free", "Less incline"),
      when("heelsLift", "on the toes", "Whole foot", "Slower"),
    ],
    substitutes: [instead("stationary-cycling", "seated"), instead("stair-climbing", "steeper")],
  }),
  member({ ...CONDITIONING, loadings: ["unloaded"] }, "stair-climbing", "Stair climbing", {
    regions: trains(["gluteusMaximus", ...VASTI], ["gastrocnemius"]),
    kneeStress: "moderate",
    setUp: [choice("Steps", ["each", "every second"], "every second: more glute")],
    cues: ["Whole foot", "Tall", "Hands light on the rail"],
    faults: [
      when("trunkLeans", "leaning on the rail", "Hands light", "Slower"),
      when("rushed", "toes only", "Whole foot", "Slower"),
    ],
    substitutes: [instead("inclined-walk", "kinder to the knees"), instead("step-up", "as a set")],
  }),
  member(
    { ...CONDITIONING, laterality: "twoLegs", loadings: ["unloaded"] },
    "rowing",
    "Rowing machine",
    {
      regions: trains(["upperBack"], ["gluteusMaximus", ...VASTI, "grip", "spinalErectors"]),
      stability: "supported",
      spinalLoad: "low",
      setUp: [choice("Damper", ["low", "middle"])],
      cues: ["Legs, trunk, arms", "Arms, trunk, legs", "Long strokes"],
      faults: [
        when("backRounds", "reaching too far", "Proud chest", "Shorter slide"),
        when("rushed", "racing forward", "Slow on the way in", "Fewer strokes a minute"),
      ],
      substitutes: [
        instead("stationary-cycling", "no back or grip"),
        instead("loaded-carry", "walking"),
      ],
    },
  ),
  member(
    { ...CONDITIONING, loadings: ["dumbbells", "freeObject"] },
    "loaded-carry",
    "Loaded carry",
    {
      regions: trains(["grip", "upperBack"], ["trunk", "gastrocnemius"]),
      givesOutFirst: "grip",
      spinalLoad: "moderate",
      setUp: [choice("Carry", ["at the sides", "at the shoulders"])],
      cues: ["Walk tall", "Shoulders quiet", "Short steps"],
      faults: [
        when("trunkLeans", "too heavy", "Tall", "Lighter"),
        when("rushed", "running", "Quiet steps", "Half the way"),
      ],
      substitutes: [instead("suitcase-carry", "one hand"), instead("sled-push", "no grip")],
    },
  ),
  member(
    { ...CONDITIONING, laterality: "twoLegs", loadings: ["unloaded"] },
    "rope-skipping",
    "Rope skipping",
    {
      regions: trains(["gastrocnemius", "soleus"], ["tibialisAnterior"]),
      kneeStress: "moderate",
      usualRep: seconds(0.5),
      setUpEffort: "little",
      setUp: [choice("Step", ["both feet", "alternating"])],
      cues: ["Low jumps", "Soft landing", "Elbows in"],
      faults: [
        when("bounce", "jumping high", "Just over the rope", "Shorter bouts"),
        when("heelsLift", "stiff landing", "Soft ankles", "Alternate feet"),
      ],
      substitutes: [
        instead("flat-floor-calf-raise", "without impact"),
        instead("stationary-cycling", "no impact"),
      ],
    },
  ),
];
