import { z } from "zod";
import { kind, REGIONS } from "../../kernel/index.ts";
import { itemIds } from "../drill.ts";
import { drillField } from "../drills.ts";
import { workSeconds } from "../fields.ts";

/** Feel whether a region is tight; only then do what it adds. */
export const definition = kind("tightnessCheck", {
  ...itemIds,
  region: z.enum(REGIONS),
  seconds: workSeconds,
  ifTight: drillField,
});
