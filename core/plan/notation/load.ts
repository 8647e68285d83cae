import { count, mass } from "../../kernel/index.ts";
import {
  BOUNDS,
  type LoadBasis,
  type LoadRule,
  type SetReference,
  type ShareSpan,
} from "../index.ts";
import { TRIAL_TRIES } from "./context.ts";
import {
  joined,
  massInUnit,
  massPhrase,
  massText,
  number,
  percentText,
  percentWords,
  plusOrMinus,
  range,
  readBounded,
  readShare,
  signedText,
  unless,
  type Range,
} from "./measures.ts";
import { movementText, movementWord } from "./names.ts";
import {
  anyOf,
  behind,
  first,
  inTurn,
  isSaid,
  longest,
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

/** number [ "-" number ] "%" */
const shareSpan: Words<Range> = map(inTurn(range(number), word("percent")), ([span]) => span);

function readSpan(r: Reading, span: Range): ShareSpan {
  const share = readShare(r, span.min, "percent");
  if (span.isOne) return { share, upTo: null };
  const upTo = readShare(r, span.max, "percent");
  if (upTo > share) return { share, upTo };
  note(r, span, { code: "upsideDown", min: span.min.value, max: span.max.value });
  return { share, upTo: null };
}

function spanText({ share, upTo }: ShareSpan): string {
  return upTo === null
    ? percentText(share)
    : `${percentText(share).slice(0, -1)}-${percentText(upTo)}`;
}

/** Which load another one goes from: "last", or a set before. */
const basis: Words<Means<LoadBasis>> = first<Means<LoadBasis>>(
  map(word("last"), () => () => ({ kind: "last" })),
  map(setWord, (set) => (r: Reading) => ({ kind: "set", ...set(r) })),
);

function basisText(from: LoadBasis, place: SetPlace): string {
  return from.kind === "last" ? "last" : setOrBefore(from, place);
}

/** "The set before" reads the same in every set of a row, so that they stand together. */
function setOrBefore(from: SetReference, place: SetPlace): string {
  return from.part === null && isSetBefore(from.set, place) ? "before" : setText(from, place);
}

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
    read: map(inTurn(shareSpan, behind("of", setWord)), ([span, set]) => (r: Reading) => ({
      kind: "shareOfSet" as const,
      ...set(r),
      ...readSpan(r, span),
    })),
    write: (rule, place) => `${spanText(rule)} of ${setText(rule, place)}`,
  },
  sameAsSet: {
    read: map(behind("as", setWord), (set) => (r: Reading) => ({
      kind: "sameAsSet" as const,
      ...set(r),
    })),
    // Sets that all repeat one set read alike, so that they stand together.
    write: (rule, place) => `as ${setText(rule, place)}`,
  },
  shareOfPlates: {
    read: map(
      inTurn(percentWords, behind("of", behind("plates", behind("of", basis)))),
      ([share, from]) =>
        (r: Reading) => ({
          kind: "shareOfPlates" as const,
          share: readShare(r, share, "percent"),
          basis: from(r),
        }),
    ),
    write: (rule, place) =>
      `${percentText(rule.share)} of plates of ${basisText(rule.basis, place)}`,
  },
  massFrom: {
    read: map(
      inTurn(basis, plusOrMinus, massInUnit, isSaid("perSide")),
      ([from, sign, by, isPerSide]) =>
        (r: Reading) => ({
          kind: "massFrom" as const,
          by: sign === 1 ? ("plus" as const) : ("minus" as const),
          mass: by(r),
          counted: isPerSide ? ("perSide" as const) : ("asRead" as const),
          basis: from(r),
        }),
    ),
    write: (rule, place) =>
      joined([
        `${basisText(rule.basis, place)} ${rule.by} ${massText(rule.mass)}`,
        unless(rule.counted === "asRead", "per side"),
      ]),
  },
  platesFrom: {
    read: map(
      inTurn(basis, plusOrMinus, number, word("plates"), maybe(behind("of", massPhrase))),
      ([from, sign, plates, , size]) =>
        (r: Reading) => ({
          kind: "platesFrom" as const,
          by: sign === 1 ? ("plus" as const) : ("minus" as const),
          plates: readBounded(r, plates, "plates"),
          size: size?.(r) ?? null,
          basis: from(r),
        }),
    ),
    write: ({ basis: from, by, plates, size }, place) =>
      joined([
        `${basisText(from, place)} ${by} ${plates} plates`,
        size === null ? "" : `of ${massText(size)}`,
      ]),
  },
  shareOfUsual: {
    read: map(
      inTurn(percentWords, behind("of", behind("usual", number)), isSaid("reps")),
      ([share, reps]) =>
        (r: Reading) => ({
          kind: "shareOfUsual" as const,
          share: readShare(r, share, "percent"),
          reps: readBounded(r, reps, "possibleReps"),
        }),
    ),
    write: (rule) => `${percentText(rule.share)} of usual ${rule.reps}`,
  },
  stepsFromSet: {
    read: map(
      inTurn(setWord, plusOrMinus, number, isSaid("steps")),
      ([set, sign, increments]) =>
        (r: Reading) => ({
          kind: "stepsFromSet" as const,
          set: set(r).set,
          steps: sign * readBounded(r, increments, "steps"),
        }),
    ),
    write: ({ set, steps: increments }, place) =>
      `${setOrBefore({ set, part: null }, place)} ${signedText(increments)}`,
  },
  shareOfMaximum: {
    read: map(inTurn(shareSpan, maybe(behind("of", word("max")))), ([span]) => (r: Reading) => ({
      kind: "shareOfMaximum" as const,
      ...readSpan(r, span),
    })),
    write: (rule) => `${spanText(rule)} of max`,
  },
  shareOfMovement: {
    read: map(
      inTurn(shareSpan, behind("of", movementWord)),
      ([span, movement]) =>
        (r: Reading) => ({
          kind: "shareOfMovement" as const,
          movement: movement(r),
          ...readSpan(r, span),
        }),
    ),
    write: (rule, { context }) => `${spanText(rule)} of ${movementText(rule.movement, context)}`,
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
    write: ({ steps: increments }) =>
      increments === 0 ? "last" : `last ${signedText(increments)}`,
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
    write: ({ from, steps: increments, tries }) =>
      joined([
        `trial ${massText(from)}`,
        unless(increments === 1, `up ${increments}`),
        unless(tries === TRIAL_TRIES, `tries ${tries}`),
      ]),
  },
  fallback: {
    read: map(
      inTurn(massPhrase, inTurn(word("else"), massPhrase), many(behind("else", massPhrase))),
      ([reading, [at, next], others]) =>
        (r: Reading) => {
          const begun = reading(r);
          const then = [next, ...others].map((other) => other(r));
          if (then.length > BOUNDS.fallbacks.most) {
            note(r, at, { code: "bound", bound: "fallbacks", value: then.length });
          }
          return { kind: "fallback" as const, reading: begun, then };
        },
    ),
    write: ({ reading, then }) => [reading, ...then].map(massText).join(" else "),
  },
};

/** How a load is found, and which set it follows from: what stands behind "at". */
export const load: Words<Means<LoadRule>> = anyOf(PHRASES);

/** A load without "at": a share, or a mass with its unit. */
export const bareLoad: Words<Means<LoadRule>> = longest<Means<LoadRule>>(
  PHRASES.shareOfMaximum.read,
  PHRASES.shareOfSet.read,
  PHRASES.shareOfMovement.read,
  map(massInUnit, (reading) => (r) => ({ kind: "absolute", reading: reading(r) })),
);

/** A load as it stands in a line. */
export function loadText(rule: LoadRule, place: SetPlace): string {
  return written(PHRASES, rule, place);
}

/** A load as `parseLoad` reads it; nothing for one to be found. */
export function writeLoad(rule: LoadRule, place: SetPlace): string {
  return rule.kind === "open" ? "" : loadText(rule, place);
}
