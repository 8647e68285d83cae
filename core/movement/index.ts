export * from "../anatomy/index.ts";
export * from "./movement.ts";
