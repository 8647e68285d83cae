import { kind, type ValueOf } from "../../kernel/index.ts";
import { contextField } from "../logged-set.ts";

/** What makes an exercise of the session comparable. */
export const definition = kind("context", { context: contextField });
type Said = ValueOf<{ definition: typeof definition }>;

export const subject = ({ context }: Said) => `context:${context.slotId}`;
