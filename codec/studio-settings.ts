import { z } from "zod";
import { FIRST_SETTINGS, MUSCLE_NAMINGS } from "~/core/person/index.ts";
import { TEMPO_ORDERS } from "~/core/plan/index.ts";

/** Settings as stored; one that is not stored yet is what a new studio begins with. */
export const studioSettingsCodec = z.object({
  muscles: z.enum(MUSCLE_NAMINGS).default(FIRST_SETTINGS.muscles),
  tempoOrder: z.enum(TEMPO_ORDERS).default(FIRST_SETTINGS.tempoOrder),
});

/** Settings as chosen in their form, where each has to be said. */
export const studioSettingsFormCodec = z.object({
  muscles: z.enum(MUSCLE_NAMINGS),
  tempoOrder: z.enum(TEMPO_ORDERS),
});
