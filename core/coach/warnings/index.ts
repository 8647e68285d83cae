/** What goes wrong over weeks. */
export * from "./find.ts";
export { type ClientRecord, type StatedNow } from "./record.ts";
export * from "./warning.ts";
