import type { SideMode } from "../index.ts";
import {
  anyOf,
  inTurn,
  isSaid,
  map,
  oneOf,
  word,
  written,
  type Means,
  type PhrasesOf,
  type Words,
} from "./phrase.ts";

const FIRST = oneOf<"left" | "right">([
  ["left", "left"],
  ["right", "right"],
]);

/** How each way of taking sides is written. */
const PHRASES: PhrasesOf<SideMode> = {
  both: { read: map(word("both"), () => () => ({ kind: "both" as const })), write: () => "both" },
  left: { read: map(word("left"), () => () => ({ kind: "left" as const })), write: () => "left" },
  right: {
    read: map(word("right"), () => () => ({ kind: "right" as const })),
    write: () => "right",
  },
  each: {
    read: map(inTurn(inTurnOfSides(), isSaid("matched")), ([first, matchFirst]) => () => ({
      kind: "each" as const,
      first,
      matchFirst,
    })),
    write: ({ first, matchFirst }) =>
      `${first} then ${first === "left" ? "right" : "left"}${matchFirst ? " matched" : ""}`,
  },
  alternating: {
    read: map(word("alternating"), () => () => ({ kind: "alternating" as const })),
    write: () => "alternating",
  },
};

/** One side, "then", and the other, as the first of them. */
function inTurnOfSides(): Words<"left" | "right"> {
  const sides = inTurn(FIRST, word("then"), FIRST);
  return (data, i) => {
    const result = sides(data, i);
    if (!result.matched || result.value[0] === result.value[2]) return { matched: false };
    return { ...result, value: result.value[0] };
  };
}

/** Which side works. */
export const side: Words<Means<SideMode>> = anyOf(PHRASES);

/** What "per leg" means: one side after the other, as is usual here, or left first. */
export function perLeg(usual: SideMode): SideMode {
  return usual.kind === "each" || usual.kind === "alternating"
    ? usual
    : { kind: "each", first: "left", matchFirst: false };
}

export function sideText(value: SideMode): string {
  return written(PHRASES, value, null);
}
