import { z } from "zod";
import { kind, type ValueOf } from "../../kernel/index.ts";
import type { LegsCounted, Side } from "../side-of.ts";

/** Each in turn; `matchFirst` holds the second to the reps of the first. */
export const definition = kind("each", {
  first: z.enum(["left", "right"]),
  matchFirst: z.boolean(),
});
type Each = ValueOf<{ definition: typeof definition }>;

export const sides = ({ first }: Each): readonly Side[] =>
  first === "left" ? ["left", "right"] : ["right", "left"];
export const legs = (): LegsCounted => "oneLeg";
export const all = (): readonly Each[] => [
  { kind: "each", first: "left", matchFirst: false },
  { kind: "each", first: "right", matchFirst: false },
  { kind: "each", first: "left", matchFirst: true },
  { kind: "each", first: "right", matchFirst: true },
];
