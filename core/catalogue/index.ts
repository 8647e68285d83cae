export * from "./catalogue.ts";
