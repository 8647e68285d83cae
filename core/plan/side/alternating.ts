import { kind } from "../../kernel/index.ts";
import type { LegsCounted, Side } from "../side-of.ts";

export const definition = kind("alternating", {});
export const sides = (): readonly Side[] => ["both"];
export const legs = (): LegsCounted => "perLeg";
export const all = () => [{ kind: "alternating" }] as const;
