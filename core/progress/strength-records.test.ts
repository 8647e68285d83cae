import { describe, expect, it } from "vitest";
import { amountKg, count, kg, seconds, share } from "../kernel/index.ts";
import { loadsBetween } from "../gym/index.ts";
import { OPEN_TEMPO } from "../plan/index.ts";
import { lastKey, type ExposedSet } from "../log/index.ts";
import { strengthRecordOf, unrollContextFrom } from "./strength-records.ts";
import { strengthTable } from "./rep-max-table.ts";
import { USUAL_RULES } from "./strength-rules.ts";
import { PLAIN_STRICTNESS } from "./strictness.ts";
import {
  RACK,
  sampleContext,
  sampleExposed as set,
  sampleExposure,
  sampleId,
} from "../../tests/samples/index.ts";

const did = (reading: number, reps: number, rir: 0 | 2 = 2) => set(kg(reading), reps, rir);

describe("what is known of a person at a station", () => {
  it("is nothing where nothing was done", () => {
    expect(strengthRecordOf([], null, { ...USUAL_RULES, equation: "epley" })).toBeNull();
  });

  it("is the last session's first load and heaviest total, and the most telling estimate of the last three", () => {
    const exposures = [
      sampleExposure([did(200, 3, 0)], { sessionLogId: sampleId(1) }),
      sampleExposure([did(100, 8)], { sessionLogId: sampleId(2) }),
      sampleExposure([did(100, 10)], { sessionLogId: sampleId(3) }),
      sampleExposure([did(95, 8), did(105, 5)], { sessionLogId: sampleId(4) }),
    ];
    const known = strengthRecordOf(exposures, null, { ...USUAL_RULES, equation: "epley" });
    expect(known?.lastReading).toEqual(kg(95));
    expect(known?.lastTotal).toEqual(kg(105));
    // Five and two left are seven possible: 105 × (1 + 7 ⁄ 30), near it by the person's own curve; the 200 kg is too long ago.
    expect(amountKg(known?.maximum?.likely ?? kg(1))).toBeGreaterThan(120);
    expect(amountKg(known?.maximum?.likely ?? kg(1))).toBeLessThan(140);
  });

  it("says why there is no estimate", () => {
    expect(
      strengthRecordOf([sampleExposure([did(60, 20)], { sessionLogId: sampleId(1) })], null, {
        ...USUAL_RULES,
        equation: "epley",
      }),
    ).toMatchObject({
      maximum: null,
      refused: { code: "tooManyReps", possible: 22 },
    });
  });

  it("is what a load by maximum and by effort is worked out from", () => {
    const known = strengthRecordOf(
      [sampleExposure([did(100, 5, 0)], { sessionLogId: sampleId(1) })],
      null,
      {
        ...USUAL_RULES,
        equation: "epley",
      },
    );
    if (known === null) throw new Error("nothing known");
    const key = lastKey(known.movement, known.station);
    const context = unrollContextFrom({ [key]: known }, null, USUAL_RULES);
    const strength = context.strength(known.movement, known.station);
    expect(amountKg(strength?.ofMaximum(share(0.5)) ?? kg(1))).toBeCloseTo(58.333, 2);
    const plain = { tempo: OPEN_TEMPO, accents: [] };
    expect(amountKg(strength?.forReps(5, plain) ?? kg(1))).toBeCloseTo(100, 2);
    expect(strength?.forReps(5, { ...plain, tempo: { ...OPEN_TEMPO, squeeze: 2 } })).toEqual(
      kg(95),
    );
    expect(strength?.forReps(16, plain)).toBeNull();
    expect(context.lastReading(known.movement, known.station)).toEqual(kg(100));
    expect(context.lastReading(known.movement, sampleId(99))).toBeNull();
    expect(context.lastTotal(known.movement)).toEqual(kg(100));
  });

  it("follows the rules of the studio", () => {
    const exposures = [sampleExposure([did(100, 5, 0)], { sessionLogId: sampleId(1) })];
    const known = strengthRecordOf(exposures, null, { ...USUAL_RULES, equation: "oConner" });
    if (known === null) throw new Error("nothing known");
    // 100 × (1 + 0.025 × 5), and five reps of it held for two seconds at a tenth off each.
    expect(amountKg(known.maximum?.likely ?? kg(1))).toBeCloseTo(112.5, 2);
    const strictness = { ...PLAIN_STRICTNESS, perHeldSecond: 0.1, most: 0.5 };
    const context = unrollContextFrom({ [lastKey(known.movement, known.station)]: known }, null, {
      equation: "oConner",
      strictness,
    });
    const held = { tempo: { ...OPEN_TEMPO, squeeze: 2 }, accents: [] };
    expect(context.strength(known.movement, known.station)?.forReps(5, held)).toEqual(kg(80));
  });
});

describe("strictness", () => {
  const slow = { ...OPEN_TEMPO, lower: 6, squeeze: 1 };
  const slowly = (load: number, reps: number) =>
    set(kg(load), reps, 2, { tempo: slow, accents: [{ kind: "deadStop", seconds: seconds(1) }] });
  const strengthFrom = (sets: readonly ExposedSet[]) => {
    const known = strengthRecordOf([sampleExposure(sets)], null, USUAL_RULES);
    if (known === null) throw new Error("nothing known");
    const context = unrollContextFrom(
      { here: known, [lastKey(known.movement, known.station)]: known },
      null,
      USUAL_RULES,
    );
    return context.strength(known.movement, known.station);
  };

  it("counts once: 8 × 100 done slowly allow 8 × 100 slowly again, and more plainly", () => {
    const strength = strengthFrom([slowly(100, 8)]);
    const how = { tempo: slow, accents: [{ kind: "deadStop", seconds: seconds(1) }] } as const;
    expect(amountKg(strength?.forReps(10, how) ?? kg(0))).toBeCloseTo(100, 2);
    expect(
      amountKg(strength?.forReps(10, { tempo: OPEN_TEMPO, accents: [] }) ?? kg(0)),
    ).toBeGreaterThan(110);
  });

  it("leaves plain sets as they are", () => {
    const strength = strengthFrom([set(kg(100), 8)]);
    expect(strength?.forReps(10, { tempo: OPEN_TEMPO, accents: [] })).toEqual(kg(100));
  });
});

it("no maximum is estimated from a set with partial or forced reps", () => {
  const partial = set(kg(100), 8, 0, { hasPartials: true });
  expect(strengthRecordOf([sampleExposure([partial])], null, USUAL_RULES)).toMatchObject({
    maximum: null,
    refused: { code: "partials" },
  });
});

describe("what a set is estimated from", () => {
  const refusals = (restBefore: number, ...sets: readonly ExposedSet[]) => {
    const context = sampleContext({ restSeconds: seconds(restBefore) });
    const record = strengthRecordOf([sampleExposure(sets, { context })], null, USUAL_RULES);
    return record?.refused?.code ?? null;
  };

  it("is the rest before it, which the first set of an exercise has in any case", () => {
    expect(refusals(20, did(100, 5))).toBeNull();
    expect(refusals(20, set(null, 5), did(100, 5))).not.toBeNull();
    expect(refusals(120, set(null, 5), did(100, 5))).toBeNull();
  });

  it("is the body weight of its day, where that is known", () => {
    const loading = { kind: "bodyweight", unit: "kg", added: [kg(10)], movedShare: 1 } as const;
    const moved = (onTheDay: number | null) =>
      strengthRecordOf(
        [
          {
            ...sampleExposure([set(kg(10), 1, 0)], {
              context: sampleContext({ bodyWeight: onTheDay === null ? null : kg(onTheDay) }),
            }),
            loading,
          },
        ],
        kg(80),
        USUAL_RULES,
      )?.maximum?.likely;
    expect(moved(60)).toEqual(kg(70));
    expect(moved(null)).toEqual(kg(90));
  });
});

describe("the table of loads", () => {
  const known = strengthRecordOf(
    [sampleExposure([did(100, 5, 0)], { sessionLogId: sampleId(1) })],
    null,
    {
      ...USUAL_RULES,
      equation: "epley",
    },
  );
  if (known === null) throw new Error("nothing known");
  const table = strengthTable(known, RACK, null, "epley");

  it("gives back the load of the set that it comes from, and only loads that the station makes", () => {
    expect(table[4]?.[0]?.made?.reading).toEqual(kg(100));
    const readings = loadsBetween(RACK, kg(0), kg(400)).map((made) => amountKg(made.reading));
    for (const cell of table.flat()) {
      if (cell !== null) expect(readings).toContain(amountKg(cell.made?.reading ?? kg(1)));
    }
  });

  it("gets lighter with reps and with reserve, and ends at fifteen possible reps", () => {
    const of = (reps: number, left: number) => table[reps - 1]?.[left]?.total.likely;
    expect(amountKg(of(6, 0) ?? kg(0))).toBeLessThan(amountKg(of(5, 0) ?? kg(0)));
    expect(of(5, 1)).toEqual(of(6, 0));
    expect(table[14]?.[0]).not.toBeNull();
    expect(table[14]?.[1]).toBeNull();
    expect(table[10]?.[4]).not.toBeNull();
  });
});

describe("what somebody usually takes for so many reps", () => {
  const usual = (...sets: readonly ExposedSet[]) => {
    const record = strengthRecordOf([sampleExposure(sets)], null, USUAL_RULES)!;
    const key = lastKey(record.movement, record.station);
    const context = unrollContextFrom({ [key]: record }, null, USUAL_RULES);
    return (reps: number) => context.usualTotal(record.movement, record.station, count(reps));
  };

  it("is the middle of what was moved for as many reps, or one more or less", () => {
    const of = usual(did(100, 8), did(90, 9), did(95, 8), did(60, 15));
    expect(of(8)).toEqual(kg(95));
    expect(of(14)).toEqual(kg(60));
  });

  it("leaves out unknown reps and loads, and partial reps", () => {
    const partial = set(kg(140), 8, 2, { hasPartials: true });
    const of = usual(did(100, 8), partial, set(kg(50), null, 2), set(null, 8, 2));
    expect(of(8)).toEqual(kg(100));
  });
});
