import { rangeKind } from "../../kernel/index.ts";
import { heartRate } from "../fields.ts";

export const definition = rangeKind("heartRate", { min: heartRate, max: heartRate });
