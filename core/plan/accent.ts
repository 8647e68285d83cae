import { type Seconds, seconds, assertNever } from "../kernel/index.ts";
import { repSeconds, type Tempo, type TempoPhaseName } from "./tempo.ts";

/**
 * What is done to repetitions beyond their tempo. A hold at either end of every rep is a tempo phase
 * (`stretch`, `squeeze`) and a hold once at the end is the extension `endHold`, so neither is said here.
 */
export type Accent =
  /** The load comes to rest at the turning point before every rep. */
  | { readonly kind: "deadStop"; readonly seconds: Seconds }
  /** A second contraction in the shortened position of every rep. */
  | { readonly kind: "secondSqueeze"; readonly seconds: Seconds }
  /** One phase of the last rep takes this long. */
  | { readonly kind: "slowLastRep"; readonly phase: TempoPhaseName; readonly seconds: Seconds };

/** Seconds that accents add to one repetition, and once to the set. */
export function accentSeconds(
  accents: readonly Accent[],
  tempo: Tempo,
  usual: Seconds,
): { readonly perRep: Seconds; readonly once: Seconds } {
  let perRep = 0;
  let once = 0;
  for (const accent of accents) {
    switch (accent.kind) {
      case "deadStop":
      case "secondSqueeze":
        perRep += accent.seconds;
        break;
      case "slowLastRep": {
        const slow = repSeconds({ ...tempo, [accent.phase]: accent.seconds }, usual);
        once += Math.max(0, slow - repSeconds(tempo, usual));
        break;
      }
      default:
        assertNever(accent);
    }
  }
  return { perRep: seconds(perRep), once: seconds(once) };
}
