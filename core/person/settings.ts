import {
  REGIONS,
  type MuscleLength,
  type Region,
  count,
  seconds,
  recordOf,
} from "../kernel/index.ts";
import type { Movement } from "../movement/index.ts";
import {
  type VolumePolicy,
  OPEN_TEMPO,
  USUAL_PROGRESSION,
  type ProgressionRule,
  type Rest,
  type Rir,
  type SlotDefaults,
  type Target,
  type Tempo,
} from "../plan/index.ts";
import type { Approach } from "./approach.ts";
import type { Level } from "./brief.ts";
import type { Band } from "./own-volume.ts";
import type { Stances } from "./questions.ts";

/**
 * Moderate weekly bands. Regions that other work covers, or that few people train for their own sake, start
 * at zero. They are starting points and not limits. Source: our rule, docs/arithmetic.md § Weekly bands.
 */
const MODERATE: Readonly<Record<Region, Band>> = {
  rectusFemoris: { low: 3, high: 10 },
  vastusLateralis: { low: 8, high: 16 },
  vastusMedialis: { low: 8, high: 16 },
  vastusIntermedius: { low: 8, high: 16 },
  hamstringsKneeFlexion: { low: 4, high: 12 },
  hamstringsHipExtension: { low: 4, high: 12 },
  gluteusMaximus: { low: 6, high: 16 },
  gluteusMedius: { low: 0, high: 10 },
  adductors: { low: 2, high: 12 },
  sartorius: { low: 0, high: 6 },
  gastrocnemius: { low: 4, high: 14 },
  soleus: { low: 2, high: 12 },
  tibialisAnterior: { low: 0, high: 8 },
  hipFlexors: { low: 0, high: 8 },
  spinalErectors: { low: 0, high: 8 },
  trunk: { low: 0, high: 12 },
  upperBack: { low: 0, high: 12 },
  grip: { low: 0, high: 12 },
};

const VOLUME_SCALE = { few: 0.5, moderate: 1, high: 1.4 } as const;

/**
 * The band of every region. Nothing is asked of the soleus where bent-knee work is held dispensable, nor of the
 * rectus femoris where knee extensions are not held to be hard work of every week.
 */
export function weeklyBands(stances: Stances): Readonly<Record<Region, Band>> {
  const scale = VOLUME_SCALE[stances.volume];
  return recordOf(REGIONS, (region) => {
    const { low, high } = MODERATE[region];
    const isDispensable =
      (region === "soleus" && stances.calves === "dispensable") ||
      (region === "rectusFemoris" &&
        (stances.kneeExtension !== "everyWeek" || stances.kneeExtensionEffort === "lightOnly"));
    return { low: isDispensable ? 0 : Math.round(low * scale), high: Math.ceil(high * scale) };
  });
}

/** What each extension adds to the count of its set; what asks for no more work to the limit adds nothing. */
export function volumePolicyOf(stances: Stances): VolumePolicy {
  const adds = { nothing: 0, half: 0.5, whole: 1 } as const;
  const pauses = adds[stances.countRestPause];
  const past = adds[stances.countPastFailure];
  return {
    extensionAdds: {
      drop: adds[stances.countDrops],
      restPause: pauses,
      cluster: pauses,
      partials: past,
      forced: past,
      positionChange: 0,
      endHold: 0,
      breather: 0,
    },
    density: stances.countDensity,
  };
}

/** How many leg sessions a week an approach plans with. */
export function sessionsAWeek(stances: Stances): number {
  return { once: 1, twiceVariants: 2, often: 3, frontAndBack: 2 }[stances.frequency];
}

/**
 * Isolation moves one joint without a load on the whole body. Hinges, and thrusts under a bar or on a loaded
 * machine, move one joint too, but are trained and ordered as compound lifts.
 */
export function isIsolation({ pattern, jointActions, loadings }: Movement): boolean {
  if (COMPOUND.has(pattern)) return false;
  if (pattern === "thrust" && loadings.some((l) => l === "bar" || l === "plateMachine"))
    return false;
  return jointActions.filter((action) => action !== "trunkStability").length <= 1;
}

const COMPOUND: ReadonlySet<Movement["pattern"]> = new Set(["squat", "press", "hinge", "lunge"]);

/** The defaults for a movement: effort, reps, rest, tempo and how it moves on follow from the stances and the level. */
export function defaultsFor(
  movement: Movement,
  { stances }: Pick<Approach, "stances">,
  level: Level = "trained",
): SlotDefaults {
  const isolation = isIsolation(movement);
  const effort = effortOf(stances, isolation);
  const target = repsOf(movement, stances, isolation);
  return {
    sets: stances.volume === "few" ? 2 : stances.volume === "high" ? 4 : 3,
    target,
    ...effort,
    rest: restOf(stances, isolation),
    tempo: tempoOf(stances),
    progression: progressionOf(target, stances, isolation, level),
  };
}

/**
 * How an exercise moves on where nobody says: repetitions first, then load. Where load must rise, a beginner's
 * compound lifts go up as soon as what is asked was reached; where everything goes to the limit, isolation work is
 * held against the same set last time. Source: our rule, docs/progression.md § The rules.
 */
function progressionOf(
  target: Target,
  { load, effort }: Stances,
  isolation: boolean,
  level: Level,
): ProgressionRule {
  if (target.kind !== "reps") return USUAL_PROGRESSION;
  if (load === "mustRise" && !isolation && level === "beginner")
    return { kind: "smallestStep", after: count(1) };
  if (effort === "everything" && isolation)
    return { kind: "beatLast", by: count(1), from: target.min };
  return USUAL_PROGRESSION;
}

function effortOf(
  stances: Stances,
  isolation: boolean,
): { readonly effort: Rir; readonly lastEffort: Rir } {
  switch (stances.effort) {
    case "reserve":
      return { effort: 2, lastEffort: isolation ? 1 : 2 };
    case "lastSet":
      return { effort: 2, lastEffort: 0 };
    case "isolationOnly":
      return isolation ? { effort: 0, lastEffort: 0 } : { effort: 2, lastEffort: 2 };
    case "everything":
      return { effort: 0, lastEffort: 0 };
  }
}

function repsOf(movement: Movement, stances: Stances, isolation: boolean): Target {
  const range = (min: number, max: number): Target => ({
    kind: "reps",
    min: count(min),
    max: count(max),
  });
  const isHeavy = stances.rest === "long";
  if (movement.pattern === "isometric") {
    return { kind: "seconds", min: seconds(20), max: seconds(40) };
  }
  if (movement.pattern === "calf") {
    return stances.calfRepetitions === "heavy" ? range(6, 10) : range(10, 20);
  }
  if (movement.pattern === "kneeFlexion") {
    return stances.curlRepetitions === "low" ? range(6, 10) : range(8, 12);
  }
  if (isHeavy) return isolation ? range(8, 12) : range(4, 6);
  return isolation ? range(10, 15) : range(6, 10);
}

function restOf(stances: Stances, isolation: boolean): Rest {
  switch (stances.rest) {
    case "none":
      return { kind: "fixed", seconds: seconds(20) };
    case "seconds":
      return { kind: "fixed", seconds: seconds(isolation ? 45 : 60) };
    case "twoMinutes":
      return { kind: "fixed", seconds: seconds(isolation ? 90 : 120) };
    case "long":
      return { kind: "range", min: seconds(180), max: seconds(isolation ? 180 : 300) };
    case "breath":
      return { kind: "breath", likely: seconds(isolation ? 90 : 150) };
  }
}

function tempoOf(stances: Stances): Tempo {
  switch (stances.tempo) {
    case "continuous":
      return { lower: 2, stretch: 0, lift: 1, squeeze: 0 };
    case "pauses":
      return { lower: 2, stretch: 1, lift: 1, squeeze: 1 };
    case "slowLowering":
      return { lower: 4, stretch: 1, lift: 1, squeeze: 0 };
    case "lessLoad":
      return OPEN_TEMPO;
  }
}

/** False where an approach keeps the same exercises for a year on purpose. */
export function mayVary({ variety }: Stances): boolean {
  return variety !== "sameForAYear";
}

/** The length that an approach wants met first; null where all count alike. */
export function wantedLength({ emphasis }: Stances): MuscleLength | null {
  return emphasis === "stretch" ? "stretched" : emphasis === "squeeze" ? "shortened" : null;
}

/**
 * Where a movement belongs in the order of an approach; lower comes first. Conditioning and mobility sort to
 * the end. Source: our rule, docs/arithmetic.md § Order.
 */
export function orderRank(movement: Movement, { order }: Stances): number {
  const { pattern } = movement;
  if (pattern === "conditioning" || pattern === "mobility") return 9;
  const isolation = isIsolation(movement);
  if (pattern === "calf") return order === "calvesFirst" ? 0 : 8;
  if (pattern === "trunk") return 7;
  const usual = isolation
    ? 5
    : movement.stability === "free" && movement.difficulty !== "beginner"
      ? movement.laterality === "twoLegs"
        ? 1
        : 3
      : movement.laterality === "twoLegs"
        ? 2
        : 4;
  if (order === "isolationFirst") return isolation ? 1 : usual + 1;
  if (order === "kneeFlexionFirst") return pattern === "kneeFlexion" ? 0 : usual;
  if (order === "hamstringsLast" && (pattern === "kneeFlexion" || pattern === "hinge")) return 6;
  return usual;
}
