import { count, kind, seconds, type ValueOf } from "../../kernel/index.ts";
import { pauseSeconds, repeats, workSeconds } from "../fields.ts";
import { demanding, exactly, type Asked, type Demand, type Repeats } from "../target-asked.ts";

/** Work and pause in turn. */
export const definition = kind("intervals", {
  work: workSeconds,
  pause: pauseSeconds,
  rounds: repeats,
});
type Intervals = ValueOf<{ definition: typeof definition }>;

export const begin = (): Intervals => ({
  kind: "intervals",
  work: seconds(30),
  pause: seconds(30),
  rounds: count(8),
});
export const asked = ({ work }: Intervals): Asked => exactly("seconds", work);
export const repeated = ({ rounds, pause }: Intervals): Repeats => ({ times: rounds, pause });
/** All its work together. */
export const demanded = ({ work, rounds }: Intervals): Demand => demanding(work * rounds);
