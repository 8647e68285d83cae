import { planSchema } from "~/core/plan/index.ts";

/** The plan document. A later schema version is upgraded here, on reading. */
export const planCodec = planSchema;
