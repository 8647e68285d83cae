import { z } from "zod";
import { kind, metres, type ValueOf } from "../../kernel/index.ts";
import { distance } from "../fields.ts";
import { demanding, exactly, type Asked, type Demand } from "../target-asked.ts";

/** A distance; one way where the way leads out and back. */
export const definition = kind("metres", { metres: distance, outAndBack: z.boolean() });
type Distance = ValueOf<{ definition: typeof definition }>;

export const begin = (): Distance => ({ kind: "metres", metres: metres(20), outAndBack: false });
export const asked = (target: Distance): Asked =>
  exactly("metres", target.metres * (target.outAndBack ? 2 : 1));
export const demanded = (target: Distance): Demand => demanding(asked(target).min);
export { repeated } from "../target-asked.ts";
