import { choice, instead, member, trains, when, type Family, type Shipped } from "./build.ts";
import { HINGE } from "./hinge.ts";

const BACK_BENCH: Family = {
  ...HINGE,
  stability: "supported",
  givesOutFirst: "targetMuscle",
  safeAlone: { toTheLimit: true, how: "Hands on the frame take over at any point." },
  spinalLoad: "low",
  hipStress: "low",
  difficulty: "beginner",
  setUpEffort: "little",
  loadings: ["bodyweight"],
  setUp: [
    choice("Pad", ["below the hip bone", "at the hip bone"]),
    choice("Back", ["held flat", "rounded on purpose"], "rounded: more lower back"),
  ],
  breathing: "In on the way down, out on the way up.",
  takeUp: "Set the pad, hook the heels, let the trunk hang.",
  putBack: "Hands to the frame, step down slowly.",
  spotting: "None needed.",
  cautions: ["Rise only until the body is straight; dizziness on getting up means sit down first."],
};

/** The shipped movements for hinges over a bench. */
export const BACK_BENCH_HINGES: readonly Shipped[] = [
  member(BACK_BENCH, "back-extension", "Back extension, inclined bench", {
    regions: trains(["gluteusMaximus", "hamstringsHipExtension"], ["spinalErectors"]),
    length: "mid",
    profile: "middle",
    cues: ["Fold at the hips", "Hips into the pad", "Stop when straight"],
    faults: [
      when("lowBackArches", "coming up too far", "Stop at straight", "Hold one second at the top"),
      when("swing", "falling into the bottom", "Three seconds down", "Arms crossed, no load"),
    ],
    substitutes: [
      instead("reverse-hyperextension", "legs move instead of the trunk"),
      instead("cable-pull-through", "standing, load by the pin"),
    ],
  }),
  member(BACK_BENCH, "horizontal-back-extension", "Back extension, horizontal bench", {
    regions: trains(["spinalErectors"], ["gluteusMaximus", "hamstringsHipExtension"]),
    length: "shortened",
    profile: "top",
    cues: ["Long neck", "Pause at the top", "Lower slowly"],
    faults: [
      when("lowBackArches", "chasing height", "Level with the floor", "A mark on the wall"),
      when("rushed", "short reps", "Two seconds at the top", "Fewer reps, longer holds"),
    ],
    substitutes: [
      instead("back-extension", "more hip, less low back"),
      instead("bird-dog", "on the floor, very light"),
    ],
  }),
  member(
    { ...BACK_BENCH, loadings: ["plateMachine", "bodyweight"] },
    "reverse-hyperextension",
    "Reverse hyperextension",
    {
      regions: trains(["gluteusMaximus"], ["hamstringsHipExtension", "spinalErectors"]),
      length: "shortened",
      profile: "top",
      tempoStart: "lift",
      setUp: [choice("Legs", ["straight", "bent"])],
      takeUp: "Chest on the bench, hold the handles, legs hanging.",
      putBack: "Let the legs come to rest, then step down.",
      cues: ["Legs up to level, not higher", "Squeeze before you lower", "No swing"],
      faults: [
        when("swing", "load used as a pendulum", "Start each rep from rest", "Half the load"),
        when("lowBackArches", "lifting above level", "Stop at level", "Bent knees"),
      ],
      substitutes: [
        instead("back-extension", "trunk moves instead"),
        instead("barbell-hip-thrust", "heavier for the glutes"),
      ],
    },
  ),
];
