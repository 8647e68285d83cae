import {
  type Fault,
  type JointAction,
  type Laterality,
  type Limiter,
  type MuscleLength,
  type ResistanceProfile,
  type Joint,
  type Mass,
  assertNever,
} from "~/core/kernel/index.ts";
import type { Helper } from "~/core/log/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import {
  phasesFrom,
  type ItemBlock,
  type Scheme,
  type RepRange,
  type Rir,
  type SetRole,
  type SideMode,
  type Side,
  type Tempo,
  type TempoOrder,
  type TempoPhaseName,
} from "~/core/plan/index.ts";
import type { Change, Recipe } from "~/core/gym/index.ts";
import { formatAmount, formatMass } from "./numbers.ts";

export const ACTION_NAMES: Readonly<Record<JointAction, string>> = {
  kneeExtension: "Knee extension",
  kneeFlexion: "Knee flexion",
  hipExtension: "Hip extension",
  hipFlexion: "Hip flexion",
  hipAbduction: "Hip abduction",
  hipAdduction: "Hip adduction",
  anklePlantarFlexion: "Ankle plantar flexion",
  ankleDorsiflexion: "Ankle dorsiflexion",
  trunkStability: "Trunk stability",
};

export const LATERALITY_NAMES: Readonly<Record<Laterality, string>> = {
  twoLegs: "Two legs",
  oneLeg: "One leg",
  alternating: "Alternating",
};

export const LENGTH_NAMES: Readonly<Record<MuscleLength, string>> = {
  stretched: "stretched",
  mid: "mid-length",
  shortened: "shortened",
};

export const PROFILE_NAMES: Readonly<Record<ResistanceProfile, string>> = {
  bottom: "hardest at the bottom",
  middle: "hardest in the middle",
  top: "hardest at the top",
  even: "even",
};

/** Where a lift is hardest, where that is said already. */
export const PROFILE_PLACES: Readonly<Record<ResistanceProfile, string>> = {
  bottom: "bottom",
  middle: "middle",
  top: "top",
  even: "even",
};

export const PATTERN_NAMES: Readonly<Record<Movement["pattern"], string>> = {
  squat: "Squat",
  press: "Press",
  hinge: "Hinge",
  thrust: "Bridge and thrust",
  kneeExtension: "Knee extension",
  kneeFlexion: "Knee flexion",
  lunge: "Lunge and step",
  calf: "Calf and shin",
  abduction: "Abduction",
  adduction: "Adduction",
  hipFlexion: "Hip flexion",
  trunk: "Trunk",
  isometric: "Isometric",
  conditioning: "Conditioning",
  mobility: "Mobility",
};

export const ROLE_NAMES: Readonly<Record<SetRole, string>> = {
  ramp: "Warm-up",
  primer: "Feeder",
  calibration: "Work-up",
  work: "Work",
  top: "Top",
  backOff: "Back-off",
  burnout: "Burnout",
};

export const BLOCK_NAMES: Readonly<Record<ItemBlock["kind"], string>> = {
  prepare: "General warm-up",
  conditioning: "Conditioning",
  restore: "Cool-down",
};

/** What so many exercises in turn are called. */
export function formatRotation(members: number): string {
  return members === 2 ? "Superset" : members === 3 ? "Tri-set" : "Circuit";
}

export const SCHEME_NAMES: Readonly<Record<Scheme, string>> = {
  density: "Density block",
  runDown: "Run the rack",
  topAndBackOff: "Top and back-off",
  pyramid: "Pyramid",
};

export const LEVEL_NAMES = {
  beginner: "Beginner",
  trained: "Intermediate",
  advanced: "Advanced",
} as const;

/** A client of a level, within a sentence. */
export const WHO_IS: Readonly<Record<keyof typeof LEVEL_NAMES, string>> = {
  beginner: "a beginner",
  trained: "an intermediate",
  advanced: "an advanced client",
};

export const LIMITER_NAMES: Readonly<Record<Limiter, string>> = {
  targetMuscle: "target muscle",
  grip: "grip",
  balance: "balance",
  breath: "breath",
  back: "back",
  padDiscomfort: "discomfort of the pad",
};

/** What happens when form breaks, after "until". */
export const FAULT_NAMES: Readonly<Record<Fault, string>> = {
  hipsLift: "the hips lift",
  depthCut: "depth is cut",
  backRounds: "the back rounds",
  kneesCave: "the knees cave in",
  swing: "it swings",
  bounce: "it bounces",
  heelsLift: "the heels lift",
  rangeShortens: "the range shortens",
  trunkLeans: "the trunk leans",
  hipShifts: "the hips shift to one side",
  lowBackArches: "the low back arches",
  rushed: "the tempo is lost",
};

/** Who helped, by how it is said on the floor. */
export const HELPER_NAMES: Readonly<Record<Helper, string>> = {
  unknown: "Not logged",
  alone: "Alone",
  partner: "With a partner",
  spotter: "With a spotter",
};

export const JOINT_NAMES: Readonly<Record<Joint, string>> = {
  knee: "knee",
  hip: "hip",
  ankle: "ankle",
  lowBack: "low back",
  neck: "neck",
  shoulder: "shoulder",
  elbow: "elbow",
  other: "elsewhere",
};

/** How each order of a short tempo is offered. */
export const TEMPO_ORDER_NAMES: Readonly<Record<TempoOrder, string>> = {
  eccentricFirst: "lower, pause, lift, squeeze, whatever the exercise",
  asItHappens: "as the exercise happens: a deadlift is lifted first",
};

export const PHASE_NAMES: Readonly<Record<TempoPhaseName, string>> = {
  lower: "lower",
  stretch: "pause",
  lift: "lift",
  squeeze: "squeeze",
};

/** "RIR 2", "RIR over 5", "RIR 0 (failure)", "beyond failure", "RIR not logged". */
export function formatRir(rir: Rir): string {
  if (rir === "more") return "RIR over 5";
  if (rir === "past") return "beyond failure";
  if (rir === "unknown") return "RIR not logged";
  return rir === 0 ? "RIR 0 (failure)" : `RIR ${rir}`;
}

/** "RIR 2", "no RIR stated": what a plan asks. */
export function formatAskedRir(rir: Rir): string {
  return rir === "unknown" ? "no RIR stated" : formatRir(rir);
}

/** "RIR 2", "RIR 1–3". */
export function formatEffort(asked: { readonly effort: Rir; readonly effortUpTo: Rir | null }) {
  return asked.effortUpTo === null
    ? formatAskedRir(asked.effort)
    : `RIR ${asked.effort}–${asked.effortUpTo}`;
}

/** Where the repetitions of a set stay. */
export const RANGE_NAMES: Readonly<Record<RepRange, string>> = {
  full: "full range",
  stretched: "short range, stretched end",
  mid: "short range, middle",
  shortened: "short range, squeezed end",
};

/** What a set keeps to beyond load, reps and tempo: a short range, gear; empty where nothing. */
export function formatKept({
  range,
  gear,
}: {
  readonly range: RepRange;
  readonly gear: readonly string[];
}): readonly string[] {
  return [
    ...(range === "full" ? [] : [RANGE_NAMES[range]]),
    ...(gear.length === 0 ? [] : [`with ${gear.join(", ")}`]),
  ];
}

/** "8–12", or "10" for a fixed number. */
export function formatRange(target: { readonly min: number; readonly max: number }): string {
  return target.min === target.max ? String(target.min) : `${target.min}–${target.max}`;
}

export const SIDE_NAMES: Readonly<Record<Side, string>> = {
  both: "both legs",
  left: "left leg",
  right: "right leg",
};

/** "both legs", "left, then right", "alternating". */
export function formatSideMode(side: SideMode): string {
  switch (side.kind) {
    case "both":
    case "left":
    case "right":
      return SIDE_NAMES[side.kind];
    case "each":
      return `${side.first === "left" ? "left, then right" : "right, then left"}${side.matchFirst ? ", no more than the first" : ""}`;
    case "alternating":
      return "alternating";
    default:
      return assertNever(side);
  }
}

/** "lower 3 s · pause 1 s · lift fast", in the order of the movement; empty for an open tempo. */
export function formatTempo(tempo: Tempo, start: Movement["tempoStart"]): string {
  return phasesFrom(start)
    .flatMap((phase) => {
      const value = tempo[phase];
      // A pause of no length is none: nobody says it.
      if (value === null || (value === 0 && (phase === "stretch" || phase === "squeeze")))
        return [];
      return [`${PHASE_NAMES[phase]} ${value === "explosive" ? "fast" : `${value} s`}`];
    })
    .join(" · ");
}

/** Plates in their order, those alike in a row told together: "2 × 20 + 5". */
function formatPlates(plates: readonly Mass[]): string {
  const runs: { readonly text: string; readonly count: number }[] = [];
  for (const text of plates.map(formatAmount)) {
    const last = runs.at(-1);
    if (last?.text === text) runs.splice(-1, 1, { text, count: last.count + 1 });
    else runs.push({ text, count: 1 });
  }
  return runs.map(({ text, count }) => (count === 1 ? text : `${count} × ${text}`)).join(" + ");
}

/** "2 × 20 + 2.5 kg per side", "pin 70 lb + 5", "2 × 22.5 kg". */
export function formatRecipe(recipe: Recipe): string {
  switch (recipe.kind) {
    case "plates": {
      const [first] = recipe.perPoint;
      if (first === undefined) return "no plates";
      return `${formatPlates(recipe.perPoint)} ${first.unit}${recipe.points === 2 ? " per side" : ""}`;
    }
    case "pin":
      return [`pin ${formatMass(recipe.pin)}`, ...recipe.addOns.map(formatAmount)].join(" + ");
    case "dumbbells":
      return `2 × ${formatMass(recipe.each)}`;
    case "object":
      return `${recipe.held} × ${formatMass(recipe.each)}`;
    case "added":
      return recipe.mass.thousandths === 0
        ? "body weight alone"
        : `body weight and ${formatMass(recipe.mass)}`;
    case "counterweight":
      return `counterweight ${formatMass(recipe.pin)}`;
    case "band":
      return `band ${recipe.name}`;
    case "nothing":
      return "no load";
    default:
      return assertNever(recipe);
  }
}

/** "take off 10, add 2 × 20 per side"; null when nothing has to be done. */
export function formatChange(change: Change): string | null {
  switch (change.kind) {
    case "none":
      return null;
    case "plates": {
      const parts = [
        change.takeOff.length > 0 ? `take off ${formatPlates(change.takeOff)}` : "",
        change.hang.length > 0 ? `add ${formatPlates(change.hang)}` : "",
      ].filter((part) => part !== "");
      return `${parts.join(", ")}${change.points === 2 ? " per side" : ""}`;
    }
    case "pin":
    case "dumbbells":
    case "object":
    case "added":
    case "counterweight":
    case "band":
      return formatRecipe(change);
    default:
      return assertNever(change);
  }
}
