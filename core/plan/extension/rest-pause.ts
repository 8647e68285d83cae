import { count, kind, type ValueOf } from "../../kernel/index.ts";
import { pauseSeconds, repeats, waits } from "../fields.ts";
import { extensionIds, waitOf, type ExtensionIds, type Bursts } from "../extension-base.ts";
import { targetField } from "../target.ts";
import { FEW_MORE, USUAL_REST_PAUSE } from "../usual.ts";

/** Near the limit, a short pause, again; as often as there are pauses. */
export const definition = kind("restPause", {
  ...extensionIds,
  pauses: repeats,
  pause: pauseSeconds,
  waits,
  target: targetField,
});
type RestPause = ValueOf<{ definition: typeof definition }>;

export const begin = (ids: ExtensionIds): RestPause => ({
  kind: "restPause",
  ...ids,
  pauses: count(2),
  pause: USUAL_REST_PAUSE,
  waits: "exactly",
  target: FEW_MORE,
});
export const bursts = ({ pauses, pause, waits: how, target }: RestPause): Bursts => ({
  times: pauses,
  restBefore: waitOf(pause, how),
  target,
});
