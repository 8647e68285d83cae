import { addDays, dayAt, weekStart, type Id } from "~/core/kernel/index.ts";
import {
  inUrgency,
  readySessions,
  subjectOf,
  warningItems,
  wantedTwice,
  type ReadySession,
  type TodayItem,
} from "~/core/coach/index.ts";
import type { PlanEntry } from "~/core/log/index.ts";
import { isEasy, weekAt } from "~/core/phase/index.ts";
import { HARD_WEEKS_IN_A_ROW } from "~/core/progress/index.ts";
import { unrollContextOf } from "~/core/unroll/index.ts";
import { firstSteps } from "./first-steps.server.ts";
import { listGyms, listStations, studioDay } from "../db/gyms.server.ts";
import { catalogueFor } from "../db/movements.server.ts";
import { hardWeeksOf, listEndingPhases } from "../db/phases.server.ts";
import {
  listOpenSessions,
  listPlans,
  listUntrained,
  plansWithDocuments,
} from "../db/plans.server.ts";
import { listWaiting, subjectsPutOff } from "../db/waiting.server.ts";
import { listWarnings } from "../db/warnings.server.ts";
import { clientsOfOthers, listCoaches } from "../db/coaches.server.ts";
import type { Scope } from "../db/scope.server.ts";

/** Sessions that nobody trained are asked after for so many days. Source: our rule, docs/today.md. */
const ASKED_AFTER = 14;
/** A phase that ends is told of so many days before and after. Source: our rule, docs/today.md. */
const ENDS_WITHIN = 7;

/** Whether there are other coaches, and whose clients whoever is signed in wants to see. */
async function viewOf(scope: Scope) {
  const coaches = await listCoaches(scope);
  const own = coaches.find(({ id }) => scope.actor.kind === "user" && scope.actor.id === id);
  const isMine = own?.seesMine === true && coaches.length > 1;
  const others = isMine ? await clientsOfOthers(scope, own.id) : new Set();
  const isShown = ({ personId }: { readonly personId: Id<"person"> }) => !others.has(personId);
  return {
    hasOthers: coaches.length > 1,
    isMine,
    isShown,
    shown: <T extends { readonly personId: Id<"person"> }>(list: readonly T[]) =>
      list.filter(isShown),
  };
}

/** The day of a studio: who trains, what runs, what waits for the coach. */
export async function todayOf(scope: Scope) {
  const gyms = await listGyms(scope);
  const today = dayAt(scope.now, gyms[0]?.timeZone ?? "UTC");
  const { hasOthers, isMine, isShown, shown } = await viewOf(scope);
  const [plans, open, waiting, putOff, untrained, ending, hard, warnings, steps] =
    await Promise.all([
      listPlans(scope, weekStart(today), addDays(weekStart(today), 13)).then(shown),
      listOpenSessions(scope).then(shown),
      listWaiting(scope).then(shown),
      subjectsPutOff(scope, today),
      listUntrained(scope, addDays(today, -ASKED_AFTER), addDays(today, -1)).then(shown),
      listEndingPhases(scope, addDays(today, -ENDS_WITHIN), addDays(today, ENDS_WITHIN)).then(
        shown,
      ),
      hardWeeksOf(scope, today, HARD_WEEKS_IN_A_ROW),
      listWarnings(scope).then(shown),
      firstSteps(scope, gyms.length),
    ]);
  const isOutdated = open.some(({ isWaitingKnown }) => !isWaitingKnown);
  const lines = waiting.map((own) => ({ of: "line" as const, ...own }));
  const items: readonly TodayItem[] = [
    ...lines.filter(({ isRuled }) => !isRuled),
    ...open.flatMap(({ personId, personName, title, sessionState }): readonly TodayItem[] =>
      sessionState.kind === "ended" && sessionState.ruling === "changedSince"
        ? [
            {
              of: "changedSince",
              personId,
              personName,
              title,
              sessionLog: sessionState.sessionLogId,
            },
          ]
        : [],
    ),
    ...untrained.map((plan): TodayItem => ({ of: "untrained", ...whose(plan), plan })),
    ...hard.flatMap(({ phase, weeks }): readonly TodayItem[] => {
      if (!isShown(phase)) return [];
      const week = weekAt(phase.document, today) + 1;
      const next = phase.document.weeks[week - 1];
      if (next === undefined || isEasy(next)) return [];
      return [
        { of: "lighterDue", ...whose(phase), phase: phase.id, name: phase.name, weeks, week },
      ];
    }),
    ...warningItems(warnings),
    ...ending.map((phase): TodayItem => ({
      of: "phaseEnds",
      ...whose(phase),
      phase: phase.id,
      name: phase.name,
      ends: phase.ends,
    })),
  ];
  const waits = items.filter((item) => !putOff.has(subjectOf(item)));
  return {
    today,
    hasOthers,
    isMine,
    plans: plans.filter((plan) => plan.day === today),
    ahead: plans.filter((plan) => plan.day > today),
    running: open.filter((plan) => plan.sessionState.kind === "running"),
    decisions: inUrgency(waits),
    putOff: items.length - waits.length,
    ready: [...readySessions(lines), ...(isOutdated ? [] : lineless(open, lines))],
    isOutdated,
    steps,
  };
}

/** Ended sessions in which nothing is decided by itself: their next ones can be planned. */
function lineless(
  open: readonly PlanEntry[],
  lines: readonly { readonly sessionLog: Id<"sessionLog"> }[],
): readonly ReadySession[] {
  const known = new Set(lines.map(({ sessionLog }) => sessionLog));
  return open.flatMap(({ personId, personName, title, sessionState }) =>
    sessionState.kind === "ended" &&
    sessionState.ruling === "open" &&
    !known.has(sessionState.sessionLogId)
      ? [{ personId, personName, title, sessionLog: sessionState.sessionLogId, lines: [] }]
      : [],
  );
}

const whose = ({ personId, personName }: { personId: Id<"person">; personName: string }) => ({
  personId,
  personName,
});

/** Equipment that is wanted twice at one hour of today; every session of the day is laid out for it. */
export async function clashesToday(scope: Scope) {
  const day = await studioDay(scope);
  const plans = (await plansWithDocuments(scope, day)).filter(
    ({ startTime }) => startTime !== null,
  );
  if (plans.length < 2) return [];
  const [stations, catalogue] = await Promise.all([
    listStations(scope, undefined, "all"),
    catalogueFor(scope),
  ]);
  const found = wantedTwice(
    plans.map(({ id, gymId, startTime, document, isOpen }) => ({
      plan: id,
      gym: gymId,
      begins: minutesOf(startTime ?? "00:00"),
      document,
      canMove: isOpen,
    })),
    unrollContextOf(stations, catalogue.find),
  );
  const names = new Map(plans.map(({ id, personName }) => [id, personName]));
  return found.map(({ station, has, until, wants, way }) => ({
    station: stations.find(({ id }) => id === station)?.name ?? "Equipment",
    has: names.get(has) ?? "",
    until,
    wants,
    way:
      way === null || way.kind === "later"
        ? way
        : {
            kind: way.kind,
            first:
              way.document.blocks
                .flatMap((block) =>
                  block.kind === "exercise"
                    ? [block.slot]
                    : block.kind === "rotation"
                      ? block.members
                      : [],
                )
                .find(({ id }) => id === way.first)?.movement ?? null,
          },
  }));
}

function minutesOf(time: string): number {
  const [hours = "0", minutes = "0"] = time.split(":");
  return Number(hours) * 60 + Number(minutes);
}
