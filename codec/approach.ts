import { z } from "zod";
import {
  QUESTION_NAMES,
  sidesOfQuestion,
  type Approach,
  type Stances,
} from "~/core/person/index.ts";
import { textField } from "./text.ts";

const stances = z.custom<Stances>((value) => {
  if (typeof value !== "object" || value === null) return false;
  const sides = value as Record<string, unknown>;
  return QUESTION_NAMES.every((q) => sidesOfQuestion(q).some((side) => side === sides[q]));
}, "expected a side on every question");

/** Approaches stored before a question was asked take the side that held for all until then. */
const storedStances = z.preprocess(
  (value) =>
    typeof value === "object" && value !== null && !("extensions" in value)
      ? { ...value, extensions: "nothing" }
      : value,
  stances,
);

/** What of an approach is stored: all but its reference. */
export const approachCodec: z.ZodType<Omit<Approach, "ref">> = z.object({
  name: z.string(),
  summary: z.string(),
  holds: z.array(z.string()),
  disputed: z.array(z.string()),
  suits: z.string(),
  stances: storedStances,
});

const lines = (what: string) =>
  textField(what, 1200).transform((text) =>
    text
      .split("\n")
      .map((line) => line.trim())
      .filter((line) => line !== ""),
  );

/** An approach as typed: its texts, and a side for each question under the question's own name. */
export const approachFormCodec = z
  .looseObject({
    name: textField("a name", 60),
    summary: textField("one sentence", 300),
    holds: lines("what it holds, one view on each line"),
    disputed: lines("what others say against it, one on each line"),
    suits: textField("whom it suits", 400),
  })
  .transform((form, ctx): Omit<Approach, "ref"> => {
    const taken = Object.fromEntries(QUESTION_NAMES.map((q) => [q, form[`stance-${q}`]]));
    const parsed = stances.safeParse(taken);
    if (!parsed.success) {
      ctx.addIssue({ code: "custom", message: "Take a side on every question." });
      return z.NEVER;
    }
    const { name, summary, holds, disputed, suits } = form;
    return { name, summary, holds, disputed, suits, stances: parsed.data };
  });
