export * from "./complete.ts";
export * from "./examples.ts";
export * from "./context.ts";
export * from "./error.ts";
export * from "./parse.ts";
export * from "./write.ts";
