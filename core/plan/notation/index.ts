/** The written line: read, completed and written out. */
export * from "./complete.ts";
export * from "./context.ts";
export * from "./error.ts";
export {
  LONGEST_LINE,
  parseItems,
  parseLine,
  parseLoad,
  parseExtension,
  parseRest,
  parseTarget,
  saidIn,
} from "./parse.ts";
export { writeItems } from "./item.ts";
export { RIR_SAID, writeLine } from "./line.ts";
export { writeLoad } from "./load.ts";
export { writeRest } from "./rest.ts";
export { writeExtension } from "./extension.ts";
export { writeTarget } from "./target.ts";
export type { Expectation, OpenToken } from "./tokens.ts";
