import { fail, addDays, dayAt, weekStart, type Id, type Result } from "~/core/kernel/index.ts";
import type { Phase } from "~/core/phase/index.ts";
import { slotsOf } from "~/core/plan/index.ts";
import { giveCodec } from "~/codec/template.ts";
import { gymsToChoose } from "../db/gyms.server.ts";
import { listPeople } from "../db/people.server.ts";
import type { Overlap } from "../db/phases.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { addPhaseCopies, phaseCopiesFor, type PhaseCopy } from "./assign-phase.server.ts";

/** What a form or an address asks: for whom, where and from when. */
const askedIn = (scope: Scope, asked: URLSearchParams | FormData) =>
  giveCodec(dayAt(scope.now, "UTC")).safeParse({
    people: asked.getAll("people"),
    gymId: asked.get("gymId"),
    day: asked.get("day"),
  });

/** A copy as it is told before it is made. */
interface ToldCopy extends Pick<PhaseCopy, "changes" | "overlap"> {
  readonly person: { readonly id: Id<"person">; readonly name: string };
  readonly days: number;
  readonly exercises: number;
}

/** What the page of a phase that is assigned shows; null where a gym or a client of the address is not of this studio. */
export async function assigningOf(scope: Scope, phase: Phase, url: string) {
  const search = new URL(url).searchParams;
  const give = askedIn(scope, search);
  const [people, gyms] = await Promise.all([listPeople(scope), gymsToChoose(scope)]);
  const copies = give.success ? await phaseCopiesFor(scope, phase, give.data) : [];
  if (copies === null) return null;
  const today = dayAt(scope.now, gyms[0]?.timeZone ?? "UTC");
  return {
    people: people.map(({ id, name }) => ({ id, name })),
    gyms: gyms.map(({ id, name }) => ({ id, name })),
    given: give.success ? give.data : null,
    copies: copies.map(({ person, document, changes, overlap }): ToldCopy => ({
      person: { id: person.id, name: person.name },
      days: document.days.length,
      exercises: document.days.flatMap(({ session }) => slotsOf(session)).length,
      changes,
      overlap,
    })),
    isIncomplete: !give.success && search.has("day"),
    start: addDays(weekStart(today), 7),
  };
}

export type AssignError =
  | Overlap
  | { readonly code: "missing" }
  /** Nobody was chosen, or no gym or day. */
  | { readonly code: "incomplete" };

/** Makes the copies that were accepted, all or none. */
export async function assignTo(
  scope: Scope,
  name: string,
  phase: Phase,
  form: FormData,
): Promise<Result<readonly Id<"phase">[], AssignError>> {
  const give = askedIn(scope, form);
  if (!give.success) return fail({ code: "incomplete" });
  const copies = await phaseCopiesFor(scope, phase, give.data);
  return copies === null ? fail({ code: "missing" }) : addPhaseCopies(scope, name, copies);
}
