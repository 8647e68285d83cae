export * from "./ramp.ts";
