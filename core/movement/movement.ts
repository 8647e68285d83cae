import type {
  MovementRef,
  Seconds,
  Fault,
  JointAction,
  Laterality,
  Limiter,
  MuscleLength,
  Pattern,
  Region,
  ResistanceProfile,
} from "../kernel/index.ts";
import type { LoadingKind } from "../gym/index.ts";

/** How much of something a movement asks of the body, from nothing to a lot. */
export const STRESSES = ["none", "low", "moderate", "high"] as const;
export type Stress = (typeof STRESSES)[number];

/** What it takes to get ready: nothing to speak of, a seat and a pin, or plates, bench and pads. */
export const SET_UP_EFFORTS = ["little", "some", "much"] as const;
export type SetUpEffort = (typeof SET_UP_EFFORTS)[number];

/** Negative, zero or positive as the first stress is less, as much or more than the second. */
export function compareStress(a: Stress, b: Stress): number {
  return STRESSES.indexOf(a) - STRESSES.indexOf(b);
}

/** One degree less; nothing stays nothing. */
export function lessThan(stress: Stress): Stress {
  return STRESSES[Math.max(0, STRESSES.indexOf(stress) - 1)] ?? "none";
}

/** How much of a set counts for a region: 1 is direct, less is assisting. */
export interface RegionShare {
  readonly region: Region;
  readonly share: 1 | 0.5 | 0.25;
}

/** How a movement meets its target muscle: its length at the hardest point, and where that point is. */
export interface Stimulus {
  readonly length: MuscleLength;
  readonly profile: ResistanceProfile;
}

/** What a choice of a set-up can be the answer to: little bend of the ankle, grip that ends first, an aching knee. */
export const SET_UP_NEEDS = ["tightAnkle", "failingGrip", "achingKnee"] as const;
export type SetUpNeed = (typeof SET_UP_NEEDS)[number];

/** A set-up parameter that makes another record when it changes, with the choices it has. */
export interface SetUpParameter {
  readonly name: string;
  readonly choices: readonly string[];
  readonly usual: string;
  /** Choices that change where the muscle is long or the lift hard; the others leave both as they are. */
  readonly shifts?: Readonly<Record<string, Partial<Stimulus>>>;
  /** The emphasis that some schools claim for a choice. Always contested, and shown as such. */
  readonly claimed?: string;
  /** The choice that answers a need, where one does. */
  readonly answers?: Readonly<Partial<Record<SetUpNeed, string>>>;
  /** The choices of which each is harder than the one before it, where somebody said so. */
  readonly rising?: readonly string[];
}

export interface FaultAdvice {
  readonly fault: Fault;
  readonly cause: string;
  readonly cue: string;
  readonly corrective: string;
}

export interface Substitute {
  readonly movement: MovementRef;
  readonly reason: string;
}

/** What Kravo knows of a movement. Text is written for the coach, in plain words. */
export interface Movement {
  readonly ref: MovementRef;
  readonly name: string;
  /** Other names under which it is found. */
  readonly alsoCalled: readonly string[];
  readonly pattern: Pattern;
  readonly jointActions: readonly JointAction[];
  readonly regions: readonly RegionShare[];
  readonly length: MuscleLength;
  readonly profile: ResistanceProfile;
  readonly laterality: Laterality;
  readonly stability: "supported" | "guided" | "free";
  readonly givesOutFirst: Limiter;
  readonly safeAlone: { readonly toTheLimit: boolean; readonly how: string };
  readonly spinalLoad: Stress;
  readonly kneeStress: Stress;
  readonly hipStress: Stress;
  readonly difficulty: "beginner" | "trained" | "advanced";
  readonly setUpEffort: SetUpEffort;
  readonly loadings: readonly LoadingKind[];
  readonly setUp: readonly SetUpParameter[];
  /** The phase a repetition starts with: a squat lowers first, a leg curl lifts first. */
  readonly tempoStart: "lower" | "lift";
  /** Usual duration of one repetition where no tempo is prescribed. */
  readonly usualRep: Seconds;
  readonly breathing: string;
  readonly takeUp: string;
  readonly putBack: string;
  readonly spotting: string;
  readonly cues: readonly string[];
  readonly faults: readonly FaultAdvice[];
  readonly cautions: readonly string[];
  readonly substitutes: readonly Substitute[];
  /** Of one that takes a second pair of hands: the version that does without; absent where nobody else is needed. */
  readonly handsFree?: { readonly movement: MovementRef; readonly name: string };
}

/** The part of a set that counts for a region: 1 direct, less assisting, 0 not trained. */
export function shareOf(movement: Movement, region: Region): number {
  return movement.regions.find((r) => r.region === region)?.share ?? 0;
}

const DIFFICULTIES = [
  "beginner",
  "trained",
  "advanced",
] as const satisfies readonly Movement["difficulty"][];
const STABILITIES = [
  "supported",
  "guided",
  "free",
] as const satisfies readonly Movement["stability"][];

/**
 * How much skill a movement asks, from 0 to 8: its difficulty first, then how little holds the body.
 * Source: our rule, docs/arithmetic.md § Substitutes.
 */
export function skillOf({
  difficulty,
  stability,
}: Pick<Movement, "difficulty" | "stability">): number {
  return STABILITIES.length * DIFFICULTIES.indexOf(difficulty) + STABILITIES.indexOf(stability);
}

/** The regions of which a whole set counts. */
export function directRegions(movement: Movement): readonly Region[] {
  return movement.regions.filter((r) => r.share === 1).map((r) => r.region);
}

/** Finds a movement by its reference; null when there is none. */
export type FindMovement = (ref: MovementRef) => Movement | null;

/** The parameter and choice that answer a need on this exercise; null where none does. */
export function answerTo(
  { setUp }: Movement,
  need: SetUpNeed,
): { readonly name: string; readonly choice: string } | null {
  for (const { name, answers } of setUp) {
    const choice = answers?.[need];
    if (choice !== undefined) return { name, choice };
  }
  return null;
}

/** The movement of each name in small letters, its own before the other names under which some are found. */
export function refsByName(movements: readonly Movement[]): ReadonlyMap<string, MovementRef> {
  return new Map([
    ...movements.flatMap(({ ref, alsoCalled }) =>
      alsoCalled.map((name) => [name.toLowerCase(), ref] as const),
    ),
    ...movements.map(({ ref, name }) => [name.toLowerCase(), ref] as const),
  ]);
}
