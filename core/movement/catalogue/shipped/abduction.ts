import { seconds } from "../../../kernel/index.ts";
import { choice, instead, member, trains, when, type Family, type Shipped } from "./build.ts";

export const ABDUCTION: Family = {
  pattern: "abduction",
  jointActions: ["hipAbduction"],
  length: "shortened",
  profile: "top",
  laterality: "twoLegs",
  stability: "supported",
  givesOutFirst: "targetMuscle",
  safeAlone: { toTheLimit: true, how: "Let the pads close." },
  spinalLoad: "none",
  kneeStress: "none",
  hipStress: "low",
  difficulty: "beginner",
  setUpEffort: "little",
  loadings: ["stack"],
  setUp: [choice("Trunk", ["upright", "leaning forward", "hips raised"], "leaning: more glutes")],
  tempoStart: "lift",
  usualRep: seconds(3),
  breathing: "Out as the legs open, in as they close.",
  takeUp: "Pads outside the knees, sit back.",
  putBack: "Let the stack come to rest.",
  spotting: "None needed.",
  cautions: ["No bounce at the end of the range; pinching in the groin ends the set."],
};

const FLOOR_ABDUCTION: Family = {
  ...ABDUCTION,
  laterality: "oneLeg",
  stability: "free",
  loadings: ["unloaded", "band"],
  setUp: [choice("Band", ["none", "above the knees", "at the ankles"])],
  takeUp: "On the side, hips stacked.",
  putBack: "Leg down.",
};

/** The shipped movements for abduction. */
export const ABDUCTIONS: readonly Shipped[] = [
  member(ABDUCTION, "abduction-machine", "Abduction machine", {
    regions: trains(["gluteusMedius"], ["gluteusMaximus"]),
    cues: ["Open with the knees, not the feet", "Hold the end", "Slow back"],
    faults: [
      when("bounce", "slamming the stack", "Soft return", "One pin lighter"),
      when("trunkLeans", "rocking", "Trunk still", "Hold the handles"),
    ],
    substitutes: [
      instead("band-side-walk", "with a band"),
      instead("cable-hip-abduction", "standing, longer range"),
    ],
  }),
  member(
    { ...ABDUCTION, laterality: "oneLeg", stability: "free", setUpEffort: "some" },
    "cable-hip-abduction",
    "Cable hip abduction",
    {
      regions: trains(["gluteusMedius"], [], ["trunk"]),
      length: "stretched",
      profile: "bottom",
      setUp: [choice("Leg starts", ["crossed in front", "beside"])],
      takeUp: "Strap on the far ankle, stand sideways, hold on.",
      putBack: "Step in until the stack rests.",
      cues: ["Start crossed", "Lead with the heel", "Hips level"],
      faults: [
        when("trunkLeans", "load too heavy", "Tall", "Two pins lighter"),
        when("swing", "kicking", "Start from rest", "Pause outside"),
      ],
      substitutes: [
        instead("side-lying-leg-raise", "on the floor"),
        instead("abduction-machine", "both legs"),
      ],
    },
  ),
  member(
    { ...FLOOR_ABDUCTION, laterality: "alternating", loadings: ["band"] },
    "band-side-walk",
    "Band side walk",
    {
      regions: trains(["gluteusMedius"], ["gluteusMaximus"]),
      length: "mid",
      profile: "even",
      takeUp: "Band around the knees or ankles, soft knees.",
      putBack: "Feet together, band off.",
      cues: ["Knees out all the time", "Small steps", "Hips level"],
      faults: [
        when("kneesCave", "trailing leg pulled in", "Keep the band tight", "A lighter band"),
        when("trunkLeans", "waddling", "Quiet shoulders", "Smaller steps"),
      ],
      substitutes: [instead("abduction-machine", "seated"), instead("clam", "lying")],
    },
  ),
  member(FLOOR_ABDUCTION, "side-lying-leg-raise", "Side-lying leg raise", {
    regions: trains(["gluteusMedius"]),
    cues: ["Heel leads", "Toes forward", "Hold the top"],
    faults: [
      when("hipShifts", "rolling back", "Hips stacked", "Back against a wall"),
      when("swing", "throwing the leg", "Two seconds up", "Fewer reps"),
    ],
    substitutes: [
      instead("cable-hip-abduction", "standing, loaded"),
      instead("clam", "bent knees"),
    ],
  }),
  member(FLOOR_ABDUCTION, "clam", "Clam", {
    regions: trains(["gluteusMedius"], ["gluteusMaximus"]),
    length: "mid",
    cues: ["Heels together", "Open the knee", "Pelvis still"],
    faults: [
      when("hipShifts", "rolling back", "Pelvis still", "A hand on the hip"),
      when("rushed", "flapping", "Hold two seconds", "Fewer reps"),
    ],
    substitutes: [
      instead("side-lying-leg-raise", "straight leg"),
      instead("band-side-walk", "standing"),
    ],
  }),
  member(
    { ...FLOOR_ABDUCTION, loadings: ["bodyweight"] },
    "side-plank-leg-raise",
    "Side plank with leg raise",
    {
      regions: trains(["gluteusMedius", "trunk"]),
      difficulty: "advanced",
      setUp: [choice("Bottom leg", ["bent", "straight"])],
      takeUp: "Side plank first, then the leg.",
      cues: ["Long line", "Hips high", "Leg level"],
      faults: [
        when("hipShifts", "hips sink", "Hips high", "Bottom knee bent"),
        when("trunkLeans", "rolling forward", "Chest open", "Against a wall"),
      ],
      substitutes: [
        instead("side-plank", "without the leg"),
        instead("side-lying-leg-raise", "without the plank"),
      ],
    },
  ),
  member(
    { ...FLOOR_ABDUCTION, loadings: ["bodyweight", "dumbbells"] },
    "pelvic-drop",
    "Pelvic drop",
    {
      regions: trains(["gluteusMedius"]),
      length: "stretched",
      profile: "bottom",
      tempoStart: "lower",
      setUp: [choice("Step height", ["low"])],
      takeUp: "Stand on a step with one leg, knee straight.",
      cues: ["Knee straight", "Let the hip sink", "Pull it up level"],
      faults: [
        when("trunkLeans", "side bend instead", "Shoulders level", "A hand on a wall"),
        when("kneesCave", "knee bends", "Knee still", "Smaller range"),
      ],
      substitutes: [
        instead("cable-hip-abduction", "with a strap"),
        instead("side-lying-leg-raise", "lying"),
      ],
    },
  ),
];
