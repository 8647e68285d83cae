/** Who trains: what is known and measured of them, and the approach they are trained by. */
export * from "./approach.ts";
export * from "./brief.ts";
export * from "./effects.ts";
export * from "./exclusion.ts";
export * from "./measurement.ts";
export * from "./own-volume.ts";
export * from "./questions.ts";
export * from "./settings.ts";
export * from "./shipped-approaches.ts";
export * from "./spoken-regions.ts";
export * from "./studio-settings.ts";
export * from "./volume-limits.ts";
