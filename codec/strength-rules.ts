import { z } from "zod";
import { EQUATIONS, type StrengthRules } from "~/core/progress/index.ts";

const fraction = z.number().min(0).max(1);

/** The rules as stored. */
export const strengthRulesCodec: z.ZodType<StrengthRules> = z.object({
  equation: z.enum(EQUATIONS),
  strictness: z.object({
    perSlowSecond: fraction,
    freeLowering: z.number().min(0).max(30),
    perHeldSecond: fraction,
    most: fraction,
  }),
});

/** A number as typed, with a decimal comma or point, from nothing up to `most`. */
function numberField(what: string, most: number) {
  const message = `Expected ${what}, from 0 to ${most}.`;
  return z
    .string({ error: message })
    .trim()
    .regex(/^\d{1,3}([.,]\d{1,2})?$/, message)
    .transform((text) => Number(text.replace(",", ".")))
    .refine((n) => n <= most, message);
}

/** The rules as typed: shares in per cent. Each second takes at most a tenth off, all together at most half. */
export const strengthRulesFormCodec = z
  .object({
    equation: z.enum(EQUATIONS, { error: "Expected one of the equations." }),
    perSlowSecond: numberField("per cent for each second", 10),
    freeLowering: numberField("seconds", 30),
    perHeldSecond: numberField("per cent for each second", 10),
    most: numberField("per cent in all", 50),
  })
  .transform(({ equation, perSlowSecond, freeLowering, perHeldSecond, most }): StrengthRules => ({
    equation,
    strictness: {
      perSlowSecond: perSlowSecond / 100,
      freeLowering,
      perHeldSecond: perHeldSecond / 100,
      most: most / 100,
    },
  }));
