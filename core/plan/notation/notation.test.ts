import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sameIdsAgain, seconds } from "../../kernel/index.ts";
import { findMovement, SHIPPED_MOVEMENTS } from "../../movement/catalogue/index.ts";
import { TEMPO_PHASES, type PlannedSet } from "../index.ts";
import { completionsAt } from "./complete.ts";
import type { NotationContext } from "./context.ts";
import type { NotationError } from "./error.ts";
import {
  parseItems,
  parseLine,
  parseLoad,
  parseExtension,
  parseRest,
  parseTarget,
} from "./parse.ts";
import { writeItems } from "./item.ts";
import { writeLine } from "./line.ts";
import { writeLoad } from "./load.ts";
import { writeRest } from "./rest.ts";
import { writeExtension } from "./extension.ts";
import { writeTarget } from "./target.ts";
import { anyItem, anySlot } from "../../../tests/arbitrary/plan.ts";
import { sampleNewId, sampleSet } from "../../../tests/samples/index.ts";
import { atMost } from "~/tests/arbitrary/runs.ts";

const CONTEXT: NotationContext = {
  unit: "kg",
  defaults: {
    effort: 2,
    rest: { kind: "fixed", seconds: seconds(120) },
    side: { kind: "both" },
  },
  tempo: TEMPO_PHASES,
  exercises: [[]],
  own: 0,
  nameOf: (ref) => findMovement(ref)?.name ?? null,
  movementNamed: (name) =>
    SHIPPED_MOVEMENTS.find((m) => m.name.toLowerCase() === name.toLowerCase())?.ref ?? null,
};

/** A set without its ids; a reference to another set as that set's place. */
function bare(sets: readonly PlannedSet[]): unknown {
  const place = (id: string) => sets.findIndex((set) => set.id === id);
  const part = (id: string) =>
    sets.flatMap((set) => set.extensions).findIndex((extension) => extension.id === id);
  return JSON.parse(
    JSON.stringify(sets, (key, value: unknown) => {
      if (key === "id" || key === "lineageId" || key === "line") return undefined;
      if (key === "set") return place(value as string);
      return key === "part" && value !== null ? part(value as string) : value;
    }),
  );
}

const read = (text: string, previous: readonly PlannedSet[] = [], context = CONTEXT) =>
  parseLine(text, previous, context, sampleNewId);
const setsOf = (text: string, previous: readonly PlannedSet[] = []): readonly PlannedSet[] => {
  const result = read(text, previous);
  if (!result.ok) throw new Error(`${text}: ${JSON.stringify(result.error)}`);
  return result.value;
};
const errorOf = (text: string): NotationError => {
  const result = read(text);
  if (result.ok || result.error[0] === undefined) throw new Error(`${text} was read`);
  return result.error[0];
};

describe("the written line and back", () => {
  it("gives the same sets for whatever can be prescribed", () => {
    fc.assert(
      fc.property(anySlot, ({ sets }) => {
        const text = writeLine(sets, CONTEXT);
        const result = read(text);
        expect(result.ok ? bare(result.value) : [text, result.error]).toEqual(bare(sets));
      }),
      { numRuns: Number(process.env["KRAVO_RUNS"] ?? 300) },
    );
  });

  it("keeps every id when nothing was changed", () => {
    fc.assert(
      fc.property(anySlot, ({ sets }) => {
        expect(setsOf(writeLine(sets, CONTEXT), sets)).toEqual(sets);
      }),
      { numRuns: atMost(100) },
    );
  });
});

describe("a line as coaches type it", () => {
  it.each([
    ["3x8-12 at 82,5 leave 2 rest 2:00", "3 x 8-12 at 82.5 kg"],
    ["3 sets of 8 to 12 reps @ 82.5 kg, rest 120 s", "3 x 8-12 at 82.5 kg"],
    ["RAMP 10 at 40; ramp 6 at 60", "warm-up 10 at 40 kg; warm-up 6 at 60 kg"],
    [
      "top 5 at 100 effort 9\n2 of backoff 8 at 80% of set 1",
      "top 5 at 100 kg RIR 1; back-off 2 x 8 at 80% of set 1",
    ],
    [
      "10 at 90 lb; 3x10 at before minus 1 rest 20",
      "10 at 90 lb; 3 x 10 at before minus 1 rest 20 s",
    ],
    ["12 then 3 drops to 80% for 8", "12 then 3 drops to 80% of last for 8"],
    [
      "12 then drop to 60% of first + hold 20s stretched",
      "12 then drop to 60% of first then hold 20 s stretched",
    ],
    [
      "all lower 3 left then right: 8 at 20; 8 at 22.5",
      "all tempo lower 3 left then right: 8 at 20 kg; 8 at 22.5 kg",
    ],
    [
      "2x max least 6 about 8 past limit optional",
      "2 x max least 6 about 8 beyond failure optional",
    ],
    ["until knees-cave", "until knees-cave"],
    ["calibration 5 at trial 60 tries 3", "work-up 5 at trial 60 kg"],
    ["8 effort 5; 8 effort 4,5; 8 effort 0", "8 RIR 5; 2 x 8 RIR over 5"],
  ])("%s", (text, written) => {
    expect(writeLine(setsOf(text), CONTEXT)).toBe(written);
  });

  it("an empty line is no sets", () => {
    expect(setsOf("")).toEqual([]);
    expect(setsOf(" \n ; ")).toEqual([]);
  });

  it("counts drops, not loads", () => {
    expect(setsOf("12 at 60 then 3 drops to 80%")[0]?.extensions).toHaveLength(3);
  });

  it("takes a mass without a unit in the station's own", () => {
    expect(setsOf("8 at 100")[0]?.load).toMatchObject({ reading: { unit: "kg" } });
    const result = read("8 at 100", [], { ...CONTEXT, unit: "lb" });
    expect(result.ok && result.value[0]?.load).toMatchObject({ reading: { unit: "lb" } });
  });

  it("refers to another exercise's set, and to a movement by its name", () => {
    const other = sampleSet(7);
    const context = { ...CONTEXT, exercises: [[other], []], own: 1 };
    const result = read('8 at 70% of exercise 1 set 1; 8 at 60% of "leg press"', [], context);
    expect(result.ok && result.value.map((set) => set.load)).toMatchObject([
      { kind: "shareOfSet", upTo: null, set: other.id },
      { kind: "shareOfMovement", upTo: null, movement: "shipped:leg-press" },
    ]);
    const later = { ...CONTEXT, exercises: [[], [sampleSet(9), other], []], own: 2 };
    const line = "8 at 70% of exercise 2 set 2";
    const again = read(line, [], later);
    expect(again.ok && writeLine(again.value, later)).toBe(line);
    expect(again.ok && again.value[0]?.load).toMatchObject({ set: other.id });
  });
});

describe("what is wrong", () => {
  it.each([
    ["3x8 at 100 leave 2 rst 2:00", 19, { code: "expected", found: "rst" }],
    ["3x", 2, { code: "expected", found: "" }],
    ["3x8 § 100", 4, { code: "character", text: "§" }],
    ["8 at 🏋", 5, { code: "character", text: "🏋" }],
    ["0x8", 0, { code: "bound", bound: "sets", value: 0 }],
    ["200 x 8", 0, { code: "bound", bound: "sets", value: 200 }],
    ["50 x 8; 50 x 8", 5, { code: "bound", bound: "sets", value: 100 }],
    ["12-8", 0, { code: "upsideDown", min: 12, max: 8 }],
    ["8.5", 0, { code: "whole", value: 8.5 }],
    ["8 then drop to 110%", 15, { code: "bound", bound: "dropPercent" }],
    ["8 then hold 3600 s stretched", 12, { code: "bound", bound: "hold", value: 3600 }],
    ["8 at 80% of set 1", 12, { code: "notBefore", number: 1 }],
    ["8; 8 at 80% of set 2", 15, { code: "notBefore", number: 2 }],
    ["8 at 80% of exercise 9 set 1", 12, { code: "noSet", exercise: 9 }],
    ["8 at 80% of before", 12, { code: "notBefore" }],
    ["8; 8 at 80% of set 1 part 1", 26, { code: "noPart", number: 1 }],
    ['8 at 80% of "no such lift"', 12, { code: "noMovement", name: "no such lift" }],
    ["until it-hurts", 6, { code: "noWord", word: "it-hurts" }],
    ["8 at 40 at 50", 8, { code: "twice", what: "load" }],
    ["8 leave 2.2", 8, { code: "reserve", value: 2.2 }],
    ["8 lower 40", 8, { code: "bound", bound: "phase" }],
    ["8 lower 0 stretch 0", 8, { code: "noTime", phase: "lower" }],
    ["8 stretch 0 lift 0 s", 17, { code: "noTime", phase: "lift" }],
    ["8 rest 2:00-1:00", 7, { code: "upsideDown" }],
    ["8 at 82.5001", 5, { code: "mass" }],
    ["8-12 steps", 0, { code: "oneNumber" }],
    ["8 between stretch 30 s", 10, { code: "unnamed" }],
    ["8 leave 3-1", 8, { code: "upsideDown", min: 3, max: 1 }],
    ["8 at 75-70% of max", 5, { code: "upsideDown", min: 75, max: 70 }],
    ["8 tempo as set 1", 11, { code: "notBefore", number: 1 }],
    ['8 wear "belt" "belt"', 14, { code: "twice", what: "belt" }],
    ['8 wear ""', 7, { code: "gear" }],
    ["8 at least 40 at least 50", 14, { code: "twice", what: "bounds" }],
    ["8 at 60% of usual 20", 18, { code: "bound", bound: "possibleReps", value: 20 }],
    ['stretch "Couch" 30 s', 0, { code: "expected", found: "stretch" }],
  ])("%s", (text, at, error) => {
    expect(errorOf(text)).toMatchObject({ at, ...error });
  });

  it("says what was expected, and never throws whatever is pasted", () => {
    const { code, ...rest } = errorOf("3 x 8 at");
    expect([
      code,
      "expected" in rest && rest.expected.some((e) => "word" in e && e.word === "body"),
    ]).toEqual(["expected", true]);
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.string({ unit: "binary" })), (text) => {
        const result = read(text);
        if (!result.ok) expect(result.error.length).toBeGreaterThan(0);
      }),
    );
  });

  it("is told all at once where the words are right", () => {
    const result = read("12-8 then hold 9999 s stretched");
    expect(!result.ok && result.error.map((e) => e.code)).toEqual(["upsideDown", "bound"]);
  });
});

describe("ids of sets that match", () => {
  const ids = (sets: readonly PlannedSet[]) => sets.map((set) => set.id);

  it("stay when a set is put in before them or taken out", () => {
    const three = setsOf("10 at 40; 8 at 60; 6 at 80");
    const four = setsOf("12 at 20; 10 at 40; 8 at 60; 6 at 80", three);
    expect(ids(four).slice(1)).toEqual(ids(three));
    expect(ids(setsOf("10 at 40; 6 at 80", three))).toEqual([three[0]?.id, three[2]?.id]);
  });

  it("stay when a set is changed, with its line and its drops", () => {
    const before = setsOf("12 at 40 then drop to 80% then hold 20 s stretched; 8 at 60% of before");
    const after = setsOf(
      "12 at 45 then drop to 70% then hold 20 s stretched; 8 at 60% of before",
      before,
    );
    expect(ids(after)).toEqual(ids(before));
    expect(after[0]?.lineageId).toBe(before[0]?.lineageId);
    expect(after[0]?.extensions.map((e) => e.id)).toEqual(before[0]?.extensions.map((e) => e.id));
    expect(after[1]?.load).toMatchObject({ set: before[0]?.id });
  });
});

describe("ids of a line that was edited anyhow", () => {
  const all = (sets: readonly PlannedSet[]) =>
    sets.flatMap((set) => [
      set.id,
      set.lineageId,
      ...set.extensions.flatMap((e) => [e.id, e.lineageId]),
    ]);

  it("are never used twice, and those kept were there before", () => {
    fc.assert(
      fc.property(anySlot, anySlot, (before, after) => {
        const sets = setsOf(writeLine(after.sets, CONTEXT), before.sets);
        const ids = all(sets);
        expect(new Set(ids).size).toBe(ids.length);
        const matched = sets.filter((set) => before.sets.some((old) => old.id === set.id));
        expect(matched).toHaveLength(Math.min(before.sets.length, sets.length));
        for (const set of matched) {
          const old = before.sets.find((other) => other.id === set.id);
          expect(set.lineageId).toBe(old?.lineageId);
        }
      }),
      { numRuns: atMost(100) },
    );
  });

  it("stay letter by letter for what is new while a line is typed", () => {
    const again = sameIdsAgain(sampleNewId);
    const begun = setsOf("8 at 60");
    const typed = (text: string) => {
      const result = parseLine(text, begun, CONTEXT, again());
      return all(result.ok ? result.value : []);
    };
    const first = typed("8 at 60; 3 x 5 at 8");
    expect(first).toHaveLength(8);
    expect(typed("8 at 60; 3 x 5 at 80")).toEqual(first);
    const longer = typed("8 at 60; 3 x 5 at 80 then 2 drops to 70%");
    expect(longer.slice(0, 8)).toEqual(first);
    expect(typed("8 at 60; 3 x 5 at 80 then 2 drops to 75%")).toEqual(longer);
    expect(new Set(longer).size).toBe(longer.length);
  });

  it("lead every reference to a set that is there", () => {
    const before = setsOf("10 at 40; 8 at 80% of set 1; 6 at before minus 1");
    const after = setsOf("12 at 30; 10 at 40; 8 at 80% of set 2; 6 at set 2 minus 1", before);
    const known = new Set(after.map((set) => set.id));
    for (const { load } of after) if ("set" in load) expect(known).toContain(load.set);
    expect(after[2]?.load).toMatchObject({ set: before[0]?.id });
  });

  it("stay with the drills between sets", () => {
    const before = setsOf('10 between stretch "Couch" 30 s and mobility "Ankle" 10');
    const after = setsOf('10 between mobility "Ankle" 12 and stretch "Couch" 30 s', before);
    const [stretch] = before[0]?.between ?? [];
    expect(after[0]?.between[1]).toEqual(stretch);
  });
});

describe("completion", () => {
  const texts = (text: string, cursor = text.length) =>
    completionsAt(text, cursor).map((c) => c.text);

  it("offers what begins like the word at the cursor and may stand there", () => {
    expect(texts("3 x 8 le")).toEqual(["leave", "left"]);
    expect(texts("8 then ro")).toEqual([]);
    expect(texts("8 then re")).toEqual(["rest-pause"]);
    expect(completionsAt("8 lea", 5)).toEqual([{ from: 2, text: "leave" }]);
  });

  it("offers everything after a blank, and nothing in what cannot be read", () => {
    expect(texts("8 then ")).toEqual(expect.arrayContaining(["drop", "cluster", "hold"]));
    expect(texts("8 § le")).toEqual([]);
  });

  it('offers "all" at the beginning alone', () => {
    expect(texts("")).toContain("all");
    expect(texts("8 at 60; ")).not.toContain("all");
    expect(texts("all rest 60 s: ")).not.toContain("all");
    expect(texts("8 at 60; ")).toContain("warm-up");
  });

  it("takes no longer for a set at the end of a long line than at its beginning", () => {
    const group = "8-12 at 60 leave 2 tempo lower 3 rest 2:00 then drop to 80% of first for 6";
    const line = Array.from({ length: 50 }, () => group).join("; ");
    const took = (text: string) => {
      const begun = performance.now();
      expect(parseLine(`${text} then nonsense`, [], CONTEXT, sampleNewId).ok).toBe(false);
      expect(texts(`${text} then `)).toContain("drop");
      return performance.now() - begun;
    };
    took(group);
    const [short, long] = [took(group), took(line)];
    expect(line.length).toBeGreaterThan(3700);
    expect(long).toBeLessThan(short * 40 + 150);
  });

  it("of a line beyond 4,000 characters is none, and the line is refused, never cut", () => {
    const line = `${"8 at 60; ".repeat(500)}8 at 60`;
    expect(parseLine(line, [], CONTEXT, sampleNewId)).toMatchObject({
      error: [{ code: "tooLong", at: 4000, length: line.length - 4000 }],
    });
  });
});

describe("drills and checks", () => {
  it("go there and back, with their ids", () => {
    fc.assert(
      fc.property(fc.array(anyItem, { maxLength: 4 }), (items) => {
        const read = parseItems(writeItems(items, CONTEXT), items, CONTEXT, sampleNewId);
        expect(read).toEqual({ ok: true, value: items });
      }),
      { numRuns: atMost(100) },
    );
  });

  it("keep their ids when one is put in before them", () => {
    const one = parseItems('stretch "Couch" 30 s', [], CONTEXT, sampleNewId);
    if (!one.ok) throw new Error("not read");
    const text = 'pulse-raiser "Bike" 5 min felt 4; stretch "Couch" 30 s';
    const two = parseItems(text, one.value, CONTEXT, sampleNewId);
    expect(two.ok && two.value[1]).toEqual(one.value[0]);
    expect(parseItems("stretch 30 s", [], CONTEXT, sampleNewId)).toMatchObject({
      error: [{ code: "unnamed" }],
    });
  });
});

describe("one cell of a set", () => {
  const first = sampleSet(1);

  it.each([
    ["8–12", { kind: "reps", min: 8, max: 12 }],
    [" 10 ", { kind: "reps", min: 10, max: 10 }],
    ["40-60 s", { kind: "seconds", min: 40, max: 60 }],
  ])("reads %j as a target", (text, target) => {
    expect(parseTarget(text, CONTEXT)).toEqual({ ok: true, value: target });
  });

  it("reads a load with point, comma or unit, from a set before, or nothing at all", () => {
    const load = (text: string) => parseLoad(text, [first], CONTEXT);
    expect(load("82,5")).toMatchObject({
      value: { kind: "absolute", reading: { thousandths: 82_500 } },
    });
    expect(load("181 lb")).toMatchObject({ value: { reading: { unit: "lb" } } });
    expect(load("")).toEqual({ ok: true, value: { kind: "open" } });
    expect(load("80% of set 1")).toMatchObject({
      value: { kind: "shareOfSet", upTo: null, set: first.id },
    });
    expect(load("heavy")).toMatchObject({ error: [{ code: "expected", found: "heavy" }] });
    expect(load("99999")).toMatchObject({ error: [{ code: "mass" }] });
  });

  it("reads a rest, and says what may stand there", () => {
    expect(parseRest("1:30", CONTEXT)).toEqual({ ok: true, value: { kind: "fixed", seconds: 90 } });
    expect(parseRest("breath about 2 min", CONTEXT)).toMatchObject({
      value: { kind: "breath", likely: 120 },
    });
    const refused = parseRest("a while", CONTEXT);
    expect(refused).toMatchObject({
      error: [
        {
          at: 0,
          expected: [
            { kind: "clock" },
            { kind: "number" },
            ...["most", "breath", "partner", "heart"].map((word) => ({ word })),
          ],
        },
      ],
    });
    expect(parseRest("9:00:00", CONTEXT).ok).toBe(false);
  });

  it("reads a part and keeps its ids, even when it becomes another kind", () => {
    const old = setsOf("12 then drop to 80% for 8")[0]?.extensions[0];
    if (old === undefined) throw new Error("no part");
    const own = first.target;
    const hold = parseExtension("hold 20 s stretched", old, own, CONTEXT);
    expect(hold).toMatchObject({
      ok: true,
      value: { kind: "endHold", id: old.id, lineageId: old.lineageId },
    });
    expect(parseExtension("2 drops to 80%", old, own, CONTEXT).ok).toBe(false);
    expect(writeExtension(old, own)).toBe("drop to 80% of last for 8");
  });

  it("is written as it is read", () => {
    fc.assert(
      fc.property(anySlot, ({ sets }) => {
        for (const [i, set] of sets.entries()) {
          expect(parseTarget(writeTarget(set.target), CONTEXT)).toEqual({
            ok: true,
            value: set.target,
          });
          expect(parseRest(writeRest(set.restAfter), CONTEXT)).toEqual({
            ok: true,
            value: set.restAfter,
          });
          const load = parseLoad(
            writeLoad(set.load, { sets, index: i, context: CONTEXT }),
            sets.slice(0, i),
            CONTEXT,
          );
          expect(load).toEqual({ ok: true, value: set.load });
          for (const extension of set.extensions) {
            const read = parseExtension(
              writeExtension(extension, set.target),
              extension,
              set.target,
              CONTEXT,
            );
            expect(read).toEqual({ ok: true, value: extension });
          }
        }
      }),
      { numRuns: atMost(100) },
    );
  });
});
