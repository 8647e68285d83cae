/** Exercises found, ranked and substituted, and what a session can be changed to. */
export * from "./fill.ts";
export * from "./find.ts";
export * from "./session-choices.ts";
export * from "./substitute.ts";
export { matchesText, usesOf } from "./words.ts";
