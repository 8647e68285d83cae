/** Exercises found, ranked and substituted. */
export * from "./find.ts";
export * from "./substitute.ts";
