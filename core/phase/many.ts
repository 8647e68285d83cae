import { fail, ok, type Result } from "../kernel/index.ts";

/** A line of a sheet with everything that it goes by, in lower case: its exercise, pattern, muscles, day, role. */
export interface NamedRow {
  readonly names: readonly string[];
}

/** One text into several cells: which rows, from 0, which weeks, from 1, and what is typed into each. */
export interface Many {
  readonly rows: readonly number[];
  readonly weeks: readonly number[];
  readonly text: string;
}

export type ManyError =
  /** It does not end with the weeks that are meant. */
  | { readonly code: "noWeeks" }
  | { readonly code: "weekOut"; readonly week: number; readonly most: number }
  /** Nothing in the sheet goes by the first words. */
  | { readonly code: "nobody"; readonly who: string }
  /** It does not say what to change. */
  | { readonly code: "nothing" };

const WEEKS = /^(.*?)[\s,]*\b(?:in\s+)?weeks?\s+(\d{1,2})(?:\s*(?:-|–|to)\s*(\d{1,2}))?\s*$/i;
const EVERYTHING = new Set(["all", "everything", "every exercise", "all exercises"]);

/**
 * What a line like "all hinges -1 set in week 4" or "leg press 95% weeks 5-6" asks of a sheet of so many weeks: the
 * longest first words that something goes by, the weeks at the end, and between them what is typed into the cells.
 */
export function parseMany(
  typed: string,
  rows: readonly NamedRow[],
  weeks: number,
): Result<Many, ManyError> {
  const [, head, first, last] = WEEKS.exec(typed.trim()) ?? [];
  if (head === undefined || first === undefined) return fail({ code: "noWeeks" });
  const [from, to] = [Number(first), Number(last ?? first)].toSorted((a, b) => a - b) as [
    number,
    number,
  ];
  if (from < 1 || to > weeks)
    return fail({ code: "weekOut", week: from < 1 ? from : to, most: weeks });
  const words = head
    .trim()
    .split(/\s+/)
    .filter((word) => word !== "");
  for (let length = words.length; length > 0; length--) {
    const who = words.slice(0, length).join(" ").toLowerCase();
    const found = rowsOf(who, rows);
    if (found.length === 0) continue;
    const text = words.slice(length).join(" ");
    if (text === "") return fail({ code: "nothing" });
    return ok({ rows: found, weeks: range(from, to), text });
  }
  return fail({ code: "nobody", who: words[0] === undefined ? "" : words.join(" ") });
}

const range = (from: number, to: number) =>
  Array.from({ length: to - from + 1 }, (_, i) => from + i);

/** The rows that go by a name: said whole, in the plural, or behind "all". */
function rowsOf(who: string, rows: readonly NamedRow[]): readonly number[] {
  const everybody = rows.map((_, i) => i);
  if (EVERYTHING.has(who)) return everybody;
  const name = singular(who.replace(/^all\s+/, ""));
  return everybody.filter((i) => rows[i]?.names.some((own) => singular(own) === name) === true);
}

/** "hinges" is "hinge", "presses" is "press", "calves" is "calf"; "press" stays. */
function singular(name: string): string {
  return name
    .replace(/calves\b/, "calf")
    .replace(/(ss|sh|ch|x)es\b/, "$1")
    .replace(/([^s])s$/, "$1");
}
