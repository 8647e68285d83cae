/** A phase: its document, its weeks, and what they come to by rules, weeks and the coach's changes. */
export * from "./cell-edit.ts";
export * from "./curves.ts";
export * from "./layers.ts";
export * from "./many.ts";
export * from "./met.ts";
export * from "./odds.ts";
export * from "./phase.ts";
export * from "./phase-edit.ts";
export * from "./phase-week.ts";
export * from "./presence.ts";
export * from "./project.ts";
export * from "./proposals.ts";
export * from "./roll-over.ts";
export * from "./season.ts";
export * from "./sheet.ts";
export * from "./tapers.ts";
export * from "./typed-cell.ts";
export { type LinePlace } from "./way.ts";
