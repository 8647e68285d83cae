import { kind, movementField, share, type ValueOf } from "../../kernel/index.ts";
import { percent } from "../fields.ts";
import type { LoadBeginning } from "../load-beginning.ts";

/** Of the total moved in the heaviest work set last logged with another movement. */
export const definition = kind("shareOfMovement", { share: percent, movement: movementField });
type ShareOfMovement = ValueOf<{ definition: typeof definition }>;

export const begin = ({ movement }: LoadBeginning): ShareOfMovement => ({
  kind: "shareOfMovement",
  share: share(0.5),
  movement,
});
