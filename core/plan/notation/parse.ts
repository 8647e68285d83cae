import { fail, ok, type NewId, type Result } from "../../kernel/index.ts";
import type { Extension, Item, LoadRule, PlannedSet, Rest, Target } from "../index.ts";
import type { NotationContext } from "./context.ts";
import type { NotationError } from "./error.ts";
import { item } from "./item.ts";
import { keepIds, keepItems, withIdsOf } from "./keep-ids.ts";
import { line, separated } from "./line.ts";
import { load } from "./load.ts";
import { extension } from "./extension.ts";
import { map, type Furthest, type Means, type Words } from "./phrase.ts";
import { note, reading, type Reading } from "./reading.ts";
import { rest } from "./rest.ts";
import { target } from "./target.ts";
import { expectationOf, LEXER, type Expectation, type Token } from "./tokens.ts";

/** Longer texts are no written line but something pasted. */
export const LONGEST_LINE = 4000;

/**
 * The sets that a written line means; ids of `previous` are kept where sets match. Fails with everything that
 * is wrong, each with its place in the text: the first word that does not fit, or every value that does not.
 */
export function parseLine(
  text: string,
  previous: readonly PlannedSet[],
  context: NotationContext,
  newId: NewId,
): Result<readonly PlannedSet[], readonly NotationError[]> {
  const read = readText(text, line, reading(context, newId));
  return read.ok ? ok(keepIds(read.value, previous)) : read;
}

/** The facets that a line says of any set, also where it says what is usual; none of a line that cannot be read. */
export function saidIn(text: string, context: NotationContext, newId: NewId): ReadonlySet<string> {
  const r = reading(context, newId);
  return readText(text, line, r).ok ? r.said : new Set();
}

/** What one cell of a set may hold: its target, its load, its rest, or an extension that follows it. */
type Read<V> = Result<V, readonly NotationError[]>;

/** A target as in the written line: "8-12", "max least 6", "40 s". */
export function parseTarget(text: string, context: NotationContext): Read<Target> {
  return readCell(text, target, context);
}

/** A load as in the written line behind "at", with the sets before it; nothing is a load to find. */
export function parseLoad(
  text: string,
  before: readonly PlannedSet[],
  context: NotationContext,
): Read<LoadRule> {
  if (text.trim() === "") return ok({ kind: "open" });
  return readCell(text, load, context, before);
}

/** A rest as in the written line behind "rest". */
export function parseRest(text: string, context: NotationContext): Read<Rest> {
  return readCell(text, rest, context);
}

/** An extension as in the written line behind "then"; `old` gives it its ids, `own` is the set's target. */
export function parseExtension(
  text: string,
  old: Extension,
  own: Target,
  context: NotationContext,
): Read<Extension> {
  const one = map(extension, (words) => (r: Reading) => {
    if ((words.times?.value ?? 1) !== 1) note(r, words, { code: "oneNumber" });
    return words.read(r, own);
  });
  const read = readCell(text, one, context);
  return read.ok ? ok(withIdsOf(old, read.value)) : read;
}

/** What is done in preparation or restoration: drills and checks, one behind the other. */
export function parseItems(
  text: string,
  previous: readonly Item[],
  context: NotationContext,
  newId: NewId,
): Read<readonly Item[]> {
  const read = readText(text, items, reading(context, newId));
  return read.ok ? ok(keepItems(read.value, previous)) : read;
}

const items: Words<Means<readonly Item[]>> = map(
  separated(item),
  (found) => (r: Reading) => found.map((each) => each(r)),
);

/** A cell of a set: what it means gets its ids from what it replaces, or has none. */
function readCell<V>(
  text: string,
  words: Words<Means<V>>,
  context: NotationContext,
  before: readonly PlannedSet[] = [],
): Read<V> {
  return readText(
    text,
    words,
    reading(context, () => NO_ID as never, before),
  );
}

const NO_ID = "00000000-0000-7000-8000-000000000000";

function readText<V>(text: string, words: Words<Means<V>>, r: Reading): Read<V> {
  if (text.length > LONGEST_LINE) {
    return fail([{ code: "tooLong", at: LONGEST_LINE, length: text.length - LONGEST_LINE }]);
  }
  const { tokens, offset, complete } = LEXER(text);
  if (!complete) {
    // A whole character, also where it is written with two units.
    const strange = String.fromCodePoint(text.codePointAt(offset) ?? 0);
    return fail([{ code: "character", at: offset, length: 1, text: strange }]);
  }
  const furthest = nowhere();
  const found = words({ tokens, options: furthest }, 0);
  if (!found.matched || found.position < tokens.length) {
    return fail([unexpected(text, tokens, furthest)]);
  }
  const value = found.value(r);
  return r.errors.length > 0 ? fail(r.errors) : ok(value);
}

const nowhere = (): Furthest => ({ at: 0, expected: new Set() });

/** What stands where nothing like it was expected; nothing, at the end of the text. */
function unexpected(
  text: string,
  tokens: readonly Token[],
  { at, expected }: Furthest,
): NotationError {
  const token = tokens[at];
  return {
    code: "expected",
    at: token?.offset ?? text.trimEnd().length,
    length: token?.len ?? 1,
    found: token?.text ?? "",
    expected: [...expected].map(expectationOf).filter((e) => e !== null),
  };
}

/** What may follow some words of a line, in the order of the grammar; nothing where they cannot be read. */
export function expectedAfter(tokens: readonly Token[]): readonly Expectation[] {
  const furthest = nowhere();
  line({ tokens: [...tokens], options: furthest }, 0);
  if (furthest.at < tokens.length) return [];
  return [...furthest.expected].map(expectationOf).filter((e) => e !== null);
}
