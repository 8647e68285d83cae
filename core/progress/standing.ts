import type { Day, Id, Mass } from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import { bestsOf, type Best, type Exposure } from "../log/index.ts";
import { readingOf, type Slot } from "../plan/index.ts";
import type { Circumstances } from "./circumstances.ts";
import { lineRecord, type LineRecord } from "./line-record.ts";
import { judgeLines } from "./propose.ts";
import { stoodStill, type LineProposal, type ShownProposal, type WayCode } from "./proposal.ts";

/** An exercise at its equipment with what was trained of it and all that judging it needs. */
export interface Exercise<S extends Station = Station> {
  /** As `lastKey` names it. */
  readonly key: string;
  readonly slot: Slot;
  readonly station: S;
  /** Those that are judged, oldest first; the last one is `last`. */
  readonly exposures: readonly Exposure[];
  /** All of them, those of light and lighter weeks too. */
  readonly trained: readonly Exposure[];
  readonly last: Exposure;
  readonly known: Circumstances;
  /** True where it was trained in light or lighter weeks only, so that nothing was judged yet. */
  readonly isEasyOnly: boolean;
}

/** What a coach ruled on a line, with the proposal as it was shown. */
export interface RuledLine {
  readonly decision: "accepted" | "overruled";
  /** The other way that was accepted instead; null where it was the proposal. */
  readonly way: WayCode | null;
  readonly chosen: Mass | null;
  readonly reason: string;
  readonly shown: ShownProposal;
}

/** A line of an exercise: what it was done with, and what comes next. */
export interface StandingLine {
  readonly record: LineRecord;
  readonly proposal: LineProposal;
  /** Null while nobody ruled on it. */
  readonly ruling: RuledLine | null;
}

/** How an exercise stands: its lines now, last time and next, its bests, and every session of it. */
export interface Standing {
  readonly key: string;
  readonly slot: Slot;
  readonly station: Station;
  /** The session it was trained in last, which is where its next one is decided. */
  readonly session: Id<"sessionLog">;
  readonly lines: readonly StandingLine[];
  readonly bests: readonly Best[];
  /** Oldest first, those of light and lighter weeks too. */
  readonly trained: readonly Exposure[];
}

/** How many bests are told of each exercise. */
const BESTS = 3;

/** How an exercise stands on a day. `rulingOn` tells what was ruled on a line of its last session. */
export function standingOf(
  { key, slot, station, exposures, trained, last, known, isEasyOnly }: Exercise,
  on: Day,
  rulingOn: (line: Id<"line">) => RuledLine | null,
): Standing {
  const session = last.sessionLogId;
  return {
    key,
    slot,
    station,
    session,
    lines: judgeLines(slot, exposures, { ...known, absence: null, on }).map(
      ({ line, facts, proposals: [proposal] }): StandingLine => ({
        record: lineRecord(line, facts, session),
        proposal: isEasyOnly ? stoodStill(proposal, readingOf(line.sets[0].load)) : proposal,
        ruling: rulingOn(line.id),
      }),
    ),
    bests: bestsOf(trained, known).slice(0, BESTS),
    trained,
  };
}
