export * from "./finding.ts";
export * from "./context.ts";
export * from "./brings.ts";
export * from "./find.ts";
export * from "./fix.ts";
export * from "./fixes-for.ts";
export * from "./shorten.ts";
