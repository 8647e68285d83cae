import { compareMass, contentKey, type Random } from "../kernel/index.ts";
import type { Exposure } from "../log/index.ts";
import { oddsOf, takenBy, type Ahead, type OddsFrom } from "../progress/index.ts";
import { isEasy } from "./phase-week.ts";
import type { Phase, StatedTarget } from "./phase.ts";
import type { PhaseFacts, ProjectedSession } from "./project.ts";
import { exposureIn, sessionsOf, simulatedFrom } from "./way.ts";

/** A session that is to come, and its week. */
export interface AheadIn extends Ahead {
  readonly week: number;
}

/** How a stated target stands, and what the chance of it is simulated from: plain data, for a worker. */
export interface TargetStanding {
  readonly target: StatedTarget;
  /** The week in which it was met; null where it was not yet. */
  readonly metIn: number | null;
  /** The week in which it is met if every target before it is; null where the phase ends before. */
  readonly arrives: number | null;
  /** Null where it is met, or where too little was trained to say. */
  readonly way: { readonly from: OddsFrom; readonly ahead: readonly AheadIn[] } | null;
}

/** How likely a stated target is. */
export interface TargetOdds {
  /** The chance that it is met by its week; null where nothing can be said. */
  readonly chance: number | null;
  /** The chance by each week that is still to come. */
  readonly byWeek: readonly { readonly week: number; readonly chance: number }[];
}

/** How each stated target of a phase stands. */
export function targetsStanding(
  phase: Phase,
  sessions: readonly ProjectedSession[],
  facts: PhaseFacts,
): readonly TargetStanding[] {
  return phase.targets.map((target) => {
    const own = sessionsOf(sessions, target);
    const isMetIn = (session: ProjectedSession) =>
      isMet(target, exposureIn(session, target, facts));
    const metIn = own.done.find(isMetIn)?.week ?? null;
    const arrives = metIn ?? own.coming.find(isMetIn)?.week ?? null;
    const from = metIn === null ? simulatedFrom(phase, own, target, facts) : null;
    const ahead = own.coming.map((session): AheadIn => {
      const met = exposureIn(session, target, facts);
      return {
        week: session.week,
        takes: met && takenBy(met, facts.context.bodyWeight, false),
        takesLeaving: met && takenBy(met, facts.context.bodyWeight, true),
        load: contentKey(met?.sets.map(({ reading }) => reading) ?? null),
        isTarget: isMet(target, met),
        isEasy: isEasy(phase.weeks[session.week - 1] ?? { kind: "normal" }),
      };
    });
    return { target, metIn, arrives, way: from && { from, ahead } };
  });
}

/** The chance of a stated target by each week; `random` is uniform in [0, 1), and seeded for the same answer again. */
export function targetOdds(
  { target, way }: Pick<TargetStanding, "way"> & { readonly target: Pick<StatedTarget, "week"> },
  random: Random,
): TargetOdds {
  if (way === null) return { chance: null, byWeek: [] };
  const odds = oddsOf(way.from, way.ahead, random);
  const until = way.ahead.filter(({ week }) => week <= target.week).length;
  return {
    chance: until === 0 ? 0 : (odds[until - 1] ?? 0),
    byWeek: way.ahead.map(({ week }, i) => ({ week, chance: odds[i] ?? 0 })),
  };
}

/** True where a set reached the load for the repetitions. */
function isMet({ reading, reps }: StatedTarget, exposure: Exposure | null): boolean {
  return (
    exposure?.sets.some(
      (set) =>
        set.reading !== null && compareMass(set.reading, reading) >= 0 && (set.amount ?? 0) >= reps,
    ) ?? false
  );
}
