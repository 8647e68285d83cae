import { isMovementRef, type MovementRef } from "../../kernel/index.ts";
import { GEAR_NAME, type SetUp } from "../index.ts";
import type { NotationContext } from "./context.ts";
import { first, inTurn, many, map, spanOf, token, type Means, type Words } from "./phrase.ts";
import type { Span } from "./span.ts";
import { note, type Reading } from "./reading.ts";
import type { Token } from "./tokens.ts";

/** A name in quotes, without them, or a word. */
export interface Name extends Span {
  readonly text: string;
}

/** "kneesCave" as it is written in a line: "knees-cave". */
export function kebab(word: string): string {
  return word.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`);
}

/** The member of a closed list that a word of a line means, or null. */
function memberOf<M extends string>(list: readonly M[], word: string): M | null {
  const asked = word.toLowerCase().replace(/\s+/g, "-");
  return list.find((member) => kebab(member) === asked) ?? null;
}

/** A name in quotes, so that {@link unquoted} gives it back. */
export function quoted(name: string): string {
  return `"${name.replace(/["“”\\]/g, "\\$&").replace(/\n/g, "\\n")}"`;
}

/** What a name in quotes says; a backslash keeps the character behind it, `\n` is a new line. */
function unquoted(image: string): string {
  return image.slice(1, -1).replace(/\\(.)/g, (_, c: string) => (c === "n" ? "\n" : c));
}

export const name: Words<Name> = map(token("quoted"), (found: Token) => ({
  ...spanOf(found),
  text: unquoted(found.text),
}));

/** A word that is looked up in a closed list: a fault, a region. */
const listed: Words<Name> = first(
  map(token("anyWord"), (found: Token) => ({ ...spanOf(found), text: found.text })),
  name,
);

/** A word of a closed list; another is noted with all that there are. */
export function memberWord<M extends string>(list: readonly M[]): Words<Means<M>> {
  return map(listed, (found) => (r: Reading) => {
    const member = memberOf(list, found.text);
    if (member === null) {
      note(r, found, { code: "noWord", word: found.text, choices: list.map(kebab) });
    }
    return member ?? (list[0] as M);
  });
}

/** A movement by its reference or its name. */
export const movementWord: Words<Means<MovementRef>> = map(name, (found) => (r: Reading) => {
  if (isMovementRef(found.text)) return found.text;
  const known = r.context.movementNamed(found.text);
  if (known === null) note(r, found, { code: "noMovement", name: found.text });
  return known ?? "shipped:none";
});

/** A movement by its name where the name leads back to it, otherwise by its reference. */
export function movementText(ref: MovementRef, context: NotationContext): string {
  const known = context.nameOf(ref);
  return quoted(known !== null && context.movementNamed(known) === ref ? known : ref);
}

const pair = inTurn(name, name);

/** A choice by parameter, each parameter once: { name name }. */
export const setUpWords: Words<Means<SetUp>> = map(many(pair), (pairs) => (r: Reading) => {
  const said = new Set<string>();
  for (const [parameter] of pairs) {
    if (said.has(parameter.text)) note(r, parameter, { code: "twice", what: parameter.text });
    said.add(parameter.text);
  }
  return Object.fromEntries(pairs.map(([parameter, choice]) => [parameter.text, choice.text]));
});

/** One choice at least. */
export const someSetUp: Words<Means<SetUp>> = (data, i) => {
  const result = setUpWords(data, i);
  return result.matched && result.position > i ? result : { matched: false };
};

export function setUpText(setUp: SetUp): string {
  return Object.entries(setUp)
    .map(([parameter, choice]) => `${quoted(parameter)} ${quoted(choice)}`)
    .join(" ");
}

const MOST_GEAR = 6;

/** What is worn, each thing once and no more than a set can hold. */
export function readGear(r: Reading, names: readonly Name[]): readonly string[] {
  const said = new Set<string>();
  for (const one of names) {
    if (said.has(one.text)) note(r, one, { code: "twice", what: one.text });
    else if (said.size === MOST_GEAR) note(r, one, { code: "twice", what: "gear" });
    else if (one.text === "" || one.text.length > GEAR_NAME) note(r, one, { code: "gear" });
    said.add(one.text);
  }
  return [...said].slice(0, MOST_GEAR);
}
