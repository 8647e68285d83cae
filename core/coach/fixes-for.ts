import type { NewId } from "../kernel/index.ts";
import { candidates } from "./candidates.ts";
import { findingsOf } from "./finding-rules.ts";
import { SEVERITIES, type Finding } from "./finding.ts";
import { type Fix, applyFix, receiving } from "./fix.ts";
import { judge, type Judging } from "./judged.ts";

/**
 * The fixes for a finding, best first, at most `limit`. Each was tried: the finding is gone afterwards, and nothing
 * graver than it has come up. Those that bring up nothing as grave go before those that do. A note is not traded for
 * another one: fewer are left, so that answering one after the other comes to an end; a warning may be, since that is
 * for the coach to decide.
 */
export function fixesFor(
  found: Finding,
  judging: Judging,
  newId: NewId,
  limit = 3,
): readonly Fix[] {
  const judged = judge(judging);
  const before = findingsOf(judging);
  const known = new Set(before.map((f) => f.key));
  const grave = SEVERITIES.indexOf(found.severity);
  const isAsGrave = (f: Finding) => SEVERITIES.indexOf(f.severity) <= grave;
  const mayTrade = (after: readonly Finding[]) =>
    found.severity !== "note" || after.length < before.length;
  const clean: Fix[] = [];
  const trading: Fix[] = [];
  for (const fix of candidates(found, judged)) {
    if (clean.length === limit) break;
    const after = findingsOf(fixed(fix, judging, newId));
    if (after.some((f) => f.key === found.key)) continue;
    const fresh = after.filter((f) => !known.has(f.key) && isAsGrave(f));
    if (fresh.length === 0) clean.push(fix);
    else if (fresh.every((f) => f.severity === found.severity) && mayTrade(after))
      trading.push(fix);
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
