/** What a coach would notice and suggest: gaps, findings, fixes, copies for other people. Finding exercises is the entry search/. */
export * from "./assess.ts";
export * from "./brings.ts";
export * from "./coverage.ts";
export * from "./first-steps.ts";
export * from "./finding-rules.ts";
export * from "./finding.ts";
export * from "./fitting.ts";
export * from "./fix.ts";
export * from "./fixes-for.ts";
export * from "./judged.ts";
export * from "./phase-findings.ts";
export * from "./ramp.ts";
export * from "./seen.ts";
export * from "./sharing.ts";
export * from "./shorten.ts";
export * from "./today.ts";
