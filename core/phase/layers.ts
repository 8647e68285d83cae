import { assertNever, share, type Id, type NewId, type Mass, type Share } from "../kernel/index.ts";
import {
  applyEdit,
  followsOf,
  isEffortSpan,
  isPreparatory,
  linesOf,
  referenceOf,
  repsLeft,
  RIR_VALUES,
  slotsOf,
  slotsOfBlock,
  tempoOf,
  type Block,
  type PlannedSet,
  type Rir,
  type SessionPlan,
  type Slot,
} from "../plan/index.ts";
import type { UnrollContext } from "../unroll/index.ts";
import {
  accepted,
  dropLinesOf,
  outcomesOf,
  withChanges,
  type Chosen,
  type ChosenStep,
} from "../progress/index.ts";
import { stepOf, type CellEdit } from "./cell-edit.ts";
import { lighterBy, setsTo, type Cell } from "./edit/cell.ts";
import { changesOf, type CellChange, type Phase, type PhaseDay } from "./phase.ts";
import { isEasy, isPlain, type PhaseWeek } from "./phase-week.ts";
import { isBackIn, isIn } from "./presence.ts";

/** An exercise in one week: as the week makes it of what its rules have, and as the coach changes that. */
export interface LayeredSlot {
  readonly inWeek: Slot;
  /** Null where the coach leaves it out. */
  readonly final: Slot | null;
}

/** Each layer of an exercise in a week, in their one order: rule, week, the coach's changes. */
export function layered(
  ruled: Slot,
  week: PhaseWeek,
  changes: readonly Pick<CellChange, "line" | "edit">[],
  context: UnrollContext,
  newId: NewId,
): LayeredSlot {
  const own = inWeek(ruled, week, context, newId);
  return { inWeek: own, final: asChanged(own, changes, context, newId) };
}

/** An exercise that returns begins at so much of its own last loads. Source: our rule, docs/phases.md § Exercises for some weeks. */
export const RETURNS_AT = share(0.95);

/** An exercise as its rules have it in a week: as they stand, or, back after weeks without it, a little lighter. */
export function ruledIn(
  ruled: Slot,
  phase: Pick<Phase, "spans" | "rotations" | "days">,
  { day, week }: DayInWeek,
  context: UnrollContext,
  newId: NewId,
): Slot {
  const isBack = isBackIn(phase, { day, lineage: ruled.lineageId }, week);
  return isBack ? lighterSlot(ruled, RETURNS_AT, context, newId) : ruled;
}

/**
 * A session as its rules have it, with the exercises that its day of the phase was given since: each where the day
 * has it, as it is written there.
 */
export function withAdded(ruled: SessionPlan, { session }: Pick<PhaseDay, "session">): SessionPlan {
  const has = new Set(slotsOf(ruled).map(({ lineageId }) => lineageId));
  return session.blocks.reduce((plan, block, i) => {
    const slots = slotsOfBlock(block);
    if (slots.length === 0 || slots.some(({ lineageId }) => has.has(lineageId))) return plan;
    const before = session.blocks
      .slice(0, i)
      .findLast((own) => slotsOfBlock(own).length > 0 && at(plan, own) >= 0);
    const place = before === undefined ? firstExercise(plan) : at(plan, before) + 1;
    return { ...plan, blocks: plan.blocks.toSpliced(place, 0, block) };
  }, ruled);
}

/** Where the first exercise of a block stands in a session; -1 where it does not. */
function at(plan: SessionPlan, block: Block): number {
  const lineages = new Set(slotsOfBlock(block).map(({ lineageId }) => lineageId));
  return plan.blocks.findIndex((own) =>
    slotsOfBlock(own).some(({ lineageId }) => lineages.has(lineageId)),
  );
}

function firstExercise({ blocks }: SessionPlan): number {
  const first = blocks.findIndex((block) => slotsOfBlock(block).length > 0);
  return first < 0 ? blocks.length : first;
}

/** A day of a phase in one of its weeks, from 1. */
export interface DayInWeek {
  readonly day: Id<"phaseDay">;
  readonly week: number;
}

/**
 * A session in a week: the exercises that are in, each through its layers, without those that the coach leaves out.
 * A week that the phase does not have leaves it as it is.
 */
export function sessionInWeek(
  phase: Phase,
  at: DayInWeek,
  ruled: SessionPlan,
  context: UnrollContext,
  newId: NewId,
): SessionPlan {
  const week = phase.weeks[at.week - 1];
  if (week === undefined) return ruled;
  const changes = changesOf(phase, { id: at.day }, at.week);
  return slotsOf(ruled).reduce((plan, slot) => {
    const { lineageId: lineage } = slot;
    if (!isIn(phase, { day: at.day, lineage }, at.week))
      return applyEdit(plan, { kind: "removeSlot", slot: slot.id });
    const own = changes.filter((change) => change.lineage === lineage);
    const stands = ruledIn(slot, phase, at, context, newId);
    const { final } = layered(stands, week, own, context, newId);
    if (final === slot) return plan;
    return final === null
      ? applyEdit(plan, { kind: "removeSlot", slot: slot.id })
      : applyEdit(plan, { kind: "changeSlot", slot: slot.id, to: final });
  }, ruled);
}

/** An exercise with every load at a share of what it has, no harder; what follows from another set follows. */
function lighterSlot(slot: Slot, of: Share, context: UnrollContext, newId: NewId): Slot {
  const steps = new Map<Id<"line">, ChosenStep>();
  for (const cell of cellsOf(slot, context)) {
    if (followsOf(cell.line.sets[0].load) !== "nothing") continue;
    steps.set(cell.line.id, { reading: lighterBy(cell, of), changes: [] });
  }
  return written(slot, steps, context, newId);
}

/** An exercise as a week has it: sets and reserve by the week, loads at its share, no harder than that. */
function inWeek(slot: Slot, week: PhaseWeek, context: UnrollContext, newId: NewId): Slot {
  if (isPlain(week)) return slot;
  const steps = new Map<Id<"line">, ChosenStep>();
  for (const cell of cellsOf(slot, context)) {
    const { line } = cell;
    const fewer = week.sets === 0 ? [] : setsTo(cell, line.sets.length + week.sets).changes;
    const follows = followsOf(line.sets[0].load) !== "nothing";
    const reading = week.load === 1 || follows ? null : lighterBy(cell, week.load);
    steps.set(line.id, { reading, changes: fewer });
    if (week.load === 1) continue;
    for (const drop of dropLinesOf(slot, line)) {
      const own = readingIn(drop.sets[0]);
      const lighter = lighterBy({ ...cell, line: drop, reading: own }, week.load);
      steps.set(drop.id, { reading: lighter, changes: [] });
    }
  }
  return easedBy(written(slot, steps, context, newId), week.effort, isEasy(week) ? 5 : HARD);
}

const readingIn = ({ load }: PlannedSet): Mass | null =>
  load.kind === "absolute" ? load.reading : null;

/** An exercise with the coach's changes to its lines; null where nothing of it is left. */
function asChanged(
  slot: Slot,
  changes: readonly { readonly line: Id<"line">; readonly edit: CellEdit }[],
  context: UnrollContext,
  newId: NewId,
): Slot | null {
  if (changes.length === 0) return slot;
  const out = new Set<Id<"line">>();
  const changed = changes.reduce((now, { line, edit }) => {
    const cell = cellsOf(now, context).find((own) => own.line.id === line);
    if (cell === undefined) return now;
    const step = stepOf(edit, cell);
    if (step !== "leftOut")
      return written(withOwnLoad(now, line, step), new Map([[line, step]]), context, newId);
    out.add(line);
    return now;
  }, slot);
  if (out.size === 0) return changed;
  return withoutLines(changed, out, context);
}

/** A line whose load follows from another set, with the load that the coach gave it for one week instead. */
function withOwnLoad(slot: Slot, line: Id<"line">, { reading }: ChosenStep): Slot {
  const follows = slot.sets.some((set) => set.line === line && followsOf(set.load) !== "nothing");
  if (reading === null || !follows) return slot;
  return {
    ...slot,
    sets: slot.sets.map((set): PlannedSet =>
      set.line === line ? { ...set, load: { kind: "absolute", reading } } : set,
    ),
  };
}

/** An exercise without some of its lines; null where no work is left. What went from one of their sets keeps its load. */
function withoutLines(
  slot: Slot,
  out: ReadonlySet<Id<"line">>,
  context: UnrollContext,
): Slot | null {
  const gone = new Set(slot.sets.filter(({ line }) => out.has(line)).map(({ id }) => id));
  const loads = new Map(outcomesOf(slot, context).map(({ line, readings: [own] }) => [line, own]));
  const sets = slot.sets
    .filter(({ id }) => !gone.has(id))
    .map((set): PlannedSet => {
      const from = referenceOf(set.load)?.set ?? null;
      const reading = loads.get(set.line) ?? null;
      const isLost = from !== null && gone.has(from);
      return {
        ...set,
        load: !isLost
          ? set.load
          : reading === null
            ? { kind: "open" }
            : { kind: "absolute", reading },
        tempo: tempoOf(set, slot.sets),
        tempoAs: set.tempoAs !== null && gone.has(set.tempoAs) ? null : set.tempoAs,
      };
    });
  const isWorkLeft = sets.some(({ role }) => !isPreparatory(role));
  const lines = slot.lines.filter(({ id }) => !out.has(id));
  return isWorkLeft ? { ...slot, sets, lines } : null;
}

/** The lines of an exercise but its preparation, each with the load that it comes to. */
function cellsOf(slot: Slot, context: UnrollContext): readonly Cell[] {
  const loads = new Map(outcomesOf(slot, context).map(({ line, readings: [own] }) => [line, own]));
  const station = context.station(slot.station);
  return linesOf(slot)
    .filter(({ sets: [{ role }] }) => !isPreparatory(role))
    .map((line) => ({
      line,
      reading: loads.get(line.id) ?? null,
      station,
      bodyWeight: context.bodyWeight,
    }));
}

/** Steps written into an exercise; where its equipment is gone, all of them but the loads. */
function written(slot: Slot, steps: Chosen, context: UnrollContext, newId: NewId): Slot {
  if (context.station(slot.station) !== null) return accepted(slot, steps, context, newId);
  return [...steps].reduce(
    (now, [line, { changes }]) => withChanges(now, line, changes, newId),
    slot,
  );
}

/** A set of a week that is neither light nor lighter counts as hard. */
const HARD = 4;

/** Every work set with so many reps more in reserve, up to a number; one that had more before keeps it. */
function easedBy(slot: Slot, by: number, most: number): Slot {
  if (by === 0) return slot;
  const eased = (rir: Rir) => rirPlus(rir, Math.min(by, Math.max(0, most - (repsLeft(rir) ?? 0))));
  return {
    ...slot,
    sets: slot.sets.map((set) =>
      isPreparatory(set.role)
        ? set
        : {
            ...set,
            ...spanOf(eased(set.effort), set.effortUpTo && eased(set.effortUpTo)),
          },
    ),
  };
}

/** A range of reserve, or one number where its ends came together. */
function spanOf(effort: Rir, upTo: Rir | null): Pick<PlannedSet, "effort" | "effortUpTo"> {
  return { effort, effortUpTo: upTo !== null && isEffortSpan(effort, upTo) ? upTo : null };
}

/** So many reps more in reserve, from none to five; what is no number stays. */
export function rirPlus(rir: Rir, by: number): Rir {
  switch (rir) {
    case "more":
    case "past":
    case "unknown":
      return rir;
    case 0:
    case 0.5:
    case 1:
    case 1.5:
    case 2:
    case 2.5:
    case 3:
    case 3.5:
    case 4:
    case 4.5:
    case 5: {
      const to = Math.min(5, Math.max(0, Math.round((rir + by) * 2) / 2));
      return RIR_VALUES.find((value) => value === to) ?? rir;
    }
    default:
      return assertNever(rir);
  }
}
