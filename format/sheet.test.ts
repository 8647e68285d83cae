import { describe, expect, it } from "vitest";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import { unrollSlot, sheetOf } from "~/core/unroll/index.ts";
import type { Extension, PlannedSet } from "~/core/plan/index.ts";
import { count, kg, seconds, share } from "~/core/kernel/index.ts";
import {
  sampleUnrollContext,
  sampleDrop,
  sampleId,
  sampleSet,
  sampleSlot,
  sampleStation,
} from "../tests/samples/index.ts";
import { formatBox, sheetWords } from "./sheet.ts";

const context = sampleUnrollContext([sampleStation()]);
const ids = { id: sampleId<"extension">(31), lineageId: sampleId<"lineage">(32) };
const words = (...sets: readonly PlannedSet[]) => wordsIn("kg", sets);
const wordsIn = (readsIn: "kg" | "lb", sets: readonly PlannedSet[]) => {
  const slot = sampleSlot(sets, { setUp: { Stance: "narrow" } });
  return sheetOf(slot, unrollSlot(slot, context)).flatMap((told) =>
    told.lines.map((line, i) =>
      sheetWords(told, line, told.lines[i - 1] ?? null, slot, findMovement(slot.movement), {
        readsIn,
        find: findMovement,
      }),
    ),
  );
};

describe("the words of a printed sheet", () => {
  it("say numbers, load, what hangs, target, reserve and rest", () => {
    expect(words(sampleSet(1), sampleSet(2))).toEqual([
      {
        what: "1–2 Work",
        load: "100 kg",
        hang: "25 + 15 kg per side",
        target: "8–10 reps",
        how: "RIR 2 · rest 2:00",
      },
    ]);
  });

  it("say where to go when a set falls short, and that a load is open", () => {
    const load = { kind: "fallback", reading: kg(100), then: [kg(100), kg(90)] } as const;
    expect(words(sampleSet(1, { load }))[0]?.hang).toContain(
      "if it falls short: 100 kg, then 90 kg",
    );
    expect(words(sampleSet(1, { load: { kind: "open" } }))[0]?.load).toContain("____");
  });

  it("say tempo, accents, another set-up and sides where they are said", () => {
    const [line] = words(
      sampleSet(1, {
        tempo: { lower: 3, stretch: null, lift: "explosive", squeeze: null },
        accents: [{ kind: "deadStop", seconds: seconds(1) }],
        setUp: { Stance: "wide" },
        side: { kind: "each", first: "left", matchFirst: true },
      }),
    );
    expect(line?.how).toContain("lower 3 s · lift fast · dead stop 1 s · Stance: wide");
    expect(line?.how).toContain("the second side no more than the first");
  });

  it("say from what a load follows that is still to be found, in a box of its own", () => {
    const open = sampleSet(1, {
      load: { kind: "open" },
      extensions: [sampleDrop(11, "current", 0.8), sampleDrop(12, "first", 0.6)],
    });
    const back = sampleSet(2, {
      load: { kind: "shareOfSet", set: open.id, part: null, share: share(0.9), upTo: null },
    });
    expect(words(open, back).map(({ load }) => load)).toEqual([
      "load: ______",
      "drop to 80%: ______",
      "drop to 60% of the first load: ______",
      "90% of set 1: ______",
    ]);
  });

  it("say the load in the client's unit where that is another", () => {
    expect(wordsIn("lb", [sampleSet(1)])[0]?.hang).toBe("about 220.5 lb; 25 + 15 kg per side");
    expect(wordsIn("kg", [sampleSet(1)])[0]?.hang).toBe("25 + 15 kg per side");
  });

  it("say no pause that lasts no time", () => {
    const tempo = { lower: 3, stretch: 1, lift: 1, squeeze: 0 };
    expect(words(sampleSet(1, { tempo }))[0]?.how).toContain("lower 3 s · pause 1 s · lift 1 s");
    expect(words(sampleSet(1, { tempo }))[0]?.how).not.toContain("squeeze");
  });

  it("say of what follows how long to wait and where to hold, and no load twice", () => {
    const hold: Extension = {
      kind: "endHold",
      ...ids,
      at: { kind: "stretched" },
      seconds: seconds(20),
    };
    const lines = words(sampleSet(1, { extensions: [sampleDrop(11, "current", 0.8), hold] }));
    expect(lines.map(({ what, load }) => [what, load])).toEqual([
      ["1 Work", "100 kg"],
      ["then drop", "80 kg"],
      ["then hold", "same load"],
    ]);
    expect(lines[1]?.how).toMatch(/^after \d+ s$/);
    expect(lines[2]).toMatchObject({ target: "20 s", how: "in the stretch", hang: "" });
  });

  it("say of a breather its breaths, not the time they take", () => {
    const breather: Extension = {
      kind: "breather",
      ...ids,
      breaths: count(5),
      target: { kind: "reps", min: count(4), max: count(4) },
    };
    expect(words(sampleSet(1, { extensions: [breather] }))[1]?.how).toBe(
      "after 5 breaths in a safe position",
    );
  });

  it("name the side on a box where sides are apart", () => {
    expect(formatBox({ setNumber: 3, side: "left" })).toBe("3 left");
    expect(formatBox({ setNumber: 3, side: "both" })).toBe("3");
  });
});
