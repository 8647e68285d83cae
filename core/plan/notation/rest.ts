import { seconds } from "../../kernel/index.ts";
import type { Rest } from "../index.ts";
import { RECOVERY } from "./context.ts";
import {
  joined,
  number,
  range,
  readBounded,
  readTime,
  readTimeRange,
  time,
  timeRange,
  timeText,
  unless,
  type Num,
} from "./measures.ts";
import {
  anyOf,
  behind,
  inTurn,
  map,
  maybe,
  word,
  written,
  type Means,
  type PhrasesOf,
  type Words,
} from "./phrase.ts";
import type { Reading } from "./reading.ts";

/** What recovery takes, for time only. */
const about = maybe(behind("about", time));
const likelyOf = (r: Reading, said: Num | null) =>
  said === null ? seconds(RECOVERY) : readTime(r, said, "rest");
const aboutText = (likely: number) => unless(likely === RECOVERY, `about ${timeText(likely)}`);

/** How each kind of rest is written. */
const PHRASES: PhrasesOf<Rest> = {
  fixed: {
    read: map(time, (said) => (r: Reading) => ({
      kind: "fixed" as const,
      seconds: readTime(r, said, "rest"),
    })),
    write: (rest) => timeText(rest.seconds),
  },
  range: {
    read: map(range(time), (said) => (r: Reading) => ({
      kind: "range" as const,
      ...readTimeRange(r, said, "rest"),
    })),
    write: ({ min, max }) => `${timeText(min)}-${timeText(max)}`,
  },
  atMost: {
    read: map(behind("most", time), (said) => (r: Reading) => ({
      kind: "atMost" as const,
      seconds: readTime(r, said, "rest"),
    })),
    write: (rest) => `most ${timeText(rest.seconds)}`,
  },
  breath: {
    read: map(inTurn(word("breath"), about), ([, likely]) => (r: Reading) => ({
      kind: "breath" as const,
      likely: likelyOf(r, likely),
    })),
    write: ({ likely }) => joined(["breath", aboutText(likely)]),
  },
  partner: {
    read: map(inTurn(word("partner"), about), ([, likely]) => (r: Reading) => ({
      kind: "partner" as const,
      likely: likelyOf(r, likely),
    })),
    write: ({ likely }) => joined(["partner", aboutText(likely)]),
  },
  heartRate: {
    read: map(
      inTurn(word("heart"), behind("below", number), about),
      ([, below, likely]) =>
        (r: Reading) => ({
          kind: "heartRate" as const,
          below: readBounded(r, below, "heartRate"),
          likely: likelyOf(r, likely),
        }),
    ),
    write: ({ below, likely }) => joined([`heart below ${below}`, aboutText(likely)]),
  },
};

/** The rest after a set. */
export const rest: Words<Means<Rest>> = anyOf(PHRASES);

/** A time before the word "rest": with its unit, since a number alone would count something else. */
export const timed: Words<Means<Rest>> = map(timeRange, (said) => (r: Reading) => {
  const { min, max } = readTimeRange(r, said, "rest");
  return said.isOne ? { kind: "fixed", seconds: min } : { kind: "range", min, max };
});

/** A rest as `parseRest` reads it. */
export function writeRest(value: Rest): string {
  return written(PHRASES, value, null);
}
