export * from "./fit.ts";
