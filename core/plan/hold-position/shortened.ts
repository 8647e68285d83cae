import { kind } from "../../kernel/index.ts";

export const definition = kind("shortened", {});
export const begin = () => ({ kind: "shortened" }) as const;
