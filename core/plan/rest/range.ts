import {
  rangeKind,
  seconds,
  type Duration,
  type Seconds,
  type ValueOf,
} from "../../kernel/index.ts";
import { BOUNDS } from "../bounds.ts";
import { restSeconds } from "../fields.ts";

export const definition = rangeKind("range", { min: restSeconds, max: restSeconds });
type Range = ValueOf<{ definition: typeof definition }>;

export const begin = (likely: Seconds): Range => ({
  kind: "range",
  min: likely,
  max: seconds(Math.min(likely + 60, BOUNDS.rest.most)),
});
export const likely = ({ max }: Range): Seconds => max;
export const span = ({ min, max }: Range): Duration => ({
  low: min,
  likely: seconds((min + max) / 2),
  high: max,
});
