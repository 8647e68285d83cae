import {
  strengthTrend,
  warningsOf,
  type ClientRecord,
  type StatedNow,
} from "~/core/coach/warnings/index.ts";
import { seededRandom, type Day, type Id } from "~/core/kernel/index.ts";
import { approachAmong } from "~/core/person/index.ts";
import {
  isEasy,
  lastDayOf,
  project,
  targetOdds,
  targetsStanding,
  type Phase,
} from "~/core/phase/index.ts";
import { slotsOf } from "~/core/plan/index.ts";
import { newId } from "~/codec/new-id.ts";
import { listApproaches } from "../db/approaches.server.ts";
import { currentBrief } from "../db/briefs.server.ts";
import { studioDay } from "../db/gyms.server.ts";
import { listMeasurements } from "../db/measurements.server.ts";
import { getPerson, keepTrend } from "../db/people.server.ts";
import { trainedSince } from "../db/performed.server.ts";
import { phaseOn, type StoredPhase } from "../db/phases.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { replaceWarnings } from "../db/warnings.server.ts";
import type { KnownClient } from "./client.server.ts";
import { phaseFactsFor } from "./phase-facts.server.ts";

/** Works out what goes wrong over weeks of a client, and how their strength goes, from everything known of them. */
export async function workOutWarnings(
  scope: Scope,
  id: Id<"person">,
  client: KnownClient,
): Promise<void> {
  const person = await getPerson(scope, id);
  if (person === null) return;
  const [brief, approaches, measurements, since, today] = await Promise.all([
    currentBrief(scope, person),
    listApproaches(scope),
    listMeasurements(scope, id),
    trainedSince(scope, id),
    studioDay(scope),
  ]);
  const { history, series, catalogue } = client;
  const places = new Map(history.sessions.map(({ id: session, place }) => [session, place]));
  const record: ClientRecord = {
    today,
    brief,
    approach: approachAmong(approaches, brief.approach),
    history,
    series,
    measurements,
    find: catalogue.find,
    isEasy: (session) => isEasy(places.get(session)?.training ?? { kind: "normal" }),
    itemsDone: (session) => history.beside.get(session)?.itemsDone ?? new Map(),
    targets: await statedNow(scope, id, client, today),
    trainedSince: since,
  };
  await replaceWarnings(scope, id, warningsOf(record));
  await keepTrend(scope, id, strengthTrend(record));
}

/** What a change of a phase makes of its stated targets: warnings of a client whose phase states none do not change. */
export async function workOutTargets(
  scope: Scope,
  { personId, document: before }: StoredPhase,
  after: Phase,
  client: KnownClient,
): Promise<void> {
  if (before.targets.length + after.targets.length > 0)
    await workOutWarnings(scope, personId, client);
}

/** How the stated targets of the phase that runs stand, those of weeks to come. */
async function statedNow(
  scope: Scope,
  person: Id<"person">,
  client: KnownClient,
  today: Day,
): Promise<readonly StatedNow[]> {
  const phase = await phaseOn(scope, person, today);
  const isAhead = ({ week }: Phase["targets"][number]) =>
    phase !== null && lastDayOf(phase.document, week) >= today;
  if (phase === null || !phase.document.targets.some(isAhead)) return [];
  const { document } = phase;
  const facts = await phaseFactsFor(scope, phase, client, today);
  const movements = new Map(
    document.days.flatMap(({ session }) =>
      slotsOf(session).map(({ lineageId, movement }) => [lineageId, movement] as const),
    ),
  );
  return targetsStanding(document, project(document, facts, newId), facts).flatMap((own) => {
    const movement = movements.get(own.target.lineage);
    if (movement === undefined || !isAhead(own.target)) return [];
    return [{ ...own, movement, chance: targetOdds(own, seededRandom(1)).chance }];
  });
}
