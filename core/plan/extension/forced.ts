import { z } from "zod";
import { count, kind, type ValueOf } from "../../kernel/index.ts";
import { extensionIds, straightOn, type ExtensionIds, type Bursts } from "../extension-base.ts";
import { targetField } from "../target.ts";

/** Reps that somebody helps with. */
export const definition = kind("forced", {
  ...extensionIds,
  by: z.enum(["self", "partner"]),
  target: targetField,
});
type Forced = ValueOf<{ definition: typeof definition }>;

export const begin = (ids: ExtensionIds): Forced => ({
  kind: "forced",
  ...ids,
  by: "partner",
  target: { kind: "reps", min: count(2), max: count(2) },
});
export const bursts = ({ target }: Forced): Bursts => straightOn(target);
