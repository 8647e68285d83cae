import type { Band, Whose } from "~/core/person/index.ts";

/** A range of hard sets. */
export function formatRange({ low, high }: Band): string {
  return `${low}–${high}`;
}

/** Whose word a number of hard sets is; the approach goes by its name. */
export function whoseWord(whose: Whose, approach: string): string {
  return whose === "client" ? "the client’s own limit" : approach;
}
