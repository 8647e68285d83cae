import type { FittingChange } from "~/core/coach/index.ts";
import { fail, ok, type Id, type Result } from "~/core/kernel/index.ts";
import { dateOf, endOf, NOTHING_BY_HAND, turnsOn, type Phase } from "~/core/phase/index.ts";
import { newId } from "~/codec/new-id.ts";
import type { Give } from "~/codec/template.ts";
import { getGym } from "../db/gyms.server.ts";
import { getPerson, type Person } from "../db/people.server.ts";
import { addPhase, listPhasesOf, type Overlap, type PhaseEntry } from "../db/phases.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { fittedFor } from "./fitting.server.ts";

/** Somebody's copy of a phase, fitted to them. */
export interface PhaseCopy {
  readonly person: Person;
  readonly document: Phase;
  readonly changes: readonly FittingChange[];
  /** Another phase of theirs on some of its days, which it cannot be made beside; null where there is none. */
  readonly overlap: PhaseEntry | null;
}

/** Fitted copies of a phase for several clients; null where the gym or one of them is not of this studio. */
export async function phaseCopiesFor(
  scope: Scope,
  document: Phase,
  { people, gymId, day }: Give,
): Promise<readonly PhaseCopy[] | null> {
  if ((await getGym(scope, gymId)) === null) return null;
  const copies: PhaseCopy[] = [];
  for (const id of people) {
    const person = await getPerson(scope, id);
    if (person === null) return null;
    copies.push(await copyFor(scope, document, person, gymId, day));
  }
  return copies;
}

/** The same days and weeks without the coach's changes, whose loads are somebody else's; each session fitted. */
async function copyFor(
  scope: Scope,
  phase: Phase,
  person: Person,
  gymId: Id<"gym">,
  start: Give["day"],
): Promise<PhaseCopy> {
  const begun = { ...phase, start };
  const fitted = await Promise.all(
    phase.days.map((day) => fittedFor(scope, day.session, person, gymId, dateOf(begun, day, 1))),
  );
  const days = phase.days.map((day, i) => ({
    ...day,
    id: newId<"phaseDay">(),
    gymId,
    session: fitted[i]?.plan ?? day.session,
  }));
  const document: Phase = {
    ...begun,
    approach: null,
    ...NOTHING_BY_HAND,
    ...turnsOn(phase, new Map(phase.days.map(({ id }, i) => [id, days[i]]))),
    days,
  };
  const others = await listPhasesOf(scope, person.id);
  const overlap =
    others.find(({ starts, ends }) => starts <= endOf(document) && start <= ends) ?? null;
  return { person, document, changes: fitted.flatMap(({ changes }) => changes), overlap };
}

/** Adds the copies, all or none. */
export async function addPhaseCopies(
  scope: Scope,
  name: string,
  copies: readonly PhaseCopy[],
): Promise<Result<readonly Id<"phase">[], Overlap | { readonly code: "missing" }>> {
  try {
    return await scope.transaction(async (trx) => {
      const ids: Id<"phase">[] = [];
      for (const { person, document } of copies) {
        const added = await addPhase(trx, person.id, name, document);
        // Thrown, so that those before it are not kept.
        if (!added.ok) throw new NotAdded(added.error);
        ids.push(added.value);
      }
      return ok(ids);
    });
  } catch (error) {
    if (error instanceof NotAdded) return fail(error.why);
    throw error;
  }
}

class NotAdded extends Error {
  constructor(readonly why: Overlap | { readonly code: "missing" }) {
    super(why.code);
  }
}
