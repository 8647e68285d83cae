import { ABDUCTION } from "./abduction.ts";
import { choice, instead, member, trains, when, type Family, type Shipped } from "./build.ts";

const HIP_FLEXION: Family = {
  ...ABDUCTION,
  pattern: "hipFlexion",
  jointActions: ["hipFlexion"],
  laterality: "oneLeg",
  stability: "free",
  loadings: ["stack"],
  setUpEffort: "some",
  setUp: [choice("Support", ["a frame", "none"])],
  breathing: "Out as the knee rises.",
  takeUp: "Strap on the foot, face away from the pulley.",
  putBack: "Step back until the stack rests.",
  cautions: ["Snapping or pinching in the hip: lower the range."],
};

/** The shipped movements for hip flexion. */
export const HIP_FLEXIONS: readonly Shipped[] = [
  member(
    { ...HIP_FLEXION, laterality: "twoLegs", loadings: ["bodyweight"] },
    "hanging-knee-raise",
    "Hanging knee raise",
    {
      regions: trains(["hipFlexors"], ["trunk"], ["grip"]),
      length: "mid",
      profile: "top",
      givesOutFirst: "grip",
      setUp: [choice("Hang from", ["arm rests", "a bar"])],
      takeUp: "Hang still before the first rep.",
      putBack: "Feet to the step.",
      cues: ["Knees to the ribs", "No swing", "Slow down"],
      faults: [
        when("swing", "momentum", "Still at the bottom", "Arm rests"),
        when("lowBackArches", "legs drop", "Ribs down", "Bent knees"),
      ],
      substitutes: [
        instead("band-march", "lying, with a band"),
        instead("cable-knee-drive", "standing"),
      ],
    },
  ),
  member(HIP_FLEXION, "cable-knee-drive", "Cable knee drive", {
    regions: trains(["hipFlexors"], ["rectusFemoris"], ["trunk"]),
    length: "stretched",
    profile: "bottom",
    cues: ["Start with the leg behind", "Knee up and through", "Tall"],
    faults: [
      when("lowBackArches", "leg too far behind", "Ribs down", "Half a step closer"),
      when("trunkLeans", "leaning back", "Tall", "One pin lighter"),
    ],
    substitutes: [instead("band-march", "home kit"), instead("hanging-knee-raise", "both legs")],
  }),
  member(
    { ...HIP_FLEXION, laterality: "alternating", loadings: ["band"], setUpEffort: "little" },
    "band-march",
    "Band march",
    {
      regions: trains(["hipFlexors"], ["trunk"]),
      length: "mid",
      profile: "top",
      setUp: [choice("Position", ["lying", "standing"])],
      takeUp: "Band around both feet, lie down.",
      putBack: "Feet to the floor.",
      cues: ["One knee up, one leg long", "Back flat", "Slow exchange"],
      faults: [
        when("lowBackArches", "band too strong", "Back flat", "A lighter band"),
        when("rushed", "cycling", "Hold one second", "Slower"),
      ],
      substitutes: [instead("dead-bug", "without a band"), instead("cable-knee-drive", "loaded")],
    },
  ),
  member(
    { ...HIP_FLEXION, loadings: ["unloaded", "bodyweight"], setUpEffort: "little" },
    "seated-straight-leg-lift",
    "Seated straight-leg lift",
    {
      regions: trains(["hipFlexors"], ["rectusFemoris"]),
      setUp: [choice("Hands", ["beside the hips", "in front"], "in front: harder")],
      takeUp: "Sit tall, legs long.",
      putBack: "Leg down.",
      cues: ["Knee locked", "Lift over an object", "Sit tall"],
      faults: [
        when("trunkLeans", "leaning back", "Tall", "Hands behind"),
        when("swing", "throwing it", "Two seconds up", "Smaller lift"),
      ],
      substitutes: [instead("band-march", "lying"), instead("hanging-knee-raise", "more load")],
    },
  ),
  member(
    { ...HIP_FLEXION, loadings: ["unloaded", "band"], setUpEffort: "little" },
    "figure-four-lift",
    "Figure-four lift",
    {
      regions: trains(["sartorius"], ["hipFlexors"]),
      jointActions: ["hipFlexion", "hipAbduction", "kneeFlexion"],
      length: "mid",
      profile: "even",
      setUp: [choice("Position", ["standing", "lying"])],
      takeUp: "Stand by a support.",
      putBack: "Foot down.",
      cues: ["Ankle towards the other knee", "Knee out", "Slow down"],
      faults: [
        when("trunkLeans", "leaning to the side", "Tall", "Hold on"),
        when("swing", "throwing it", "Hold one second", "Slower"),
      ],
      substitutes: [
        instead("cross-leg-cable-lift", "loaded"),
        instead("seated-straight-leg-lift", "straight knee"),
      ],
    },
  ),
  member(HIP_FLEXION, "cross-leg-cable-lift", "Cross-leg cable lift", {
    regions: trains(["sartorius"], ["hipFlexors", "adductors"]),
    jointActions: ["hipFlexion", "kneeFlexion"],
    setUp: [choice("Seat", ["a bench"])],
    takeUp: "Sit facing away, strap on the ankle.",
    cues: ["Ankle up across the other knee", "Sit tall", "Hold one second"],
    faults: [
      when("trunkLeans", "rocking back", "Tall", "One pin lighter"),
      when("rangeShortens", "too heavy", "All the way across", "Two pins lighter"),
    ],
    substitutes: [
      instead("figure-four-lift", "without load"),
      instead("cable-knee-drive", "hip flexion alone"),
    ],
  }),
];
