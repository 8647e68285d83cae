import { count, kind, type ValueOf } from "../../kernel/index.ts";
import { amount } from "../fields.ts";
import { exactly, type Asked } from "../target-asked.ts";

/** So many reps after the muscle begins to burn. `likely` is what is done until it burns. */
export const definition = kind("afterBurn", { reps: amount, likely: amount });
type AfterBurn = ValueOf<{ definition: typeof definition }>;

export const begin = (): AfterBurn => ({ kind: "afterBurn", reps: count(10), likely: count(20) });
export const asked = ({ reps, likely }: AfterBurn): Asked => exactly("reps", likely + reps);
export { demanded, repeated } from "../target-asked.ts";
