/** A plan as every single step, with loads, plates and times; what follows from the steps. */
export * from "./check.ts";
export * from "./duration.ts";
export * from "./hang.ts";
export * from "./load-sources.ts";
export * from "./sheet.ts";
export * from "./step.ts";
export * from "./unroll-context.ts";
export * from "./timeline.ts";
export * from "./unroll-items.ts";
export * from "./unroll.ts";
export * from "./volume.ts";
