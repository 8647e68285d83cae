import { fitTemplate, judgingIn, lastReadingFrom, type Fitted } from "~/core/coach/index.ts";
import type { Day, Id } from "~/core/kernel/index.ts";
import type { SessionPlan } from "~/core/plan/index.ts";
import { newId } from "~/codec/new-id.ts";
import type { Give } from "~/codec/template.ts";
import { getGym } from "../db/gyms.server.ts";
import { catalogueFor } from "../db/movements.server.ts";
import { getPerson, type Person } from "../db/people.server.ts";
import { addPlan } from "../db/plans.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { contextFor } from "./context.server.ts";

/** Somebody's copy of a template. */
export interface Copy extends Fitted {
  readonly person: Person;
}

/** Fitted copies of a template for several people, or null where the gym or one of them is not of this studio. */
export async function copiesFor(
  scope: Scope,
  template: SessionPlan,
  { people, gymId, day }: Give,
): Promise<readonly Copy[] | null> {
  if ((await getGym(scope, gymId)) === null) return null;
  const found = await Promise.all(people.map((id) => getPerson(scope, id)));
  const known = found.filter((person) => person !== null);
  if (known.length < people.length) return null;
  return Promise.all(
    known.map(async (person) => ({
      person,
      ...(await fittedFor(scope, template, person, gymId, day)),
    })),
  );
}

/** Plans the copies, all or none. */
export async function planCopies(
  scope: Scope,
  title: string,
  { gymId, day }: Pick<Give, "gymId" | "day">,
  copies: readonly Copy[],
): Promise<void> {
  await scope.transaction(async (trx) => {
    for (const { person, plan } of copies) {
      await addPlan(trx, { title, day, startTime: null, gymId, personId: person.id }, plan);
    }
  });
}

/** A template fitted to one person in a gym on a day, with what was changed for them and why. */
export async function fittedFor(
  scope: Scope,
  template: SessionPlan,
  person: Pick<Person, "id" | "level">,
  gymId: Id<"gym">,
  day: Day,
): Promise<Fitted> {
  const [{ context }, catalogue] = await Promise.all([
    contextFor(scope, person, gymId, day),
    catalogueFor(scope),
  ]);
  const judging = judgingIn(gymId, context, catalogue);
  return fitTemplate(template, judging, lastReadingFrom(context), newId);
}
