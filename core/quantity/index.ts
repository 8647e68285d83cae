export * from "./quantity.ts";
export * from "./mass.ts";
