/** What was really done: commands, sets, contexts, and how sessions compare. */
export * from "./command.ts";
export * from "./comparison.ts";
export * from "./corrected-set.ts";
export * from "./corrections.ts";
export * from "./expose.ts";
export * from "./exposure.ts";
export * from "./fold.ts";
export * from "./history.ts";
export * from "./logged-set.ts";
export * from "./planned-context.ts";
export * from "./rest-clock.ts";
export * from "./review.ts";
export * from "./schedule.ts";
export * from "./sending.ts";
export * from "./summary.ts";
export * from "./trial.ts";
