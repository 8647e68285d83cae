import { count, kind, share, type ValueOf } from "../../kernel/index.ts";
import { pauseSeconds, percent, repeats, waits } from "../fields.ts";
import { extensionIds, waitOf, type ExtensionIds, type Bursts } from "../extension-base.ts";
import { targetField } from "../target.ts";
import { USUAL_CLUSTER_PAUSE } from "../usual.ts";

/** Small groups of reps with a pause before each, at a multiple of the set's first load. */
export const definition = kind("cluster", {
  ...extensionIds,
  groups: repeats,
  pause: pauseSeconds,
  waits,
  multiple: percent,
  target: targetField,
});
type Cluster = ValueOf<{ definition: typeof definition }>;

export const begin = (ids: ExtensionIds): Cluster => ({
  kind: "cluster",
  ...ids,
  groups: count(4),
  pause: USUAL_CLUSTER_PAUSE,
  waits: "exactly",
  multiple: share(1),
  target: { kind: "reps", min: count(2), max: count(2) },
});
export const bursts = ({ groups, pause, waits: how, target }: Cluster): Bursts => ({
  times: groups,
  restBefore: waitOf(pause, how),
  target,
});
