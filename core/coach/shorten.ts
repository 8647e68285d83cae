import { type NewId, minutes, type Minutes } from "../kernel/index.ts";
import { sessionDuration, unroll } from "../unroll/index.ts";
import { shorteners } from "./candidates.ts";
import { findingsOf } from "./finding-rules.ts";
import type { Finding } from "./finding.ts";
import type { Fix } from "./fix.ts";
import { fixed } from "./fixes-for.ts";
import { hardSetsOf, judge, type Judging } from "./judged.ts";

/** A way to make a session shorter: what it saves, and what it costs. */
export interface Shortening {
  readonly fix: Fix;
  /** By how many minutes the session is then likely shorter. */
  readonly minutes: Minutes;
  /** Whether it then keeps within the person's time. */
  readonly isEnough: boolean;
  /** Hard sets that are no longer done in this session. */
  readonly hardSets: number;
  /** What is then found that is not found now, gravest first, without notes. */
  readonly brings: readonly Finding[];
}

/** Less than this is not worth a change. */
const LEAST_MINUTES = 0.5;

/**
 * What makes a session shorter, the least costly first: fewest hard sets, then fewest findings, then most minutes.
 * Of each kind the best, one that is enough by itself before one that is not: an exercise to pair, to cut a set of,
 * to move, to remove. What one leaves over another can take. Nothing that is serious is traded for time.
 */
export function waysToShorten(judging: Judging, newId: NewId): readonly Shortening[] {
  const judged = judge(judging);
  const now = { minutes: minutesOf(judging), hardSets: hardSetsOf(judged) };
  const known = new Set(findingsOf(judging).map((found) => found.key));
  const tried = (fix: Fix): Shortening => {
    const after = fixed(fix, judging, newId);
    const found = findingsOf(after);
    return {
      fix,
      minutes: minutes(Math.max(0, now.minutes - minutesOf(after))),
      isEnough: found.every(({ fact }) => fact.code !== "overCap"),
      hardSets: now.hardSets - hardSetsOf(judge(after)),
      brings: found.filter(({ key, severity }) => !known.has(key) && severity !== "note"),
    };
  };
  return shorteners(judged)
    .flatMap((fixes) =>
      fixes
        .map(tried)
        .filter(
          ({ minutes, brings }) =>
            minutes >= LEAST_MINUTES && brings.every(({ severity }) => severity !== "serious"),
        )
        .toSorted((a, b) => Number(b.isEnough) - Number(a.isEnough) || byCost(a, b))
        .slice(0, 1),
    )
    .toSorted(byCost);
}

function byCost(a: Shortening, b: Shortening): number {
  return a.hardSets - b.hardSets || a.brings.length - b.brings.length || b.minutes - a.minutes;
}

const minutesOf = ({ plan, unrollContext: context }: Judging) =>
  minutes(sessionDuration(unroll(plan, context)).likely / 60);
