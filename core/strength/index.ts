export * from "./curve.ts";
export * from "./equation.ts";
export * from "./estimate.ts";
export * from "./load-for.ts";
export * from "./strictness.ts";
export * from "./figures.ts";
export * from "./rules.ts";
export * from "./table.ts";
