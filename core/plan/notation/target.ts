import { count, FAULTS, metres, seconds } from "../../kernel/index.ts";
import type { Target } from "../index.ts";
import { INTERVAL_PAUSE, LIKELY, TOTAL_PAUSE, TOTAL_SETS } from "./context.ts";
import {
  joined,
  num,
  number,
  range,
  rangeText,
  readBounded,
  readRange,
  readTime,
  readTimeRange,
  readWithin,
  time,
  timeRange,
  timeText,
  unless,
  type Num,
  type Range,
} from "./measures.ts";
import { kebab, memberWord } from "./names.ts";
import {
  anyOf,
  behind,
  inTurn,
  isSaid,
  map,
  maybe,
  oneOf,
  word,
  written,
  type Means,
  type PhrasesOf,
  type Words,
} from "./phrase.ts";
import { note, type Reading } from "./reading.ts";

/** What "max" and its like come to, for time only. */
const about = maybe(behind("about", number));
const pause = maybe(behind("pause", time));

const likelyOf = (r: Reading, said: Num | null, least = 0) =>
  said === null ? count(Math.max(LIKELY, least)) : readBounded(r, said, "amount");
const pauseOf = (r: Reading, said: Num | null, usual: number) =>
  said === null ? seconds(usual) : readTime(r, said, "pause");
const aboutText = (likely: number, usual = LIKELY) => unless(likely === usual, `about ${likely}`);
const pauseText = (said: number, usual: number) =>
  unless(said === usual, `pause ${timeText(said)}`);

/** One number, where a range makes no sense. */
function readOne(r: Reading, said: Range): Num {
  if (said.min.value !== said.max.value) note(r, said, { code: "oneNumber" });
  return said.max;
}

const COUNTED = oneOf<"inAll" | "perSide">([
  ["inAll", "inAll"],
  ["each", "perSide"],
]);

/** How each kind of target is written. */
const PHRASES: PhrasesOf<Target> = {
  reps: {
    read: map(inTurn(range(number), isSaid("reps")), ([reps]) => (r: Reading) => ({
      kind: "reps" as const,
      ...readRange(r, reps, "amount"),
    })),
    write: rangeText,
  },
  repsUntil: {
    read: map(
      inTurn(range(number), isSaid("reps"), behind("until", memberWord(FAULTS))),
      ([reps, , criterion]) =>
        (r: Reading) => ({
          kind: "repsUntil" as const,
          ...readRange(r, reps, "amount"),
          criterion: criterion(r),
        }),
    ),
    write: (target) => `${rangeText(target)} until ${kebab(target.criterion)}`,
  },
  seconds: {
    read: map(timeRange, (times) => (r: Reading) => ({
      kind: "seconds" as const,
      ...readTimeRange(r, times, "work"),
    })),
    write: (target) => `${rangeText(target)} s`,
  },
  steps: {
    read: map(
      inTurn(range(number), word("steps"), maybe(COUNTED), isSaid("outAndBack")),
      ([strides, , counted, outAndBack]) =>
        (r: Reading) => ({
          kind: "steps" as const,
          steps: readBounded(r, readOne(r, strides), "amount"),
          counted: counted ?? "perSide",
          outAndBack,
        }),
    ),
    write: ({ steps: strides, counted, outAndBack }) =>
      joined([
        `${strides} steps`,
        counted === "perSide" ? "each" : "in all",
        unless(!outAndBack, "out and back"),
      ]),
  },
  metres: {
    read: map(
      inTurn(range(number), word("m"), isSaid("outAndBack")),
      ([distance, , outAndBack]) =>
        (r: Reading) => ({
          kind: "metres" as const,
          metres: metres(readWithin(r, readOne(r, distance), "metres")),
          outAndBack,
        }),
    ),
    write: (target) =>
      joined([`${num(target.metres)} m`, unless(!target.outAndBack, "out and back")]),
  },
  limit: {
    read: map(
      inTurn(word("max"), maybe(behind("least", number)), about),
      ([, least, likely]) =>
        (r: Reading) => {
          const atLeast = least === null ? null : readBounded(r, least, "amount");
          return { kind: "limit" as const, atLeast, likely: likelyOf(r, likely, atLeast ?? 0) };
        },
    ),
    write: ({ atLeast, likely }) =>
      joined([
        "max",
        unless(atLeast === null, `least ${atLeast}`),
        aboutText(likely, Math.max(LIKELY, atLeast ?? 0)),
      ]),
  },
  total: {
    read: map(
      inTurn(
        behind("total", number),
        oneOf<"reps" | "steps">([
          ["reps", "reps"],
          ["steps", "steps"],
        ]),
        maybe(map(inTurn(behind("in", number), isSaid("sets")), ([sets]) => sets)),
        pause,
      ),
      ([amount, of, sets, wait]) =>
        (r: Reading) => ({
          kind: "total" as const,
          of,
          amount: readBounded(r, amount, "amount"),
          likelySets: sets === null ? count(TOTAL_SETS) : readBounded(r, sets, "repeats"),
          pause: pauseOf(r, wait, TOTAL_PAUSE),
        }),
    ),
    write: (target) =>
      joined([
        `total ${target.amount} ${target.of}`,
        unless(target.likelySets === TOTAL_SETS, `in ${target.likelySets} sets`),
        pauseText(target.pause, TOTAL_PAUSE),
      ]),
  },
  intervals: {
    read: map(
      inTurn(behind("intervals", number), behind("times", time), pause),
      ([rounds, work, wait]) =>
        (r: Reading) => ({
          kind: "intervals" as const,
          rounds: readBounded(r, rounds, "repeats"),
          work: readTime(r, work, "work"),
          pause: pauseOf(r, wait, INTERVAL_PAUSE),
        }),
    ),
    write: ({ rounds, work, pause: wait }) =>
      joined([`intervals ${rounds} x ${timeText(work)}`, pauseText(wait, INTERVAL_PAUSE)]),
  },
  untilForm: {
    read: map(
      inTurn(behind("until", memberWord(FAULTS)), about),
      ([criterion, likely]) =>
        (r: Reading) => ({
          kind: "untilForm" as const,
          criterion: criterion(r),
          likely: likelyOf(r, likely),
        }),
    ),
    write: ({ criterion, likely }) => joined([`until ${kebab(criterion)}`, aboutText(likely)]),
  },
  afterBurn: {
    read: map(
      inTurn(word("burn"), behind("plus", number), about),
      ([, reps, likely]) =>
        (r: Reading) => ({
          kind: "afterBurn" as const,
          reps: readBounded(r, reps, "amount"),
          likely: likelyOf(r, likely),
        }),
    ),
    write: ({ reps, likely }) => joined([`burn plus ${reps}`, aboutText(likely)]),
  },
};

/** What a set or an extension asks for. */
export const target: Words<Means<Target>> = anyOf(PHRASES);

/** A target as `parseTarget` reads it. */
export function writeTarget(value: Target): string {
  return written(PHRASES, value, null);
}
