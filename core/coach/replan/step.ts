import type { Day, Id, MovementRef, NewId } from "../../kernel/index.ts";
import type { Station } from "../../gym/index.ts";
import type { Brief } from "../../person/index.ts";
import {
  isWithout,
  type Phase,
  type PhaseDay,
  type PhaseEdit,
  type ProjectedSession,
} from "../../phase/index.ts";
import type { Slot } from "../../plan/index.ts";
import type { SwapContext } from "../search/index.ts";

/** Why a step is proposed, with what it does; wording lives in format/. */
export type StepReason =
  | { readonly code: "moved"; readonly day: PhaseDay; readonly week: number; readonly on: Day }
  | {
      readonly code: "merged";
      readonly day: PhaseDay;
      readonly into: PhaseDay;
      readonly week: number;
      readonly movements: readonly MovementRef[];
    }
  | { readonly code: "dropped"; readonly day: PhaseDay; readonly week: number; readonly on: Day }
  | { readonly code: "easierReturn"; readonly week: number; readonly daysAway: number }
  | { readonly code: "weeksAgain"; readonly weeks: readonly number[] }
  | { readonly code: "inGym"; readonly day: PhaseDay; readonly week: number }
  | ({
      readonly code: "standsIn";
      readonly to: MovementRef;
      readonly station: Id<"station">;
    } & InPlaceOf)
  | ({ readonly code: "leftOut" } & InPlaceOf)
  | {
      readonly code: "weekOut";
      readonly week: number;
      readonly kind: Phase["weeks"][number]["kind"];
    };

interface InPlaceOf {
  readonly day: PhaseDay;
  readonly from: MovementRef;
  readonly weeks: readonly number[];
}

/** One thing that a replan changes: taken singly, or left. */
export interface ReplanStep {
  /** The same for the same step of the same event. */
  readonly key: string;
  readonly edits: readonly PhaseEdit[];
  readonly because: StepReason;
  /** True for what is proposed; false for another way, taken instead of those of the same group. */
  readonly isProposed: boolean;
  /** Steps of one group exclude each other; null for one by itself. */
  readonly group: string | null;
}

/** What a replan is worked out from. */
export interface ReplanSituation {
  readonly phase: Phase;
  /** The phase as it is projected. */
  readonly sessions: readonly ProjectedSession[];
  readonly today: Day;
  readonly brief: Brief;
  /** Where substitutes are looked for, but for brief and stations. */
  readonly swap: Omit<SwapContext, "brief" | "stations">;
  /** All equipment of the studio that is there. */
  readonly stations: readonly Station[];
  readonly newId: NewId;
}

/** Sessions that are still to come: neither trained nor being trained, missed nor dropped. */
export function toCome({
  sessions,
}: Pick<ReplanSituation, "sessions">): readonly ProjectedSession[] {
  return sessions.filter(
    ({ source, placed }) => source !== "done" && !isWithout(source) && placed?.state !== "running",
  );
}

/** Weeks as stretches of neighbours. */
export function stretches(
  weeks: readonly number[],
): readonly { readonly from: number; readonly to: number }[] {
  const sorted = [...new Set(weeks)].toSorted((a, b) => a - b);
  return sorted.reduce<{ from: number; to: number }[]>((all, week) => {
    const last = all.at(-1);
    if (last?.to === week - 1) last.to = week;
    else all.push({ from: week, to: week });
    return all;
  }, []);
}

/** An exercise of a day with the weeks in which it is in and which an event is about. */
export interface Affected {
  readonly day: PhaseDay;
  readonly slot: Slot;
  readonly weeks: readonly number[];
}

/** Exercises that are in sessions to come, as far as they are meant, with the weeks. */
export function affected(
  situation: ReplanSituation,
  isMeant: (session: ProjectedSession, slot: Slot) => boolean,
  slotsOf: (session: ProjectedSession) => readonly Slot[],
): readonly Affected[] {
  const found = new Map<string, { day: PhaseDay; slot: Slot; weeks: number[] }>();
  for (const session of toCome(situation)) {
    for (const slot of slotsOf(session)) {
      if (!isMeant(session, slot)) continue;
      const key = `${session.day.id} ${slot.lineageId}`;
      const own = found.get(key) ?? { day: session.day, slot, weeks: [] };
      own.weeks.push(session.week);
      found.set(key, own);
    }
  }
  return [...found.values()];
}
