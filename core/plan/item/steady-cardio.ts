import { drillKind } from "../drill.ts";

export const definition = drillKind("steadyCardio");
