import { kind, share, type ValueOf } from "../../kernel/index.ts";
import { stepPercent } from "../fields.ts";

/** The load that leaves the reps in reserve that are asked, by what was done; no session moves it further than so much. */
export const definition = kind("effortAnchored", { most: stepPercent });
type EffortAnchored = ValueOf<{ definition: typeof definition }>;

export const begin = (): EffortAnchored => ({ kind: "effortAnchored", most: share(0.05) });
