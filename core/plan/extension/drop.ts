import { idField, idOf, kind, type ValueOf } from "../../kernel/index.ts";
import { dropLoadField } from "../drop-load.ts";
import { pauseSeconds, waits } from "../fields.ts";
import { extensionIds, waitOf, type ExtensionIds, type Bursts } from "../extension-base.ts";
import { targetField, type Target } from "../target.ts";
import { USUAL_DROP, USUAL_DROP_REST } from "../usual.ts";

/** One lighter load, so a chain of three drops has four loads. */
export const definition = kind("drop", {
  ...extensionIds,
  /** The line that it moves with: the same step of a chain. */
  line: idField("line"),
  to: dropLoadField,
  restBefore: pauseSeconds,
  waits,
  target: targetField,
});
type Drop = ValueOf<{ definition: typeof definition }>;

/** Down to 80 %, for what the set asks. */
export const begin = (ids: ExtensionIds, own: Target): Drop => ({
  kind: "drop",
  ...ids,
  line: idOf(ids.lineageId),
  to: USUAL_DROP,
  restBefore: USUAL_DROP_REST,
  waits: "exactly",
  target: own,
});
export const bursts = ({ restBefore, waits: how, target }: Drop): Bursts => ({
  times: 1,
  restBefore: waitOf(restBefore, how),
  target,
});
