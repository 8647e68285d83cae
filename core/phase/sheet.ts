import type { Day, Id, Mass, MassUnit, MovementRef, Region, Seconds } from "../kernel/index.ts";
import type { LoadingKind } from "../gym/index.ts";
import {
  isPreparatory,
  linesOf,
  slotsOf,
  type Line,
  type Rir,
  type SessionPlan,
  type Slot,
  type SetRole,
  type Target,
  type VolumePolicy,
} from "../plan/index.ts";
import { lastKey, onLine, performedSets, type Exposure, type Series } from "../log/index.ts";
import { outcomesOf, type LineProposal, type Outcome } from "../progress/index.ts";
import {
  plannedSets,
  sessionDuration,
  unroll,
  volumeOf,
  type UnrollContext,
} from "../unroll/index.ts";
import type { CellEdit } from "./cell-edit.ts";
import { isWithout, type CellSource, type ProjectedSession } from "./project.ts";
import { changesOf, dateOf, inOrder, weekAt, type Phase, type PhaseDay } from "./phase.ts";
import type { PhaseWeek } from "./phase-week.ts";
import { cellText } from "./typed-cell.ts";

/** What was done of a line: each set's load and how much of what is counted. */
export interface DoneSet {
  readonly reading: Mass | null;
  readonly amount: number | null;
}

/** A line in one week, with where it comes from and what each layer did. */
export interface SheetCell {
  readonly source: CellSource;
  readonly sets: number;
  readonly target: Target;
  /** The load of its first set; null where it is found on the day. */
  readonly reading: Mass | null;
  /** True where the body is all that is moved, so that a reading of nothing is no load of nothing. */
  readonly isBodyOnly: boolean;
  readonly effort: Rir;
  readonly effortUpTo: Rir | null;
  /** Empty until it was trained. */
  readonly done: readonly DoneSet[];
  /** What the rule made of the week before; null where it did not speak. */
  readonly rule: Pick<LineProposal, "move" | "because" | "confidence" | "mustRule"> | null;
  /** As it can be typed into another cell. */
  readonly text: string;
  readonly edits: readonly CellEdit[];
}

/** A line of an exercise over the weeks; null where it is not in one. */
export interface SheetRow {
  readonly lineage: Id<"lineage">;
  readonly line: Id<"line">;
  readonly movement: MovementRef;
  /** In which its equipment reads; null where that is gone. */
  readonly unit: MassUnit | null;
  readonly role: SetRole;
  readonly rule: Line["rule"];
  /** True for the first line of an exercise, which names it. */
  readonly isFirst: boolean;
  readonly cells: readonly (SheetCell | null)[];
}

/** One session of a day: when, where it comes from, how long it takes. */
export interface SheetSession {
  readonly on: Day;
  readonly source: CellSource;
  readonly planId: Id<"plan"> | null;
  readonly sessionLog: Id<"sessionLog"> | null;
  readonly isEdited: boolean;
  /** True where a rule asks the coach before the session can be approved. */
  readonly asks: boolean;
  readonly likelySeconds: Seconds;
}

export interface SheetDay {
  readonly id: Id<"phaseDay">;
  readonly weekday: number;
  readonly title: string;
  readonly sessions: readonly SheetSession[];
  readonly rows: readonly SheetRow[];
}

/** A phase as one table: sessions, lines, minutes and hard sets in the same columns. */
export interface Sheet {
  readonly weeks: readonly (PhaseWeek & { readonly starts: Day; readonly isNow: boolean })[];
  readonly days: readonly SheetDay[];
  /** Hard sets of a region in each week, direct and indirect, done or planned; regions that no week trains are left out. */
  readonly volume: readonly {
    readonly region: Region;
    readonly weeks: readonly number[];
    /** What the approach's way of counting changed of each; nothing where every hard set counts as one. */
    readonly counted: readonly number[];
  }[];
}

/** A phase as its sheet shows it. */
export function sheetOf(
  phase: Phase,
  sessions: readonly ProjectedSession[],
  {
    series,
    context,
    today,
  }: { readonly series: Series; readonly context: UnrollContext; readonly today: Day },
  policy: VolumePolicy,
): Sheet {
  const now = weekAt(phase, today);
  return {
    weeks: phase.weeks.map((week, i) => ({
      ...week,
      starts: startOfWeek(phase, i + 1),
      isNow: i + 1 === now,
    })),
    days: inOrder(phase).map((day): SheetDay => {
      const own = sessions.filter((session) => session.day.id === day.id);
      return {
        id: day.id,
        weekday: day.weekday,
        title: day.title,
        sessions: own.map((session) => sessionOn(session, context)),
        rows: rowsOf(phase, day, own, series, context),
      };
    }),
    volume: weeklyVolume(phase, sessions, context, policy),
  };
}

function startOfWeek(phase: Phase, week: number): Day {
  const [first] = inOrder(phase);
  return first === undefined ? phase.start : dateOf(phase, first, week);
}

function sessionOn(session: ProjectedSession, context: UnrollContext): SheetSession {
  const { on, source, placed, because, plan } = session;
  return {
    on,
    source,
    planId: placed?.planId ?? null,
    sessionLog: placed?.sessionLog ?? null,
    isEdited: placed?.isEdited ?? false,
    asks: source === "next" && [...because.values()].flat().some(({ mustRule }) => mustRule),
    likelySeconds: sessionDuration(unroll(plan, context)).likely,
  };
}

/** Every work line that any week of a day has, in the order in which the day has its exercises. */
function rowsOf(
  phase: Phase,
  day: PhaseDay,
  sessions: readonly ProjectedSession[],
  series: Series,
  context: UnrollContext,
): readonly SheetRow[] {
  const rows = new Map<string, { readonly slot: Slot; readonly line: Line }>();
  for (const plan of [day.session, ...sessions.map((session) => session.plan)]) {
    for (const slot of slotsOf(plan)) {
      for (const line of workLines(slot)) {
        const key = `${slot.lineageId} ${line.id}`;
        if (!rows.has(key)) rows.set(key, { slot, line });
      }
    }
  }
  // An exercise of several lines is unrolled once for all of them.
  const known = new Map<Slot, readonly Outcome[]>();
  const outcomes = (slot: Slot) => {
    const own = known.get(slot) ?? outcomesOf(slot, context);
    known.set(slot, own);
    return own;
  };
  const order = [...new Set([...rows.values()].map(({ slot }) => slot.lineageId))];
  const sorted = order.flatMap((lineage) =>
    [...rows.values()].filter(({ slot }) => slot.lineageId === lineage),
  );
  return sorted.map(({ slot, line }, i) => ({
    lineage: slot.lineageId,
    line: line.id,
    movement: slot.movement,
    unit: context.station(slot.station)?.loading.unit ?? null,
    role: line.sets[0].role,
    rule: line.rule,
    isFirst: sorted[i - 1]?.slot.lineageId !== slot.lineageId,
    cells: sessions.map((session) =>
      cellIn(session, slot, line.id, phase, series, context, outcomes),
    ),
  }));
}

const workLines = (slot: Slot): readonly Line[] =>
  linesOf(slot).filter(({ sets: [{ role }] }) => !isPreparatory(role));

function slotIn(plan: SessionPlan, lineage: Id<"lineage">): Slot | null {
  return slotsOf(plan).find((slot) => slot.lineageId === lineage) ?? null;
}

function cellIn(
  session: ProjectedSession,
  { lineageId }: Slot,
  line: Id<"line">,
  phase: Phase,
  series: Series,
  context: UnrollContext,
  outcomes: (slot: Slot) => readonly Outcome[],
): SheetCell | null {
  const slot = slotIn(session.plan, lineageId);
  const own = slot === null ? null : (workLines(slot).find(({ id }) => id === line) ?? null);
  if (slot === null || own === null) return null;
  const [first] = own.sets;
  const loading = context.station(slot.station)?.loading ?? null;
  const outcome = outcomes(slot).find((one) => one.line === line);
  const reading = outcome?.readings[0] ?? null;
  const proposal = session.because.get(lineageId)?.find((one) => one.line === line);
  return {
    source: session.source,
    sets: own.sets.length,
    target: first.target,
    reading,
    isBodyOnly: reading?.thousandths === 0 && loading !== null && OF_THE_BODY.has(loading.kind),
    effort: first.effort,
    effortUpTo: first.effortUpTo,
    done: doneOn(session, slot, own, series),
    rule: proposal === undefined ? null : ruleOfCell(proposal),
    text: cellText(own.sets, reading, loading?.unit ?? "kg"),
    edits: changesOf(phase, session.day, session.week)
      .filter((change) => change.lineage === lineageId && change.line === line)
      .map(({ edit }) => edit),
  };
}

/** Where a reading of nothing means the body alone. */
const OF_THE_BODY: ReadonlySet<LoadingKind> = new Set(["bodyweight", "assisted", "unloaded"]);

const ruleOfCell = ({ move, because, confidence, mustRule }: LineProposal): SheetCell["rule"] => ({
  move,
  because,
  confidence,
  mustRule,
});

function doneOn(
  { placed }: ProjectedSession,
  { movement, station, lineageId }: Slot,
  { id, sets: [first] }: Line,
  series: Series,
): readonly DoneSet[] {
  if (placed?.sessionLog == null) return [];
  const exposure = series
    .get(lastKey(movement, station))
    ?.find(({ sessionLogId }) => sessionLogId === placed.sessionLog);
  const own: Exposure | null =
    exposure === undefined
      ? null
      : onLine(exposure, {
          lineage: lineageId,
          line: id,
          role: first.role,
          range: null,
          within: first.range,
        });
  return (own?.sets ?? []).map(({ reading, amount }) => ({ reading, amount }));
}

function weeklyVolume(
  phase: Phase,
  sessions: readonly ProjectedSession[],
  context: UnrollContext,
  policy: VolumePolicy,
): Sheet["volume"] {
  const byRegion = new Map<Region, { readonly weeks: number[]; readonly counted: number[] }>();
  for (const { week, source, plan, placed } of sessions) {
    if (isWithout(source)) continue;
    // What is done counts as it was done, not as it was planned.
    const done = source === "done" ? (placed?.loggedSets ?? null) : null;
    const sets =
      done === null ? plannedSets(plan, context) : performedSets(plan, done, context.movement);
    for (const { region, direct, indirect, counted } of volumeOf(sets, policy)) {
      const own = byRegion.get(region) ?? {
        weeks: phase.weeks.map(() => 0),
        counted: phase.weeks.map(() => 0),
      };
      own.weeks[week - 1] = (own.weeks[week - 1] ?? 0) + direct + indirect;
      own.counted[week - 1] = (own.counted[week - 1] ?? 0) + counted;
      byRegion.set(region, own);
    }
  }
  return [...byRegion]
    .map(([region, own]) => ({ region, ...own }))
    .sort((a, b) => Math.max(...b.weeks) - Math.max(...a.weeks));
}
