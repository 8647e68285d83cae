import { addDays, fail, ok, type Day, type Id, type Result } from "~/core/kernel/index.ts";
import { movedBy, type MoveError, type OnCalendar } from "~/core/phase/index.ts";
import { getPhase, lockPerson, seasonPhases, type SeasonPhase } from "../db/phases.server.ts";
import { listEvents, type SeasonEvent } from "../db/events.server.ts";
import { listPeople } from "../db/people.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { changePhase, type ChangePhaseError } from "./change-phase.server.ts";

/** Who is on the calendar, with what. */
export interface SeasonRow {
  readonly person: { readonly id: Id<"person">; readonly name: string };
  readonly phases: readonly SeasonPhase[];
  readonly events: readonly SeasonEvent[];
}

export interface Season {
  readonly from: Day;
  readonly to: Day;
  readonly rows: readonly SeasonRow[];
  /** Of everybody. */
  readonly events: readonly SeasonEvent[];
}

/** A year of one client, or of all. */
export async function seasonOf(
  scope: Scope,
  from: Day,
  only: Id<"person"> | null,
): Promise<Season> {
  const to = addDays(from, 364);
  const [people, phases, events] = await Promise.all([
    listPeople(scope),
    seasonPhases(scope, from, to),
    listEvents(scope, from, to),
  ]);
  const rows = people
    .filter(({ id }) => only === null || id === only)
    .map(({ id, name }) => ({
      person: { id, name },
      phases: phases.filter(({ personId }) => personId === id),
      events: events.filter(({ personId }) => personId === id),
    }));
  return { from, to, rows, events: events.filter(({ personId }) => personId === null) };
}

export type MovePhaseError =
  | MoveError
  /** What moves along is no longer what was shown. */
  | { readonly code: "notAsShown" }
  | ChangePhaseError;

/** Moves a phase on the calendar, and along with it what was shown to move along: all of it as shown, or nothing. */
export async function movePhase(
  scope: Scope,
  id: Id<"phase">,
  days: number,
  shown: readonly { readonly id: Id<"phase">; readonly to: Day }[],
): Promise<Result<null, MovePhaseError>> {
  try {
    return await scope.transaction(async (trx) => {
      const phase = await getPhase(trx, id);
      if (phase === null || !(await lockPerson(trx, phase.personId)))
        return fail({ code: "missing" });
      const all: readonly OnCalendar[] = (await seasonPhases(trx, FIRST, LAST)).filter(
        ({ personId }) => personId === phase.personId,
      );
      const moved = movedBy(all, id, days);
      if (!moved.ok) return fail(moved.error);
      const isAsShown =
        moved.moves.length === shown.length &&
        moved.moves.every((own) => shown.some((one) => one.id === own.id && one.to === own.to));
      if (!isAsShown) return fail({ code: "notAsShown" });
      // From the far end, so that none lies on another one in between.
      for (const { id: own, to } of days > 0 ? moved.moves.toReversed() : moved.moves) {
        const stored = await getPhase(trx, own);
        if (stored === null) throw new NotMoved({ code: "missing" });
        const edit = { kind: "start", to } as const;
        const changed = await changePhase(trx, stored, stored.revision, [edit]);
        if (!changed.ok) throw new NotMoved(changed.error);
      }
      return ok(null);
    });
  } catch (error) {
    if (error instanceof NotMoved) return fail(error.why);
    throw error;
  }
}

const FIRST = "1900-01-01" as Day;
const LAST = "2999-12-31" as Day;

/** Carries a refusal out of the transaction, so that what moved before it is rolled back. */
class NotMoved extends Error {
  constructor(readonly why: ChangePhaseError) {
    super(why.code);
  }
}
