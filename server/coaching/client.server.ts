import type { Day, Id } from "~/core/kernel/index.ts";
import { seriesOf, type Series } from "~/core/log/index.ts";
import { bodyWeightOf, type ApproachRef } from "~/core/person/index.ts";
import {
  strengthRecordsOf,
  unrollContextFrom,
  type SessionCircumstances,
} from "~/core/progress/index.ts";
import { unrollContextOf, type UnrollContext } from "~/core/unroll/index.ts";
import { listStations } from "../db/gyms.server.ts";
import { comparingOf } from "../db/comparing.server.ts";
import { listMeasurements } from "../db/measurements.server.ts";
import { catalogueFor } from "../db/movements.server.ts";
import { briefHistory } from "../db/briefs.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { strengthRules } from "../db/strength-rules.server.ts";
import { historyOf } from "./history.server.ts";

/** What a client's sessions are judged from, whichever session it is. */
export async function clientFor(scope: Scope, person: Id<"person">) {
  const [history, stations, [brief], measurements, catalogue, { rules }, comparing] =
    await Promise.all([
      historyOf(scope, person),
      listStations(scope, undefined, "all"),
      briefHistory(scope, person, 1),
      listMeasurements(scope, person),
      catalogueFor(scope),
      strengthRules(scope),
      comparingOf(scope, person),
    ]);
  const known: Pick<SessionCircumstances, "isHoldingSuccess" | "strength" | "comparing"> = {
    isHoldingSuccess: brief?.document.goal === "definition",
    strength: rules,
    comparing,
  };
  return {
    history,
    series: seriesOf(history),
    stations,
    catalogue,
    known,
    approach: (brief?.document.approach ?? null) satisfies ApproachRef | null,
    /** How a session on a day finds the equipment and the client, after what a series holds. */
    contextOn: (on: Day, series: Series): UnrollContext => {
      const bodyWeight = bodyWeightOf(measurements, on);
      const records = strengthRecordsOf(series, bodyWeight, rules);
      return unrollContextOf(
        stations,
        catalogue.find,
        unrollContextFrom(records, bodyWeight, rules),
      );
    },
  };
}
export type KnownClient = Awaited<ReturnType<typeof clientFor>>;
