import { kind, type ValueOf } from "../../kernel/index.ts";
import { partKeyText } from "../../unroll/index.ts";
import { partKeyField } from "../part.ts";
import { why } from "../command-fields.ts";

/** What was said of one part of a set is taken back. */
export const definition = kind("removePart", { key: partKeyField, why: why.exactOptional() });
type Said = ValueOf<{ definition: typeof definition }>;

export const subject = ({ key }: Said) => `part:${partKeyText(key)}`;
