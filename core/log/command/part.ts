import { kind, type ValueOf } from "../../kernel/index.ts";
import { partKeyText } from "../../unroll/index.ts";
import { performedPartField } from "../part.ts";
import { why } from "../command-fields.ts";

/** What was done in one part of a set. `why` is given where an ended session is corrected. */
export const definition = kind("part", { part: performedPartField, why: why.exactOptional() });
type Said = ValueOf<{ definition: typeof definition }>;

export const subject = ({ part }: Said) => `part:${partKeyText(part.key)}`;
