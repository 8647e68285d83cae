/** "kneesCave" as it is written in a line: "knees-cave". */
export function kebab(word: string): string {
  return word.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`);
}

/** The member of a closed list that a word of a line means, or null. */
export function memberOf<M extends string>(list: readonly M[], word: string): M | null {
  const asked = word.toLowerCase().replace(/\s+/g, "-");
  return list.find((member) => kebab(member) === asked) ?? null;
}

/** A name in quotes, so that {@link unquoted} gives it back. */
export function quoted(name: string): string {
  return `"${name.replace(/["“”\\]/g, "\\$&").replace(/\n/g, "\\n")}"`;
}

/** What a name in quotes says; a backslash keeps the character behind it, `\n` is a new line. */
export function unquoted(image: string): string {
  return image.slice(1, -1).replace(/\\(.)/g, (_, c: string) => (c === "n" ? "\n" : c));
}
