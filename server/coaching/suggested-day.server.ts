import type { Taken } from "~/codec/suggested.ts";
import { newId } from "~/codec/new-id.ts";
import { judgingIn } from "~/core/coach/index.ts";
import { askedOf, optionKey, sessionToFill, suggestedDays } from "~/core/coach/suggest/index.ts";
import { minutes, type Day, type Id } from "~/core/kernel/index.ts";
import { approachAmong, type ApproachRef } from "~/core/person/index.ts";
import { EMPTY_PLAN, type SessionPlan } from "~/core/plan/index.ts";
import { listApproaches } from "../db/approaches.server.ts";
import { catalogueFor } from "../db/movements.server.ts";
import type { Person } from "../db/people.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { contextFor } from "./context.server.ts";

/** Where and for whom a session was suggested. */
export interface SuggestedFor {
  readonly person: Pick<Person, "id" | "level">;
  readonly gymId: Id<"gym">;
  readonly day: Day;
  /** The client's own where null. */
  readonly approach: ApproachRef | null;
}

/** The session that these exercises come to, made anew here; null where one of them cannot be done any more. */
export async function suggestedSession(
  scope: Scope,
  taken: Taken,
  { person, gymId, day, approach }: SuggestedFor,
): Promise<SessionPlan | null> {
  const [{ context }, catalogue, approaches] = await Promise.all([
    contextFor(scope, person, gymId, day),
    catalogueFor(scope),
    listApproaches(scope),
  ]);
  const by = approach === null ? context.approach : approachAmong(approaches, approach);
  const judging = judgingIn(gymId, { ...context, approach: by }, catalogue);
  const setsOf = new Map(
    taken.map(({ movement, station, sets }) => [
      optionKey({ movement: { ref: movement }, station: { id: station } }),
      sets,
    ]),
  );
  const asked = askedOf(
    [
      {
        judging: { ...judging, plan: sessionToFill(EMPTY_PLAN, judging, newId) },
        // What was taken is made, whatever the time and number that it was suggested for.
        minutes: minutes(0),
        mostExercises: 0,
        kept: setsOf,
        passedOver: new Set(),
      },
    ],
    newId,
  );
  const choice = asked.options.map((option) => setsOf.get(optionKey(option)) ?? 0);
  const isMade = asked.options.every(({ least, most }, i) => {
    const sets = choice[i] ?? 0;
    return sets === 0 || (sets >= least && sets <= most);
  });
  if (!isMade || choice.filter((sets) => sets > 0).length < setsOf.size) return null;
  return suggestedDays(asked, choice, newId)[0]?.plan ?? null;
}
