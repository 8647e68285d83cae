import { z } from "zod";
import {
  MIDDLE_STANCES,
  QUESTION_NAMES,
  sidesOfQuestion,
  type Approach,
  type Question,
  type Stances,
} from "~/core/person/index.ts";
import { ownVolumeCodec, ownVolumeFormCodec } from "./own-volume.ts";
import { textField } from "./text.ts";

const stances = z.custom<Stances>((value) => {
  if (typeof value !== "object" || value === null) return false;
  const sides = value as Record<string, unknown>;
  return QUESTION_NAMES.every((q) => sidesOfQuestion(q).some((side) => side === sides[q]));
}, "expected a side on every question");

/** What a side of a question that asked several things at once stands for, by the questions of today. */
const ONCE_BUNDLED: Readonly<Record<string, Readonly<Record<string, Partial<Stances>>>>> = {
  extensions: Object.fromEntries(
    (["nothing", "half", "whole"] as const).map((side) => [
      side,
      { countDrops: side, countRestPause: side, countPastFailure: side },
    ]),
  ),
  repetitions: {
    heavyCalves: { calfRepetitions: "heavy", curlRepetitions: "low" },
    highRepCalves: { calfRepetitions: "highRep", curlRepetitions: "eightUp" },
  },
  curls: { either: { curlHips: "pressed" }, both: { curlHips: "lifted" } },
  kneeExtension: {
    lightOnly: {
      kneeExtension: "sometimes",
      kneeExtensionEffort: "lightOnly",
      kneeExtensionSeat: "reclined",
      kneeExtensionBend: "limited",
    },
  },
  calves: {
    needed: { calfEnd: "stretch" },
    dispensable: { calfEnd: "squeeze", calfOverstretch: "avoided" },
  },
  sides: { equal: { sideOrder: "alternating" }, extraForWeak: { sideOrder: "inTurn" } },
  preparation: { preFatigue: { stretchBetween: "between" } },
  headAndBreath: {
    neutralHeld: { head: "neutral", breath: "held", footPressure: "whole" },
    upExhale: { head: "up", breath: "out", footPressure: "heel" },
    downAhead: { head: "downAhead", footPressure: "whole" },
  },
};

/**
 * Stances as they are stored now. Those stored before a question was asked take the side that the bundled question of
 * then stood for, else that of the middle approach; the sides taken then stay.
 */
function upgraded(value: unknown): unknown {
  if (typeof value !== "object" || value === null) return value;
  const stored = value as Readonly<Record<string, unknown>>;
  if (QUESTION_NAMES.every((question) => question in stored)) return stored;
  const bundled = Object.assign(
    {},
    ...Object.entries(ONCE_BUNDLED).map(([question, sides]) => sides[String(stored[question])]),
  ) as Partial<Stances>;
  const kept = (question: Question) =>
    sidesOfQuestion(question).includes(String(stored[question])) ? stored[question] : undefined;
  return Object.fromEntries(
    QUESTION_NAMES.map((question) => [
      question,
      kept(question) ?? bundled[question] ?? MIDDLE_STANCES[question],
    ]),
  );
}

const storedStances = z.preprocess(upgraded, stances);

/** What of an approach is stored: all but its reference. */
export const approachCodec: z.ZodType<Omit<Approach, "ref">> = z.object({
  name: z.string(),
  summary: z.string(),
  holds: z.array(z.string()),
  disputed: z.array(z.string()),
  suits: z.string(),
  stances: storedStances,
  ownVolume: ownVolumeCodec,
});

const lines = (what: string) =>
  textField(what, 1200).transform((text) =>
    text
      .split("\n")
      .map((line) => line.trim())
      .filter((line) => line !== ""),
  );

const side = z.string().optional();
const stanceFields = Object.fromEntries(
  QUESTION_NAMES.map((question) => [`stance-${question}`, side]),
) as Record<`stance-${Question}`, typeof side>;

/** An approach as typed: its texts, and a side for each question under the question's own name. */
export const approachFormCodec = z
  .object({
    ...stanceFields,
    name: textField("a name", 60),
    summary: textField("one sentence", 300),
    holds: lines("what it holds, one view on each line"),
    disputed: lines("what others say against it, one on each line"),
    suits: textField("whom it suits", 400),
    ownVolume: ownVolumeFormCodec,
  })
  .transform((form, ctx): Omit<Approach, "ref"> => {
    const taken = Object.fromEntries(QUESTION_NAMES.map((q) => [q, form[`stance-${q}`]]));
    const parsed = stances.safeParse(taken);
    if (!parsed.success) {
      ctx.addIssue({ code: "custom", message: "Take a side on every question." });
      return z.NEVER;
    }
    const { name, summary, holds, disputed, suits, ownVolume } = form;
    return { name, summary, holds, disputed, suits, stances: parsed.data, ownVolume };
  });
