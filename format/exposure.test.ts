import { describe, expect, it } from "vitest";
import { count, day, kg, ticksOf } from "~/core/kernel/index.ts";
import {
  formatBest,
  formatGained,
  formatHowSet,
  formatLoggedSet,
  formatPlannedAndDone,
  formatSetsDone,
  setsByLoad,
} from "./exposure.ts";
import { sampleExposed, sampleId, sampleLoggedSet, sampleSet } from "../tests/samples/index.ts";
import { MUSCLES } from "./muscles.ts";

it("says planned and done of one region, in sets and in one", () => {
  const most = { region: "gastrocnemius" as const, planned: 4.5, done: 0 };
  expect(formatPlannedAndDone(most, MUSCLES.latin)).toBe(
    "Gastrocnemius: 4.5 direct sets planned, 0 done.",
  );
  expect(formatPlannedAndDone({ ...most, planned: 1, done: 2 }, MUSCLES.coach)).toBe(
    "Calves: 1 direct set planned, 2 done.",
  );
});

it("says work sets together where their load is one, and apart where it is not or is unknown", () => {
  const [a, b] = [sampleExposed(kg(100), 12, 2), sampleExposed(kg(100), 10, 2)];
  expect(formatSetsDone([a, b])).toBe("100 kg × 12, 10");
  expect(formatSetsDone([a, sampleExposed(kg(80), 12, 2)])).toBe("100 kg × 12, 80 kg × 12");
  expect(formatSetsDone([sampleExposed(null, null, 2)])).toContain("?");
  expect(formatSetsDone([])).toBe("no work set");
});

it("says sets in a column load by load, and nothing on the body as no 0 kg", () => {
  const on = (kind: string, ...sets: readonly Parameters<typeof setsByLoad>[0]["sets"][number][]) =>
    setsByLoad({ sets, loading: { kind } as Parameters<typeof setsByLoad>[0]["loading"] });
  const [a, b] = [sampleExposed(kg(100), 12, 2), sampleExposed(kg(100), 10, 2)];
  expect(on("bar", a, b, sampleExposed(kg(80), 12, 2), a)).toEqual([
    { load: "100 kg", done: "12 10" },
    { load: "80 kg", done: "12" },
    { load: "100 kg", done: "12" },
  ]);
  expect(on("bar", sampleExposed(null, null, 2))).toEqual([{ load: "?", done: "?" }]);
  const none = sampleExposed(kg(0), 12, 2);
  expect(on("bodyweight", none, sampleExposed(kg(5), 8, 2))).toEqual([
    { load: "body weight", done: "12" },
    { load: "5 kg", done: "8" },
  ]);
  expect(on("unloaded", none)).toEqual([{ load: "", done: "12" }]);
  expect(on("assisted", none)).toEqual([{ load: "0 kg", done: "12" }]);
});

it("says unknown loads and counts as unknown, never as none", () => {
  const logged = sampleLoggedSet(sampleSet(1), { reading: null, fullReps: null });
  expect(formatLoggedSet(logged)).toBe("? × ?");
  expect(formatLoggedSet({ ...logged, reading: kg(60), partialReps: count(6) })).toBe(
    "60 kg × 6 partial",
  );
});

it("says of a best what it is, and when and how it was set", () => {
  const best = {
    reading: kg(105),
    counted: "reps",
    amount: 5,
    day: day("2026-01-12"),
    sessionLogId: sampleId<"sessionLog">(1),
    rir: 2,
    place: 2,
    hardSetsBefore: 9,
    bodyWeight: kg(80),
    gear: [{ name: "belt", fromSet: 1 }],
  } as const;
  expect(formatBest(best)).toBe("105 kg × 5");
  expect(formatHowSet(best)).toBe("12 Jan, RIR 2, set 2, after 9 hard sets, with belt, at 80 kg");
  const unsaid = {
    rir: "unknown",
    place: 1,
    hardSetsBefore: 0,
    bodyWeight: null,
    gear: null,
  } as const;
  expect(formatHowSet({ ...best, ...unsaid })).toBe("12 Jan");
});

describe("what was gained", () => {
  const none = { loadTicks: 0, isHarder: false, done: null, left: null };
  const ticksOfFive: number = ticksOf(kg(5));

  it("is said in what was counted", () => {
    expect(formatGained({ ...none, done: { measure: "reps", amount: 2 } }, "kg")).toBe(
      "Same load, +2 reps in all",
    );
    expect(formatGained({ ...none, done: { measure: "seconds", amount: -5 } }, "kg")).toBe(
      "Same load, −5 s in all",
    );
  });

  it("says which way where more is easier", () => {
    expect(formatGained({ ...none, loadTicks: ticksOfFive, isHarder: true }, "kg")).toBe("+5 kg");
    expect(formatGained({ ...none, loadTicks: ticksOfFive }, "kg")).toBe("+5 kg (easier)");
    expect(formatGained({ ...none, loadTicks: -ticksOfFive, isHarder: true }, "kg")).toBe(
      "−5 kg (harder)",
    );
  });
});
