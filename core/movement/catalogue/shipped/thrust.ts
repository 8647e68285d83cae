import { seconds } from "../../../kernel/index.ts";
import { choice, instead, member, trains, when, type Family, type Shipped } from "./build.ts";

const BRIDGE: Family = {
  pattern: "thrust",
  jointActions: ["hipExtension"],
  length: "shortened",
  profile: "top",
  laterality: "twoLegs",
  stability: "supported",
  givesOutFirst: "targetMuscle",
  safeAlone: { toTheLimit: true, how: "Lower to the floor and roll the load away." },
  spinalLoad: "low",
  kneeStress: "low",
  hipStress: "moderate",
  difficulty: "beginner",
  setUpEffort: "little",
  loadings: ["bodyweight"],
  setUp: [choice("Feet", ["flat", "heels only"]), choice("Toes", ["forward", "out"])],
  tempoStart: "lift",
  usualRep: seconds(3.5),
  breathing: "Out on the way up, in on the way down.",
  takeUp: "Feet under the knees, ribs down before the first rep.",
  putBack: "Lower to the floor.",
  spotting: "None needed.",
  cautions: ["Cramp in the hamstrings: feet closer, pause, shorter holds."],
};

const STANDING_HIP: Family = {
  ...BRIDGE,
  laterality: "oneLeg",
  setUpEffort: "some",
  loadings: ["stack"],
  setUp: [
    choice("Ankle strap", ["above the ankle"]),
    choice("Lean", ["upright", "forward on a support"]),
  ],
  takeUp: "Strap on, step back until the cable is tight, hold on.",
  putBack: "Step in until the stack rests.",
  cautions: ["Small range done well beats a long one from the low back."],
};

/** The shipped movements for bridges, thrusts and hip extension. */
export const THRUSTS: readonly Shipped[] = [
  {
    ref: "shipped:barbell-hip-thrust",
    name: "Barbell hip thrust",
    pattern: "thrust",
    jointActions: ["hipExtension"],
    regions: [
      { region: "gluteusMaximus", share: 1 },
      { region: "hamstringsHipExtension", share: 0.5 },
      { region: "adductors", share: 0.25 },
    ],
    length: "shortened",
    profile: "top",
    laterality: "twoLegs",
    stability: "supported",
    givesOutFirst: "targetMuscle",
    safeAlone: { toTheLimit: true, how: "Lower the bar to the floor and roll it away." },
    spinalLoad: "low",
    kneeStress: "low",
    hipStress: "moderate",
    difficulty: "beginner",
    setUpEffort: "much",
    loadings: ["bar", "plateMachine"],
    setUp: [
      {
        name: "Feet",
        choices: ["near", "shins upright", "far"],
        usual: "shins upright",
        claimed: "far: more hamstring",
      },
      { name: "Pad", choices: ["with pad", "without"], usual: "with pad" },
    ],
    tempoStart: "lift",
    usualRep: seconds(4),
    breathing: "Out on the way up.",
    takeUp: "Roll the bar over the legs into the crease of the hips.",
    putBack: "Lower to the floor, roll it away.",
    spotting: "None.",
    cues: ["Ribs down", "Shins upright at the top"],
    faults: [
      {
        fault: "rangeShortens",
        cause: "load beyond what the top can hold",
        cue: "Hold the top for one second",
        corrective: "Less load",
      },
    ],
    cautions: ["Use a pad; bruising is not a sign of good work."],
    substitutes: [
      { movement: "shipped:romanian-deadlift", reason: "hip extension in the stretch instead" },
      { movement: "shipped:leg-press", reason: "glutes on a machine, feet high" },
    ],
  },
  member(BRIDGE, "glute-bridge", "Glute bridge", {
    regions: trains(["gluteusMaximus"], ["hamstringsHipExtension"]),
    loadings: ["bodyweight", "unloaded"],
    cues: ["Ribs down, then lift", "Push through the heels", "Squeeze, do not arch"],
    faults: [
      when("lowBackArches", "lifting with the back", "Tuck the pelvis first", "Stop a hand lower"),
      when("rushed", "bouncing off the floor", "One second at the top", "Count the pause aloud"),
    ],
    substitutes: [
      instead("barbell-glute-bridge", "the same with a bar"),
      instead("single-leg-hip-thrust", "harder without more load"),
    ],
  }),
  member({ ...BRIDGE, loadings: ["bar"] }, "barbell-glute-bridge", "Barbell glute bridge", {
    regions: trains(["gluteusMaximus"], ["hamstringsHipExtension"]),
    setUpEffort: "much",
    setUp: [choice("Pad", ["thick", "thin"]), choice("Feet", ["flat", "heels only"])],
    takeUp: "Roll the bar over the legs into the hip crease, pad between.",
    cues: ["Chin in", "Drive through the heels", "Hold the top"],
    faults: [
      when(
        "lowBackArches",
        "hips pushed higher than they open",
        "Ribs down",
        "Less load, longer hold",
      ),
      when("hipShifts", "one side pushes more", "Level the bar", "Single-leg work first"),
    ],
    substitutes: [
      instead("barbell-hip-thrust", "longer range on a bench"),
      instead("hip-thrust-machine", "no bar to roll"),
    ],
    cautions: ["Pad on the hip bones; discomfort of the pad is no target."],
  }),
  member(
    { ...BRIDGE, loadings: ["plateMachine", "stack"] },
    "hip-thrust-machine",
    "Hip thrust machine",
    {
      regions: trains(["gluteusMaximus"], ["hamstringsHipExtension", "adductors"]),
      setUpEffort: "some",
      setUp: [choice("Feet", ["middle", "high", "low"]), choice("Belt", ["tight", "loose"])],
      takeUp: "Belt or pad on the hips, release the stop with the hips up.",
      putBack: "Stop in before the hips go down.",
      cues: ["Shins upright at the top", "Chin in", "Stop when the hips are straight"],
      faults: [
        when("lowBackArches", "feet too far away", "Ribs down", "Feet closer"),
        when("depthCut", "bouncing the middle only", "All the way down", "A pause at the bottom"),
      ],
      substitutes: [
        instead("barbell-hip-thrust", "with a bar and a bench"),
        instead("cable-kickback", "one side at a time, light"),
      ],
    },
  ),
  member(BRIDGE, "single-leg-hip-thrust", "Single-leg hip thrust", {
    regions: trains(["gluteusMaximus"], ["hamstringsHipExtension", "gluteusMedius"]),
    laterality: "oneLeg",
    loadings: ["bodyweight", "dumbbells"],
    setUp: [choice("Free leg", ["bent", "straight"])],
    cues: ["Hips level", "Free knee to the chest", "Slow down"],
    faults: [
      when(
        "hipShifts",
        "pelvis drops on the free side",
        "Level hips",
        "Both feet up, one foot down",
      ),
      when("lowBackArches", "no more range in the hip", "Stop earlier", "Foot closer"),
    ],
    substitutes: [instead("glute-bridge", "both legs"), instead("cable-kickback", "standing")],
  }),
  member(BRIDGE, "long-lever-bridge", "Long-lever bridge", {
    regions: trains(["hamstringsHipExtension"], ["gluteusMaximus"]),
    jointActions: ["hipExtension", "kneeFlexion"],
    loadings: ["bodyweight", "unloaded"],
    setUp: [choice("Heels on", ["the floor", "a bench"])],
    cues: ["Heels far away", "Pull the heels towards you", "Hips all the way up"],
    faults: [
      when("hipsLift", "hips lag behind", "Hips first", "Feet closer"),
      when("rushed", "dropping down", "Three seconds down", "Fewer reps"),
    ],
    substitutes: [
      instead("slider-leg-curl", "with knee flexion"),
      instead("lying-leg-curl", "load by the pin"),
    ],
  }),
  member(BRIDGE, "frog-pump", "Frog pump", {
    regions: trains(["gluteusMaximus"], ["adductors"]),
    loadings: ["bodyweight", "unloaded", "dumbbells"],
    usualRep: seconds(2),
    setUp: [choice("Soles", ["together", "apart"])],
    cues: ["Soles together, knees out", "Short and quick", "Squeeze each one"],
    faults: [
      when("lowBackArches", "chasing height", "Ribs down", "Smaller range"),
      when("rushed", "no squeeze", "Hold half a second", "Fewer reps"),
    ],
    substitutes: [
      instead("glute-bridge", "slower, longer"),
      instead("kneeling-hip-extension", "with a band"),
    ],
  }),
  member(
    { ...BRIDGE, loadings: ["band", "unloaded"] },
    "kneeling-hip-extension",
    "Kneeling hip extension",
    {
      regions: trains(["gluteusMaximus"], ["gluteusMedius"], ["trunk"]),
      laterality: "oneLeg",
      setUp: [choice("Knee", ["bent", "straight"])],
      takeUp: "On hands and knees, band around the foot.",
      putBack: "Knee back to the floor.",
      cues: ["Sole to the ceiling", "Back still", "Hips level"],
      faults: [
        when("lowBackArches", "lifting too high", "Stop at level", "Forearms on the floor"),
        when("hipShifts", "leaning to the side", "Level hips", "A lighter band"),
      ],
      substitutes: [
        instead("cable-kickback", "standing, load by the pin"),
        instead("frog-pump", "both legs"),
      ],
    },
  ),
  member(STANDING_HIP, "cable-kickback", "Cable kickback", {
    regions: trains(["gluteusMaximus"], ["hamstringsHipExtension"]),
    length: "mid",
    profile: "even",
    cues: ["Push back, not up", "Hips face forward", "Slow return"],
    faults: [
      when(
        "lowBackArches",
        "range beyond the hip",
        "Stop where the back stays still",
        "Lean forward on a support",
      ),
      when("swing", "load too heavy", "Pause behind", "Two pins lighter"),
    ],
    substitutes: [
      instead("standing-hip-extension-machine", "a pad instead of a strap"),
      instead("kneeling-hip-extension", "home kit"),
    ],
  }),
  member(STANDING_HIP, "standing-hip-extension-machine", "Standing hip extension machine", {
    regions: trains(["gluteusMaximus"], ["hamstringsHipExtension"]),
    length: "mid",
    setUp: [choice("Pad", ["behind the knee", "at the calf"])],
    cues: ["Tall on the standing leg", "Push the pad back", "Control the way back"],
    faults: [
      when("trunkLeans", "throwing the trunk", "Still trunk", "One pin lighter"),
      when("lowBackArches", "pad too low", "Ribs down", "Pad behind the knee"),
    ],
    substitutes: [
      instead("cable-kickback", "with a strap"),
      instead("hip-thrust-machine", "both legs, heavier"),
    ],
  }),
];
