import * as p from "peberminta";
import type { Reading } from "./reading.ts";
import type { Span } from "./span.ts";
import type { Token, WordName } from "./tokens.ts";

/** How far the words fitted, and what could have stood there, in the order of the grammar. */
export interface Furthest {
  at: number;
  readonly expected: Set<WordName>;
}

/** Reads some words, or says that they do not fit; what it gives is judged only once the whole line fits. */
export type Words<V> = p.Parser<Token, Furthest, V>;
/** What some words mean in the line that they stand in; what is wrong with them is noted there. */
export type Means<V> = (r: Reading) => V;

/** How a kind is read and how it is written; `W` is what else writing it has to know. */
export interface Phrase<V, W = null> {
  readonly read: Words<Means<V>>;
  readonly write: (value: V, context: W) => string;
}

/** A phrase for every kind of a family; one that is forgotten does not compile. */
export type PhrasesOf<F extends { readonly kind: string }, W = null> = {
  readonly [K in F["kind"]]: Phrase<Extract<F, { readonly kind: K }>, W>;
};

/** Reads whichever kind of a family takes the most words. */
export function anyOf<F extends { readonly kind: string }, W>(
  phrases: PhrasesOf<F, W>,
): Words<Means<F>> {
  const each = Object.values<Phrase<F, W>>(phrases as never);
  return longest(...each.map(({ read }) => read));
}

/** How every kind of a family is written. */
type WritingOf<F extends { readonly kind: string }, W> = {
  readonly [K in F["kind"]]: Pick<Phrase<Extract<F, { readonly kind: K }>, W>, "write">;
};

/** A value of a family as its kind is written. */
export function written<F extends { readonly kind: string }, W>(
  phrases: WritingOf<F, W>,
  value: F,
  context: W,
): string {
  const phrase = phrases[value.kind as F["kind"]] as unknown as Pick<Phrase<F, W>, "write">;
  return phrase.write(value, context);
}

export const spanOf = ({ offset, len }: Token): Span => ({ at: offset, length: len });

/** One word by its name. */
export function token(name: WordName): Words<Token> {
  return ({ tokens, options }, i) => {
    const found = tokens[i];
    if (found?.name === name) return { matched: true, position: i + 1, value: found };
    if (i > options.at) {
      options.at = i;
      options.expected.clear();
    }
    if (i === options.at) options.expected.add(name);
    return { matched: false };
  };
}

/** One word by its name, as its place. */
export const word = (name: WordName): Words<Span> => map(token(name), spanOf);

/** One of some words, as the value that it stands for. */
export function oneOf<V>(words: readonly (readonly [WordName, V])[]): Words<V> {
  return first(...words.map(([name, value]) => map(word(name), () => value)));
}

/** The first that fits, where no other could go further. */
export const first = <V>(...words: Words<V>[]): Words<V> => p.first(...words);

/** Whichever takes the most words. */
export const longest = <V>(...words: Words<V>[]): Words<V> => p.longest(...words);

/** As often as they fit, which may be never. */
export const many = <V>(words: Words<V>): Words<readonly V[]> => p.many(words);

/** What some words come to; `at` is the place where they begin. */
export function map<V, R>(words: Words<V>, to: (found: V, at: Span) => R): Words<R> {
  return p.map(words, (found, { tokens }, i) => {
    const begun = tokens[i];
    return to(found, begun === undefined ? NOWHERE : spanOf(begun));
  });
}
const NOWHERE: Span = { at: 0, length: 0 };

/** Words behind one another. */
export function inTurn<T extends readonly unknown[]>(
  ...words: { readonly [K in keyof T]: Words<T[K]> }
): Words<T> {
  return p.all(...(words as unknown as Words<unknown>[])) as unknown as Words<T>;
}

/** What stands behind a word. */
export const behind = <V>(name: WordName, words: Words<V>): Words<V> =>
  map(inTurn(word(name), words), ([, value]) => value);

/** Words that may be left out, which is null. */
export const maybe = <V>(words: Words<V>): Words<V | null> => p.option(words, null);

/** Words that begin with a certain one. */
export const beginning = <V>(name: WordName, words: Words<V>): Words<V> =>
  map(inTurn(p.ahead(word(name)), words), ([, value]) => value);

/** Whether a word stands here. */
export const isSaid = (name: WordName): Words<boolean> =>
  map(maybe(word(name)), (found) => found !== null);
