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
import { FREE } from "./squat.ts";

const LIGHT: Family = {
  ...FREE,
  safeAlone: { toTheLimit: true, how: "Put the weight down in front." },
  spinalLoad: "low",
  difficulty: "beginner",
  setUpEffort: "little",
  loadings: ["dumbbells", "freeObject"],
  takeUp: "Lift the weight with bent knees and hold it close.",
  putBack: "Squat down and set it on the floor or a bench.",
  spotting: "None needed; somebody may hand over the weight.",
  cautions: ["Pick the weight up as carefully as you squat with it."],
};

/** The shipped movements for squats with little or no load. */
export const LIGHT_SQUATS: readonly Shipped[] = [
  member(LIGHT, "goblet-squat", "Goblet squat", {
    regions: trains([...VASTI], ["gluteusMaximus", "adductors", "upperBack"], ["trunk", "grip"]),
    givesOutFirst: "grip",
    setUp: [
      answering(choice("Heels", ["flat", "raised"], "raised: more quad"), { tightAnkle: "raised" }),
    ],
    cues: ["Weight close to the chest", "Elbows inside the knees", "Whole foot on the floor"],
    faults: [
      when(
        "heelsLift",
        "stiff ankles",
        "Push the floor away with the heels",
        "A wedge under the heels",
      ),
      when(
        "backRounds",
        "the weight drifts forward",
        "Hug it to the chest",
        "A lighter weight, shorter range",
      ),
    ],
    substitutes: [
      instead("body-weight-squat", "nothing to hold"),
      instead("front-squat", "heavier with the same trunk position"),
    ],
  }),
  member(LIGHT, "heel-raised-goblet-squat", "Heel-raised goblet squat", {
    regions: trains([...VASTI], ["gluteusMaximus"], ["adductors", "upperBack", "grip"]),
    kneeStress: "high",
    setUp: [choice("Heels on", ["a wedge", "two plates"])],
    cues: ["Heels down on the wedge", "Straight down between the knees", "Chest up"],
    faults: [
      when(
        "kneesCave",
        "narrow stance and tired hips",
        "Knees over the middle toes",
        "A slightly wider stance",
      ),
      when("rushed", "light load invites speed", "Three seconds down", "Count the lowering aloud"),
    ],
    substitutes: [
      instead("hack-squat", "heavier, supported trunk"),
      instead("goblet-squat", "less knee travel"),
    ],
  }),
  member(
    { ...LIGHT, loadings: ["bodyweight", "unloaded"] },
    "body-weight-squat",
    "Body-weight squat",
    {
      regions: trains([...VASTI], ["gluteusMaximus"], ["adductors"]),
      kneeStress: "low",
      hipStress: "low",
      spinalLoad: "none",
      setUp: [choice("Arms", ["forward", "crossed", "on a support"])],
      takeUp: "Feet under the shoulders, arms forward.",
      putBack: "Stand tall.",
      cues: ["Whole foot on the floor", "Knees follow the toes", "Stand all the way up"],
      faults: [
        when("heelsLift", "stiff ankles", "Heels heavy", "Hold on to a support"),
        when(
          "depthCut",
          "fear of the bottom",
          "Sit to the same bench",
          "A bench that gets lower by the week",
        ),
      ],
      substitutes: [
        instead("goblet-squat", "the same with a load"),
        instead("wall-sit", "where bending hurts: a hold at a chosen angle"),
      ],
      cautions: ["Pain-free depth only."],
    },
  ),
  member({ ...LIGHT, loadings: ["bodyweight"] }, "sissy-squat", "Sissy squat", {
    regions: trains(["rectusFemoris", ...VASTI], ["hipFlexors"]),
    jointActions: ["kneeExtension"],
    kneeStress: "high",
    hipStress: "low",
    spinalLoad: "none",
    difficulty: "advanced",
    givesOutFirst: "balance",
    setUp: [choice("Support", ["one hand", "frame", "none"])],
    takeUp: "Hold a support, heels up, hips open.",
    putBack: "Stand up over the toes, heels down.",
    cues: [
      "One line from knee to shoulder",
      "Knees forward and down",
      "Only as far as the line holds",
    ],
    faults: [
      when(
        "hipShifts",
        "folding at the hips",
        "Hips stay open",
        "Shorter range with a hand support",
      ),
      when("rushed", "falling into the stretch", "Four seconds down", "Use the frame"),
    ],
    substitutes: [
      instead("reverse-nordic", "same length, kneeling"),
      instead("reclined-leg-extension", "same length with a load that can be chosen"),
    ],
    cautions: ["High load on the front of the knee: light, slow, and not with tendon pain."],
  }),
  member({ ...LIGHT, loadings: ["band", "bodyweight"] }, "spanish-squat", "Spanish squat", {
    regions: trains([...VASTI], ["rectusFemoris", "gluteusMaximus"]),
    length: "mid",
    profile: "middle",
    spinalLoad: "none",
    kneeStress: "moderate",
    setUpEffort: "some",
    setUp: [choice("Strap", ["behind both knees", "behind one knee"])],
    takeUp: "Step into the strap, lean back until it is tight.",
    putBack: "Stand up and step forward out of it.",
    cues: ["Shins stay upright", "Sit straight down", "Let the strap carry you"],
    faults: [
      when("trunkLeans", "strap too loose", "Trunk tall", "Step back until the strap is tight"),
      when("heelsLift", "strap too low", "Heels heavy", "Strap higher behind the knee"),
    ],
    substitutes: [
      instead("wall-sit", "no strap needed"),
      instead("leg-extension", "quads with a load that can be chosen"),
    ],
    cautions: ["Check the anchor; joint pain that grows from rep to rep ends the set."],
  }),
  member(LIGHT, "wide-stance-dumbbell-squat", "Wide-stance dumbbell squat", {
    regions: trains(["adductors", "gluteusMaximus"], [...VASTI], ["grip"]),
    setUp: [
      choice("Stand on", ["the floor", "two steps"], "steps: longer range for the adductors"),
    ],
    cues: [
      "Toes and knees out together",
      "Sit straight down",
      "Squeeze the floor together to stand up",
    ],
    faults: [
      when(
        "kneesCave",
        "toes out further than the hips can turn",
        "Knees over the toes",
        "Narrower stance",
      ),
      when(
        "trunkLeans",
        "reaching for depth with the back",
        "Chest up",
        "Stand on steps instead of bending",
      ),
    ],
    substitutes: [
      instead("adduction-machine", "adductors alone, seated"),
      instead("cossack-squat", "one side at a time, longer"),
    ],
  }),
  member(
    { ...LIGHT, loadings: ["bodyweight", "dumbbells", "freeObject"] },
    "cossack-squat",
    "Cossack squat",
    {
      regions: trains(["adductors"], ["gluteusMaximus", "gluteusMedius", ...VASTI]),
      jointActions: ["kneeExtension", "hipExtension", "hipAdduction"],
      laterality: "alternating",
      difficulty: "trained",
      givesOutFirst: "balance",
      cues: ["Sit over one heel", "Other leg long", "Chest up"],
      faults: [
        when("heelsLift", "ankle mobility", "Heel stays down", "A plate under the heel"),
        when(
          "backRounds",
          "deeper than the hips allow",
          "Tall chest",
          "Hold a weight in front as counterbalance",
        ),
      ],
      substitutes: [
        instead("lateral-lunge", "less depth"),
        instead("wide-stance-dumbbell-squat", "both sides at once"),
      ],
    },
  ),
  member(
    { ...LIGHT, loadings: ["bodyweight", "dumbbells"] },
    "single-leg-box-squat",
    "Single-leg box squat",
    {
      regions: trains([...VASTI, "gluteusMaximus"], ["gluteusMedius", "adductors"]),
      laterality: "oneLeg",
      difficulty: "trained",
      givesOutFirst: "balance",
      kneeStress: "high",
      setUp: [choice("Box height", ["knee height", "above the knee", "below the knee"])],
      cues: ["Sit down slowly", "Knee over the middle toes", "Stand up without a push-off"],
      faults: [
        when("kneesCave", "hip cannot hold the thigh", "Knee out", "A higher box"),
        when("bounce", "dropping the last part", "Touch, do not fall", "A higher box, slower"),
      ],
      substitutes: [
        instead("single-leg-press", "one leg with support"),
        instead("step-up", "one leg, easier to scale"),
      ],
    },
  ),
  member({ ...LIGHT, loadings: ["bar"] }, "angled-bar-squat", "Angled-bar squat", {
    regions: trains([...VASTI], ["gluteusMaximus", "adductors", "upperBack"], ["trunk"]),
    setUpEffort: "some",
    profile: "middle",
    length: "mid",
    setUp: [choice("Hold", ["both hands at the chest", "one shoulder"])],
    takeUp: "Lift the free end from a support to the chest.",
    putBack: "Back onto the support, not to the floor.",
    cues: ["Lean into the bar a little", "Sit between the heels", "Drive up and forward"],
    faults: [
      when("trunkLeans", "standing too far back", "Closer to the bar", "Half a step forward"),
      when("heelsLift", "falling forward", "Whole foot", "A pause at the bottom"),
    ],
    substitutes: [
      instead("goblet-squat", "no bar end needed"),
      instead("hack-squat", "same lean, more support"),
    ],
  }),
];
