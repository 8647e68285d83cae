import { describe, expect, it } from "vitest";
import { count, kg, lb, seconds, share } from "../kernel/index.ts";
import type { Loading } from "../gym/index.ts";
import { RACK, sampleNewId, STACK } from "../../tests/samples/index.ts";
import { writtenSlot } from "../../tests/samples/trained.ts";
import { cellText, parseCell } from "./typed-cell.ts";

const over = (line: string, loading: Loading = RACK) => ({
  sets: writtenSlot(line).sets,
  loading,
});
const read = (text: string, line = "3 x 8 at 100 RIR 2 rest 2:00") =>
  parseCell(text, over(line), sampleNewId);

describe("what is typed in a cell", () => {
  it.each([
    ["", []],
    ["   ", []],
    ["110", [{ kind: "load", reading: kg(110) }]],
    ["107,5", [{ kind: "load", reading: kg(107.5) }]],
    ["102.5 kg", [{ kind: "load", reading: kg(102.5) }]],
    ["95%", [{ kind: "loadBy", share: share(0.95) }]],
    ["4 sets", [{ kind: "sets", to: count(4) }]],
    ["-1 set", [{ kind: "setsBy", by: -1 }]],
    ["+2 sets", [{ kind: "setsBy", by: 2 }]],
    ["out", [{ kind: "leftOut" }]],
    ["–", [{ kind: "leftOut" }]],
    ["3 x 8 at 100 RIR 2 rest 2:00", []],
    ["3 x 8", []],
    [
      "4 x 6 at 105 RIR 1 rest 3:00",
      [
        { kind: "sets", to: count(4) },
        { kind: "target", to: { kind: "reps", min: count(6), max: count(6) } },
        { kind: "load", reading: kg(105) },
        { kind: "effort", to: 1 },
        { kind: "rest", to: seconds(180) },
      ],
    ],
  ])("reads %s", (text, edits) => {
    expect(read(text)).toEqual({ ok: true, value: edits });
  });

  it.each([
    ["200%", { code: "outOfBounds", what: "percent" }],
    ["0 sets", { code: "outOfBounds", what: "sets" }],
    ["99 sets", { code: "outOfBounds", what: "sets" }],
    ["+11 sets", { code: "outOfBounds", what: "sets" }],
    ["8 at 100; 6 at 110", { code: "unlike" }],
    ["top 3 x 8 at 100", { code: "wholePhase", what: "role" }],
    ["3 x 8 at 100 then drop to 80 kg for 6", { code: "wholePhase", what: "technique" }],
    ["3 x 8 at 100 RIR 1-2", { code: "wholePhase", what: "rirRange" }],
  ])("refuses %s and says why", (text, error) => {
    expect(read(text)).toMatchObject({ ok: false, error });
  });

  it("says where nonsense stops making sense", () => {
    expect(read("hello")).toMatchObject({ ok: false, error: { code: "unread" } });
  });

  it("reads a load in the unit of the equipment", () => {
    for (const text of ["65", "65 lb"]) {
      expect(parseCell(text, over("3 x 8 at 100", STACK), sampleNewId)).toEqual({
        ok: true,
        value: [{ kind: "load", reading: lb(65) }],
      });
    }
  });

  it("takes no load that the equipment does not make, and says which are next to it", () => {
    expect(read("101")).toMatchObject({
      ok: false,
      error: { code: "cannotBeMade", easier: { reading: kg(100) }, harder: { reading: kg(102.5) } },
    });
    expect(read("3 x 8 at 101")).toMatchObject({ ok: false, error: { code: "cannotBeMade" } });
    expect(read("90 lb")).toMatchObject({ ok: false, error: { code: "cannotBeMade" } });
    expect(parseCell("101", { ...over("3 x 8 at 100"), loading: null }, sampleNewId).ok).toBe(true);
  });
});

describe("a cell as text", () => {
  it.each(["3 x 8 at 100 RIR 2", "5 at 120 RIR 0 rest 3:00", "max at 60", "3 x 40 s at 20"])(
    "of %s is read back as no change",
    (line) => {
      const { sets } = writtenSlot(line);
      const load = sets[0]?.load;
      const text = cellText(sets, load?.kind === "absolute" ? load.reading : null, "kg");
      expect(parseCell(text, { sets, loading: RACK }, sampleNewId)).toEqual({
        ok: true,
        value: [],
      });
    },
  );

  it("leaves away what holds for the whole phase", () => {
    const { sets } = writtenSlot("3 x 8 at 100 RIR 1 then drop to 80 kg for 6");
    expect(cellText(sets, kg(100), "kg")).toBe("3 x 8 at 100 kg RIR 1");
  });
});
