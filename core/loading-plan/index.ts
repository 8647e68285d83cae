export * from "./loading-plan.ts";
export * from "./targets.ts";
