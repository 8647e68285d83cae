import { z } from "zod";
import { count, kind, seconds, type ValueOf } from "../../kernel/index.ts";
import { amount, pauseSeconds, repeats } from "../fields.ts";
import { demanding, exactly, type Asked, type Demand, type Repeats } from "../target-asked.ts";

/** A total over as many sets as it takes, with a pause between them. */
export const definition = kind("total", {
  of: z.enum(["reps", "steps"]),
  amount,
  likelySets: repeats,
  pause: pauseSeconds,
});
type Total = ValueOf<{ definition: typeof definition }>;

export const begin = (): Total => ({
  kind: "total",
  of: "reps",
  amount: count(50),
  likelySets: count(4),
  pause: seconds(60),
});
export const asked = (target: Total): Asked =>
  exactly(target.of, Math.ceil(target.amount / Math.max(1, target.likelySets)));
export const repeated = ({ likelySets, pause }: Total): Repeats => ({ times: likelySets, pause });
export const demanded = ({ amount }: Total): Demand => demanding(amount);
