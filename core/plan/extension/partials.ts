import { z } from "zod";
import { kind, MUSCLE_LENGTHS, type ValueOf } from "../../kernel/index.ts";
import { extensionIds, straightOn, type ExtensionIds, type Bursts } from "../extension-base.ts";
import { targetField } from "../target.ts";
import { FEW_MORE } from "../usual.ts";

/** Reps over part of the range, where the muscle has this length. */
export const definition = kind("partials", {
  ...extensionIds,
  where: z.enum(MUSCLE_LENGTHS),
  target: targetField,
});
type Partials = ValueOf<{ definition: typeof definition }>;

export const begin = (ids: ExtensionIds): Partials => ({
  kind: "partials",
  ...ids,
  where: "stretched",
  target: FEW_MORE,
});
export const bursts = ({ target }: Partials): Bursts => straightOn(target);
