import { kind, seconds, type ValueOf } from "../../kernel/index.ts";
import { everyRep, type Added } from "../accent-adds.ts";
import { accentTime } from "../fields.ts";

/** A second contraction in the shortened position of every rep. */
export const definition = kind("secondSqueeze", { seconds: accentTime });
type SecondSqueeze = ValueOf<{ definition: typeof definition }>;

export const begin = (): SecondSqueeze => ({ kind: "secondSqueeze", seconds: seconds(1) });
export const adds = (accent: SecondSqueeze): Added => everyRep(accent.seconds);
