import { rangeKind, seconds, type ValueOf } from "../../kernel/index.ts";
import { workSeconds } from "../fields.ts";
import type { Asked, Demand } from "../target-asked.ts";

/** So long, from and to. */
export const definition = rangeKind("seconds", { min: workSeconds, max: workSeconds });
type Timed = ValueOf<{ definition: typeof definition }>;

export const begin = (): Timed => ({ kind: "seconds", min: seconds(30), max: seconds(30) });
export const asked = ({ min, max }: Timed): Asked => ({ measure: "seconds", min, max });
export const demanded = ({ min, max }: Timed): Demand => ({ least: min, most: max });
export { repeated } from "../target-asked.ts";
