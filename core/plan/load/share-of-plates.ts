import { kind, share, type ValueOf } from "../../kernel/index.ts";
import { percent } from "../fields.ts";
import { beginBasis, followsBasis, leadBasis, loadBasisField } from "../load-basis.ts";
import type { LoadBeginning } from "../load-beginning.ts";
import type { Follows, SetCopies } from "../reference.ts";

/** A share of the plates of another load, whatever the bar or sled weighs: "half the plates". */
export const definition = kind("shareOfPlates", { share: percent, basis: loadBasisField });
type ShareOfPlates = ValueOf<{ definition: typeof definition }>;

export const begin = (from: LoadBeginning): ShareOfPlates => ({
  kind: "shareOfPlates",
  share: share(0.5),
  basis: beginBasis(from),
});
export const lead = (rule: ShareOfPlates, copies: SetCopies): ShareOfPlates => ({
  ...rule,
  basis: leadBasis(rule.basis, copies),
});
export const follows = ({ basis }: ShareOfPlates): Follows => followsBasis(basis);
