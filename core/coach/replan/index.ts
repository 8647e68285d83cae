/** What becomes of a phase when weeks go wrong. */
export * from "./difference.ts";
export * from "./event.ts";
export * from "./replan.ts";
export * from "./step.ts";
