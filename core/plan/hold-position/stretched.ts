import { kind } from "../../kernel/index.ts";

export const definition = kind("stretched", {});
export const begin = () => ({ kind: "stretched" }) as const;
