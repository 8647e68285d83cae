import type { Day, Id } from "~/core/kernel/index.ts";
import type { PlanHead } from "~/core/log/index.ts";
import { sessionInWeek, withAdded, trainingWeek, type PhaseDay } from "~/core/phase/index.ts";
import type { SessionPlan } from "~/core/plan/index.ts";
import type { UnrollContext } from "~/core/unroll/index.ts";
import { newId } from "~/codec/new-id.ts";
import { isDuplicate } from "../db/connection.server.ts";
import { addPlan, planAt, type StoredPlace } from "../db/plans.server.ts";
import type { StoredPhase } from "../db/phases.server.ts";
import type { Scope } from "../db/scope.server.ts";

/** A session as its rules have it, through the layers of its week. */
export function throughWeek(
  phase: StoredPhase,
  { day, week }: Pick<StoredPlace, "day" | "week">,
  ruled: SessionPlan,
  context: UnrollContext,
): SessionPlan {
  return sessionInWeek(phase.document, { day, week }, ruled, context, newId);
}

/** A day in a week of a phase that becomes real, as its rules have it. */
export interface ToPlace {
  readonly phase: StoredPhase;
  readonly day: PhaseDay;
  readonly week: number;
  readonly on: Day;
  /** With ids of its own. */
  readonly ruled: SessionPlan;
  readonly context: UnrollContext;
}

/** Writes the plan of a day in a week, through the layers of the week; one that is there already stays. */
export async function placeSession(
  scope: Scope,
  { phase, day, week, on, ruled: stands, context }: ToPlace,
  head: Omit<PlanHead, "day">,
  session?: Id<"sessionLog">,
): Promise<Id<"plan">> {
  const there = () => planAt(scope, phase.id, day.id, week);
  const before = await there();
  if (before !== null) return before;
  const { document, revision } = phase;
  const ruled = withAdded(stands, day);
  const plan = throughWeek(phase, { day: day.id, week }, ruled, context);
  const training = trainingWeek(document.weeks, week);
  const place = { phase: phase.id, revision, day: day.id, week, training, ruled };
  const origin = session === undefined ? { place } : { session, place };
  try {
    return await addPlan(scope, { ...head, day: on }, plan, origin);
  } catch (error) {
    // Somebody else planned it at the same moment.
    const other = isDuplicate(error) ? await there() : null;
    if (other === null) throw error;
    return other;
  }
}
