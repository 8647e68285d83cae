import { z } from "zod";
import { kind, seconds, type Seconds, type ValueOf } from "../../kernel/index.ts";
import { onceOnly, type Added } from "../accent-adds.ts";
import { accentTime } from "../fields.ts";
import { repSeconds, TEMPO_PHASES, type Tempo } from "../tempo.ts";

/** One phase of the last rep takes this long. */
export const definition = kind("slowLastRep", {
  phase: z.enum(TEMPO_PHASES),
  seconds: accentTime,
});
type SlowLastRep = ValueOf<{ definition: typeof definition }>;

export const begin = (): SlowLastRep => ({
  kind: "slowLastRep",
  phase: "lower",
  seconds: seconds(6),
});
/** What the last rep takes more than the others. */
export function adds(accent: SlowLastRep, tempo: Tempo, usual: Seconds): Added {
  const slow = repSeconds({ ...tempo, [accent.phase]: accent.seconds }, usual);
  return onceOnly(Math.max(0, slow - repSeconds(tempo, usual)));
}
