import { z } from "zod";
import { REGIONS, SPEAKING_REGIONS, type Region } from "~/core/kernel/index.ts";
import { NO_OWN_VOLUME, type Band, type OwnVolume } from "~/core/person/index.ts";
import { optionalNumber } from "./optional-number.ts";

/** More hard sets of anything are a slip of the finger. */
const MOST = 99;

const sets = z.number().int().min(0).max(MOST);
const cap = sets.min(1).nullable();
const band = z
  .object({ low: sets, high: sets.min(1) })
  .refine(({ low, high }) => low <= high, "expected a range that does not run backwards");

/** Numbers of hard sets of one's own, as stored; before they were asked for there were none. */
export const ownVolumeCodec: z.ZodType<OwnVolume> = z
  .object({
    weekly: z.partialRecord(z.enum(REGIONS), band),
    session: cap,
    exercise: cap,
    isolation: cap,
  })
  .default(NO_OWN_VOLUME);

/** A range as typed, "8-16" or "8 to 16"; nothing where the field is empty. */
const typedRange = z
  .string()
  .trim()
  .optional()
  .transform((text, ctx): Band | null => {
    if (text === undefined || text === "") return null;
    const parts = /^(\d{1,2}) *(?:-|–|to) *(\d{1,2})$/.exec(text);
    const [low, high] = [Number(parts?.[1]), Number(parts?.[2])];
    if (parts !== null && low <= high && high >= 1) return { low, high };
    const message =
      parts !== null && low > high
        ? "The range runs backwards; write the lower number first."
        : "Expected a range like 8-16, up to 99, or nothing.";
    ctx.addIssue({ code: "custom", message });
    return z.NEVER;
  });

const typedCap = optionalNumber(1, MOST, "hard sets like 18");

/** Numbers of hard sets as typed in their form: a range a muscle, and three caps. */
export const ownVolumeFormCodec = z
  .object({
    weekly: z
      .object(
        Object.fromEntries(SPEAKING_REGIONS.map((region) => [region, typedRange])) as Record<
          Region,
          typeof typedRange
        >,
      )
      .default({} as Record<Region, null>),
    session: typedCap,
    exercise: typedCap,
    isolation: typedCap,
  })
  .default({ weekly: {} as Record<Region, null>, session: null, exercise: null, isolation: null })
  .transform(({ weekly, session, exercise, isolation }): OwnVolume => ({
    weekly: Object.fromEntries(
      Object.entries(weekly).filter((entry): entry is [Region, Band] => entry[1] !== null),
    ),
    session,
    exercise,
    isolation,
  }));
