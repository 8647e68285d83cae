export * from "./exposure.ts";
export * from "./expose.ts";
export * from "./double-progression.ts";
export * from "./apply.ts";
export * from "./planned-context.ts";
