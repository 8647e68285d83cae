import { describe, expect, it } from "vitest";
import { amountKg, count, kg, seconds, share } from "../kernel/index.ts";
import type { LoadRule, Rir } from "../plan/index.ts";
import { unrollSlot } from "../unroll/index.ts";
import { fellShort, foundByTrial, judgedLoggedSets } from "./trial.ts";
import {
  sampleUnrollContext,
  sampleId,
  sampleLoggedSet,
  sampleSet,
  sampleSlot,
  sampleStation,
} from "../../tests/samples/index.ts";

const trial: LoadRule = { kind: "trial", from: kg(60), steps: count(2), tries: count(4) };
const set = sampleSet(1, { load: trial, role: "calibration", effort: 2 });
const tried = (
  ordinal: number,
  reading: number,
  rir: Rir,
  side: "both" | "left" | "right" = "both",
) =>
  sampleLoggedSet(set, {
    key: { setId: set.id, extensionId: null, round: 0, ordinal, side },
    reading: kg(reading),
    rir,
  });

describe("what a trial comes to", () => {
  it.each<[string, readonly (readonly [number, Rir])[], number | null, number]>([
    ["nothing before the first try", [], null, 0],
    [
      "nothing while every try leaves more than asked",
      [
        [60, 5],
        [65, 4],
      ],
      null,
      0,
    ],
    [
      "the try that leaves what was asked",
      [
        [60, 5],
        [65, 2],
      ],
      65,
      2,
    ],
    [
      "the nearest try where the last went past what was asked",
      [
        [60, 5],
        [65, 3],
        [70, 0],
      ],
      65,
      3,
    ],
    [
      "the lighter of two as near",
      [
        [60, 5],
        [65, 3],
        [70, 1],
      ],
      65,
      3,
    ],
    [
      "the last of all tries where none came close",
      [
        [60, "more"],
        [65, 5],
        [70, 5],
        [75, 4],
      ],
      75,
      4,
    ],
    [
      "the last where nobody said what was left",
      [
        [60, "unknown"],
        [65, "unknown"],
        [70, "unknown"],
        [75, "unknown"],
      ],
      75,
      4,
    ],
    ["nothing yet where nobody said what was left", [[60, "unknown"]], null, 0],
  ])("is %s", (_, did, reading, tries) => {
    const loggedSets = did.map(([load, rir], i) => tried(i, load, rir));
    expect(foundByTrial(set, loggedSets)).toEqual(
      reading === null ? null : { reading: kg(reading), tries },
    );
  });

  it("goes by the side that is closer to the limit", () => {
    const loggedSets = [tried(0, 60, 4, "left"), tried(0, 60, 2, "right")];
    expect(foundByTrial(set, loggedSets)).toEqual({ reading: kg(60), tries: 1 });
    expect(judgedLoggedSets(set, loggedSets)).toHaveLength(2);
  });

  it("does not know what is left while one side says nothing", () => {
    const loggedSets = [tried(0, 60, 2, "left"), tried(0, 60, "unknown", "right")];
    expect(foundByTrial(set, loggedSets)).toBeNull();
  });

  it("leaves out what extends it, and other sets", () => {
    const drop = {
      ...tried(1, 50, 0),
      key: { ...tried(1, 50, 0).key, extensionId: sampleId<"extension">(9) },
    };
    const elsewhere = sampleLoggedSet(sampleSet(7), { rir: 0 });
    const parts = [tried(0, 60, 5), drop, elsewhere] as const;
    expect(foundByTrial(set, parts)).toBeNull();
    expect(judgedLoggedSets(set, parts)).toEqual([parts[0]]);
  });

  it("is nothing for a set that is no trial, which is judged by all of its parts", () => {
    const plain = sampleSet(2);
    const loggedSets = [sampleLoggedSet(plain), tried(0, 60, 2)];
    expect(foundByTrial(plain, loggedSets)).toBeNull();
    expect(judgedLoggedSets(plain, loggedSets)).toEqual([loggedSets[0]]);
  });

  it("is judged by the try that was taken, or the last one while it goes on", () => {
    const loggedSets = [tried(0, 60, 5), tried(1, 65, 3), tried(2, 70, 0)];
    expect(judgedLoggedSets(set, loggedSets)).toEqual([loggedSets[1]]);
    expect(judgedLoggedSets(set, loggedSets.slice(0, 2))).toEqual([loggedSets[1]]);
    expect(judgedLoggedSets(set, [])).toEqual([]);
  });
});

describe("a session in which a trial found its load", () => {
  const after = sampleSet(3, {
    load: { kind: "shareOfSet", upTo: null, set: set.id, part: null, share: share(0.8) },
  });
  const loads = (loggedSets: ReturnType<typeof tried>[]) =>
    unrollSlot(
      sampleSlot([set, after]),
      sampleUnrollContext([sampleStation()], { found: (s) => foundByTrial(s, loggedSets) }),
    ).map(({ load }) => (load.kind === "made" ? amountKg(load.reading) : load.kind));

  it("asks for no further try, and what follows from it is known", () => {
    expect(loads([])).toEqual([60, 65, 70, 75, "open"]);
    expect(loads([tried(0, 60, 5), tried(1, 65, 2)])).toEqual([60, 65, 52.5]);
  });
});

describe("a load with loads to fall back on", () => {
  const load: LoadRule = { kind: "fallback", reading: kg(100), then: [kg(100), kg(95)] };
  const sets = [1, 2, 3, 4].map((n) =>
    sampleSet(n, { load, target: { kind: "reps", min: count(6), max: count(6) } }),
  );
  const slot = sampleSlot([...sets, sampleSet(5, { load: { kind: "absolute", reading: kg(80) } })]);
  const after = (...reps: readonly (number | null)[]) => {
    const loggedSets = reps.map((n, i) =>
      sampleLoggedSet(sets[i]!, { fullReps: n === null ? null : count(n) }),
    );
    return unrollSlot(
      slot,
      sampleUnrollContext([sampleStation()], { fellShort: (of) => fellShort(of, loggedSets) }),
    );
  };
  const loadsAfter = (...reps: readonly (number | null)[]) =>
    after(...reps).map(({ load: l }) => (l.kind === "made" ? amountKg(l.reading) : null));

  it("stays while sets come, goes one further for each that falls short, and ends at the last", () => {
    expect(loadsAfter()).toEqual([100, 100, 100, 100, 80]);
    expect(loadsAfter(6)).toEqual([100, 100, 100, 100, 80]);
    expect(loadsAfter(5)).toEqual([100, 100, 100, 100, 80]);
    expect(loadsAfter(5, 5)).toEqual([100, 100, 95, 95, 80]);
    expect(loadsAfter(5, 5, 5)).toEqual([100, 100, 95, 95, 80]);
    expect(loadsAfter(5, 6, 4)).toEqual([100, 100, 100, 95, 80]);
  });

  it("is no matter for a set that asks for no repetitions, or for as many as come", () => {
    const held = sampleSet(1, { target: { kind: "seconds", min: seconds(20), max: seconds(30) } });
    expect(fellShort(held, [sampleLoggedSet(held, { fullReps: count(1) })])).toBe(false);
    const open = sampleSet(1, { target: { kind: "limit", atLeast: null, likely: count(8) } });
    expect(fellShort(open, [sampleLoggedSet(open, { fullReps: count(1) })])).toBe(false);
    const atLeast = sampleSet(1, {
      target: { kind: "limit", atLeast: count(5), likely: count(8) },
    });
    expect(fellShort(atLeast, [sampleLoggedSet(atLeast, { fullReps: count(4) })])).toBe(true);
  });

  it("takes an unknown count for no failure, and says what it went down from and what is left", () => {
    expect(loadsAfter(null, null)).toEqual([100, 100, 100, 100, 80]);
    const [, , third] = after(5, 5);
    expect(third).toMatchObject({ fallenFrom: kg(100), fallback: [] });
    expect(after(5)[1]).toMatchObject({ fallenFrom: null, fallback: [kg(95)] });
  });
});
