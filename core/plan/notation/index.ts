/** The written line: read, completed and written out. */
export * from "./complete.ts";
export * from "./context.ts";
export * from "./error.ts";
export * from "./parse.ts";
export { writeItems } from "./write/item.ts";
export { writeLine } from "./write/line.ts";
export { writeLoad } from "./write/load.ts";
export { writeRest } from "./write/modifier.ts";
export { writePart } from "./write/part.ts";
export { writeTarget } from "./write/target.ts";
export type { Expectation, OpenToken } from "./tokens.ts";
