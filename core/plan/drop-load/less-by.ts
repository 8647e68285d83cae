import { z } from "zod";
import { kind, share, type ValueOf } from "../../kernel/index.ts";
import { dropPercent } from "../fields.ts";

/** Less by a share of the total moved: of the set's first load each time, or of the load just used. */
export const definition = kind("lessBy", { share: dropPercent, of: z.enum(["first", "current"]) });
type LessBy = ValueOf<{ definition: typeof definition }>;

export const begin = (): LessBy => ({ kind: "lessBy", of: "first", share: share(0.2) });
