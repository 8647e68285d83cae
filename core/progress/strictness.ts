import { share, type Share } from "../kernel/index.ts";
import type { Accent, Tempo } from "../plan/index.ts";

/** How much lighter stricter repetitions are taken, as shares of the load; a coach may change each. */
export interface StrictnessRule {
  /** Per second of lowering beyond `freeLowering`. */
  readonly perSlowSecond: number;
  readonly freeLowering: number;
  /** Per second held in the stretch or the squeeze of every repetition. */
  readonly perHeldSecond: number;
  /** Never more than this in all. */
  readonly most: number;
}

/** Source: our rule, docs/arithmetic.md § Strength; no study gives one number, so it is said to be a guess. */
export const PLAIN_STRICTNESS: StrictnessRule = {
  perSlowSecond: 0.02,
  freeLowering: 3,
  perHeldSecond: 0.025,
  most: 0.2,
};

/** The share of a load that is left when repetitions are done at this tempo and with these accents. */
export function strictShare(tempo: Tempo, accents: readonly Accent[], rule: StrictnessRule): Share {
  const timed = (phase: Tempo["lower"]) => (typeof phase === "number" ? phase : 0);
  const slow = Math.max(0, timed(tempo.lower) - rule.freeLowering);
  const held = accents.reduce(
    (sum, accent) => sum + (accent.kind === "slowLastRep" ? 0 : accent.seconds),
    timed(tempo.stretch) + timed(tempo.squeeze),
  );
  return share(1 - Math.min(rule.most, slow * rule.perSlowSecond + held * rule.perHeldSecond));
}
