import { count, kind, seconds, type ValueOf } from "../../kernel/index.ts";
import { repeats } from "../fields.ts";
import { extensionIds, waitOf, type ExtensionIds, type Bursts } from "../extension-base.ts";
import { targetField } from "../target.ts";
import { FEW_MORE } from "../usual.ts";

/** So many breaths in a safe position with the load taken, then more reps. */
export const definition = kind("breather", {
  ...extensionIds,
  breaths: repeats,
  target: targetField,
});
type Breather = ValueOf<{ definition: typeof definition }>;

/** One deep breath under load takes about this long. Source: our rule, docs/arithmetic.md § Time. */
const BREATH_SECONDS = 4;

export const begin = (ids: ExtensionIds): Breather => ({
  kind: "breather",
  ...ids,
  breaths: count(5),
  target: FEW_MORE,
});
export const bursts = ({ breaths, target }: Breather): Bursts => ({
  times: 1,
  restBefore: waitOf(seconds(breaths * BREATH_SECONDS), "exactly"),
  target,
});
