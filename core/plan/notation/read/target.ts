import { FAULTS, count, metres, seconds, type Count, assertNever } from "../../../kernel/index.ts";
import { BOUNDS, type Target } from "../../index.ts";
import { INTERVAL_PAUSE, LIKELY, TOTAL_PAUSE, TOTAL_SETS } from "../context.ts";
import type { Num, TargetWords } from "../syntax.ts";
import { fail, type Reading } from "./reading.ts";
import { readBounded, readWithin, readMember, checkSpan, readTime } from "./words.ts";

/** What a set or a part asks for. */
export function readTarget(r: Reading, words: TargetWords): Target {
  const likely = (about: Num | null, least = 0) =>
    about === null ? count(Math.max(LIKELY, least)) : readBounded(r, about, "amount");
  switch (words.kind) {
    case "amount":
      return readAmount(r, words);
    case "limit": {
      const atLeast = words.least === null ? null : readBounded(r, words.least, "amount");
      return { kind: "limit", atLeast, likely: likely(words.about, atLeast ?? 0) };
    }
    case "total":
      return {
        kind: "total",
        of: words.of,
        amount: readBounded(r, words.amount, "amount"),
        likelySets: words.sets === null ? count(TOTAL_SETS) : readBounded(r, words.sets, "repeats"),
        pause: words.pause === null ? seconds(TOTAL_PAUSE) : readTime(r, words.pause, "pause"),
      };
    case "intervals":
      return {
        kind: "intervals",
        rounds: readBounded(r, words.rounds, "repeats"),
        work: readTime(r, words.work, "work"),
        pause: words.pause === null ? seconds(INTERVAL_PAUSE) : readTime(r, words.pause, "pause"),
      };
    case "until":
      return {
        kind: "untilForm",
        criterion: readMember(r, FAULTS, words.fault),
        likely: likely(words.about),
      };
    case "burn":
      return {
        kind: "afterBurn",
        reps: readBounded(r, words.reps, "amount"),
        likely: likely(words.about),
      };
    default:
      return assertNever(words);
  }
}

/** A number or a range of what is counted. */
function readAmount(r: Reading, words: Extract<TargetWords, { kind: "amount" }>): Target {
  const { counts } = words;
  if (counts.kind === "seconds") {
    checkSpan(r, words.min, words.max, words);
    return {
      kind: "seconds",
      min: readTime(r, words.min, "work"),
      max: readTime(r, words.max, "work"),
    };
  }
  if (counts.kind === "reps") {
    checkSpan(r, words.min, words.max, words);
    return {
      kind: "reps",
      min: readBounded(r, words.min, "amount"),
      max: words.max === words.min ? readQuiet(r, words.max) : readBounded(r, words.max, "amount"),
    };
  }
  if (words.min.value !== words.max.value) fail(r, words, { code: "oneNumber" });
  if (counts.kind === "steps") {
    const { counted, outAndBack } = counts;
    return { kind: "steps", steps: readBounded(r, words.max, "amount"), counted, outAndBack };
  }
  return {
    kind: "metres",
    metres: metres(readWithin(r, words.max, "metres")),
    outAndBack: counts.outAndBack,
  };
}

/** A number that was judged already. */
function readQuiet(r: Reading, n: Num): Count {
  return count(Math.max(BOUNDS.amount.least, Math.round(Math.min(n.value, BOUNDS.amount.most))));
}
