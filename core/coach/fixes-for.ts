import type { NewId } from "../kernel/index.ts";
import { candidates } from "./candidates.ts";
import { findingsOf } from "./finding-rules.ts";
import { SEVERITIES, type Finding } from "./finding.ts";
import { type Fix, applyFix, receiving } from "./fix.ts";
import { judge, type Judging } from "./judged.ts";

/**
 * The fixes for a finding, best first, at most `limit`. Each was tried: the finding is gone afterwards, and
 * nothing graver than it has come up. Those that bring up nothing as grave go before those that do.
 */
export function fixesFor(
  found: Finding,
  judging: Judging,
  newId: NewId,
  limit = 3,
): readonly Fix[] {
  const judged = judge(judging);
  const before = new Set(findingsOf(judging).map((f) => f.key));
  const grave = SEVERITIES.indexOf(found.severity);
  const clean: Fix[] = [];
  const trading: Fix[] = [];
  for (const fix of candidates(found, judged)) {
    if (clean.length === limit) break;
    const after = findingsOf(fixed(fix, judging, newId));
    if (after.some((f) => f.key === found.key)) continue;
    const fresh = after.filter((f) => !before.has(f.key) && f.severity !== "note");
    const worst = Math.min(...fresh.map((f) => SEVERITIES.indexOf(f.severity)));
    if (worst > grave) clean.push(fix);
    else if (worst === grave) trading.push(fix);
  }
  return [...clean, ...trading].slice(0, limit);
}

/** The week after a fix: this session changed, and the other one too where an exercise goes there. */
export function fixed(fix: Fix, judging: Judging, newId: NewId): Judging {
  const plan = applyFix(fix, judging, newId);
  if (fix.kind !== "moveToOtherDay") return { ...judging, plan };
  const others = judging.others.map((other) =>
    other.id === fix.to ? { ...other, plan: receiving(other.plan, judging.plan, fix.slot) } : other,
  );
  return { ...judging, plan, others };
}
