import { daysPutOff, subjectOf, type TodayItem } from "~/core/coach/index.ts";
import { assertNever } from "~/core/kernel/index.ts";
import type { WaitingLine, WayCode } from "~/core/progress/index.ts";
import type { Deed } from "./use-deciding.ts";

/** What can be done about something that waits. */
export interface Deeds {
  readonly accept: Deed | null;
  /** What accepting is called here. */
  readonly acceptText: string;
  readonly ways: readonly { readonly way: WaitingLine["ways"][number]; readonly deed: Deed }[];
  readonly change: ((load: string, reason: string) => Deed) | null;
  readonly later: Deed;
}

/** Where something that waits is looked at whole. */
export function addressOf(item: TodayItem): string {
  switch (item.of) {
    case "line":
    case "changedSince":
      return `/runs/${item.sessionLog}`;
    case "untrained":
      return `/plans/${item.plan.id}`;
    case "warning":
      return `/people/${item.personId}#weeks`;
    case "lighterDue":
    case "phaseEnds":
      return `/phases/${item.phase}`;
    default:
      return assertNever(item);
  }
}

/** Everything that can be done about something that waits, each with what takes it back. */
export function deedsOn(item: TodayItem): Deeds {
  const subjects = [subjectOf(item)];
  const putOff = {
    intent: "putOff",
    person: item.personId,
    subject: subjectOf(item),
    days: daysPutOff(item),
  } as const;
  const later: Deed = {
    does: { ...putOff, isPutOff: true },
    undoes: { ...putOff, isPutOff: false },
    subjects,
  };
  if (item.of === "untrained") {
    const drop = { intent: "drop", plan: item.plan.id } as const;
    const accept = {
      does: { ...drop, isDropped: true },
      undoes: { ...drop, isDropped: false },
      subjects,
    };
    return { accept, acceptText: "Drop it", ways: [], change: null, later };
  }
  if (item.of !== "line") return { accept: null, acceptText: "", ways: [], change: null, later };
  const { slot: slotId, line, shown } = item.facts;
  const at = { session: item.sessionLog, slotId, line };
  const undoes = { intent: "takeBack", ...at } as const;
  const way = (code: WayCode): Deed => ({
    does: { intent: "way", ...at, shown, way: code },
    undoes,
    subjects,
  });
  return {
    accept: { does: { intent: "accept", ...at, shown }, undoes, subjects },
    acceptText: "Accept",
    ways: item.facts.ways.map((own) => ({ way: own, deed: way(own.code) })),
    change: (load, reason) => ({
      does: { intent: "change", ...at, shown, load, reason },
      undoes,
      subjects,
    }),
    later,
  };
}
