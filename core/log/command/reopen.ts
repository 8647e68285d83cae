import { kind } from "../../kernel/index.ts";
import { why } from "../command-fields.ts";

/** The session goes on after it was ended. */
export const definition = kind("reopen", { why });

export const subject = () => "end";
