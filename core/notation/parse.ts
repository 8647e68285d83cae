import {
  tokenMatcher,
  EOF,
  type IRecognitionException,
  type IToken,
  type TokenType,
} from "chevrotain";
import type { MintId } from "../identity/index.ts";
import type { PlannedSet } from "../prescription/index.ts";
import { fail, ok, type Result } from "../result/index.ts";
import type { NotationContext } from "./context.ts";
import type { NotationError } from "./error.ts";
import { PARSER } from "./grammar.ts";
import { keepIds } from "./keep-ids.ts";
import { readLine } from "./read.ts";
import { LEXER, T, textOf } from "./tokens.ts";

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
  mint: MintId,
): Result<readonly PlannedSet[], readonly NotationError[]> {
  const { tokens, errors } = LEXER.tokenize(text.slice(0, LONGEST_LINE));
  const [strange] = errors;
  if (strange !== undefined) {
    const { offset } = strange;
    return fail([{ code: "character", at: offset, length: 1, text: charAt(text, offset) }]);
  }
  PARSER.input = tokens;
  const words = PARSER.line();
  const [problem] = PARSER.errors;
  if (problem !== undefined) return fail([expectation(problem, text)]);
  const { sets, errors: troubles } = readLine(words, context, mint);
  if (troubles.length > 0) return fail(troubles);
  return ok(keepIds(sets, previous));
}

/** A whole character, also where it is written with two units. */
function charAt(text: string, at: number): string {
  return String.fromCodePoint(text.codePointAt(at) ?? 0);
}

function expectation(problem: IRecognitionException, text: string): NotationError {
  const { token } = problem;
  const isEnd = tokenMatcher(token, EOF);
  const at = isEnd ? text.trimEnd().length : token.startOffset;
  const before = isEnd ? tokensOf(text) : tokensOf(text.slice(0, at));
  return {
    code: "expected",
    at,
    length: isEnd ? 1 : token.image.length,
    found: isEnd ? "" : token.image,
    expected: nextWords(before),
  };
}

const tokensOf = (text: string): IToken[] => LEXER.tokenize(text).tokens;

/** The words and kinds of things that may follow some tokens, in the order of the grammar. */
export function nextWords(before: readonly IToken[]): readonly string[] {
  const types = nextTypes(before);
  return [...new Set(types.map((type) => textOf(type) ?? type.LABEL ?? type.name))];
}

export function nextTypes(before: readonly IToken[]): readonly TokenType[] {
  const next = PARSER.computeContentAssist("line", [...before]).map((s) => s.nextTokenType);
  return [...new Set(next)].filter((type) => type !== T.Word);
}
