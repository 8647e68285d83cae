import { z } from "zod";
import {
  isPlausible,
  MEASURED,
  PLAUSIBLE,
  type MeasuredKind,
  type MeasuredValue,
} from "~/core/person/index.ts";
import { parseMass, type Day, massUnitField } from "~/core/kernel/index.ts";
import { pastDayField } from "./days.ts";
import { optionalTextField, textField } from "./text.ts";

const KINDS = Object.keys(MEASURED) as [MeasuredKind, ...MeasuredKind[]];

/** A measurement as typed: what, on which side, how much in its unit, and when, which is not to come. */
export function measurementFormCodec(today: Day) {
  return z
    .object({
      kind: z.enum(KINDS, { error: "Expected what was measured." }),
      side: z.enum(["both", "left", "right"]).default("both"),
      value: textField("a number", 20),
      massUnit: massUnitField.default("kg"),
      day: pastDayField(today),
      note: optionalTextField(300),
    })
    .transform((form, ctx) => {
      const unit = form.kind === "bodyWeight" ? form.massUnit : MEASURED[form.kind].unit;
      // Every value is read like a mass: decimal comma or point, thousandths at the finest.
      const parsed = parseMass(form.value, "kg");
      const value: MeasuredValue | null = parsed.ok
        ? { thousandths: parsed.value.thousandths, unit }
        : null;
      if (value === null || !isPlausible(form.kind, value)) {
        const [low, high] = PLAUSIBLE[unit];
        ctx.addIssue({
          code: "custom",
          path: ["value"],
          message: `Expected ${low} to ${high}${unit === "ofFive" ? ", 1 is poor and 5 is strong" : ` ${unit}`}; “${form.value}” is not that.`,
        });
        return z.NEVER;
      }
      const side = MEASURED[form.kind].sided ? form.side : ("both" as const);
      return { kind: form.kind, side, value, day: form.day, note: form.note };
    });
}

export type MeasurementForm = z.infer<ReturnType<typeof measurementFormCodec>>;
