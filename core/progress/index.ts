/** From what was done to what comes next: strength, rules, accepting. */
export * from "./accept.ts";
export * from "./curve.ts";
export * from "./double-progression.ts";
export * from "./equation.ts";
export * from "./estimate.ts";
export * from "./strength-records.ts";
export * from "./load-for.ts";
export * from "./proposal.ts";
export * from "./next-session.ts";
export * from "./propose.ts";
export * from "./reconsider.ts";
export * from "./rep-max-table.ts";
export * from "./strength-rules.ts";
export * from "./strictness.ts";
