import { kind, seconds, type ValueOf } from "../../kernel/index.ts";
import { everyRep, type Added } from "../accent-adds.ts";
import { accentTime } from "../fields.ts";

/** The load comes to rest at the turning point before every rep. */
export const definition = kind("deadStop", { seconds: accentTime });
type DeadStop = ValueOf<{ definition: typeof definition }>;

export const begin = (): DeadStop => ({ kind: "deadStop", seconds: seconds(1) });
export const adds = (accent: DeadStop): Added => everyRep(accent.seconds);
