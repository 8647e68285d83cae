import { applied, unionOf, type FamilyOf } from "../kernel/index.ts";
import type { LoadBeginning } from "./load-beginning.ts";
import * as last from "./load-basis/last.ts";
import * as set from "./load-basis/set.ts";
import type { Follows, SetCopies } from "./reference.ts";

/** The kinds of bases; the only list of them. */
export const LOAD_BASES = { set, last } as const;

/** Which load another one goes from: that of an earlier set, or of last time. */
export type LoadBasis = FamilyOf<typeof LOAD_BASES>;
export const loadBasisField = unionOf(LOAD_BASES);

/** The top set or else the first one before; last time where none is before. */
export function beginBasis({ before }: LoadBeginning): LoadBasis {
  const from = before.find((other) => other.role === "top") ?? before.at(0);
  return from === undefined ? { kind: "last" } : { kind: "set", set: from.id, part: null };
}

export const leadBasis = (basis: LoadBasis, copies: SetCopies): LoadBasis =>
  applied(LOAD_BASES, "lead", basis, copies);

/** What goes from another set follows it; what goes from last time is decided by itself. */
export const followsBasis = (basis: LoadBasis): Follows =>
  basis.kind === "set" ? "set" : "nothing";
