import { seconds, assertNever } from "../../../kernel/index.ts";
import {
  isPhaseTime,
  isRir,
  OPEN_TEMPO,
  type Accent,
  type PlannedSet,
  type Rest,
  type Rir,
  type TempoPhaseName,
} from "../../index.ts";
import { RECOVERY } from "../context.ts";
import type { EffortWords, Modifier, RestWords, Span, Time } from "../syntax.ts";
import { ItemReader } from "./item.ts";

/** Reads effort, tempo, accents and rest. */
export abstract class ModifierReader extends ItemReader {
  protected effort(words: EffortWords, at: Span): Rir {
    switch (words.kind) {
      case "many":
        return "more";
      case "none":
        return 0;
      case "unknown":
      case "past":
        return words.kind;
      case "left":
        return this.reserve(words.reps.value, words.reps.value, words.reps);
      case "outOfTen": {
        const { value } = words.effort;
        if (value >= 0 && value < 5) return "more";
        return this.reserve(10 - value, value, words.effort);
      }
      default:
        this.fail(at, { code: "reserve", value: 0 });
        return assertNever(words);
    }
  }

  protected reserve(left: number, written: number, at: Span): Rir {
    if (isRir(left)) return left;
    this.fail(at, { code: "reserve", value: written });
    return 0;
  }

  protected tempo(phases: readonly Modifier[]): PlannedSet["tempo"] {
    return phases.reduce<PlannedSet["tempo"]>((tempo, modifier) => {
      if (modifier.kind !== "phase") return tempo;
      const { phase, seconds: time } = modifier;
      return { ...tempo, [phase]: time === "explosive" ? time : this.phase(phase, time) };
    }, OPEN_TEMPO);
  }

  private phase(name: TempoPhaseName, time: Time): number {
    const value = this.inside(time, "phase");
    if (value === time.value && !isPhaseTime(name, value))
      this.fail(time, { code: "noTime", phase: name });
    return value;
  }

  protected accent(modifier: Modifier): Accent {
    switch (modifier.kind) {
      case "deadStop":
      case "secondSqueeze":
        return { kind: modifier.kind, seconds: this.time(modifier.seconds, "accent") };
      case "slowLastRep":
        return {
          kind: "slowLastRep",
          phase: modifier.phase,
          seconds: this.time(modifier.seconds, "accent"),
        };
      case "load":
      case "effort":
      case "phase":
      case "rest":
      case "side":
      case "setUp":
      case "between":
      case "optional":
        throw new Error(`${modifier.kind} is no accent`);
      default:
        return assertNever(modifier);
    }
  }

  rest(words: RestWords): Rest {
    const about = (time: Time | null) =>
      time === null ? seconds(RECOVERY) : this.time(time, "rest");
    switch (words.kind) {
      case "time":
        if (words.max === null) return { kind: "fixed", seconds: this.time(words.min, "rest") };
        this.span(words.min, words.max, words.min);
        return {
          kind: "range",
          min: this.time(words.min, "rest"),
          max: this.time(words.max, "rest"),
        };
      case "most":
        return { kind: "atMost", seconds: this.time(words.time, "rest") };
      case "breath":
      case "partner":
        return { kind: words.kind, likely: about(words.about) };
      case "heart":
        return {
          kind: "heartRate",
          below: this.bounded(words.below, "heartRate"),
          likely: about(words.about),
        };
      default:
        return assertNever(words);
    }
  }
}
