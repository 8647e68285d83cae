import type { Id, MovementRef, Count, Duration, Mass, Seconds } from "../kernel/index.ts";
import type { CannotBeMade, Change, Recipe, SharedLoad } from "../gym/index.ts";
import type {
  Accent,
  RepRange,
  Rir,
  Extension,
  ExtensionKind,
  HoldPosition,
  Item,
  LoadRounding,
  SetRole,
  Rest,
  SetUp,
  LegsCounted,
  Side,
  Target,
  Tempo,
} from "../plan/index.ts";

/** Where a logged set belongs in a plan. `ordinal` tells repeats of the same extension apart, from 0. */
export interface StepKey {
  readonly setId: Id<"set">;
  readonly extensionId: Id<"extension"> | null;
  readonly round: number;
  readonly ordinal: number;
  readonly side: Side;
}

/** The key as one string, for maps and for the subject of a command. */
export function stepKeyText(key: StepKey): string {
  return [key.setId, key.extensionId ?? "-", key.round, key.ordinal, key.side].join("/");
}

/** Why a load that follows from something else is not known yet. */
export type OpenBecause =
  /** The coach left it open. */
  | { readonly code: "toFind" }
  | { readonly code: "noStation" }
  /** It refers to a set that is not in the plan, or not before it. */
  | { readonly code: "setMissing"; readonly set: Id<"set"> }
  /** What it refers to is open itself. */
  | { readonly code: "basisOpen" }
  /** A share over two stations, or of a body, needs totals, and one is unknown. */
  | { readonly code: "totalUnknown" }
  | { readonly code: "noRecord"; readonly movement: MovementRef }
  /** It was logged, but what was moved is unknown: a sled, a bar, a band, a body. */
  | { readonly code: "recordUnknown"; readonly movement: MovementRef }
  | { readonly code: "noLast" }
  | { readonly code: "noEstimate" }
  /** By effort, where the target is no reps, the reserve unknown, or both together beyond an estimate. */
  | { readonly code: "notForReps" }
  | { readonly code: "noBodyWeight" }
  /** It goes by plates or by sides, and nothing is hung here or has sides. */
  | { readonly code: "noPlates" }
  | { readonly code: "noSides" }
  /** It is the load of a set on other equipment. */
  | { readonly code: "otherStation" }
  /** Nothing says what is usual for so many reps. */
  | { readonly code: "noUsual"; readonly reps: number }
  /** Fewer steps or plates are left at the station than asked for. */
  | { readonly code: "stepsEnd" };

/** A step's load: made at the station, impossible there, none at all, or not known. */
export type StepLoad =
  | {
      readonly kind: "made";
      readonly reading: Mass;
      readonly recipe: Recipe;
      readonly total: Mass | null;
      /** Set where the load is a share of another one. */
      readonly share: {
        readonly asked: number;
        readonly made: number;
        readonly basis: SharedLoad["basis"];
        /** The upper end of a range that was asked for; `asked` then is its middle. Null for one share. */
        readonly upTo: number | null;
      } | null;
      /** The rule by which it was worked out and may be moved to save plates; null for one that was written. */
      readonly rounding: LoadRounding | null;
      /** What the rule came to, where a bound of the set holds the load; else null. */
      readonly heldFrom: Mass | null;
      /** The reading that was worked out, where the loading plan moved it from there; else null. */
      readonly movedFrom: Mass | null;
      /** False where the station is too large to prove that no other way to hang it saves more. */
      readonly isProven: boolean;
    }
  | { readonly kind: "impossible"; readonly why: CannotBeMade }
  | { readonly kind: "bodyweight" }
  | { readonly kind: "open"; readonly because: OpenBecause };

/** What tells one step of a set from another, beyond its load and target. */
export type StepDetail =
  | { readonly kind: "plain" }
  | { readonly kind: "partials"; readonly where: Extract<Extension, { kind: "partials" }>["where"] }
  | { readonly kind: "forced"; readonly by: "self" | "partner" }
  | { readonly kind: "endHold"; readonly at: HoldPosition }
  | { readonly kind: "breather"; readonly breaths: Count };

/** Where a step stands in a rotation: round and member, 1-based. */
export interface RotationPlace {
  readonly round: number;
  readonly rounds: number;
  readonly member: number;
  readonly members: number;
}

/** A set, a repeat of it, or what extends it. */
export interface SetStep {
  readonly kind: "set" | ExtensionKind;
  readonly key: StepKey;
  readonly slotId: Id<"slot">;
  readonly role: SetRole;
  /** 1-based place among the sets of the slot, and how many there are. */
  readonly setNumber: number;
  readonly setCount: number;
  /** 1-based place among the repeats of this burst (rest-pauses, clusters, intervals), and how many. */
  readonly repeat: { readonly number: number; readonly of: number };
  readonly detail: StepDetail;
  readonly load: StepLoad;
  /** Where the next set goes if this one falls short; empty where nothing was decided before. */
  readonly fallback: readonly Mass[];
  /** The load that was written, where sets before fell short and this one went down from it; else null. */
  readonly fallenFrom: Mass | null;
  readonly change: Change | null;
  readonly setUp: SetUp;
  /** What of the set-up differs from the step before in this slot; all of it at the start. */
  readonly setUpChange: SetUp;
  readonly target: Target;
  readonly legs: LegsCounted;
  /** True for the side that goes second and may do no more than the first did. */
  readonly matchesFirstSide: boolean;
  readonly effort: Rir;
  /** The most to leave where that is a range; else null. */
  readonly effortUpTo: Rir | null;
  /** Where in the movement its repetitions stay. */
  readonly range: RepRange;
  readonly gear: readonly string[];
  readonly tempo: Tempo;
  readonly accents: readonly Accent[];
  readonly workSeconds: { readonly min: Seconds; readonly max: Seconds };
  readonly restAfter: Duration;
  /** How that rest ends, where it is the rest after a set; a pause inside a set is fixed. */
  readonly restRule: Rest;
  readonly optional: boolean;
  /** `first`: the slot begins here and is set up; `again`: back to its station in a later round; or neither. */
  readonly arrival: "first" | "again" | null;
  readonly rotation: RotationPlace | null;
}

/** Something to do that is no set: preparation, conditioning, restoration, or within the rest after a set. */
export interface ItemStep {
  readonly kind: "item";
  readonly phase: "prepare" | "conditioning" | "restore" | "between";
  readonly item: Item;
  readonly side: Side;
  readonly round: number;
  readonly ordinal: number;
  readonly workSeconds: { readonly min: Seconds; readonly max: Seconds };
  readonly restAfter: Duration;
  /** The slot in whose rest it is done; null in a block of its own. */
  readonly slotId: Id<"slot"> | null;
}

export type Step = SetStep | ItemStep;

/** True for a step that is logged: a set, or an extension of one. */
export function isSetStep(step: Step): step is SetStep {
  return step.kind !== "item";
}
