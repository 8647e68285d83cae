import { isId, type Id } from "../../kernel/index.ts";
import type { PlannedSet, SetReference } from "../index.ts";
import type { NotationContext } from "./context.ts";
import { number, readWhole, type Num } from "./measures.ts";
import { name, quoted, type Name } from "./names.ts";
import { behind, first, inTurn, map, maybe, word, type Means, type Words } from "./phrase.ts";
import type { Span } from "./span.ts";
import type { Trouble } from "./error.ts";
import { note, type Reading } from "./reading.ts";

const noneOf = (r: Reading): SetReference => ({ set: r.newId<"set">(), part: null });

const before: Words<Means<SetReference>> = map(word("before"), (at) => (r: Reading) => {
  const set = r.before.at(-1);
  if (set !== undefined) return { set: set.id, part: null };
  note(r, at, { code: "notBefore", number: 0 });
  return noneOf(r);
});

const byNumber: Words<Means<SetReference>> = map(
  inTurn(
    maybe(inTurn(word("exercise"), number)),
    word("set"),
    number,
    maybe(behind("part", number)),
  ),
  ([exercise, at, set, part]) =>
    (r: Reading) =>
      readNumbered(r, { at: exercise?.[0] ?? at, exercise: exercise?.[1] ?? null, set, part }) ??
      noneOf(r),
);

const byId: Words<Means<SetReference>> = map(
  inTurn(behind("set", name), maybe(behind("part", name))),
  ([id, part]) =>
    (r: Reading) =>
      readIds(r, id, part),
);

/** set = "before" | [ "exercise" number ] "set" ( number [ "part" number ] | name [ "part" name ] ) */
export const setWord: Words<Means<SetReference>> = first(before, byNumber, byId);

/** As {@link setWord}, of this exercise alone and no extension of it. */
export const ownSet: Words<Means<Id<"set">>> = first(
  map(before, (named) => (r: Reading) => named(r).set),
  map(inTurn(word("set"), number), ([at, ordinal]) => (r: Reading) => {
    const words = { at, exercise: null, set: ordinal, part: null };
    return (readNumbered(r, words) ?? noneOf(r)).set;
  }),
  map(behind("set", name), (id) => (r: Reading) => readIds(r, id, null).set),
);

function readIds(r: Reading, id: Name, part: Name | null): SetReference {
  const [set, extension] = [id.text, part?.text ?? null];
  if (!isId<"set">(set) || (extension !== null && !isId<"extension">(extension))) {
    note(r, id, { code: "id" });
    return noneOf(r);
  }
  return { set, part: extension };
}

/** An earlier set of this line, or one of an exercise before. */
function readNumbered(
  r: Reading,
  words: {
    readonly at: Span;
    readonly exercise: Num | null;
    readonly set: Num;
    readonly part: Num | null;
  },
): SetReference | null {
  const ordinal = readWhole(r, words.set);
  const exercise = words.exercise === null ? null : readWhole(r, words.exercise) - 1;
  const isOwn = exercise === null || exercise === r.context.own;
  const sets = isOwn ? r.before : (r.context.exercises[exercise] ?? []);
  const set = sets[ordinal - 1];
  if (set === undefined || (exercise !== null && exercise > r.context.own)) {
    const trouble: Trouble =
      isOwn && ordinal >= 1
        ? { code: "notBefore", number: ordinal }
        : { code: "noSet", exercise: exercise === null ? null : exercise + 1, number: ordinal };
    note(r, words.at, trouble);
    return null;
  }
  if (words.part === null) return { set: set.id, part: null };
  const extension = set.extensions[readWhole(r, words.part) - 1];
  if (extension === undefined) note(r, words.part, { code: "noPart", number: words.part.value });
  return { set: set.id, part: extension?.id ?? null };
}

/** Where a set stands while it is written: among the sets of its exercise, which is one of a session. */
export interface SetPlace {
  readonly sets: readonly PlannedSet[];
  readonly index: number;
  readonly context: NotationContext;
  /** Facets that are written even where they are as usual, since they were typed. */
  readonly always?: ReadonlySet<string>;
}

/** True where a reference leads to the set just before. */
export const isSetBefore = (id: Id<"set">, { sets, index }: SetPlace) => sets[index - 1]?.id === id;

/** "set 1", "exercise 2 set 1 part 3"; a set that is nowhere before this one goes by its id. */
export function setText(
  { set: id, part }: SetReference,
  { sets, index, context }: SetPlace,
): string {
  const own = sets.slice(0, index).findIndex((set) => set.id === id);
  const places = own >= 0 ? [{ set: sets[own], words: `set ${own + 1}` }] : elsewhere(id, context);
  for (const { set, words } of places) {
    if (part === null) return words;
    const at = set?.extensions.findIndex((extension) => extension.id === part) ?? -1;
    if (at >= 0) return `${words} part ${at + 1}`;
  }
  return `set ${quoted(id)}${part === null ? "" : ` part ${quoted(part)}`}`;
}

function elsewhere(id: Id<"set">, context: NotationContext) {
  return context.exercises.slice(0, context.own).flatMap((other, i) => {
    const at = other.findIndex((set) => set.id === id);
    return at < 0 ? [] : [{ set: other[at], words: `exercise ${i + 1} set ${at + 1}` }];
  });
}
