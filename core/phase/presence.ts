import type { Id } from "../kernel/index.ts";
import { slotsOf } from "../plan/index.ts";
import type { Phase, PhaseDay } from "./phase.ts";

/** Where an exercise of a phase stands. */
interface At {
  readonly day: Id<"phaseDay">;
  readonly lineage: Id<"lineage">;
}

type Presence = Pick<Phase, "spans" | "rotations">;

/** True where an exercise is in a week of the phase, from 1: by its spans, and by the turns of its rotation. */
export function isIn(phase: Presence, { day, lineage }: At, week: number): boolean {
  const spans = phase.spans.filter((span) => span.day === day && span.lineage === lineage);
  const isWithin = spans.length === 0 || spans.some(({ from, to }) => from <= week && week <= to);
  const turn = turnIn(phase, { day, lineage }, week);
  return isWithin && (turn === null || turn === lineage);
}

/** Whose turn it is in a week, in the rotation of an exercise; null where it is in none. */
export function turnIn(
  { rotations }: Pick<Phase, "rotations">,
  { day, lineage }: At,
  week: number,
): Id<"lineage"> | null {
  const own = rotations.find((one) => one.day === day && one.members.includes(lineage));
  if (own === undefined) return null;
  const turn = Math.floor((week - 1) / own.every) + own.startsWith;
  return own.members[turn % own.members.length] ?? null;
}

/**
 * True in the first week in which an exercise is back after weeks without it; its first week at all is no return, nor
 * is one after a week in which it was done by other sets.
 */
export function isBackIn(phase: Presence & Pick<Phase, "days">, at: At, week: number): boolean {
  if (!isIn(phase, at, week) || isIn(phase, at, week - 1)) return false;
  if (isDoneOtherwise(phase, at, week - 1)) return false;
  return Array.from({ length: Math.max(0, week - 2) }, (_, i) => i + 1).some((before) =>
    isIn(phase, at, before),
  );
}

/** True where in a week the same exercise at the same equipment has the turn of this one, by sets of its own. */
function isDoneOtherwise(
  { days, rotations }: Pick<Phase, "days" | "rotations">,
  { day, lineage }: At,
  week: number,
): boolean {
  const slots = days.filter(({ id }) => id === day).flatMap(({ session }) => slotsOf(session));
  const turn = turnIn({ rotations }, { day, lineage }, week);
  const [own, other] = [lineage, turn].map((one) => slots.find((s) => s.lineageId === one));
  return (
    own !== undefined &&
    other !== undefined &&
    own.movement === other.movement &&
    own.station === other.station
  );
}

/** What is said of the weeks of exercises, for other days of which each stands for one: of exercises that those have. */
export function turnsOn(
  { spans, rotations }: Presence,
  days: ReadonlyMap<Id<"phaseDay">, PhaseDay | undefined>,
): Presence {
  const has = (day: PhaseDay, lineage: Id<"lineage">) =>
    slotsOf(day.session).some(({ lineageId }) => lineageId === lineage);
  return {
    spans: spans.flatMap((span) => {
      const day = days.get(span.day);
      return day !== undefined && has(day, span.lineage) ? [{ ...span, day: day.id }] : [];
    }),
    rotations: rotations.flatMap((own) => {
      const day = days.get(own.day);
      if (day === undefined) return [];
      const members = own.members.filter((lineage) => has(day, lineage));
      // One alone takes no turns.
      return new Set(members).size < 2
        ? []
        : [{ ...own, day: day.id, members, startsWith: own.startsWith % members.length }];
    }),
  };
}
