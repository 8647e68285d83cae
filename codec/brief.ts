import { z } from "zod";
import { LOADING_KINDS } from "~/core/gym/index.ts";
import {
  isApproachRef,
  type ApproachRef,
  CAUTIONS,
  GOALS,
  PROVOCATIONS,
  TIGHT_SPOTS,
  type Brief,
  type Clearance,
  type Limit,
} from "~/core/person/index.ts";
import {
  yearOf,
  type Day,
  JOINTS,
  PATTERNS,
  REGIONS,
  idField,
  movementField,
  minutes,
} from "~/core/kernel/index.ts";
import { pastDayField } from "./days.ts";
import { optionalNumber } from "./optional-number.ts";
import { ownVolumeCodec, ownVolumeFormCodec } from "./own-volume.ts";
import { optionalTextField, textField } from "./text.ts";
import { dayCodec } from "./values.ts";

export const approachRefCodec = z.custom<ApproachRef>(
  (v) => typeof v === "string" && isApproachRef(v),
  "expected an approach",
);

const score = z.number().int().min(0).max(10);

const limitCodec = z.object({
  joint: z.enum(JOINTS),
  provokedBy: z.enum(PROVOCATIONS),
  since: dayCodec.nullable(),
  severity: score,
  allowed: score,
});

const clearanceCodec = z.object({
  verdict: z.enum(["cleared", "forbidden"]),
  pattern: z.enum(PATTERNS),
  by: z.string().max(120),
  on: dayCodec.nullable(),
});

/** A brief as stored. The level stands with the person. */
export type BriefDocument = Omit<Brief, "level">;

/** The document of a brief. */
export const briefCodec: z.ZodType<BriefDocument> = z.object({
  goal: z.enum(GOALS),
  birthYear: z.number().int().nullable(),
  trainingYears: z.number().nullable(),
  approach: approachRefCodec.nullable(),
  cautions: z.array(z.enum(CAUTIONS)),
  screenedBy: z.string(),
  screenedOn: dayCodec.nullable(),
  clearances: z.array(clearanceCodec),
  limbs: z.enum(["unknown", "longThighs", "even", "longTrunk"]),
  tight: z.array(z.enum(TIGHT_SPOTS)),
  priorities: z.array(z.enum(REGIONS)),
  notToGrow: z.array(z.enum(REGIONS)),
  weakerSide: z.enum(["left", "right"]).nullable(),
  weakerSideCause: z.string(),
  limits: z.array(limitCodec),
  gyms: z.array(idField("gym")),
  daysPerWeek: z.number().int().nullable(),
  minutesCap: z.int().min(0).transform(minutes).nullable(),
  helper: z.enum(["alone", "partner", "spotter", "unknown"]),
  likes: z.array(movementField),
  dislikes: z.array(movementField),
  noEquipment: z.array(z.enum(LOADING_KINDS)).default([]),
  gear: z.array(z.string()),
  ownVolume: ownVolumeCodec,
});

function optionalPastDay(today: Day) {
  return z
    .string()
    .optional()
    .transform((t) => (t === "" ? undefined : t))
    .pipe(pastDayField(today).optional())
    .transform((d): Day | null => d ?? null);
}

/** Boxes of one name: none, one or several. */
function ticked<T extends string>(options: readonly T[]) {
  return z.array(z.enum(options)).default([]);
}

const outOfTen = z
  .string()
  .regex(/^(\d|10)$/, "Expected a score from 0 to 10.")
  .transform(Number);

/** A brief as typed in its form, on a day against which births, screenings and onsets are checked. */
export function briefFormCodec(today: Day) {
  const year = yearOf(today);
  const optionalDay = optionalPastDay(today);
  return z
    .object({
      goal: z.enum(GOALS),
      birthYear: optionalNumber(year - 100, year - 8, `a year of birth like ${year - 30}`),
      trainingYears: optionalNumber(0, 70, "years of training like 2 or 0.5", false),
      approach: z.union([z.literal(""), approachRefCodec]).default(""),
      cautions: ticked(CAUTIONS),
      screenedBy: optionalTextField(120),
      screenedOn: optionalDay,
      clearances: z
        .array(
          z.object({
            verdict: z.enum(["cleared", "forbidden"]),
            pattern: z.enum(PATTERNS),
            by: textField("who said so", 120),
            on: optionalDay,
          }),
        )
        .max(12)
        .default([]),
      limbs: z.enum(["unknown", "longThighs", "even", "longTrunk"]),
      tight: ticked(TIGHT_SPOTS),
      priorities: ticked(REGIONS),
      notToGrow: ticked(REGIONS),
      weakerSide: z.enum(["", "left", "right"]).default(""),
      weakerSideCause: optionalTextField(200),
      limits: z
        .array(
          z.object({
            joint: z.enum(JOINTS),
            provokedBy: z.enum(PROVOCATIONS),
            since: optionalDay,
            severity: outOfTen,
            allowed: outOfTen,
          }),
        )
        .max(12)
        .default([]),
      gyms: z.array(idField("gym")).max(100).default([]),
      daysPerWeek: optionalNumber(1, 7, "days a week like 2"),
      minutesCap: optionalNumber(15, 240, "minutes like 60"),
      helper: z.enum(["alone", "partner", "spotter", "unknown"]),
      likes: z.array(movementField).max(400).default([]),
      dislikes: z.array(movementField).max(400).default([]),
      noEquipment: ticked(LOADING_KINDS),
      gear: optionalTextField(300),
      ownVolume: ownVolumeFormCodec,
    })
    .superRefine((form, ctx) => {
      const both = form.priorities.find((region) => form.notToGrow.includes(region));
      if (both !== undefined) {
        ctx.addIssue({
          code: "custom",
          path: ["notToGrow"],
          message: "A region cannot lead and be kept from growing at once; untick one of the two.",
        });
      }
      const loved = form.likes.find((ref) => form.dislikes.includes(ref));
      if (loved !== undefined) {
        ctx.addIssue({
          code: "custom",
          path: ["dislikes"],
          message: "An exercise is both liked and disliked; remove it from one.",
        });
      }
    })
    .transform((form): BriefDocument => ({
      ...form,
      approach: form.approach === "" ? null : form.approach,
      minutesCap: form.minutesCap === null ? null : minutes(form.minutesCap),
      weakerSide: form.weakerSide === "" ? null : form.weakerSide,
      limits: form.limits satisfies readonly Limit[],
      clearances: form.clearances satisfies readonly Clearance[],
      gear: form.gear
        .split(/[,;\n]+/)
        .map((g) => g.trim())
        .filter((g) => g !== ""),
    }));
}
