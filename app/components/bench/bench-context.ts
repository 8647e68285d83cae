import { createContext } from "react";
import type { Approach } from "~/core/approach/index.ts";
import type { Brief } from "~/core/brief/index.ts";
import type { Judged } from "~/core/finding/index.ts";
import { EMPTY_PLAN, type SessionPlan } from "~/core/prescription/index.ts";

/** What follows from the whole session, for what is drawn deep within an exercise that did not change itself. */
export const JudgedContext = createContext<Judged | null>(null);

/** What every exercise of a bench stands in; it stays the same while the session is edited. */
export interface BenchPlace {
  readonly approach: Approach | null;
  readonly weakerSide: Brief["weakerSide"];
  /** The session as it is now, also while its drawing is still under way. */
  readonly planNow: () => SessionPlan;
}

export const BenchPlaceContext = createContext<BenchPlace>({
  approach: null,
  weakerSide: null,
  planNow: () => EMPTY_PLAN,
});
