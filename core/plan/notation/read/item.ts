import { REGIONS } from "../../../kernel/index.ts";
import type { Drill, Item, SetUp, SideMode } from "../../index.ts";
import type { DrillWords, ItemWords, Pair, SideWords, Span } from "../syntax.ts";
import { LoadReader } from "./load.ts";

/** Reads set-ups, drills and checks. */
export abstract class ItemReader extends LoadReader {
  protected pairs(pairs: readonly Pair[]): SetUp {
    const names = new Set<string>();
    for (const { name } of pairs) {
      if (names.has(name.text)) this.fail(name, { code: "twice", what: name.text });
      names.add(name.text);
    }
    return Object.fromEntries(pairs.map(({ name, choice }) => [name.text, choice.text]));
  }

  item(words: ItemWords): Item {
    const ids = { id: this.mint<"item">(), lineageId: this.mint<"lineage">() };
    if (words.kind === "drill") return this.drill(words, words);
    return {
      kind: "tightnessCheck",
      ...ids,
      region: this.member(REGIONS, words.region),
      seconds: this.time(words.time, "work"),
      ifTight: this.drill(words.drill, words.drill),
    };
  }

  protected drill(words: DrillWords, at: Span): Drill {
    const { intensity } = words;
    if (words.name === null && words.movement === null) this.fail(at, { code: "unnamed" });
    if (intensity?.kind === "heart") this.span(intensity.min, intensity.max, intensity.min);
    return {
      kind: words.drill,
      id: this.mint(),
      lineageId: this.mint(),
      name: words.name?.text ?? "",
      movement: words.movement === null ? null : this.movement(words.movement),
      target: this.target(words.target),
      side: words.side === null ? { kind: "both" } : sideOf(words.side),
      intensity:
        intensity === null
          ? { kind: "unsaid" }
          : intensity.kind === "felt"
            ? { kind: "felt", outOfTen: this.bounded(intensity.outOfTen, "felt") }
            : {
                kind: "heartRate",
                min: this.bounded(intensity.min, "heartRate"),
                max: this.bounded(intensity.max, "heartRate"),
              },
    };
  }
}

/** Which side works, from words. */
export function sideOf(words: SideWords): SideMode {
  return words.kind === "each"
    ? { kind: "each", first: words.first, matchFirst: words.matched }
    : { kind: words.kind };
}
