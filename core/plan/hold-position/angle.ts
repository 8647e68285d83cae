import { degrees, kind } from "../../kernel/index.ts";
import { angle } from "../fields.ts";

export const definition = kind("angle", { degrees: angle });
/** Halfway. */
export const begin = () => ({ kind: "angle", degrees: degrees(90) }) as const;
