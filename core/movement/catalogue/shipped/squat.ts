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

export const FREE: Family = {
  pattern: "squat",
  jointActions: ["kneeExtension", "hipExtension", "trunkStability"],
  length: "stretched",
  profile: "bottom",
  laterality: "twoLegs",
  stability: "free",
  givesOutFirst: "targetMuscle",
  safeAlone: {
    toTheLimit: false,
    how: "Only inside a rack with safeties just below the lowest point.",
  },
  spinalLoad: "high",
  kneeStress: "moderate",
  hipStress: "moderate",
  difficulty: "trained",
  setUpEffort: "some",
  loadings: ["bar"],
  setUp: [choice("Stance", ["shoulder width", "hip width", "wide"], "wide: more adductor")],
  tempoStart: "lower",
  usualRep: seconds(4),
  breathing: "Breathe in and brace at the top; let the air out past the hardest point.",
  takeUp: "Step under the bar, brace, stand up, two short steps back.",
  putBack: "Walk into the uprights first, then lower onto the hooks.",
  spotting: "From behind with both arms under the chest, or one person at each end.",
  cautions: [
    "Safeties just below the range; holding the breath is not for uncontrolled blood pressure.",
  ],
};

const GUIDED: Family = {
  ...FREE,
  stability: "guided",
  safeAlone: {
    toTheLimit: true,
    how: "Stops set just below the lowest point, and the way out practised.",
  },
  spinalLoad: "moderate",
  difficulty: "beginner",
  loadings: ["plateMachine"],
  setUp: [
    choice("Foot height", ["middle", "low", "high"], "low: more quad; high: more glute"),
    choice("Stance", ["shoulder width", "hip width", "wide"]),
  ],
  takeUp: "Shoulders into the pads, stand up, turn the stops away.",
  putBack: "Stand tall, turn the stops in, then lower onto them.",
  spotting: "At the side, ready at the stops or the end of the sled.",
  cautions: ["Depth ends where the pelvis starts to roll off the pad."],
};

/** The shipped movements for squats with a bar or on a guided machine. */
export const SQUATS: readonly Shipped[] = [
  {
    ref: "shipped:back-squat",
    name: "Back squat",
    pattern: "squat",
    jointActions: ["kneeExtension", "hipExtension", "trunkStability"],
    regions: [
      { region: "vastusLateralis", share: 1 },
      { region: "vastusMedialis", share: 1 },
      { region: "vastusIntermedius", share: 1 },
      { region: "gluteusMaximus", share: 1 },
      { region: "adductors", share: 0.5 },
      { region: "spinalErectors", share: 0.5 },
      { region: "rectusFemoris", share: 0.25 },
    ],
    length: "stretched",
    profile: "bottom",
    laterality: "twoLegs",
    stability: "free",
    givesOutFirst: "targetMuscle",
    safeAlone: {
      toTheLimit: false,
      how: "Only inside a rack with safeties just below the lowest point.",
    },
    spinalLoad: "high",
    kneeStress: "moderate",
    hipStress: "moderate",
    difficulty: "trained",
    setUpEffort: "some",
    loadings: ["bar"],
    setUp: [
      {
        name: "Stance",
        choices: ["hip width", "shoulder width", "wide"],
        usual: "shoulder width",
        claimed: "wide: more adductor",
      },
      {
        name: "Heels",
        choices: ["flat", "raised"],
        usual: "flat",
        answers: { tightAnkle: "raised" },
        claimed: "raised: more quad",
      },
      { name: "Range", choices: ["to parallel", "as deep as controlled"], usual: "to parallel" },
    ],
    tempoStart: "lower",
    usualRep: seconds(4),
    breathing: "Breathe in and brace at the top; let the air out past the hardest point.",
    takeUp: "Step under the bar, brace, stand up, two short steps back.",
    putBack: "Walk into the uprights first, then lower onto the hooks.",
    spotting: "From behind with both arms under the chest, or one person at each end.",
    cues: ["Whole foot on the floor", "Knees follow the toes", "Chest and hips rise together"],
    faults: [
      {
        fault: "backRounds",
        cause: "depth beyond hip or ankle mobility",
        cue: "Stop where the pelvis starts to roll",
        corrective: "Raise the heels or shorten the range",
      },
      {
        fault: "kneesCave",
        cause: "load above what the hips can steer",
        cue: "Spread the floor",
        corrective: "Lower load, a pause at the bottom",
      },
    ],
    cautions: [
      "Safeties just below the range.",
      "Holding the breath under load is not for uncontrolled blood pressure.",
    ],
    substitutes: [
      { movement: "shipped:leg-press", reason: "no bar on the back, supported trunk" },
      { movement: "shipped:dumbbell-split-squat", reason: "same joints, less load on the spine" },
    ],
  },
  {
    ref: "shipped:front-squat",
    name: "Front squat",
    pattern: "squat",
    jointActions: ["kneeExtension", "hipExtension", "trunkStability"],
    regions: [
      { region: "vastusLateralis", share: 1 },
      { region: "vastusMedialis", share: 1 },
      { region: "vastusIntermedius", share: 1 },
      { region: "gluteusMaximus", share: 0.5 },
      { region: "upperBack", share: 0.5 },
      { region: "spinalErectors", share: 0.25 },
      { region: "rectusFemoris", share: 0.25 },
    ],
    length: "stretched",
    profile: "bottom",
    laterality: "twoLegs",
    stability: "free",
    givesOutFirst: "back",
    safeAlone: {
      toTheLimit: false,
      how: "Inside a rack with safeties; the bar can be let go forward onto them.",
    },
    spinalLoad: "moderate",
    kneeStress: "high",
    hipStress: "moderate",
    difficulty: "advanced",
    setUpEffort: "some",
    loadings: ["bar"],
    setUp: [
      {
        name: "Grip",
        choices: ["fingers under", "arms crossed", "straps"],
        usual: "fingers under",
        answers: { failingGrip: "straps" },
      },
      {
        name: "Heels",
        choices: ["flat", "raised"],
        usual: "flat",
        answers: { tightAnkle: "raised" },
      },
    ],
    tempoStart: "lower",
    usualRep: seconds(4),
    breathing: "Breathe in and brace at the top; out past the hardest point.",
    takeUp: "Bar on the front of the shoulders, elbows high, two steps back.",
    putBack: "Walk into the uprights, then bend the knees.",
    spotting: "One person at each end; nobody behind.",
    cues: ["Elbows high", "Sit between the feet"],
    faults: [
      {
        fault: "backRounds",
        cause: "upper back tires first",
        cue: "Elbows up out of the bottom",
        corrective: "Fewer reps a set",
      },
      {
        fault: "heelsLift",
        cause: "stiff ankles",
        cue: "Heels heavy",
        corrective: "Raise the heels",
      },
    ],
    cautions: ["Sore wrists: use straps or cross the arms."],
    substitutes: [
      { movement: "shipped:back-squat", reason: "same pattern without the wrist position" },
      { movement: "shipped:leg-press", reason: "quads without the upper back" },
    ],
  },
  member(FREE, "box-squat", "Box squat", {
    regions: trains(
      [...VASTI, "gluteusMaximus"],
      ["adductors", "spinalErectors", "hamstringsHipExtension"],
    ),
    length: "mid",
    profile: "middle",
    setUp: [
      choice("Box height", ["to parallel", "above parallel", "below parallel"], undefined, {
        "below parallel": { length: "stretched", profile: "bottom" },
      }),
      choice("Stance", ["wide", "shoulder width"]),
    ],
    cues: ["Sit back until the box takes you", "Shins stay upright", "Stand up without rocking"],
    faults: [
      when(
        "bounce",
        "dropping onto the box",
        "Sit down as on glass",
        "Slower lowering, a pause of one second",
      ),
      when("backRounds", "relaxing on the box", "Stay braced while you sit", "A higher box"),
    ],
    substitutes: [
      instead("back-squat", "the full range without a box"),
      instead("goblet-squat", "light, for learning the same path"),
    ],
    cautions: ["Never drop onto the box: the spine takes it.", "Safeties just below the range."],
  }),
  member(FREE, "safety-bar-squat", "Safety-bar squat", {
    regions: trains(
      [...VASTI, "gluteusMaximus"],
      ["spinalErectors", "upperBack", "adductors"],
      ["rectusFemoris"],
    ),
    setUp: [
      choice("Handles", ["held", "hands on the rack"]),
      choice("Stance", ["shoulder width", "hip width", "wide"]),
    ],
    cues: ["Elbows down, chest proud", "Knees follow the toes", "Push the bar up, not forward"],
    faults: [
      when(
        "trunkLeans",
        "the camber pulls forward",
        "Drive the upper back into the pad",
        "Lighter, with a pause below",
      ),
      when(
        "kneesCave",
        "load above what the hips can steer",
        "Spread the floor",
        "A band around the knees in the ramp sets",
      ),
    ],
    substitutes: [
      instead("back-squat", "the usual bar, where shoulders allow it"),
      instead("hack-squat", "supported trunk, same regions"),
    ],
  }),
  member(GUIDED, "hack-squat", "Hack squat", {
    regions: trains([...VASTI], ["gluteusMaximus", "adductors"], ["rectusFemoris"]),
    kneeStress: "high",
    cues: [
      "Back and hips stay on the pad",
      "Knees travel over the toes",
      "Slow through the lowest third",
    ],
    faults: [
      when(
        "hipsLift",
        "feet too low for the ankles",
        "Hips stay glued to the pad",
        "Feet a little higher, or heels raised",
      ),
      when(
        "depthCut",
        "load ahead of the range",
        "Touch the same depth each rep",
        "Take off a plate and keep the depth",
      ),
    ],
    substitutes: [
      instead("pendulum-squat", "same support, easier start"),
      instead("leg-press", "less knee travel, supported"),
      instead("heel-raised-goblet-squat", "home kit, same upright trunk"),
    ],
  }),
  member({ ...GUIDED, loadings: ["bar"] }, "guided-bar-squat", "Guided-bar squat", {
    regions: trains(
      [...VASTI, "gluteusMaximus"],
      ["adductors"],
      ["rectusFemoris", "spinalErectors"],
    ),
    setUp: [
      choice("Feet", ["under the hips", "forward"], "forward: more glute, less knee travel"),
      choice("Stance", ["shoulder width", "hip width"]),
    ],
    takeUp: "Bar on the upper back, turn the hooks free, settle the feet.",
    putBack: "Stand tall and turn the bar into the hooks.",
    cues: ["Feet never slide", "Straight path, same depth", "Ribs down"],
    faults: [
      when(
        "lowBackArches",
        "feet too far forward",
        "Ribs over the hips",
        "Feet back by half a foot",
      ),
      when(
        "depthCut",
        "stops set too high",
        "To the same depth each time",
        "Set the stops one notch lower",
      ),
    ],
    substitutes: [
      instead("back-squat", "free, with more trunk work"),
      instead("hack-squat", "no bar on the back"),
    ],
  }),
  member(GUIDED, "pendulum-squat", "Pendulum squat", {
    regions: trains([...VASTI], ["gluteusMaximus"], ["adductors", "rectusFemoris"]),
    profile: "even",
    cues: [
      "Sink as deep as the hips stay down",
      "Drive the pad back, not up",
      "No rest at the top",
    ],
    faults: [
      when(
        "hipsLift",
        "more depth than the hips allow",
        "Stop where the pelvis starts to roll",
        "Shorter range this week",
      ),
      when("bounce", "falling into the stretch", "Land softly", "A one-second pause below"),
    ],
    substitutes: [
      instead("hack-squat", "hardest at the bottom"),
      instead("leg-press", "seated, less load on the trunk"),
    ],
  }),
  member(GUIDED, "belt-squat", "Belt squat", {
    regions: trains([...VASTI, "gluteusMaximus"], ["adductors"], ["rectusFemoris"]),
    spinalLoad: "none",
    takeUp: "Belt around the hips, stand up, turn the stop away, hands on the rail.",
    putBack: "Stand tall, turn the stop in, unhook.",
    spotting: "None; the stop catches the load.",
    cues: ["Let the belt pull straight down", "Hands only for balance", "Knees follow the toes"],
    faults: [
      when(
        "trunkLeans",
        "pulling on the rail",
        "Open hands on the rail",
        "Less load until the hands are quiet",
      ),
      when("kneesCave", "narrow platform", "Spread the floor", "Toes out a little"),
    ],
    substitutes: [
      instead("back-squat", "free, loads the spine"),
      instead("leg-press", "also without a load on the back"),
    ],
    cautions: ["Check hook and belt before the first rep."],
  }),
];
