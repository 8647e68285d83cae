import { kind, type ValueOf } from "../../kernel/index.ts";
import { stepKeyText } from "../../unroll/index.ts";
import { stepKeyField } from "../logged-set.ts";
import { why } from "../command-fields.ts";

/** What was said of a set or extension is taken back. */
export const definition = kind("removePart", { key: stepKeyField, why: why.exactOptional() });
type Said = ValueOf<{ definition: typeof definition }>;

export const subject = ({ key }: Said) => `part:${stepKeyText(key)}`;
