import { strengthRecordsOf } from "~/core/progress/index.ts";
import { useEffect, useMemo } from "react";
import { redirect } from "react-router";
import { judgingIn, lastReadingFrom } from "~/core/coach/index.ts";
import { sessionChoices, type SessionChoices } from "~/core/coach/search/index.ts";
import {
  before,
  changesIn,
  foldCommands,
  lastKey,
  lastsOf,
  seriesOf,
  type Exposure,
  type Series,
  type SessionChange,
} from "~/core/log/index.ts";
import { bodyWeightOf } from "~/core/person/index.ts";
import { movementsIn, slotsOf, type Slot } from "~/core/plan/index.ts";
import type { Station } from "~/core/gym/index.ts";
import { idParam, orNotFound, requireSignIn, signedInOf } from "~/server/auth/session.server.ts";
import { newId } from "~/codec/new-id.ts";
import { contextFor } from "~/server/coaching/context.server.ts";
import { historyOf } from "~/server/coaching/history.server.ts";
import { getGym, listStations } from "~/server/db/gyms.server.ts";
import { listMeasurements } from "~/server/db/measurements.server.ts";
import { catalogueFor } from "~/server/db/movements.server.ts";
import { getPerson } from "~/server/db/people.server.ts";
import { comparingOf } from "~/server/db/comparing.server.ts";
import { strengthRules } from "~/server/db/strength-rules.server.ts";
import { commandsAfter } from "~/server/db/commands.server.ts";
import { adoptNewestRevision, getSessionLog } from "~/server/db/session-logs.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/floor.ts";
import { FloorView } from "../components/floor/floor-view.tsx";
import { FLOOR_PAGES } from "../workers/floor-pages.ts";
import { SettingsProvider } from "../components/wording.ts";

export const middleware: Route.MiddlewareFunction[] = [requireSignIn];

/** The latest exposures of exercises, by {@link lastKey}. */
function lastsAmong(series: Series, slots: readonly Slot[]): Readonly<Record<string, Exposure>> {
  const keys = new Set(slots.map(({ movement, station }) => lastKey(movement, station)));
  return lastsOf(new Map([...series].filter(([key]) => keys.has(key))));
}

/** Every exercise that can come into the session. */
const offeredIn = ({ swaps, additions }: SessionChoices): readonly Slot[] => [
  ...Object.values(swaps).flat(),
  ...additions.map(({ slot }) => slot),
];

/** The exercises that a change brings into the session. */
function slotsIn(change: SessionChange): readonly Slot[] {
  if (change.kind === "swap") return [change.slot];
  return change.kind === "addExercise" ? [change.block.slot] : [];
}

export const loader = reading(async (scope, { params, context }: Route.LoaderArgs) => {
  const sessionLog = orNotFound(await getSessionLog(scope, idParam<"sessionLog">(params.runId)));
  const person = orNotFound(await getPerson(scope, sessionLog.personId));
  const [coaching, commands, stations, gym, history, catalogue, measurements, { rules }, said] =
    await Promise.all([
      contextFor(scope, person, sessionLog.gymId, sessionLog.day),
      commandsAfter(scope, sessionLog.id, 0),
      listStations(scope, sessionLog.gymId, "all"),
      getGym(scope, sessionLog.gymId),
      historyOf(scope, sessionLog.personId),
      catalogueFor(scope),
      listMeasurements(scope, sessionLog.personId),
      strengthRules(scope, sessionLog.startedAt),
      comparingOf(scope, sessionLog.personId),
    ]);
  // As it was when the session began: what is trained now must not change its own loads.
  const series = seriesOf(before(history, sessionLog));
  const bodyWeight = bodyWeightOf(measurements, sessionLog.day);
  const judging = {
    ...judgingIn(sessionLog.gymId, coaching.context, catalogue),
    plan: sessionLog.document,
  };
  const choices = sessionChoices(
    sessionLog.document,
    judging,
    {
      brief: coaching.context.brief,
      catalogue: catalogue.all,
      stations: coaching.context.stations.filter(({ gymId }) => gymId === sessionLog.gymId),
      unrollContext: judging.unrollContext,
      lastReading: lastReadingFrom(coaching.context),
    },
    series,
    newId,
  );
  const offered = offeredIn(choices);
  const lasts = lastsAmong(series, [...slotsOf(sessionLog.document), ...offered]);
  const strengthRecords = strengthRecordsOf(series, bodyWeight, rules);
  const named = new Set([
    ...movementsIn(sessionLog.document),
    ...offered.map(({ movement }) => movement),
    ...changesIn(foldCommands(commands))
      .flatMap(slotsIn)
      .map(({ movement }) => movement),
  ]);
  const movements = catalogue.all.filter((movement) => named.has(movement.ref));
  return {
    sessionLog,
    commands,
    stations,
    lasts,
    choices,
    // Why it was said is the coach's, and stays off the floor.
    comparing: said
      .filter(({ movement }) => named.has(movement))
      .map(({ id: _id, reason: _reason, ...word }) => word),
    warmUpSkipped: coaching.warnings.find((warning) => warning.kind === "warmUpSkipped") ?? null,
    movements,
    rules,
    settings: signedInOf(context).settings,
    strengthRecords,
    bodyWeight,
    studioId: scope.studioId,
    gym: { name: gym?.name ?? "Gym", timeZone: gym?.timeZone ?? "UTC" },
  };
});

export const action = writing(async (scope, { params }: Route.ActionArgs) => {
  const sessionLog = orNotFound(await getSessionLog(scope, idParam<"sessionLog">(params.runId)));
  await adoptNewestRevision(scope, sessionLog.id);
  throw redirect(`/floor/${sessionLog.id}`);
});

/** Keeps this page for a reload without a network; the worker serves it then. */
async function keepPage(): Promise<void> {
  const here = window.location.pathname;
  // Without a network, or with one that answers nothing, the one kept before stays.
  const page = await fetch(here, { signal: AbortSignal.timeout(10_000) }).catch(() => null);
  if (page?.ok === true && !page.redirected) await (await caches.open(FLOOR_PAGES)).put(here, page);
}

/** More than these are not held: what a session is trained on comes first. */
const STATIONS_HELD = 60;

/** The stations first of the exercises that are in the session or can come into it. */
function stationsToHold(
  exercises: readonly Slot[],
  stations: readonly Station[],
): readonly Station[] {
  const used = new Set(exercises.map((slot) => slot.station));
  return [
    ...stations.filter(({ id }) => used.has(id)),
    ...stations.filter(({ id }) => !used.has(id)),
  ].slice(0, Math.max(used.size, STATIONS_HELD));
}

export default function Floor({ loaderData }: Route.ComponentProps) {
  useEffect(() => {
    if ("serviceWorker" in navigator && import.meta.env.PROD) {
      void navigator.serviceWorker.register("/service-worker.js").then(() => keepPage());
    }
  }, []);
  const { studioId, sessionLog, gym, stations, settings, ...rest } = loaderData;
  const held = useMemo(
    () => ({
      studioId,
      run: sessionLog,
      gym,
      stations: stationsToHold(
        [...slotsOf(sessionLog.document), ...offeredIn(rest.choices)],
        stations,
      ),
    }),
    [studioId, sessionLog, gym, stations, rest.choices],
  );
  return (
    <SettingsProvider value={settings}>
      <FloorView
        key={sessionLog.revisionId}
        sessionLog={sessionLog}
        held={held}
        stations={stations}
        {...rest}
      />
    </SettingsProvider>
  );
}
