export * from "./sheet.ts";
