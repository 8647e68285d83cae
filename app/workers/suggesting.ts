import type { CoachingContext } from "~/core/coach/index.ts";
import type { Choice, SuggestedDay, SuggestionQuality } from "~/core/coach/suggest/index.ts";
import type { Day, Id, Minutes } from "~/core/kernel/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import type { SessionPlan } from "~/core/plan/index.ts";

/** What sessions are suggested for: one client, and the days of one week. */
export interface SuggestionAsked {
  readonly context: CoachingContext;
  readonly movements: readonly Movement[];
  readonly days: readonly [DayAsked, ...DayAsked[]];
}

/** A day to suggest a session for. Exercises are named as `optionKey` does. */
export interface DayAsked {
  readonly day: Day;
  readonly gym: Id<"gym">;
  /** What its session holds already. */
  readonly plan: SessionPlan;
  readonly minutes: Minutes;
  readonly mostExercises: number;
  /** What is taken in any case, with so many sets. */
  readonly kept: readonly (readonly [key: string, sets: number])[];
  readonly passedOver: readonly string[];
}

/** What the worker is told: what to suggest, or what to take of the last suggestion instead. */
export type ToSuggest =
  | { readonly kind: "ask"; readonly request: number; readonly asked: SuggestionAsked }
  | { readonly kind: "take"; readonly request: number; readonly choice: Choice };

/** A suggestion, and how good it is known to be. */
export interface Suggestion {
  /** The request that said what there is to choose from: a choice means nothing for another one. */
  readonly of: number;
  readonly days: readonly SuggestedDay[];
  readonly quality: SuggestionQuality;
}

export interface FromSuggesting {
  readonly request: number;
  readonly suggestion: Suggestion;
}
