import { movementField, share, type ValueOf } from "../../kernel/index.ts";
import { stays, type Leads } from "../load-follows.ts";
import { percent, percentUpTo } from "../fields.ts";
import { spanKind } from "../share-span.ts";
import type { LoadBeginning } from "../load-beginning.ts";

/** Of the total moved in the heaviest work set last logged with another movement. */
export const definition = spanKind("shareOfMovement", {
  share: percent,
  upTo: percentUpTo,
  movement: movementField,
});
type ShareOfMovement = ValueOf<{ definition: typeof definition }>;

export const begin = ({ movement }: LoadBeginning): ShareOfMovement => ({
  kind: "shareOfMovement",
  share: share(0.5),
  upTo: null,
  movement,
});
export const lead: Leads<ShareOfMovement> = stays;
export { onTheDay as follows } from "../load-follows.ts";
