import { kind, type ValueOf } from "../../kernel/index.ts";
import { stepKeyText } from "../../unroll/index.ts";
import { loggedSetField } from "../logged-set.ts";
import { why } from "../command-fields.ts";

/** What was done of a set or one of its extensions. `why` is given where an ended session is corrected. */
export const definition = kind("part", { part: loggedSetField, why: why.exactOptional() });
type Said = ValueOf<{ definition: typeof definition }>;

export const subject = ({ part: loggedSet }: Said) => `part:${stepKeyText(loggedSet.key)}`;
