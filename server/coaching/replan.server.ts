import { judgingIn, lastReadingFrom } from "~/core/coach/index.ts";
import {
  differencesOf,
  editsOf,
  replan,
  withSteps,
  type ReplanEvent,
  type ReplanSituation,
  type ReplanStep,
  type SessionDifference,
  type SlotChange,
} from "~/core/coach/replan/index.ts";
import { fail, type Result } from "~/core/kernel/index.ts";
import {
  followed,
  project,
  targetsStanding,
  weekAfter,
  type PhaseFacts,
  type TargetStanding,
} from "~/core/phase/index.ts";
import type { Slot } from "~/core/plan/index.ts";
import type { UnrollContext } from "~/core/unroll/index.ts";
import { newId } from "~/codec/new-id.ts";
import { studioDay, type StoredStation } from "../db/gyms.server.ts";
import { catalogueFor } from "../db/movements.server.ts";
import { getPerson } from "../db/people.server.ts";
import type { StoredPhase } from "../db/phases.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { changePhase, type ChangePhaseError, type Followed } from "./change-phase.server.ts";
import { clientFor } from "./client.server.ts";
import { contextFor } from "./context.server.ts";
import { phaseFactsFor } from "./phase-facts.server.ts";
import { writtenIn } from "./written.server.ts";
import { studioSettings } from "../db/studio-settings.server.ts";
import type { TempoOrder } from "~/core/plan/index.ts";

/** What a phase is replanned from, as it stands today. */
async function situationOf(
  scope: Scope,
  phase: StoredPhase,
): Promise<{
  readonly situation: ReplanSituation;
  readonly facts: PhaseFacts<StoredStation>;
} | null> {
  const [person, today, client, catalogue] = await Promise.all([
    getPerson(scope, phase.personId),
    studioDay(scope),
    clientFor(scope, phase.personId),
    catalogueFor(scope),
  ]);
  const [first] = phase.document.days;
  if (person === null || first === undefined) return null;
  const [facts, { context }] = await Promise.all([
    phaseFactsFor(scope, phase, client, today),
    contextFor(scope, person, first.gymId, today),
  ]);
  const judging = judgingIn(first.gymId, context, catalogue);
  const situation: ReplanSituation = {
    phase: phase.document,
    sessions: project(phase.document, facts, newId),
    today,
    brief: context.brief,
    swap: {
      catalogue: judging.catalogue,
      unrollContext: facts.context,
      lastReading: lastReadingFrom(context),
    },
    stations: context.stations,
    newId,
  };
  return { situation, facts };
}

/** An exercise that changes, as it is written before and after; null where it is not there. */
export interface WrittenChange {
  readonly movement: SlotChange["movement"];
  readonly from: string | null;
  readonly to: string | null;
}

/** What becomes of a session, its exercises as they are written. */
export interface WrittenDifference extends Omit<SessionDifference, "slots"> {
  readonly slots: readonly WrittenChange[];
}

/** A phase after an event: every step that is proposed, those that are taken, and what they make of its sessions. */
export interface Replanned {
  readonly steps: readonly (ReplanStep & { readonly isTaken: boolean })[];
  readonly differences: readonly WrittenDifference[];
  /** How each stated target stands before and after. */
  readonly targets: readonly {
    readonly before: TargetStanding;
    readonly after: TargetStanding | null;
  }[];
}

/**
 * What an event would make of the rest of a phase; nothing is changed. `left` names proposed steps that are not taken,
 * `instead` others that are.
 */
export async function whatIf(
  scope: Scope,
  phase: StoredPhase,
  event: ReplanEvent,
  choice: Choice,
): Promise<Replanned | null> {
  const known = await situationOf(scope, phase);
  if (known === null) return null;
  const { situation, facts } = known;
  const { tempoOrder } = await studioSettings(scope);
  const steps = replan(event, situation).map((step) => ({
    ...step,
    isTaken: isTaken(step, choice),
  }));
  const taken = steps.filter((step) => step.isTaken);
  const edits = editsOf(taken);
  const weekOf = (week: number) => weekAfter(edits, week);
  const next = withSteps(phase.document, taken);
  const factsAfter = followed(facts, next, weekOf, newId);
  const after = project(next, factsAfter, newId);
  const stood = targetsStanding(phase.document, situation.sessions, facts);
  const stands = targetsStanding(next, after, factsAfter);
  const differences = differencesOf(situation.sessions, after, weekOf);
  return {
    steps,
    differences: differences.map((own) => writtenDifference(own, facts.context, tempoOrder)),
    targets: stood.map((before) => ({
      before,
      after: stands.find(({ target }) => target.line === before.target.line) ?? null,
    })),
  };
}

function writtenDifference(
  { slots, ...session }: SessionDifference,
  context: UnrollContext,
  tempoOrder: TempoOrder,
): WrittenDifference {
  const written = (slot: Slot | null) =>
    slot === null ? null : (writtenIn([{ slot, sets: slot.sets }], context, tempoOrder)[0] ?? "");
  return {
    ...session,
    slots: slots.map(({ movement, from, to }) => ({
      movement,
      from: written(from),
      to: written(to),
    })),
  };
}

/** Which steps the coach takes otherwise than proposed, by their keys. */
export interface Choice {
  readonly left: readonly string[];
  readonly instead: readonly string[];
}

const isTaken = ({ key, isProposed }: ReplanStep, { left, instead }: Choice) =>
  isProposed ? !left.includes(key) : instead.includes(key);

/** Writes the steps that are taken, as one revision that names the event. */
export async function acceptReplan(
  scope: Scope,
  phase: StoredPhase,
  baseRevision: number,
  event: ReplanEvent,
  choice: Choice,
): Promise<Result<Followed, ChangePhaseError | { readonly code: "nothingTaken" }>> {
  const known = await situationOf(scope, phase);
  if (known === null) return fail({ code: "missing" });
  const taken = replan(event, known.situation).filter((step) => isTaken(step, choice));
  if (taken.length === 0) return fail({ code: "nothingTaken" });
  return changePhase(scope, phase, baseRevision, editsOf(taken), { event });
}
