import { count, mass } from "../../kernel/index.ts";
import { BOUNDS, type LoadRule } from "../index.ts";
import { TRIAL_TRIES } from "./context.ts";
import {
  joined,
  massPhrase,
  massText,
  number,
  percentText,
  percentWords,
  plusOrMinus,
  readBounded,
  readShare,
  signedText,
  unless,
} from "./measures.ts";
import { movementText, movementWord } from "./names.ts";
import {
  anyOf,
  behind,
  inTurn,
  isSaid,
  many,
  map,
  maybe,
  word,
  written,
  type Means,
  type PhrasesOf,
  type Words,
} from "./phrase.ts";
import { note, type Reading } from "./reading.ts";
import { isSetBefore, setText, setWord, type SetPlace } from "./set-word.ts";

/** How each kind of load is written. */
const PHRASES: PhrasesOf<LoadRule, SetPlace> = {
  absolute: {
    read: map(massPhrase, (reading) => (r: Reading) => ({
      kind: "absolute" as const,
      reading: reading(r),
    })),
    write: ({ reading }) => massText(reading),
  },
  open: {
    read: map(word("open"), () => () => ({ kind: "open" as const })),
    write: () => "open",
  },
  shareOfSet: {
    read: map(inTurn(percentWords, behind("of", setWord)), ([share, set]) => (r: Reading) => ({
      kind: "shareOfSet" as const,
      ...set(r),
      share: readShare(r, share, "percent"),
    })),
    write: (rule, place) => `${percentText(rule.share)} of ${setText(rule, place)}`,
  },
  stepsFromSet: {
    read: map(
      inTurn(setWord, plusOrMinus, number, isSaid("steps")),
      ([set, sign, steps]) =>
        (r: Reading) => ({
          kind: "stepsFromSet" as const,
          set: set(r).set,
          steps: sign * readBounded(r, steps, "steps"),
        }),
    ),
    // "The set before" reads the same in every set of a stack that is run down, so they stand together.
    write: ({ set, steps }, place) =>
      `${isSetBefore(set, place) ? "before" : setText({ set, part: null }, place)} ${signedText(steps)}`,
  },
  shareOfMaximum: {
    read: map(inTurn(percentWords, behind("of", word("max"))), ([share]) => (r: Reading) => ({
      kind: "shareOfMaximum" as const,
      share: readShare(r, share, "percent"),
    })),
    write: (rule) => `${percentText(rule.share)} of max`,
  },
  shareOfMovement: {
    read: map(
      inTurn(percentWords, behind("of", movementWord)),
      ([share, movement]) =>
        (r: Reading) => ({
          kind: "shareOfMovement" as const,
          movement: movement(r),
          share: readShare(r, share, "percent"),
        }),
    ),
    write: (rule, { context }) =>
      `${percentText(rule.share)} of ${movementText(rule.movement, context)}`,
  },
  fromLast: {
    read: map(
      inTurn(word("last"), maybe(inTurn(plusOrMinus, number, isSaid("steps")))),
      ([, by]) =>
        (r: Reading) => ({
          kind: "fromLast" as const,
          steps: by === null ? 0 : by[0] * readBounded(r, by[1], "steps"),
        }),
    ),
    write: ({ steps }) => (steps === 0 ? "last" : `last ${signedText(steps)}`),
  },
  byEffort: {
    read: map(word("effort"), () => () => ({ kind: "byEffort" as const })),
    write: () => "effort",
  },
  bodyWeight: {
    read: map(
      inTurn(word("body"), maybe(inTurn(plusOrMinus, massPhrase))),
      ([, by]) =>
        (r: Reading) => ({
          kind: "bodyWeight" as const,
          by: by?.[0] === -1 ? ("minus" as const) : ("plus" as const),
          mass: by === null ? mass(0, r.context.unit) : by[1](r),
        }),
    ),
    write: ({ by, mass: added }, { context }) => {
      const isBare = by === "plus" && added.thousandths === 0 && added.unit === context.unit;
      return joined(["body", unless(isBare, `${by} ${massText(added)}`)]);
    },
  },
  trial: {
    read: map(
      inTurn(
        behind("trial", massPhrase),
        maybe(behind("up", number)),
        maybe(behind("tries", number)),
      ),
      ([from, up, tries]) =>
        (r: Reading) => ({
          kind: "trial" as const,
          from: from(r),
          steps: up === null ? count(1) : readBounded(r, up, "steps"),
          tries: tries === null ? count(TRIAL_TRIES) : readBounded(r, tries, "tries"),
        }),
    ),
    write: ({ from, steps, tries }) =>
      joined([
        `trial ${massText(from)}`,
        unless(steps === 1, `up ${steps}`),
        unless(tries === TRIAL_TRIES, `tries ${tries}`),
      ]),
  },
  fallback: {
    read: map(
      inTurn(massPhrase, inTurn(word("else"), massPhrase), many(behind("else", massPhrase))),
      ([reading, [at, next], others]) =>
        (r: Reading) => {
          const first = reading(r);
          const then = [next, ...others].map((other) => other(r));
          if (then.length > BOUNDS.fallbacks.most) {
            note(r, at, { code: "bound", bound: "fallbacks", value: then.length });
          }
          return { kind: "fallback" as const, reading: first, then };
        },
    ),
    write: ({ reading, then }) => [reading, ...then].map(massText).join(" else "),
  },
};

/** How a load is found, and which set it follows from: what stands behind "at". */
export const load: Words<Means<LoadRule>> = anyOf(PHRASES);

/** A load as it stands in a line. */
export function loadText(rule: LoadRule, place: SetPlace): string {
  return written(PHRASES, rule, place);
}

/** A load as `parseLoad` reads it; nothing for one to be found. */
export function writeLoad(rule: LoadRule, place: SetPlace): string {
  return rule.kind === "open" ? "" : loadText(rule, place);
}
