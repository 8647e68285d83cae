import { kind } from "../../kernel/index.ts";
import type { LegsCounted, Side } from "../side-of.ts";

export const definition = kind("right", {});
export const sides = (): readonly Side[] => ["right"];
export const legs = (): LegsCounted => "oneLeg";
export const all = () => [{ kind: "right" }] as const;
