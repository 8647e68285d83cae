/** What goes wrong over weeks. */
export * from "./find.ts";
export { type ClientRecord, type StatedNow } from "./record.ts";
export { strengthTrend, trendMark, type StrengthTrend } from "./strength-trend.ts";
export * from "./warning.ts";
