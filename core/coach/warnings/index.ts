/** What goes wrong over weeks. */
export * from "./find.ts";
export { type ClientRecord } from "./record.ts";
export * from "./warning.ts";
