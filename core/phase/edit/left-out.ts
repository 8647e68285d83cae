import { kind } from "../../kernel/index.ts";

/** Not in this week. */
export const definition = kind("leftOut", {});

export const step = () => "leftOut" as const;
