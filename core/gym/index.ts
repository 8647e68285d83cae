/** What the gym has: equipment, the loads it can make, how to make them, and what to hang in which order. */
export * from "./change-load.ts";
export * from "./choose.ts";
export * from "./handling.ts";
export * from "./loading-plan.ts";
export * from "./loading-trouble.ts";
export * from "./loading.ts";
export * from "./make.ts";
export * from "./station-bounds.ts";
export * from "./station.ts";
export * from "./typed-lists.ts";
