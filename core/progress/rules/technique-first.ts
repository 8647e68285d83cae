import { sameReading } from "../../kernel/index.ts";
import type { Exposure } from "../../log/index.ts";
import { hardestReading, type Facts } from "../judged-line.ts";
import { keep, type Proposal, type Reason } from "../proposal.ts";
import { stepUp } from "../step-up.ts";
import { unjudged, whenReached } from "../when-reached.ts";
import type { RuleOf } from "./rule.ts";

/** Everything stays until so many sessions running were clean; a session at which nobody looked is not. */
export function next(facts: Facts, { clean }: RuleOf<"techniqueFirst">): Proposal {
  const early = unjudged(facts);
  if (early !== null) return early;
  const { last, reading, doubts } = facts;
  const stay = (reason: Reason) =>
    keep(reading, [reason, ...doubts], doubts.length > 0 ? "medium" : "high", false);
  if (!wasLookedAt(last)) return stay({ code: "nobodyLooked" });
  const faults = [...new Set(faultsIn(last))];
  if (faults.length > 0) return stay({ code: "faultsSeen", faults });
  const times = cleanSessions(facts);
  const counted = { code: "cleanSessions", clean: times, of: clean } as const;
  if (times < clean) return stay(counted);
  return whenReached(facts, "most", (because) => stepUp(facts, [counted, ...because]));
}

const faultsIn = ({ sets }: Exposure) =>
  sets.flatMap(({ observed }) => (observed.faults ?? []).map(({ fault }) => fault));
const wasLookedAt = ({ sets }: Exposure) => sets.every(({ observed }) => observed.faults !== null);

/** How many sessions running, up to the last, were clean at its load. */
function cleanSessions({ exposures, loading, reading }: Facts): number {
  let times = 0;
  for (const exposure of exposures.toReversed()) {
    const own = hardestReading(exposure.sets, loading);
    const isSame = own !== null && reading !== null && sameReading(own, reading);
    if (!isSame || !wasLookedAt(exposure) || faultsIn(exposure).length > 0) break;
    times += 1;
  }
  return times;
}
