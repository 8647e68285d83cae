import { describe, expect, it } from "vitest";
import { count, kg, share } from "~/core/kernel/index.ts";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import { usualWeek, type SheetCell } from "~/core/phase/index.ts";
import { sampleId } from "~/tests/samples/index.ts";
import {
  formatCell,
  formatCellEdit,
  formatCellError,
  formatCellWhole,
  formatLongTaper,
  formatTurns,
  formatWeek,
} from "./phase.ts";

const cell = (over: Partial<SheetCell> = {}): SheetCell => ({
  source: "projected",
  sets: 3,
  target: { kind: "reps", min: count(8), max: count(10) },
  reading: kg(100),
  effort: 2,
  effortUpTo: null,
  done: [],
  rule: null,
  text: "",
  isBodyOnly: false,
  edits: [],
  ...over,
});
const said = (now: SheetCell, before: SheetCell | null) => {
  const { parts, way } = formatCell(now, before);
  return [way, ...parts.map(({ text, isNew }) => (isNew ? text.toUpperCase() : text))];
};

describe("a cell", () => {
  it("says all that it asks first, and then what changed", () => {
    expect(said(cell(), null)).toEqual([null, "100", "× 8–10"]);
    expect(said(cell(), cell())).toEqual([null, "100"]);
    expect(said(cell({ reading: kg(102.5) }), cell())).toEqual(["up", "102.5"]);
    expect(said(cell({ reading: kg(90), sets: 1, effort: 4 }), cell())).toEqual([
      "down",
      "90",
      "1 SET",
      "RIR 4",
    ]);
  });

  it("says what was done once it was", () => {
    const done = [10, 9, null].map((amount) => ({ reading: kg(102.5), amount }));
    expect(said(cell({ done }), cell())).toEqual(["up", "102.5", "×\u200910\u20099\u2009?"]);
    const alike = [6, 6, 6].map((amount) => ({ reading: kg(102.5), amount }));
    expect(said(cell({ done: alike }), cell())[2]).toBe("·\u20093\u2009×\u20096");
  });

  it("leaves a load open that is found on the day", () => {
    expect(said(cell({ reading: null }), null)[1]).toBe("SET ON THE DAY");
    expect(formatCellWhole(cell({ reading: null }))).toBe("3 × 8–10 load set on the day, RIR 2");
    const body = cell({ reading: kg(0), isBodyOnly: true });
    expect(said(body, null)[1]).toBe("BODYWEIGHT");
    expect(formatCellWhole(body)).toBe("3 × 8–10 bodyweight, RIR 2");
    expect(formatCellWhole(cell({ effortUpTo: 3 }))).toBe("3 × 8–10 at 100 kg, RIR 2–3");
  });
});

it.each([
  [usualWeek("normal"), "as it is"],
  [usualWeek("lighter"), "−2 sets · RIR +2 · 90% of the load"],
  [{ ...usualWeek("normal"), sets: 1, effort: -1 }, "+1 set · RIR −1"],
])("%o is %s", (week, text) => {
  expect(formatWeek(week)).toBe(text);
});

it.each([
  [{ kind: "load", reading: kg(110) }, "110 kg"],
  [{ kind: "loadBy", share: share(0.95) }, "95% of the load"],
  [{ kind: "setsBy", by: -1 }, "−1 set"],
  [{ kind: "effort", to: 1 }, "RIR 1"],
  [{ kind: "leftOut" }, "left out"],
] as const)("%o is told as %s", (edit, text) => {
  expect(formatCellEdit(edit)).toBe(text);
});

it("says what to type instead of nonsense, and where else to change the rest", () => {
  expect(formatCellError({ code: "unread", errors: [] })).toContain("3 x 8 at 110 leave 2");
  const recipe = { kind: "nothing" } as never;
  const near = { easier: { reading: kg(100), recipe }, harder: { reading: kg(102.5), recipe } };
  expect(formatCellError({ code: "cannotBeMade", reading: kg(101), ...near })).toBe(
    "101 kg is not available on this equipment. Nearest: 100 kg, 102.5 kg.",
  );
  expect(formatCellError({ code: "wholePhase", what: "technique" })).toContain("open the session");
});

describe("a taper longer than its phase", () => {
  it("says whether there is a test, and what to do", () => {
    const taper = { movement: "shipped:back-squat", takes: 5, has: 4 } as const;
    expect(formatLongTaper({ ...taper, isTested: true }, findMovement)).toBe(
      "Back squat tapers to a test over 5 sessions, and this phase has 4 for it: the test week brings the test forward.",
    );
    expect(formatLongTaper({ ...taper, isTested: false }, findMovement)).toMatch(
      /it ends before the test\. Add weeks/,
    );
  });
});

describe("turns", () => {
  it("are told as often as they come", () => {
    const [a, b] = [sampleId<"lineage">(1), sampleId<"lineage">(2)];
    const turns = (every: number, ...members: readonly (typeof a)[]) => ({
      day: sampleId<"phaseDay">(3),
      every,
      members,
      startsWith: 0,
    });
    expect(formatTurns(turns(1, a, b), a)).toBe("takes turns, week by week");
    expect(formatTurns(turns(2, a, b), b)).toBe("takes turns, 2 weeks each");
    expect(formatTurns(turns(1, a, a, b), a)).toBe("2 of every 3 weeks");
    expect(formatTurns(turns(1, a, a, b), b)).toBe("every 3 weeks");
  });
});
