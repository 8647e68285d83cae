import { FAULTS, count, metres, seconds, type Count, assertNever } from "../../../kernel/index.ts";
import { BOUNDS, type Target } from "../../index.ts";
import { INTERVAL_PAUSE, LIKELY, TOTAL_PAUSE, TOTAL_SETS } from "../context.ts";
import type { Num, TargetWords } from "../syntax.ts";
import { WordReader } from "./words.ts";

/** Reads what a set or a part asks for. */
export abstract class TargetReader extends WordReader {
  target(words: TargetWords): Target {
    const likely = (about: Num | null, least = 0) =>
      about === null ? count(Math.max(LIKELY, least)) : this.bounded(about, "amount");
    switch (words.kind) {
      case "amount":
        return this.amount(words);
      case "limit": {
        const atLeast = words.least === null ? null : this.bounded(words.least, "amount");
        return { kind: "limit", atLeast, likely: likely(words.about, atLeast ?? 0) };
      }
      case "total":
        return {
          kind: "total",
          of: words.of,
          amount: this.bounded(words.amount, "amount"),
          likelySets: words.sets === null ? count(TOTAL_SETS) : this.bounded(words.sets, "repeats"),
          pause: words.pause === null ? seconds(TOTAL_PAUSE) : this.time(words.pause, "pause"),
        };
      case "intervals":
        return {
          kind: "intervals",
          rounds: this.bounded(words.rounds, "repeats"),
          work: this.time(words.work, "work"),
          pause: words.pause === null ? seconds(INTERVAL_PAUSE) : this.time(words.pause, "pause"),
        };
      case "until":
        return {
          kind: "untilForm",
          criterion: this.member(FAULTS, words.fault),
          likely: likely(words.about),
        };
      case "burn":
        return {
          kind: "afterBurn",
          reps: this.bounded(words.reps, "amount"),
          likely: likely(words.about),
        };
      default:
        return assertNever(words);
    }
  }

  protected amount(words: Extract<TargetWords, { kind: "amount" }>): Target {
    const { counts } = words;
    if (counts.kind === "seconds") {
      this.span(words.min, words.max, words);
      return {
        kind: "seconds",
        min: this.time(words.min, "work"),
        max: this.time(words.max, "work"),
      };
    }
    if (counts.kind === "reps") {
      this.span(words.min, words.max, words);
      return {
        kind: "reps",
        min: this.bounded(words.min, "amount"),
        max: words.max === words.min ? this.quiet(words.max) : this.bounded(words.max, "amount"),
      };
    }
    if (words.min.value !== words.max.value) this.fail(words, { code: "oneNumber" });
    if (counts.kind === "steps") {
      const { counted, outAndBack } = counts;
      return { kind: "steps", steps: this.bounded(words.max, "amount"), counted, outAndBack };
    }
    return {
      kind: "metres",
      metres: metres(this.inside(words.max, "metres")),
      outAndBack: counts.outAndBack,
    };
  }

  /** A number that was judged already. */
  protected quiet(n: Num): Count {
    return count(Math.max(BOUNDS.amount.least, Math.round(Math.min(n.value, BOUNDS.amount.most))));
  }
}
