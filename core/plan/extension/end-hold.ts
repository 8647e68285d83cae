import { kind, seconds, type ValueOf } from "../../kernel/index.ts";
import { holdSeconds } from "../fields.ts";
import { holdPositionField } from "../hold-position.ts";
import { extensionIds, straightOn, type ExtensionIds, type Bursts } from "../extension-base.ts";

/** A hold once, at the end of the set. */
export const definition = kind("endHold", {
  ...extensionIds,
  at: holdPositionField,
  seconds: holdSeconds,
});
type EndHold = ValueOf<{ definition: typeof definition }>;

export const begin = (ids: ExtensionIds): EndHold => ({
  kind: "endHold",
  ...ids,
  at: { kind: "stretched" },
  seconds: seconds(20),
});
export const bursts = (hold: EndHold): Bursts =>
  straightOn({ kind: "seconds", min: hold.seconds, max: hold.seconds });
