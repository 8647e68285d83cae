import { type Joint, type Pattern, assertNever } from "../kernel/index.ts";
import {
  answerTo,
  compareStress,
  lessThan,
  shareOf,
  type Movement,
  type Stress,
} from "../movement/index.ts";
import type { LoadingKind, Station } from "../gym/index.ts";
import type { SetUp } from "../plan/index.ts";
import { LEVELS, type Brief, type Level, type Limit, type Provocation } from "./brief.ts";

/** Why a brief takes a movement out. Wording lives in format/. */
export type Exclusion =
  | {
      readonly code: "limit";
      readonly joint: Joint;
      readonly provokedBy: Provocation;
      readonly severity: number;
      readonly allowed: number;
      readonly asks: Stress;
    }
  | { readonly code: "forbidden"; readonly pattern: Pattern; readonly by: string }
  | { readonly code: "level"; readonly needs: Level; readonly has: Level }
  | { readonly code: "equipment"; readonly loading: LoadingKind }
  | { readonly code: "needsHands"; readonly handsFree: string }
  | { readonly code: "disliked" };

/**
 * How much of a provocation a movement holds; the set-up that eases a knee asks one degree less of it. Source: our
 * rule, docs/arithmetic.md § Limits.
 */
export function provocationIn(movement: Movement, by: Provocation, setUp: SetUp = {}): Stress {
  switch (by) {
    case "loadOnSpine":
      return movement.spinalLoad;
    case "kneeLoad":
      return easesKnee(movement, setUp) ? lessThan(movement.kneeStress) : movement.kneeStress;
    case "hipLoad":
      return movement.hipStress;
    case "deepStretch":
      return movement.length === "stretched"
        ? movement.profile === "bottom"
          ? "high"
          : "moderate"
        : "low";
    case "grip": {
      const share = shareOf(movement, "grip");
      return share >= 0.5 ? "high" : share > 0 ? "moderate" : "none";
    }
    case "balance":
      return movement.givesOutFirst === "balance"
        ? "high"
        : movement.stability === "free"
          ? "moderate"
          : "none";
    default:
      return assertNever(by);
  }
}

/** True where the set-up is the one that eases an aching knee on this exercise. */
function easesKnee(movement: Movement, setUp: SetUp): boolean {
  const answer = answerTo(movement, "achingKnee");
  return answer !== null && setUp[answer.name] === answer.choice;
}

/**
 * From which stress on a limit takes a movement out: above what the coach allows, moderate and high; within
 * it, high only, since mild and stable discomfort may continue. Without severity nothing is taken out.
 * Source: our rule, docs/arithmetic.md § Limits.
 */
export function excludesFrom(limit: Limit): Stress | null {
  if (limit.severity <= 0) return null;
  return limit.severity > limit.allowed ? "moderate" : "high";
}

/** How many levels an exercise asks beyond what somebody has; 0 for one that they have learned. */
export function levelsAbove({ difficulty }: Movement, { level }: Pick<Brief, "level">): number {
  return Math.max(0, LEVELS.indexOf(difficulty) - LEVELS.indexOf(level));
}

/**
 * True for what only somebody who has learned it may do: it cannot be failed safely alone, or it is free under load on
 * the spine. Anything else above a level is only ranked lower. Source: our rule, docs/arithmetic.md § Limits.
 */
export function isUnsafeUnlearned({ safeAlone, stability, spinalLoad }: Movement): boolean {
  const isTechnical = stability === "free" && compareStress(spinalLoad, "moderate") >= 0;
  return !safeAlone.toTheLimit || isTechnical;
}

/** Why a brief rules out equipment, whatever is done on it; null where it does not. */
export function equipmentExclusion(
  { noEquipment }: Pick<Brief, "noEquipment">,
  { loading }: Pick<Station, "loading">,
): Exclusion | null {
  return noEquipment.includes(loading.kind) ? { code: "equipment", loading: loading.kind } : null;
}

/** The equipment that a brief leaves. */
export const equipmentFor = <S extends Pick<Station, "loading">>(
  brief: Pick<Brief, "noEquipment">,
  stations: readonly S[],
): readonly S[] => stations.filter((station) => equipmentExclusion(brief, station) === null);

/** Every reason for which this brief takes the movement out, in a set-up; none when it may be done. */
export function exclusionsOf(
  brief: Brief,
  movement: Movement,
  setUp: SetUp = {},
): readonly Exclusion[] {
  const reasons: Exclusion[] = [];
  for (const limit of brief.limits) {
    const asks = provocationIn(movement, limit.provokedBy, setUp);
    const from = excludesFrom(limit);
    if (from !== null && compareStress(asks, from) >= 0) {
      const { joint, provokedBy, severity, allowed } = limit;
      reasons.push({ code: "limit", joint, provokedBy, severity, allowed, asks });
    }
  }
  for (const { verdict, pattern, by } of brief.clearances) {
    if (verdict === "forbidden" && pattern === movement.pattern) {
      reasons.push({ code: "forbidden", pattern, by });
    }
  }
  if (levelsAbove(movement, brief) > 0 && isUnsafeUnlearned(movement)) {
    reasons.push({ code: "level", needs: movement.difficulty, has: brief.level });
  }
  if (brief.helper === "alone" && movement.handsFree !== undefined) {
    reasons.push({ code: "needsHands", handsFree: movement.handsFree.name });
  }
  if (brief.dislikes.includes(movement.ref)) reasons.push({ code: "disliked" });
  return reasons;
}
