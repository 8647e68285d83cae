import { kind } from "../../kernel/index.ts";
import { outOfTen } from "../fields.ts";

export const definition = kind("felt", { outOfTen });
