import { count, kind, share, type ValueOf } from "../../kernel/index.ts";
import { stays, type Leads } from "../load-follows.ts";
import { possibleReps, percent } from "../fields.ts";

/** A share of what this person usually takes for so many reps, with this exercise on this equipment. */
export const definition = kind("shareOfUsual", { share: percent, reps: possibleReps });
type ShareOfUsual = ValueOf<{ definition: typeof definition }>;

export const begin = (): ShareOfUsual => ({
  kind: "shareOfUsual",
  share: share(0.7),
  reps: count(10),
});
export const lead: Leads<ShareOfUsual> = stays;
export { onTheDay as follows } from "../load-follows.ts";
