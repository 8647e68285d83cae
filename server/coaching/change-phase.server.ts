import type { ReplanEvent } from "~/core/coach/replan/index.ts";
import { fail, ok, type Result } from "~/core/kernel/index.ts";
import {
  gymOn,
  lastDayOf,
  phaseSchema,
  plannedOn,
  trainingWeek,
  weekAfter,
  withAdded,
  withEdit,
  type Phase,
  type PhaseEdit,
} from "~/core/phase/index.ts";
import { studioDay } from "../db/gyms.server.ts";
import {
  archivePhase,
  getPhase,
  phaseRevision,
  saidRevision,
  savePhase,
  type RevisionDid,
  type SavePhaseError,
  type StoredPhase,
} from "../db/phases.server.ts";
import {
  detachPlan,
  keepRuled,
  movePlaced,
  placedSessions,
  removePlaced,
  savePlan,
  getPlan,
  type StoredPlacedSession,
} from "../db/plans.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { clientFor, type KnownClient } from "./client.server.ts";
import { throughWeek } from "./place-session.server.ts";
import { workOutTargets } from "./warnings.server.ts";

export type ChangePhaseError =
  | SavePhaseError
  /** A week or day of which something was trained cannot go, nor move. */
  | { readonly code: "trained"; readonly week: number }
  /** What comes of it is no phase: too long, too much by hand. */
  | { readonly code: "outOfBounds" };

/** What became of planned sessions when a phase was changed. */
export interface Followed {
  readonly moved: number;
  readonly rewritten: number;
  readonly removed: number;
}

/**
 * Changes a phase, all edits or none, as its next revision. What was trained, or is being trained, stays where it is;
 * what is planned and nobody touched follows: its date, its week, what is in it.
 */
export async function changePhase(
  scope: Scope,
  phase: StoredPhase,
  baseRevision: number,
  edits: readonly PhaseEdit[],
  {
    name = phase.name,
    event = null,
  }: { readonly name?: string; readonly event?: ReplanEvent | null } = {},
): Promise<Result<Followed, ChangePhaseError>> {
  const next = edits.reduce(withEdit, phase.document);
  const weekOf = (week: number) => weekAfter(edits, week);
  return writePhase(scope, phase, {
    baseRevision,
    next,
    weekOf,
    name,
    did: { edits, event, takesBack: null },
  });
}

/**
 * Takes the newest change of a phase back, as a revision equal to the one before it. Fails where something was changed
 * since, or trained of what it brought.
 */
export async function takeBackChange(
  scope: Scope,
  phase: StoredPhase,
  revision: number,
): Promise<Result<Followed, ChangePhaseError>> {
  const [did, before] = await Promise.all([
    saidRevision(scope, phase.id, revision),
    phaseRevision(scope, phase.id, revision - 1),
  ]);
  const edits = did?.edits ?? null;
  if (edits === null || before === null || revision !== phase.revision)
    return fail({ code: "changedMeanwhile", current: phase });
  const back = new Map(before.weeks.map((_, i) => [weekAfter(edits, i + 1), i + 1] as const));
  return writePhase(scope, phase, {
    baseRevision: revision,
    next: before,
    weekOf: (week) => back.get(week) ?? null,
    name: phase.name,
    did: { edits: null, event: null, takesBack: revision },
  });
}

/** Archives a phase; its targets warn no more. */
export async function archive(scope: Scope, phase: StoredPhase): Promise<void> {
  const client = await clientFor(scope, phase.personId);
  await scope.transaction(async (trx) => {
    await archivePhase(trx, phase.id);
    await workOutTargets(trx, phase, phase.document, client);
  });
}

/** A phase as it is to be written. */
interface Written {
  readonly baseRevision: number;
  readonly next: Phase;
  /** Where its weeks are by then. */
  readonly weekOf: (week: number) => number | null;
  readonly name: string;
  readonly did: RevisionDid;
}

async function writePhase(
  scope: Scope,
  phase: StoredPhase,
  { baseRevision, next, weekOf, name, did }: Written,
): Promise<Result<Followed, ChangePhaseError>> {
  if (!phaseSchema.safeParse(next).success) return fail({ code: "outOfBounds" });
  const client = await clientFor(scope, phase.personId);
  return scope.transaction(async (trx): Promise<Result<Followed, ChangePhaseError>> => {
    const placed = await placedSessions(trx, phase.id);
    const stuck = placed.find(
      (own) => own.sessionLog !== null && !staysPut(phase.document, next, own, weekOf),
    );
    if (stuck !== undefined) return fail({ code: "trained", week: stuck.week });
    const saved = await savePhase(trx, phase.id, baseRevision, name, next, did);
    if (!saved.ok) return saved;
    const stored = await getPhase(trx, phase.id);
    if (stored === null) return fail({ code: "missing" });
    const became = await followPlanned(trx, phase.document, stored, placed, weekOf, client);
    await workOutTargets(trx, phase, next, client);
    return ok(became);
  });
}

/** True where a session that was begun keeps its day and week, and its week its dates. */
function staysPut(
  before: Phase,
  next: Phase,
  { day, week }: StoredPlacedSession,
  weekOf: (week: number) => number | null,
): boolean {
  const isThere = next.days.some(({ id }) => id === day);
  return isThere && weekOf(week) === week && lastDayOf(before, week) === lastDayOf(next, week);
}

async function followPlanned(
  trx: Scope,
  before: Phase,
  phase: StoredPhase,
  placed: readonly StoredPlacedSession[],
  weekOf: (week: number) => number | null,
  client: KnownClient,
): Promise<Followed> {
  const { document } = phase;
  const today = await studioDay(trx);
  const context = client.contextOn(today, client.series);
  let [moved, rewritten, removed] = [0, 0, 0];
  const open = placed.filter(({ sessionLog }) => sessionLog === null);
  // Weeks are given behind each other, so that none takes a place that another one still has.
  for (const own of open) await movePlaced(trx, own.planId, { week: own.week + PARKED });
  for (const own of open) {
    const week = weekOf(own.week);
    const day = document.days.find(({ id }) => id === own.day);
    const on = day === undefined || week === null ? null : plannedOn(document, day, week);
    if (day === undefined || week === null || on === null) {
      // One that somebody wrote by hand stays, as a session of its own.
      if (own.isEdited) await detachPlan(trx, own.planId);
      else await removePlaced(trx, own.planId);
      removed += 1;
      continue;
    }
    const training = trainingWeek(document.weeks, week);
    const was = before.days.find(({ id }) => id === own.day);
    // A date that somebody gave the session itself stays.
    const isByHand = was !== undefined && own.on !== plannedOn(before, was, own.week);
    const at = isByHand ? own.on : on;
    await movePlaced(trx, own.planId, {
      week,
      on: at,
      training,
      gymId: gymOn(document, day, week),
    });
    if (at !== own.on) moved += 1;
    if (own.isEdited) continue;
    const plan = await getPlan(trx, own.planId);
    if (plan === null) continue;
    const ruled = withAdded(own.ruled, day);
    const next = throughWeek(phase, { day: own.day, week }, ruled, context);
    if (JSON.stringify(next) === JSON.stringify(plan.document)) continue;
    await savePlan(trx, own.planId, plan.revision, plan, next);
    await keepRuled(trx, own.planId, ruled, plan.revision + 1);
    rewritten += 1;
  }
  return { moved, rewritten, removed };
}

/** Where weeks stand while they are given anew; beyond any phase. */
const PARKED = 1000;
