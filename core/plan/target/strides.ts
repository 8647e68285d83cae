import { z } from "zod";
import { count, kind, type ValueOf } from "../../kernel/index.ts";
import { amount } from "../fields.ts";
import { demanding, exactly, type Asked, type Demand } from "../target-asked.ts";

/** Steps with each leg, or counted in all; one way where the way leads out and back. */
export const definition = kind("steps", {
  steps: amount,
  counted: z.enum(["perSide", "inAll"]),
  outAndBack: z.boolean(),
});
type Strides = ValueOf<{ definition: typeof definition }>;

export const begin = (): Strides => ({
  kind: "steps",
  steps: count(20),
  counted: "inAll",
  outAndBack: false,
});
export const asked = ({ steps: strides, counted, outAndBack }: Strides): Asked =>
  exactly("steps", strides * (outAndBack ? 2 : 1) * (counted === "perSide" ? 2 : 1));
export const demanded = (target: Strides): Demand => demanding(asked(target).min);
export { repeated } from "../target-asked.ts";
