import { z } from "zod";
import { share, type Share } from "../kernel/index.ts";
import { TOWARDS, type Towards } from "../gym/index.ts";

/** How a load that was worked out becomes one that the station makes; one that was written stays. */
export interface LoadRounding {
  readonly towards: Towards;
  /** How far it may then be moved where that saves plates, as a share of the reading. */
  readonly within: Share | 0;
}

/** What a coach can choose from for {@link LoadRounding.within}. */
export const ROUNDING_ROOM: readonly LoadRounding["within"][] = [
  0,
  share(0.01),
  share(0.025),
  share(0.05),
];

/** Where nobody chose another. Source: our rule, docs/arithmetic.md § Loading plan. */
export const USUAL_ROUNDING: LoadRounding = { towards: "nearest", within: share(0.025) };

export const roundingField = z
  .object({
    towards: z.enum(TOWARDS),
    within: z
      .number()
      .refine((n) => ROUNDING_ROOM.some((known) => known === n), "expected a room on offer")
      .transform((n) => (n === 0 ? 0 : share(n))),
  })
  .readonly()
  // Plans written before there was a choice.
  .default(USUAL_ROUNDING);
