export * from "./part.ts";
export * from "./command.ts";
export * from "./fold.ts";
export * from "./summary.ts";
export * from "./trial.ts";
export * from "./sending.ts";
export * from "./rest.ts";
export * from "./corrections.ts";
