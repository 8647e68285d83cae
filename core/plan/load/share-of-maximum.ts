import { kind, share, type ValueOf } from "../../kernel/index.ts";
import { percent } from "../fields.ts";

/** Of the estimated maximum with this movement at this station. */
export const definition = kind("shareOfMaximum", { share: percent });
type ShareOfMaximum = ValueOf<{ definition: typeof definition }>;

export const begin = (): ShareOfMaximum => ({ kind: "shareOfMaximum", share: share(0.75) });
