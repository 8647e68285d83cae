import { z } from "zod";
import { SET_UP_WORD } from "~/core/plan/index.ts";
import {
  FAULTS,
  JOINT_ACTIONS,
  LATERALITIES,
  LIMITERS,
  MUSCLE_LENGTHS,
  PATTERNS,
  REGIONS,
  RESISTANCE_PROFILES,
  type Region,
  type MovementRef,
  seconds,
  movementField,
} from "~/core/kernel/index.ts";
import {
  SET_UP_NEEDS,
  typedOver,
  type Movement,
  type RegionShare,
  type SetUpParameter,
  type TypedParameter,
} from "~/core/movement/index.ts";
import { LOADING_KINDS } from "~/core/gym/index.ts";
import { optionalTextField, textField } from "./text.ts";
import { secondsCodec } from "./values.ts";

const stress = z.enum(["none", "low", "moderate", "high"]);
const stimulus = z.object({
  length: z.enum(MUSCLE_LENGTHS).exactOptional(),
  profile: z.enum(RESISTANCE_PROFILES).exactOptional(),
});

/** Complete by type: a field that is not read here would be written and lost. */
const setUpParameter = {
  name: z.string(),
  choices: z.array(z.string()),
  usual: z.string(),
  shifts: z.record(z.string(), stimulus).exactOptional(),
  claimed: z.string().exactOptional(),
  answers: z.partialRecord(z.enum(SET_UP_NEEDS), z.string()).exactOptional(),
  rising: z.array(z.string()).exactOptional(),
} satisfies Readonly<Record<keyof SetUpParameter, z.ZodType>>;

/** A studio's own movement as stored: all but its reference. */
export const movementCodec: z.ZodType<Omit<Movement, "ref">> = z.object({
  name: z.string(),
  // Stored before there were other names.
  alsoCalled: z.array(z.string()).default([]),
  pattern: z.enum(PATTERNS),
  jointActions: z.array(z.enum(JOINT_ACTIONS)),
  regions: z.array(
    z.object({
      region: z.enum(REGIONS),
      share: z.union([z.literal(1), z.literal(0.5), z.literal(0.25)]),
    }),
  ),
  length: z.enum(MUSCLE_LENGTHS),
  profile: z.enum(RESISTANCE_PROFILES),
  laterality: z.enum(LATERALITIES),
  stability: z.enum(["supported", "guided", "free"]),
  givesOutFirst: z.enum(LIMITERS),
  safeAlone: z.object({ toTheLimit: z.boolean(), how: z.string() }),
  spinalLoad: stress,
  kneeStress: stress,
  hipStress: stress,
  difficulty: z.enum(["beginner", "trained", "advanced"]),
  setUpEffort: z.enum(["little", "some", "much"]),
  loadings: z.array(z.enum(LOADING_KINDS)),
  setUp: z.array(z.object(setUpParameter)),
  tempoStart: z.enum(["lower", "lift"]),
  usualRep: secondsCodec,
  breathing: z.string(),
  takeUp: z.string(),
  putBack: z.string(),
  spotting: z.string(),
  cues: z.array(z.string()),
  faults: z.array(
    z.object({
      fault: z.enum(FAULTS),
      cause: z.string(),
      cue: z.string(),
      corrective: z.string(),
    }),
  ),
  cautions: z.array(z.string()),
  substitutes: z.array(z.object({ movement: movementField, reason: z.string() })),
  handsFree: z.object({ movement: movementField, name: z.string() }).exactOptional(),
});

const text = (what: string, max = 300) => textField(what, max);
const list = (what: string) =>
  text(what, 1500).transform((t) =>
    t
      .split("\n")
      .map((line) => line.trim())
      .filter((line) => line !== ""),
  );
/** Names with commas between them; nothing for none. */
const names = z
  .string()
  .max(400, "Expected at most 400 letters.")
  .default("")
  .transform((t) =>
    t
      .split(",")
      .map((name) => name.trim())
      .filter((name) => name !== ""),
  );
const several = <T extends string>(options: readonly T[], what: string) =>
  z.array(z.enum(options), { error: what }).min(1, what);

/**
 * A movement as typed. `known` says whether a reference leads to a movement, so that no substitute leads
 * nowhere; `self` is the movement that is changed, which cannot stand in for itself; `begun` is the set-up of the
 * one that the form began with, of which the form says names and choices only.
 */
export function movementFormCodec(
  known: (ref: MovementRef) => boolean,
  self: MovementRef | null,
  begun: readonly SetUpParameter[],
) {
  return z
    .object({
      name: text("a name", 80),
      alsoCalled: names,
      pattern: z.enum(PATTERNS),
      jointActions: several(JOINT_ACTIONS, "Expected at least one joint action."),
      direct: several(REGIONS, "Expected at least one region that it trains directly."),
      assisting: z.array(z.enum(REGIONS)).default([]),
      length: z.enum(MUSCLE_LENGTHS),
      profile: z.enum(RESISTANCE_PROFILES),
      laterality: z.enum(LATERALITIES),
      stability: z.enum(["supported", "guided", "free"]),
      givesOutFirst: z.enum(LIMITERS),
      toTheLimit: z.literal("on").optional(),
      how: text("how to get out of it alone"),
      spinalLoad: stress,
      kneeStress: stress,
      hipStress: stress,
      difficulty: z.enum(["beginner", "trained", "advanced"]),
      setUpEffort: z.enum(["little", "some", "much"]),
      loadings: several(LOADING_KINDS, "Expected at least one way of loading it."),
      setUp: optionalTextField(1500),
      tempoStart: z.enum(["lower", "lift"]),
      usualRep: z
        .string({ error: "Expected seconds, like 4." })
        .trim()
        .regex(/^\d{1,2}([.,]\d)?$/, "Expected seconds, like 4 or 3.5.")
        .transform((t) => seconds(Number(t.replace(",", "."))))
        .refine((s) => s > 0 && s <= 60, "Expected more than 0 and at most 60 seconds."),
      breathing: text("how to breathe"),
      takeUp: text("how the load is taken up"),
      putBack: text("how it is put back"),
      spotting: text("where a spotter stands, or that none is needed"),
      cues: list("at least one cue, each on a line"),
      cautions: list("at least one caution, each on a line"),
      faults: z
        .array(
          z.object({
            fault: z.enum(FAULTS),
            cause: text("a likely cause"),
            cue: text("a cue"),
            corrective: text("a corrective"),
          }),
        )
        .min(1, "Expected at least one fault with cause, cue and corrective.")
        .max(8),
      substitutes: z
        .array(z.object({ movement: movementField, reason: text("what it is good for") }))
        .min(2, "Expected at least two substitutes, each with its reason.")
        .max(8),
    })
    .superRefine((form, ctx) => {
      form.substitutes.forEach(({ movement }, i) => {
        const isTwice = form.substitutes.some((s, j) => j < i && s.movement === movement);
        const wrong = !known(movement)
          ? "This substitute leads nowhere; choose an exercise of the catalogue."
          : movement === self
            ? "An exercise cannot replace itself."
            : isTwice
              ? "This one is named twice."
              : null;
        if (wrong === null) return;
        ctx.addIssue({ code: "custom", path: ["substitutes", i, "movement"], message: wrong });
      });
      const lines = setUpLines(form.setUp);
      for (const [i, line] of lines.entries()) {
        const isTwice = lines.some((other, j) => j < i && isSameName(other.name, line.name));
        const wrong = isTwice ? `“${line.name}” is listed twice.` : wrongInSetUp(line);
        if (wrong !== null) ctx.addIssue({ code: "custom", path: ["setUp"], message: wrong });
      }
    })
    .transform(({ direct, assisting, toTheLimit, how, setUp, ...form }): Omit<Movement, "ref"> => ({
      ...form,
      regions: regionsOf(direct, assisting),
      safeAlone: { toTheLimit: toTheLimit === "on", how },
      setUp: setUpLines(setUp).map((typed) => typedOver(typed, begun)),
    }));
}

/** "Stance: hip width, wide", a parameter on each line; the first choice is the usual one. */
function setUpLines(typed: string): readonly TypedParameter[] {
  return typed
    .split("\n")
    .filter((line) => line.trim() !== "")
    .map((line) => {
      const [name = "", choices = ""] = line.split(/:(.*)/s);
      return {
        name: name.trim(),
        choices: choices
          .split(",")
          .map((c) => c.trim())
          .filter((c) => c !== ""),
      };
    });
}

const isSameName = (a: string, b: string) => a.toLowerCase() === b.toLowerCase();

/** Names and choices become keys and values of a plan's set-up, so they are held to its bound. */
function wrongInSetUp({ name, choices }: TypedParameter): string | null {
  if (name === "") return "Each line names what is set up first, like Stance: hip width, wide.";
  if (choices.length < 2)
    return `“${name}” needs at least two choices, like Stance: hip width, wide.`;
  if (new Set(choices).size < choices.length) return `“${name}” names a choice twice.`;
  return [name, ...choices].some((word) => word.length > SET_UP_WORD)
    ? `“${name}”: names and choices have at most ${SET_UP_WORD} characters.`
    : null;
}

function regionsOf(
  direct: readonly Region[],
  assisting: readonly Region[],
): readonly RegionShare[] {
  return [
    ...direct.map((region) => ({ region, share: 1 }) as const),
    ...assisting
      .filter((region) => !direct.includes(region))
      .map((region) => ({ region, share: 0.5 }) as const),
  ];
}
