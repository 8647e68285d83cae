import type { PlannedSet } from "../index.ts";
import { inTurn, map, word, type Words } from "./phrase.ts";
import type { Span } from "./span.ts";
import type { Reading } from "./reading.ts";
import type { WordName } from "./tokens.ts";

/** One thing said about a set: its place, and what it makes of the set. */
export interface Saying extends Span {
  readonly says: (r: Reading, set: PlannedSet) => Partial<PlannedSet>;
  /** What may be said once for a set; the facet where nothing else is told. */
  readonly once?: string;
}

/** A facet that a word begins. */
export function headed<V>(
  name: WordName,
  words: Words<V>,
  says: (found: V) => Saying["says"],
): Words<Saying> {
  return map(inTurn(word(name), words), ([at, found]) => ({ ...at, says: says(found) }));
}

/** Words with their place, where nothing but they begin it. */
export function placed<V, S>(words: Words<V>, said: (found: V) => S): Words<Span & S> {
  return map(words, (found, at) => ({ ...at, ...said(found) }));
}
