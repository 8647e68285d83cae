/** A stretch of a written line as it is read: what prepares is said softer than what counts. */
export interface WrittenPart {
  readonly text: string;
  readonly isSoft: boolean;
}

/** Outside of quotes, where names stand as they are. */
const BETWEEN_QUOTES = /"[^"]*"/g;

const typeset = (text: string) =>
  text.replace(/ x (?=\d|max|as)/g, " × ").replace(/(\d)-(?=\d)/g, "$1–");

/**
 * A written line to be read instead of typed: "3 × 8–12 at 60 kg", its parts between semicolons. Numbers of a tempo keep
 * their hyphens, which are no range.
 */
export function writtenParts(line: string): readonly WrittenPart[] {
  const kept: string[] = [];
  const held = line.replace(BETWEEN_QUOTES, (quoted) => `"${kept.push(quoted) - 1}"`);
  return held.split("; ").flatMap((part) => {
    if (part === "") return [];
    const tempo = /\btempo \S+/.exec(part)?.[0] ?? null;
    const text = typeset(part)
      .replace(/\btempo \S+/, tempo ?? "")
      .replace(/"(\d+)"/g, (_, i: string) => kept[Number(i)] ?? "");
    return [{ text, isSoft: /^(?:warm-up|feeder)\b/.test(text) }];
  });
}
