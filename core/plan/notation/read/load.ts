import { isId, type Id, count, kg, mass, assertNever } from "../../../kernel/index.ts";
import { BOUNDS, type LoadRule } from "../../index.ts";
import { TRIAL_TRIES } from "../context.ts";
import type { LoadWords, SetWord } from "../syntax.ts";
import { fail, type Reading, type Trouble } from "./reading.ts";
import { readBounded, readMass, readMovement, readPercent, readWhole } from "./words.ts";

/** How a load is found, and which set it follows from. */
export function readLoad(r: Reading, words: LoadWords): LoadRule {
  switch (words.kind) {
    case "masses": {
      const [reading = kg(0), ...then] = words.masses.map((m) => readMass(r, m));
      if (then.length === 0) return { kind: "absolute", reading };
      if (then.length > BOUNDS.fallbacks.most) {
        fail(r, words, { code: "bound", bound: "fallbacks", value: then.length });
      }
      return { kind: "fallback", reading, then };
    }
    case "shareOfSet":
      return {
        kind: "shareOfSet",
        ...readSetNamed(r, words.set),
        share: readPercent(r, words.percent, "percent"),
      };
    case "shareOfMovement":
      return {
        kind: "shareOfMovement",
        movement: readMovement(r, words.movement),
        share: readPercent(r, words.percent, "percent"),
      };
    case "shareOfMaximum":
      return { kind: "shareOfMaximum", share: readPercent(r, words.percent, "percent") };
    case "stepsFromSet":
      return {
        kind: "stepsFromSet",
        set: readSetNamed(r, words.set).set,
        steps: words.sign * readBounded(r, words.steps, "steps"),
      };
    case "last":
      return {
        kind: "fromLast",
        steps: words.steps === null ? 0 : words.sign * readBounded(r, words.steps, "steps"),
      };
    case "effort":
      return { kind: "byEffort" };
    case "open":
      return { kind: "open" };
    case "body":
      return {
        kind: "bodyWeight",
        by: words.sign === 1 ? "plus" : "minus",
        mass: words.mass === null ? mass(0, r.context.unit) : readMass(r, words.mass),
      };
    case "trial":
      return {
        kind: "trial",
        from: readMass(r, words.from),
        steps: words.up === null ? count(1) : readBounded(r, words.up, "steps"),
        tries: words.tries === null ? count(TRIAL_TRIES) : readBounded(r, words.tries, "tries"),
      };
    default:
      return assertNever(words);
  }
}

/** The set that words mean: an earlier one of this line, one of an exercise before, or one by its id. */
function readSetNamed(
  r: Reading,
  words: SetWord,
): { set: Id<"set">; part: Id<"extension"> | null } {
  const none = { set: r.newId<"set">(), part: null };
  switch (words.kind) {
    case "before": {
      const set = r.before.at(-1);
      if (set === undefined) fail(r, words, { code: "notBefore", number: 0 });
      return set === undefined ? none : { set: set.id, part: null };
    }
    case "id": {
      const { id, part } = words;
      if (!isId<"set">(id.text) || (part !== null && !isId<"extension">(part.text))) {
        fail(r, id, { code: "id" });
        return none;
      }
      return { set: id.text, part: part === null ? null : (part.text as Id<"extension">) };
    }
    case "number":
      return readSetNumbered(r, words) ?? none;
    default:
      return assertNever(words);
  }
}

function readSetNumbered(r: Reading, words: Extract<SetWord, { kind: "number" }>) {
  const number = readWhole(r, words.set);
  const exercise = words.exercise === null ? null : readWhole(r, words.exercise) - 1;
  const isOwn = exercise === null || exercise === r.context.own;
  const sets = isOwn ? r.before : (r.context.exercises[exercise] ?? []);
  const set = sets[number - 1];
  if (set === undefined || (exercise !== null && exercise > r.context.own)) {
    const trouble: Trouble =
      isOwn && number >= 1
        ? { code: "notBefore", number }
        : { code: "noSet", exercise: exercise === null ? null : exercise + 1, number };
    fail(r, words, trouble);
    return null;
  }
  if (words.part === null) return { set: set.id, part: null };
  const part = set.extensions[readWhole(r, words.part) - 1];
  if (part === undefined) fail(r, words.part, { code: "noPart", number: words.part.value });
  return { set: set.id, part: part?.id ?? null };
}
