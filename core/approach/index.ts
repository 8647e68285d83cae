export * from "./approach.ts";
export * from "./questions.ts";
export * from "./settings.ts";
export * from "./shipped.ts";
