import { z } from "zod";
import { kg, kind, lb, massField, type ValueOf } from "../../kernel/index.ts";
import { stays, type Leads } from "../load-follows.ts";
import type { LoadBeginning } from "../load-beginning.ts";

/** Body weight and so much more, or less: a belt, a counterweight, a bar of that total. */
export const definition = kind("bodyWeight", { by: z.enum(["plus", "minus"]), mass: massField });
type BodyWeight = ValueOf<{ definition: typeof definition }>;

export const begin = ({ unit }: LoadBeginning): BodyWeight => ({
  kind: "bodyWeight",
  by: "plus",
  mass: unit === "kg" ? kg(10) : lb(20),
});
export const lead: Leads<BodyWeight> = stays;
export { byItself as follows } from "../load-follows.ts";
