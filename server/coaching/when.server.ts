import {
  addDays,
  daysBetween,
  type Day,
  type Id,
  type Mass,
  type Result,
} from "~/core/kernel/index.ts";
import { linesOf, workSetsOf } from "~/core/plan/index.ts";
import {
  countedFrom,
  factsOn,
  loadsAfter,
  projected,
  type Exercise,
  type NoProjection,
  type Projection,
} from "~/core/progress/index.ts";
import { briefHistory } from "../db/briefs.server.ts";
import { studioDay } from "../db/gyms.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { exercisesOf } from "./standing.server.ts";

/** When a load will be trained for what its exercise asks, and what is likely by some weeks. */
export interface When {
  readonly answer: Result<Projection, NoProjection>;
  /** The day from which its sessions are counted. */
  readonly from: Day;
  /** The load that is likely by days to come. */
  readonly ahead: readonly { readonly day: Day; readonly reading: Mass }[];
}

/** What a person's exercises can be asked, those trained last first. */
export async function whenFor(scope: Scope, person: Id<"person">) {
  const [[brief], today] = await Promise.all([briefHistory(scope, person, 1), studioDay(scope)]);
  const goal = brief?.document.goal ?? null;
  const exercises = await exercisesOf(scope, person, { goal, today });
  /** The line of the first work set is asked about. */
  const ask = (of: Exercise, reading: Mass, by: Day | null): When | null => {
    const [first] = workSetsOf(of.slot);
    const line = linesOf(of.slot).find(({ id }) => id === first?.line);
    const facts = line && factsOn(of.slot, line, of.exposures, of.known);
    if (!facts) return null;
    const answer = projected(facts, reading);
    const daysEach = answer.ok ? answer.value.daysEach : 7;
    const from = countedFrom(facts.last.day, today, daysEach);
    const days = [28, 56, 84].map((n) => addDays(today, n));
    const until = [...new Set(by === null || by <= today ? days : [...days, by])].sort();
    const likely = loadsAfter(
      facts,
      until.map((on) => Math.floor(daysBetween(from, on) / daysEach)),
    );
    const ahead = until.flatMap((on, i) => {
      const load = likely[i] ?? null;
      return load === null ? [] : [{ day: on, reading: load }];
    });
    return { answer, from, ahead: answer.ok ? ahead : [] };
  };
  return { exercises, ask };
}
