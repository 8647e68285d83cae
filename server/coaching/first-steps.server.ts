import { z } from "zod";
import type { FirstSteps } from "~/core/coach/index.ts";
import { fromBinary } from "../db/columns.server.ts";
import type { Row, Scope } from "../db/scope.server.ts";

/** One column of each thing there is, asked for together since Today asks each time. */
const SO_FAR = `
  exists (select 1 from performed_parts p where p.studio_id = memberships.studio_id) as logged,
  exists (select 1 from people p where p.studio_id = memberships.studio_id) as client,
  (select min(p.id) from plans p where p.studio_id = memberships.studio_id) as plan,
  (select min(r.id) from runs r where r.studio_id = memberships.studio_id) as run`;

/** The first steps of a studio; null where a set has been logged. */
export async function firstSteps(scope: Scope, gyms: number): Promise<FirstSteps | null> {
  const [row] = (await scope.from("memberships").select(scope.raw(SO_FAR)).limit(1)) as Row[];
  if (row === undefined || isTrue(row["logged"])) return null;
  return {
    hasGym: gyms > 0,
    hasClient: isTrue(row["client"]),
    session: row["plan"] === null ? null : fromBinary(row["plan"]),
    begun: row["run"] === null ? null : fromBinary(row["run"]),
  };
}

const isTrue = (column: unknown) => z.coerce.number().parse(column) === 1;
