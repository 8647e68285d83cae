import { z } from "zod";
import { kind, share, type ValueOf } from "../../kernel/index.ts";
import { dropPercent } from "../fields.ts";

/** A share of the total moved with the set's first load, or with the load just used. */
export const definition = kind("share", { share: dropPercent, of: z.enum(["first", "current"]) });
type DropToShare = ValueOf<{ definition: typeof definition }>;

export const begin = (): DropToShare => ({ kind: "share", of: "current", share: share(0.8) });
