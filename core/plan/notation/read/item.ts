import { REGIONS } from "../../../kernel/index.ts";
import type { Drill, Item, SetUp, SideMode } from "../../index.ts";
import type { DrillWords, ItemWords, Pair, SideWords, Span } from "../syntax.ts";
import { fail, type Reading } from "./reading.ts";
import { readTarget } from "./target.ts";
import { readBounded, readMember, readMovement, checkSpan, readTime } from "./words.ts";

/** A choice by parameter; each parameter once. */
export function readPairs(r: Reading, pairs: readonly Pair[]): SetUp {
  const names = new Set<string>();
  for (const { name } of pairs) {
    if (names.has(name.text)) fail(r, name, { code: "twice", what: name.text });
    names.add(name.text);
  }
  return Object.fromEntries(pairs.map(({ name, choice }) => [name.text, choice.text]));
}

/** A drill, or a check with the drill that it may add. */
export function readItem(r: Reading, words: ItemWords): Item {
  const ids = { id: r.newId<"item">(), lineageId: r.newId<"lineage">() };
  if (words.kind === "drill") return readDrill(r, words, words);
  return {
    kind: "tightnessCheck",
    ...ids,
    region: readMember(r, REGIONS, words.region),
    seconds: readTime(r, words.time, "work"),
    ifTight: readDrill(r, words.drill, words.drill),
  };
}

function readDrill(r: Reading, words: DrillWords, at: Span): Drill {
  const { intensity } = words;
  if (words.name === null && words.movement === null) fail(r, at, { code: "unnamed" });
  if (intensity?.kind === "heart") checkSpan(r, intensity.min, intensity.max, intensity.min);
  return {
    kind: words.drill,
    id: r.newId(),
    lineageId: r.newId(),
    name: words.name?.text ?? "",
    movement: words.movement === null ? null : readMovement(r, words.movement),
    target: readTarget(r, words.target),
    side: words.side === null ? { kind: "both" } : sideOf(words.side),
    intensity:
      intensity === null
        ? { kind: "unsaid" }
        : intensity.kind === "felt"
          ? { kind: "felt", outOfTen: readBounded(r, intensity.outOfTen, "felt") }
          : {
              kind: "heartRate",
              min: readBounded(r, intensity.min, "heartRate"),
              max: readBounded(r, intensity.max, "heartRate"),
            },
  };
}

/** Which side works, from words. */
export function sideOf(words: SideWords): SideMode {
  return words.kind === "each"
    ? { kind: "each", first: words.first, matchFirst: words.matched }
    : { kind: words.kind };
}
