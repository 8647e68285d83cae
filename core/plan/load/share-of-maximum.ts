import { share, type ValueOf } from "../../kernel/index.ts";
import { stays, type Leads } from "../load-follows.ts";
import { spanKind } from "../share-span.ts";
import { percent, percentUpTo } from "../fields.ts";

/** Of the estimated maximum with this movement at this station. */
export const definition = spanKind("shareOfMaximum", { share: percent, upTo: percentUpTo });
type ShareOfMaximum = ValueOf<{ definition: typeof definition }>;

export const begin = (): ShareOfMaximum => ({
  kind: "shareOfMaximum",
  share: share(0.75),
  upTo: null,
});
export const lead: Leads<ShareOfMaximum> = stays;
export { onTheDay as follows } from "../load-follows.ts";
