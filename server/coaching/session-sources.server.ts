import type { Id } from "~/core/kernel/index.ts";
import { listPlansOf } from "../db/plans.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { listTemplates } from "../db/templates.server.ts";

/** Of how many of a client's latest sessions a day of a phase can be made. */
const LATEST = 12;

/** What a day of a phase can be made from: templates, and the latest sessions of its client where there is one. */
export async function sessionSources(scope: Scope, person: Id<"person"> | null) {
  const [templates, plans] = await Promise.all([
    listTemplates(scope),
    person === null ? [] : listPlansOf(scope, person, { many: LATEST }),
  ]);
  return {
    templates: templates.filter(({ isPutAway }) => !isPutAway),
    plans,
  };
}
