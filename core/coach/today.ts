import type { Day, Id } from "../kernel/index.ts";
import type { PlanEntry } from "../log/index.ts";
import { isUnremarkable, urgencyOf, type WaitingLine } from "../progress/index.ts";
import { WARNING_KINDS, type Warning } from "./warnings/index.ts";

/** Whose decision it is. */
interface Whose {
  readonly personId: Id<"person">;
  readonly personName: string;
}

/** A line of a trained session that waits. */
export interface WaitingItem extends Whose {
  readonly of: "line";
  readonly sessionLog: Id<"sessionLog">;
  readonly title: string;
  readonly day: Day;
  readonly facts: WaitingLine;
}

/** What goes wrong over weeks of a client: the first of its kind, and how many more there are. */
export interface WarningItem extends Whose {
  readonly of: "warning";
  readonly warning: Warning;
  readonly more: number;
}

/** One item for each client and kind of warning: ten muscles out of their ranges are one thing to look at. */
export function warningItems(
  warnings: readonly (Whose & { readonly warning: Warning })[],
): readonly WarningItem[] {
  const items = new Map<string, WarningItem>();
  for (const { personId, personName, warning } of warnings) {
    const key = `${personId} ${warning.kind}`;
    const first = items.get(key);
    items.set(
      key,
      first === undefined
        ? { of: "warning", personId, personName, warning, more: 0 }
        : { ...first, more: first.more + 1 },
    );
  }
  return [...items.values()];
}

/** Something that waits for the coach on a day. */
export type TodayItem =
  | WaitingItem
  /** A session whose log changed after it was ruled on. */
  | (Whose & {
      readonly of: "changedSince";
      readonly sessionLog: Id<"sessionLog">;
      readonly title: string;
    })
  /** A session of which nothing was logged. */
  | (Whose & { readonly of: "untrained"; readonly plan: PlanEntry })
  | (Whose & {
      readonly of: "lighterDue";
      readonly phase: Id<"phase">;
      readonly name: string;
      readonly weeks: number;
      readonly week: number;
    })
  | WarningItem
  | (Whose & {
      readonly of: "phaseEnds";
      readonly phase: Id<"phase">;
      readonly name: string;
      readonly ends: Day;
    });

/** Names what waits, for putting it off: the same thing has the same name when it is worked out again. */
export function subjectOf(item: TodayItem): string {
  switch (item.of) {
    case "line":
      return `line ${item.sessionLog} ${item.facts.slot} ${item.facts.line}`;
    case "changedSince":
      return `changed ${item.sessionLog}`;
    case "untrained":
      return `untrained ${item.plan.id}`;
    case "lighterDue":
      return `lighter ${item.phase} ${item.week}`;
    case "warning":
      return `warning ${item.personId} ${item.warning.kind}`;
    case "phaseEnds":
      return `ends ${item.phase}`;
  }
}

/** What goes on for weeks is looked at again in two; anything else tomorrow. Source: our rule, docs/today.md. */
export function daysPutOff({ of }: TodayItem): number {
  return of === "warning" ? 14 : 1;
}

/** Kinds of lines before which a session that changed, and one that nobody trained, come. Source: our rule, docs/today.md. */
const BEFORE = urgencyOf({ kind: "limiter" });

/** How urgent something is, from 0 for the most. */
function weightOf(item: TodayItem): number {
  switch (item.of) {
    case "line":
      return urgencyOf(item.facts.why);
    case "changedSince":
      return BEFORE - 0.5;
    case "untrained":
      return BEFORE - 0.25;
    case "lighterDue":
      return 100;
    case "phaseEnds":
      return 101;
    case "warning":
      // Pain over weeks comes right behind pain of a session, a target that slips behind a stall, everything else
      // behind what is to be decided.
      if (item.warning.kind === "painStays") return urgencyOf({ kind: "pain" }) + 0.5;
      if (item.warning.kind === "targetSlips") return urgencyOf({ kind: "stalled" }) + 0.5;
      return 102 + WARNING_KINDS.indexOf(item.warning.kind);
  }
}

/** What waits, the most urgent first, of one urgency client by client; what needs no coach is left out. */
export function inUrgency(items: readonly TodayItem[]): readonly TodayItem[] {
  return items
    .filter((item) => item.of !== "line" || !isUnremarkable(item.facts))
    .toSorted(
      (a, b) =>
        weightOf(a) - weightOf(b) ||
        (a.personName < b.personName ? -1 : a.personName > b.personName ? 1 : 0),
    );
}

/** A trained session of which nothing needs the coach any more: its next one can be planned. */
export interface ReadySession extends Whose {
  readonly sessionLog: Id<"sessionLog">;
  readonly title: string;
  readonly lines: readonly WaitingItem[];
}

/** Sessions with nothing left to decide, each with its unremarkable lines. `decided` are lines that were ruled on. */
export function readySessions(
  lines: readonly (WaitingItem & { readonly isRuled: boolean })[],
): readonly ReadySession[] {
  const sessions = [...new Set(lines.map(({ sessionLog }) => sessionLog))];
  return sessions.flatMap((session): readonly ReadySession[] => {
    const own = lines.filter(({ sessionLog }) => sessionLog === session);
    const [first] = own;
    const isOpen = own.some((line) => !line.isRuled && !isUnremarkable(line.facts));
    if (first === undefined || isOpen) return [];
    const { personId, personName, sessionLog, title } = first;
    return [
      { personId, personName, sessionLog, title, lines: own.filter(({ isRuled }) => !isRuled) },
    ];
  });
}
