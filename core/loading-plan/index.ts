export * from "./loading-plan.ts";
