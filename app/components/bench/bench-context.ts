import { createContext } from "react";
import type { Approach, Brief } from "~/core/person/index.ts";
import type { Id, MassUnit } from "~/core/kernel/index.ts";
import type { Judged } from "~/core/coach/index.ts";
import { EMPTY_PLAN, type SessionPlan } from "~/core/plan/index.ts";

/** What follows from the whole session, for what is drawn deep within an exercise that did not change itself. */
export const JudgedContext = createContext<Judged | null>(null);

/** What every exercise of a bench stands in; it stays the same while the session is edited. */
export interface BenchPlace {
  readonly approach: Approach | null;
  readonly weakerSide: Brief["weakerSide"];
  /** Whom the session is for; null for a template. */
  readonly person: Id<"person"> | null;
  /** The unit that the client reads, shown beside equipment in the other one; null for a template. */
  readonly readsIn: MassUnit | null;
  /** Changes with every undo and redo, after which fields show what the session says. */
  readonly generation: number;
  /** The session as it is now, also while its drawing is still under way. */
  readonly planNow: () => SessionPlan;
}

/** Where a session stands that is for nobody. */
export const NO_PLACE: BenchPlace = {
  approach: null,
  weakerSide: null,
  person: null,
  readsIn: null,
  generation: 0,
  planNow: () => EMPTY_PLAN,
};

export const BenchPlaceContext = createContext<BenchPlace>(NO_PLACE);
