import { kind, type ValueOf } from "../../kernel/index.ts";
import { setUpField } from "../fields.ts";
import { extensionIds, straightOn, type ExtensionIds, type Bursts } from "../extension-base.ts";
import { targetField, type Target } from "../target.ts";

/** Another position within the set; its target's lower end is the least that counts. */
export const definition = kind("positionChange", {
  ...extensionIds,
  setUp: setUpField,
  target: targetField,
});
type PositionChange = ValueOf<{ definition: typeof definition }>;

export const begin = (ids: ExtensionIds, own: Target): PositionChange => ({
  kind: "positionChange",
  ...ids,
  setUp: {},
  target: own,
});
export const bursts = ({ target }: PositionChange): Bursts => straightOn(target);
