import type { MassUnit, Seconds } from "../kernel/index.ts";

/** What a rule begins from: what the sets of a line ask for. */
export interface RuleBeginning {
  readonly sets: number;
  /** Repetitions, or whatever is counted, of one set: from and to. */
  readonly least: number;
  readonly most: number;
  /** Of all sets together, with what follows them. */
  readonly inAll: number;
  readonly rest: Seconds;
  /** In which its equipment reads. */
  readonly unit: MassUnit;
}
