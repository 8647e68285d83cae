import { ticksOf, type Mass, type MovementRef, type Random } from "../kernel/index.ts";
import { totalMoved } from "../gym/index.ts";
import type { Exposure } from "../log/index.ts";
import { isIsolation } from "../person/index.ts";
import { isPreparatory, linesOf, slotsOf, type Slot } from "../plan/index.ts";
import { bandAhead, progressIndex, type OddsFrom, type ShownBand } from "../progress/index.ts";
import { isEasy } from "./phase-week.ts";
import { inOrder, type Phase } from "./phase.ts";
import type { PhaseFacts, ProjectedSession } from "./project.ts";
import { exposureIn, sessionsOf, simulatedFrom, type LinePlace } from "./way.ts";

/** What a session shows or asks of a line: the logarithm of strength, to be compared within the line only. */
export interface CurvePoint {
  readonly week: number;
  readonly value: number;
}

/** A point, and whether the total moved was known where it comes from. */
interface ShownPoint extends CurvePoint {
  readonly of: Exposure;
  readonly isTotalKnown: boolean;
}

/** How a main line goes over the weeks, and what the band ahead is simulated from. */
export interface LineCurve {
  readonly at: LinePlace;
  readonly movement: MovementRef;
  /** As it was trained; light and lighter weeks show nothing. */
  readonly done: readonly CurvePoint[];
  /** As it is asked, if every target before it is met. */
  readonly asked: readonly CurvePoint[];
  /** False where a sled, a bar or a body is of unknown weight, so that its points compare what is read alone. */
  readonly isTotalKnown: boolean;
  /** Null where too little was trained to say what is likely. */
  readonly from: OddsFrom | null;
  /** The sessions to come, of which a band can be worked out. */
  readonly ahead: readonly { readonly week: number; readonly isEasy: boolean }[];
}

/** So many are main lines at most. Source: our rule. */
const MOST = 6;

/**
 * The main lines of a phase: those with a stated target, then of each day the first line of its first exercise that
 * moves more than one joint, or of its first where none does. Source: our rule, docs/phases.md § Main lines.
 */
function mainLines(phase: Phase, { context }: PhaseFacts): readonly LinePlace[] {
  const stated = phase.targets.map(({ day, lineage, line }) => ({ day, lineage, line }));
  const first = inOrder(phase).flatMap(({ id, session }): readonly LinePlace[] => {
    const slots = slotsOf(session).filter((slot) => workLine(slot) !== undefined);
    const main = slots.find(({ movement }) => {
      const own = context.movement(movement);
      return own !== null && !isIsolation(own);
    });
    const slot = main ?? slots[0];
    const line = slot && workLine(slot);
    return slot === undefined || line === undefined
      ? []
      : [{ day: id, lineage: slot.lineageId, line: line.id }];
  });
  const once = new Map([...stated, ...first].map((at) => [`${at.day} ${at.line}`, at]));
  return [...once.values()].slice(0, MOST);
}

const workLine = (slot: Slot) => linesOf(slot).find(({ sets: [{ role }] }) => !isPreparatory(role));

/** The main lines of a phase as curves over its weeks; one of which nothing can be said is left out. */
export function curvesOf(
  phase: Phase,
  sessions: readonly ProjectedSession[],
  facts: PhaseFacts,
): readonly LineCurve[] {
  const { bodyWeight } = facts.context;
  return mainLines(phase, facts).flatMap((at): readonly LineCurve[] => {
    const slot = phase.days
      .filter(({ id }) => id === at.day)
      .flatMap(({ session }) => slotsOf(session))
      .find(({ lineageId }) => lineageId === at.lineage);
    if (slot === undefined) return [];
    const own = sessionsOf(sessions, at);
    const isEasyIn = (week: number) => isEasy(phase.weeks[week - 1] ?? { kind: "normal" });
    const points = (of: readonly ProjectedSession[]) =>
      of.flatMap((session): readonly ShownPoint[] => {
        const { week } = session;
        const exposure = isEasyIn(week) ? null : exposureIn(session, at, facts);
        return exposure === null ? [] : pointOf(exposure, week, bodyWeight);
      });
    const [shown, toCome] = [points(own.done), points(own.coming)];
    // What was done as another exercise, or at other equipment, does not compare.
    const now = toCome[0] ?? shown.at(-1);
    const isAsNow = ({ of: { context } }: ShownPoint) =>
      context.movement === now?.of.context.movement && context.station === now.of.context.station;
    const [done, asked] = [shown.filter(isAsNow), toCome.filter(isAsNow)];
    const all = [...done, ...asked];
    if (all.length < 2) return [];
    return [
      {
        at,
        movement: slot.movement,
        done: done.map(({ week, value }) => ({ week, value })),
        asked: asked.map(({ week, value }) => ({ week, value })),
        isTotalKnown: all.every((point) => point.isTotalKnown),
        from: simulatedFrom(phase, own, at, facts),
        ahead: own.coming.map(({ week }) => ({ week, isEasy: isEasyIn(week) })),
      },
    ];
  });
}

/**
 * What a session says as a point; none where it says nothing that compares: the total is unknown, and nothing is read
 * or more is read where it is easier.
 */
function pointOf(of: Exposure, week: number, bodyWeight: Mass | null): readonly ShownPoint[] {
  const value = progressIndex(of, bodyWeight);
  const weight = of.context.bodyWeight ?? bodyWeight;
  const readings = of.sets.flatMap(({ reading }) => reading ?? []);
  const isTotalKnown = readings.every((own) => totalMoved(of.loading, own, weight) !== null);
  const says = isTotalKnown || readings.every((own) => ticksOf(own) > 0);
  if (value === null || !says || (!isTotalKnown && of.loading.kind === "assisted")) return [];
  return [{ week, value, of, isTotalKnown }];
}

/** What is likely of a line in one week to come. */
export interface BandIn extends ShownBand {
  readonly week: number;
}

/** The band ahead of a main line; empty where too little was trained. `random` is uniform in [0, 1). */
export function bandOf(
  { from, ahead }: Pick<LineCurve, "from" | "ahead">,
  random: Random,
): readonly BandIn[] {
  if (from === null) return [];
  const band = bandAhead(from, ahead, random);
  return ahead.flatMap(({ week }, i) => {
    const own = band[i] ?? null;
    return own === null ? [] : [{ week, ...own }];
  });
}
