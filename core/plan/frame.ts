import { z } from "zod";
import { MUSCLE_LENGTHS, REGIONS } from "../kernel/index.ts";

/** What kind of exercise a frame takes; the only list. */
export const FRAME_FORMS = ["compound", "machine", "singleLeg", "isolation"] as const;
export type FrameForm = (typeof FRAME_FORMS)[number];

/**
 * What an exercise of a template is for, so that each client gets the one that suits them best. Null asks nothing;
 * a region is one that the exercise trains directly.
 */
export const frameField = z
  .object({
    form: z.enum(FRAME_FORMS).nullable(),
    region: z.enum(REGIONS).nullable(),
    length: z.enum(MUSCLE_LENGTHS).nullable(),
  })
  .refine(
    ({ form, region, length }) => form !== null || region !== null || length !== null,
    "expected a kind of exercise, a muscle or a length",
  )
  .readonly();
export type Frame = z.output<typeof frameField>;
