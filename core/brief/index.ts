export * from "./brief.ts";
export * from "./exclusion.ts";
export * from "./effects.ts";
