import { warningsOf } from "~/core/coach/warnings/index.ts";
import type { Id } from "~/core/kernel/index.ts";
import { seriesOf } from "~/core/log/index.ts";
import { approachAmong } from "~/core/person/index.ts";
import { isEasy } from "~/core/phase/index.ts";
import { listApproaches } from "../db/approaches.server.ts";
import { currentBrief } from "../db/briefs.server.ts";
import { studioDay } from "../db/gyms.server.ts";
import { listMeasurements } from "../db/measurements.server.ts";
import { catalogueFor } from "../db/movements.server.ts";
import { getPerson } from "../db/people.server.ts";
import { trainedSince } from "../db/performed.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { replaceWarnings } from "../db/warnings.server.ts";
import { historyOf } from "./history.server.ts";

/** Works out what goes wrong over weeks of a client, from everything that is known of them. */
export async function workOutWarnings(scope: Scope, id: Id<"person">): Promise<void> {
  const person = await getPerson(scope, id);
  if (person === null) return;
  const [history, brief, approaches, measurements, catalogue, since, today] = await Promise.all([
    historyOf(scope, id),
    currentBrief(scope, person),
    listApproaches(scope),
    listMeasurements(scope, id),
    catalogueFor(scope),
    trainedSince(scope, id),
    studioDay(scope),
  ]);
  const places = new Map(history.sessions.map(({ id: session, place }) => [session, place]));
  const warnings = warningsOf({
    today,
    brief,
    approach: approachAmong(approaches, brief.approach),
    history,
    series: seriesOf(history),
    measurements,
    find: catalogue.find,
    isEasy: (session) => isEasy(places.get(session)?.training ?? { kind: "normal" }),
    trainedSince: since,
  });
  await replaceWarnings(scope, id, warnings);
}
