import { kind, massField, type ValueOf } from "../../kernel/index.ts";
import { loadOf } from "./cell.ts";

/** This load. */
export const definition = kind("load", { reading: massField });

export const step = ({ reading }: ValueOf<{ definition: typeof definition }>) => loadOf(reading);
