import { expectedAfter } from "./parse.ts";
import { LEXER } from "./tokens.ts";

/** One way to go on: what to put in place of `from` to the cursor. */
export interface Completion {
  readonly from: number;
  readonly text: string;
}

/**
 * Words that may stand at the cursor, in the order of the grammar: those that begin with what was begun, or
 * after a blank all that may follow. Numbers and names have no completion.
 */
export function completionsAt(text: string, cursor: number): readonly Completion[] {
  const before = text.slice(0, cursor);
  const begun = /[a-z][a-z-]*$/i.exec(before)?.[0].toLowerCase() ?? "";
  const from = cursor - begun.length;
  const { tokens, complete } = LEXER(before.slice(0, from));
  if (!complete) return [];
  const words = expectedAfter(tokens).flatMap((next) => ("word" in next ? [next.word] : []));
  return [...new Set(words)]
    .filter((word) => /^[a-z]/i.test(word) && word.startsWith(begun) && word !== begun)
    .map((word) => ({ from, text: word }));
}
