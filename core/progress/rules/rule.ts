import type { ProgressionKind, ProgressionRule } from "../../plan/index.ts";
import type { Facts } from "../judged-line.ts";
import type { Proposal } from "../proposal.ts";

export type RuleOf<K extends ProgressionKind> = Extract<ProgressionRule, { readonly kind: K }>;

/** What a rule makes of what was done: a plain function of facts and parameters. */
export type Rule<K extends ProgressionKind> = (facts: Facts, rule: RuleOf<K>) => Proposal;
