import {
  tokenMatcher,
  EOF,
  type IRecognitionException,
  type IToken,
  type TokenType,
} from "chevrotain";
import { type NewId, fail, ok, type Result } from "../../kernel/index.ts";
import type { Extension, Item, LoadRule, PlannedSet, Rest, Target } from "../index.ts";
import type { NotationContext } from "./context.ts";
import type { NotationError } from "./error.ts";
import { PARSER } from "./grammar/line.ts";
import { keepIds, keepItems, withIdsOf } from "./keep-ids.ts";
import { readItem } from "./read/item.ts";
import { readLine } from "./read/line.ts";
import { readLoad } from "./read/load.ts";
import { readRest } from "./read/modifier.ts";
import { readExtension } from "./read/part.ts";
import { fail as note, reading, type Reading } from "./read/reading.ts";
import { readTarget } from "./read/target.ts";
import { expectationOf, LEXER, T } from "./tokens.ts";

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
  const words = wordsOf(text, "line");
  if (!words.ok) return words;
  const { sets, errors } = readLine(words.value, context, newId);
  return errors.length > 0 ? fail(errors) : ok(keepIds(sets, previous));
}

/** What one cell of a set may hold: its target, its load, its rest, or a part that follows it. */
type Read<V> = Result<V, readonly NotationError[]>;

/** A target as in the written line: "8-12", "max least 6", "40 s". */
export function parseTarget(text: string, context: NotationContext): Read<Target> {
  return readPart(text, "target", context, readTarget);
}

/** A load as in the written line behind "at", with the sets before it; nothing is a load to find. */
export function parseLoad(
  text: string,
  before: readonly PlannedSet[],
  context: NotationContext,
): Read<LoadRule> {
  if (text.trim() === "") return ok({ kind: "open" });
  return readPart(text, "load", context, readLoad, before);
}

/** A rest as in the written line behind "rest". */
export function parseRest(text: string, context: NotationContext): Read<Rest> {
  return readPart(text, "rest", context, readRest);
}

/** A part as in the written line behind "then"; `old` gives it its ids, `own` is the set's target. */
export function parsePart(
  text: string,
  old: Extension,
  own: Target,
  context: NotationContext,
): Read<Extension> {
  const read = readPart(text, "extension", context, (r, words) => {
    const parts = readExtension(r, words, own);
    if (parts.length > 1) note(r, words, { code: "oneNumber" });
    return parts[0];
  });
  if (!read.ok || read.value === undefined) return read.ok ? ok(old) : read;
  return ok(withIdsOf(old, read.value));
}

/** What is done in preparation or restoration: drills and checks, one behind the other. */
export function parseItems(
  text: string,
  previous: readonly Item[],
  context: NotationContext,
  newId: NewId,
): Read<readonly Item[]> {
  const words = wordsOf(text, "items");
  if (!words.ok) return words;
  const r = reading(context, newId);
  const items = words.value.map((item) => readItem(r, item));
  return r.errors.length > 0 ? fail(r.errors) : ok(keepItems(items, previous));
}

type Rule = "line" | "items" | "target" | "load" | "rest" | "extension";
type WordsOf<R extends Rule> = ReturnType<(typeof PARSER)[R]>;

function readPart<R extends Exclude<Rule, "line" | "items">, V>(
  text: string,
  rule: R,
  context: NotationContext,
  read: (r: Reading, words: WordsOf<R>) => V,
  before: readonly PlannedSet[] = [],
): Read<V> {
  const words = wordsOf(text, rule);
  if (!words.ok) return words;
  // A part gets its ids from the one that it replaces, and nothing else here has any.
  const r = reading(context, () => NO_ID as never, before);
  const value = read(r, words.value);
  return r.errors.length > 0 ? fail(r.errors) : ok(value);
}

const NO_ID = "00000000-0000-7000-8000-000000000000";

function wordsOf<R extends Rule>(text: string, rule: R): Read<WordsOf<R>> {
  if (text.length > LONGEST_LINE) {
    return fail([{ code: "tooLong", at: LONGEST_LINE, length: text.length - LONGEST_LINE }]);
  }
  const { tokens, errors } = LEXER.tokenize(text);
  const [strange] = errors;
  if (strange !== undefined) {
    const { offset } = strange;
    return fail([{ code: "character", at: offset, length: 1, text: charAt(text, offset) }]);
  }
  PARSER.input = tokens;
  const words = PARSER[rule]() as WordsOf<R>;
  const [problem] = PARSER.errors;
  return problem === undefined ? ok(words) : fail([expectation(problem, text, rule)]);
}

/** A whole character, also where it is written with two units. */
function charAt(text: string, at: number): string {
  return String.fromCodePoint(text.codePointAt(at) ?? 0);
}

function expectation(problem: IRecognitionException, text: string, rule: Rule): NotationError {
  const { token } = problem;
  const isEnd = tokenMatcher(token, EOF);
  const at = isEnd ? text.trimEnd().length : token.startOffset;
  const before = isEnd ? tokensOf(text) : tokensOf(text.slice(0, at));
  return {
    code: "expected",
    at,
    length: isEnd ? 1 : token.image.length,
    found: isEnd ? "" : token.image,
    expected: nextTypes(before, rule).map(expectationOf),
  };
}

const tokensOf = (text: string): IToken[] => LEXER.tokenize(text).tokens;

/**
 * The kinds of tokens that may follow some tokens of a line, or of one rule. What stands in front of the last
 * sets of a line has no say in it, and looking at it would take twice as long with every set.
 */
export function nextTypes(before: readonly IToken[], rule: Rule = "line"): readonly TokenType[] {
  const from = rule === "line" ? before.findLastIndex(isBoundary) + 1 : 0;
  const own = before.slice(from);
  const next = PARSER.computeContentAssist(rule, own).map((s) => s.nextTokenType);
  // "all" stands only at the very beginning.
  const isInside = from > 0 && own.length === 0;
  return [...new Set(next)].filter((type) => type !== T.Word && !(isInside && type === T.All));
}

const isBoundary = ({ tokenType }: IToken) => tokenType === T.Separator || tokenType === T.Colon;
