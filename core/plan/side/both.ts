import { kind } from "../../kernel/index.ts";
import type { LegsCounted, Side } from "../side-of.ts";

export const definition = kind("both", {});
export const sides = (): readonly Side[] => ["both"];
export const legs = (): LegsCounted => "bothAtOnce";
export const all = () => [{ kind: "both" }] as const;
