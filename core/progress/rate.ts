import type { Exposure } from "../log/index.ts";
import { isVerdict, type Facts } from "./judged-line.ts";
import { progressIndex } from "./progress-index.ts";
import { asksAlike } from "./varied.ts";
import { rateIn, stallIn, type Rate, type Stall } from "./trend.ts";

/** So few sessions say nothing of somebody's own rate. Source: our rule, docs/progression.md § Rate and stall. */
const SESSIONS_FOR_A_RATE = 4;

/** The progress of a line over the sessions of its series that are a verdict, oldest first. */
export function valuesOf({ place, exposures, last, line, bodyWeight }: Facts): readonly number[] {
  const asked = place.sessions.filter((exposure) => asksAlike(line.rule, exposure, last));
  return asked.flatMap((exposure: Exposure) => {
    const value = progressIndex(exposure, bodyWeight);
    const isOne = isVerdict(exposures, exposures.indexOf(exposure));
    return value === null || !isOne ? [] : [value];
  });
}

/** The client's own gain a session with this line; null where there are too few sessions to say. */
export function rateOf(facts: Facts): Rate | null {
  const values = valuesOf(facts);
  return values.length < SESSIONS_FOR_A_RATE ? null : rateIn(values);
}

/** Whether the line has stopped moving on. */
export function stallOf(facts: Facts): Stall | null {
  return stallIn(valuesOf(facts));
}
