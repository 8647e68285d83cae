import { z } from "zod";
import type { Movement, OwnSetUp } from "~/core/movement/index.ts";
import { SET_UP_WORD } from "~/core/plan/index.ts";
import { textField } from "./text.ts";

const MOST_PARAMETERS = 12;
const MOST_CHOICES = 12;
const starts = z.enum(["lower", "lift"]);

/** What a studio added to an exercise, as stored. */
export const ownSetUpCodec: z.ZodType<OwnSetUp> = z.object({
  startsWith: starts.nullable(),
  parameters: z.array(
    z.object({ name: z.string(), choices: z.array(z.string()), isRising: z.boolean() }),
  ),
});

const NO_CHOICES = "Expected choices with commas between them.";
const oneChoice = textField("a choice", SET_UP_WORD);

/** Choices with commas between them, each once; what is wrong with one of them is said of the field. */
const choicesField = z.string({ error: NO_CHOICES }).transform((typed, ctx) => {
  const choices = new Set<string>();
  for (const written of typed.split(",")) {
    if (written.trim() === "") continue;
    const read = oneChoice.safeParse(written);
    if (read.success) choices.add(read.data);
    else
      ctx.addIssue({
        code: "custom",
        message: `“${written.trim().slice(0, 20)}”: ${read.error.issues[0]?.message ?? ""}`,
      });
  }
  if (choices.size === 0) ctx.addIssue({ code: "custom", message: NO_CHOICES });
  if (choices.size > MOST_CHOICES) {
    ctx.addIssue({ code: "custom", message: `Expected at most ${MOST_CHOICES} choices.` });
  }
  return [...choices];
});

const alike = (a: string, b: string) => a.toLowerCase() === b.toLowerCase();
const builtInOf = (name: string, { setUp }: Movement) => setUp.find((p) => alike(p.name, name));

/** The set-up of one exercise as typed; `builtIn` is the exercise without what was added. */
export function ownSetUpFormCodec(builtIn: Movement) {
  return z
    .object({
      startsWith: z.union([z.literal("builtIn"), starts], { error: "Expected how a rep begins." }),
      parameters: z
        .array(
          z.object({
            name: textField("a name", SET_UP_WORD),
            choices: choicesField,
            order: z.enum(["none", "rising"]),
          }),
        )
        .max(MOST_PARAMETERS, `Expected at most ${MOST_PARAMETERS} parameters.`)
        .default([]),
    })
    .superRefine(({ parameters }, ctx) => {
      parameters.forEach(({ name, choices, order }, i) => {
        const isAlone = builtInOf(name, builtIn) === undefined;
        const isTwice = parameters.some((p, j) => j < i && alike(p.name, name));
        const wrong = isTwice
          ? { field: "name", message: "This one is named twice." }
          : isAlone && choices.length < 2
            ? { field: "choices", message: "Expected at least two choices." }
            : order === "rising" && choices.length < 2
              ? { field: "choices", message: "An order needs two choices at least." }
              : null;
        if (wrong === null) return;
        const { field, message } = wrong;
        ctx.addIssue({ code: "custom", path: ["parameters", i, field], message });
      });
    })
    .transform(({ startsWith, parameters }): OwnSetUp => ({
      startsWith: startsWith === "builtIn" ? null : startsWith,
      parameters: parameters.map(({ name, choices, order }) => ({
        name: builtInOf(name, builtIn)?.name ?? name,
        choices,
        isRising: order === "rising",
      })),
    }));
}
