/** The built-in exercises and a studio's own, looked up by reference. */
export * from "./catalogue.ts";
