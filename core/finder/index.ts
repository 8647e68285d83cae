export * from "./find.ts";
export * from "./substitute.ts";
