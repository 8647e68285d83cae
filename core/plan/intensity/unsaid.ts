import { kind } from "../../kernel/index.ts";

export const definition = kind("unsaid", {});
