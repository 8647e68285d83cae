import { isId, type Id, count, kg, mass, assertNever } from "../../../kernel/index.ts";
import { BOUNDS, type LoadRule } from "../../index.ts";
import { TRIAL_TRIES } from "../context.ts";
import type { LoadWords, SetWord } from "../syntax.ts";
import { TargetReader } from "./target.ts";
import type { Trouble } from "./words.ts";

/** Reads loads, and which set they follow from. */
export abstract class LoadReader extends TargetReader {
  load(words: LoadWords): LoadRule {
    switch (words.kind) {
      case "masses": {
        const [reading = kg(0), ...then] = words.masses.map((m) => this.mass(m));
        if (then.length === 0) return { kind: "absolute", reading };
        if (then.length > BOUNDS.fallbacks.most) {
          this.fail(words, { code: "bound", bound: "fallbacks", value: then.length });
        }
        return { kind: "fallback", reading, then };
      }
      case "shareOfSet":
        return {
          kind: "shareOfSet",
          ...this.setNamed(words.set),
          share: this.percent(words.percent, "percent"),
        };
      case "shareOfMovement":
        return {
          kind: "shareOfMovement",
          movement: this.movement(words.movement),
          share: this.percent(words.percent, "percent"),
        };
      case "shareOfMaximum":
        return { kind: "shareOfMaximum", share: this.percent(words.percent, "percent") };
      case "stepsFromSet":
        return {
          kind: "stepsFromSet",
          set: this.setNamed(words.set).set,
          steps: words.sign * this.bounded(words.steps, "steps"),
        };
      case "last":
        return {
          kind: "fromLast",
          steps: words.steps === null ? 0 : words.sign * this.bounded(words.steps, "steps"),
        };
      case "effort":
        return { kind: "byEffort" };
      case "open":
        return { kind: "open" };
      case "body":
        return {
          kind: "bodyWeight",
          by: words.sign === 1 ? "plus" : "minus",
          mass: words.mass === null ? mass(0, this.context.unit) : this.mass(words.mass),
        };
      case "trial":
        return {
          kind: "trial",
          from: this.mass(words.from),
          steps: words.up === null ? count(1) : this.bounded(words.up, "steps"),
          tries: words.tries === null ? count(TRIAL_TRIES) : this.bounded(words.tries, "tries"),
        };
      default:
        return assertNever(words);
    }
  }

  /** The set that words mean: an earlier one of this line, one of an exercise before, or one by its id. */
  protected setNamed(words: SetWord): { set: Id<"set">; part: Id<"extension"> | null } {
    const none = { set: this.mint<"set">(), part: null };
    switch (words.kind) {
      case "before": {
        const set = this.before.at(-1);
        if (set === undefined) this.fail(words, { code: "notBefore", number: 0 });
        return set === undefined ? none : { set: set.id, part: null };
      }
      case "id": {
        const { id, part } = words;
        if (!isId<"set">(id.text) || (part !== null && !isId<"extension">(part.text))) {
          this.fail(id, { code: "id" });
          return none;
        }
        return { set: id.text, part: part === null ? null : (part.text as Id<"extension">) };
      }
      case "number":
        return this.setNumbered(words) ?? none;
      default:
        return assertNever(words);
    }
  }

  protected setNumbered(words: Extract<SetWord, { kind: "number" }>) {
    const number = this.whole(words.set);
    const exercise = words.exercise === null ? null : this.whole(words.exercise) - 1;
    const isOwn = exercise === null || exercise === this.context.own;
    const sets = isOwn ? this.before : (this.context.exercises[exercise] ?? []);
    const set = sets[number - 1];
    if (set === undefined || (exercise !== null && exercise > this.context.own)) {
      const trouble: Trouble =
        isOwn && number >= 1
          ? { code: "notBefore", number }
          : { code: "noSet", exercise: exercise === null ? null : exercise + 1, number };
      this.fail(words, trouble);
      return null;
    }
    if (words.part === null) return { set: set.id, part: null };
    const part = set.extensions[this.whole(words.part) - 1];
    if (part === undefined) this.fail(words.part, { code: "noPart", number: words.part.value });
    return { set: set.id, part: part?.id ?? null };
  }
}
