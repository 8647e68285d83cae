export * from "./loading.ts";
export * from "./make.ts";
export * from "./choose.ts";
export * from "./station.ts";
export * from "./handling.ts";
export * from "./typed-lists.ts";
export * from "./bounds.ts";
