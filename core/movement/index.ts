/** What an exercise is. The built-in ones are the entry catalogue/. */
export * from "./movement.ts";
export * from "./own-set-up.ts";
