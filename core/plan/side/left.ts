import { kind } from "../../kernel/index.ts";
import type { LegsCounted, Side } from "../side-of.ts";

export const definition = kind("left", {});
export const sides = (): readonly Side[] => ["left"];
export const legs = (): LegsCounted => "oneLeg";
export const all = () => [{ kind: "left" }] as const;
