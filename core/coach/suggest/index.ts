/** A complete session suggested from brief, gym, time and approach. docs/suggesting.md says by what. */
export * from "./asked.ts";
export * from "./exercise-option.ts";
export * from "./first-load.ts";
export * from "./goals.ts";
export * from "./greedy.ts";
export * from "./linear.ts";
export * from "./problem.ts";
export * from "./suggested.ts";
