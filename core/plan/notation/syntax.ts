import type { Fault, MuscleLength, Region, MassUnit } from "../../kernel/index.ts";
import type { DrillKind, SetRole, TempoPhaseName } from "../index.ts";

/** A place in the written text: where it begins, and how long it is. */
export interface Span {
  readonly at: number;
  readonly length: number;
}

/** A written number with its place. */
export interface Num extends Span {
  readonly value: number;
}

/** A name in quotes, without them, or a word. */
export interface Name extends Span {
  readonly text: string;
}

/** A time in seconds. */
export type Time = Num;

/** A written mass; the unit is null where it was left out. */
export interface WrittenMass extends Num {
  readonly unit: MassUnit | null;
}

/** Which set is meant: the one before, one of this exercise, one of another, or one by its id. */
export type SetWord = Span &
  (
    | { readonly kind: "before" }
    | {
        readonly kind: "number";
        readonly exercise: Num | null;
        readonly set: Num;
        readonly part: Num | null;
      }
    | { readonly kind: "id"; readonly id: Name; readonly part: Name | null }
  );

export type TargetWords = Span &
  (
    | { readonly kind: "amount"; readonly min: Num; readonly max: Num; readonly counts: AmountUnit }
    | { readonly kind: "limit"; readonly least: Num | null; readonly about: Num | null }
    | {
        readonly kind: "total";
        readonly amount: Num;
        readonly of: "reps" | "steps";
        readonly sets: Num | null;
        readonly pause: Time | null;
      }
    | {
        readonly kind: "intervals";
        readonly rounds: Num;
        readonly work: Time;
        readonly pause: Time | null;
      }
    | { readonly kind: "until"; readonly fault: Name; readonly about: Num | null }
    | { readonly kind: "burn"; readonly reps: Num; readonly about: Num | null }
  );

export type AmountUnit =
  | { readonly kind: "reps" }
  | { readonly kind: "seconds" }
  | { readonly kind: "steps"; readonly counted: "perSide" | "inAll"; readonly outAndBack: boolean }
  | { readonly kind: "metres"; readonly outAndBack: boolean };

export type LoadWords = Span &
  (
    | { readonly kind: "masses"; readonly masses: readonly WrittenMass[] }
    | { readonly kind: "shareOfSet"; readonly percent: Num; readonly set: SetWord }
    | { readonly kind: "shareOfMovement"; readonly percent: Num; readonly movement: Name }
    | { readonly kind: "shareOfMaximum"; readonly percent: Num }
    | {
        readonly kind: "stepsFromSet";
        readonly set: SetWord;
        readonly sign: 1 | -1;
        readonly steps: Num;
      }
    | { readonly kind: "last"; readonly sign: 1 | -1; readonly steps: Num | null }
    | { readonly kind: "effort" }
    | { readonly kind: "open" }
    | { readonly kind: "body"; readonly sign: 1 | -1; readonly mass: WrittenMass | null }
    | {
        readonly kind: "trial";
        readonly from: WrittenMass;
        readonly up: Num | null;
        readonly tries: Num | null;
      }
  );

export type RestWords = Span &
  (
    | { readonly kind: "time"; readonly min: Time; readonly max: Time | null }
    | { readonly kind: "most"; readonly time: Time }
    | { readonly kind: "breath" | "partner"; readonly about: Time | null }
    | { readonly kind: "heart"; readonly below: Num; readonly about: Time | null }
  );

export type SideWords =
  | { readonly kind: "both" | "left" | "right" | "alternating" }
  | { readonly kind: "each"; readonly first: "left" | "right"; readonly matched: boolean };

export type EffortWords =
  | { readonly kind: "left"; readonly reps: Num }
  | { readonly kind: "outOfTen"; readonly effort: Num }
  | { readonly kind: "many" | "none" | "unknown" | "past" };

export interface Pair {
  readonly name: Name;
  readonly choice: Name;
}

export type ItemWords = Span &
  (
    | DrillWords
    | {
        readonly kind: "check";
        readonly region: Name;
        readonly time: Time;
        readonly drill: Span & DrillWords;
      }
  );

export interface DrillWords {
  readonly kind: "drill";
  readonly drill: DrillKind;
  readonly name: Name | null;
  readonly movement: Name | null;
  readonly target: TargetWords;
  readonly side: SideWords | null;
  readonly intensity:
    | { readonly kind: "felt"; readonly outOfTen: Num }
    | { readonly kind: "heart"; readonly min: Num; readonly max: Num }
    | null;
}

/** One thing said about a set, in any order. */
export type Modifier = Span &
  (
    | { readonly kind: "load"; readonly load: LoadWords }
    | { readonly kind: "effort"; readonly effort: EffortWords }
    | {
        readonly kind: "phase";
        readonly phase: TempoPhaseName;
        readonly seconds: Num | "explosive";
      }
    | { readonly kind: "deadStop" | "secondSqueeze"; readonly seconds: Time }
    | { readonly kind: "slowLastRep"; readonly phase: TempoPhaseName; readonly seconds: Time }
    | { readonly kind: "rest"; readonly rest: RestWords }
    | { readonly kind: "side"; readonly side: SideWords }
    | { readonly kind: "setUp"; readonly pairs: readonly Pair[] }
    | { readonly kind: "between"; readonly items: readonly ItemWords[] }
    | { readonly kind: "optional" }
  );

export type DropWords =
  | { readonly kind: "share"; readonly percent: Num; readonly of: "first" | "current" }
  | { readonly kind: "strip"; readonly plates: Num }
  | { readonly kind: "steps"; readonly steps: Num }
  | { readonly kind: "mass"; readonly mass: WrittenMass }
  | { readonly kind: "body" };

export type ExtensionWords = Span &
  (
    | {
        readonly kind: "drop";
        readonly times: Num | null;
        readonly to: DropWords;
        readonly target: TargetWords | null;
        readonly after: Time | null;
      }
    | {
        readonly kind: "restPause" | "cluster";
        readonly times: Num;
        readonly target: TargetWords | null;
        readonly after: Time | null;
        readonly percent: Num | null;
      }
    | {
        readonly kind: "partials";
        readonly where: MuscleLength;
        readonly target: TargetWords | null;
      }
    | {
        readonly kind: "forced";
        readonly by: "self" | "partner";
        readonly target: TargetWords | null;
      }
    | {
        readonly kind: "position";
        readonly pairs: readonly Pair[];
        readonly target: TargetWords | null;
      }
    | {
        readonly kind: "hold";
        readonly time: Time;
        readonly where: "stretched" | "shortened" | Num;
      }
    | { readonly kind: "breaths"; readonly breaths: Num; readonly target: TargetWords | null }
  );

/** Sets that are alike: how many, and what is said about them. */
export interface GroupWords extends Span {
  readonly count: Num | null;
  readonly role: SetRole | null;
  readonly target: TargetWords;
  readonly modifiers: readonly Modifier[];
  readonly extensions: readonly ExtensionWords[];
}

export interface LineWords {
  /** What is said once for all sets. */
  readonly all: readonly Modifier[];
  readonly groups: readonly GroupWords[];
}

export type { Fault, Region };
