import type { BoundName, TempoPhaseName } from "../index.ts";
import type { Span } from "./span.ts";
import type { Expectation } from "./tokens.ts";

/** What is wrong at a place of the written line. */
export type NotationError = Span & Trouble;

/** What is wrong, before its place is known. */
export type Trouble =
  | { readonly code: "character"; readonly text: string }
  /** The line goes on beyond what is read; the place is where it should end. */
  | { readonly code: "tooLong" }
  /** `expected` in the order of the grammar; nothing was found at the end of the text. */
  | {
      readonly code: "expected";
      readonly found: string;
      readonly expected: readonly Expectation[];
    }
  | { readonly code: "bound"; readonly bound: BoundName; readonly value: number }
  /** A movement of the tempo that takes no time. */
  | { readonly code: "noTime"; readonly phase: TempoPhaseName }
  | { readonly code: "whole"; readonly value: number }
  | { readonly code: "upsideDown"; readonly min: number; readonly max: number }
  /** A load of at least more than at most. */
  | { readonly code: "noLoadBetween" }
  | { readonly code: "oneNumber" }
  | { readonly code: "twice"; readonly what: string }
  | { readonly code: "mass"; readonly value: number }
  /** Another number of sets than reps are listed. */
  | { readonly code: "listCount"; readonly sets: number; readonly listed: number }
  | { readonly code: "reserve"; readonly value: number }
  | { readonly code: "noSet"; readonly exercise: number | null; readonly number: number }
  /** The set itself, or one that comes after it. */
  | { readonly code: "notBefore"; readonly number: number }
  | { readonly code: "noPart"; readonly number: number }
  | { readonly code: "id" }
  | { readonly code: "noMovement"; readonly name: string }
  | { readonly code: "noWord"; readonly word: string; readonly choices: readonly string[] }
  | { readonly code: "unnamed" }
  /** A name of gear that is empty or too long. */
  | { readonly code: "gear" };
