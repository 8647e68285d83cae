import { describe, expect, it } from "vitest";
import { addDays, count, day, kg, type Day, type Id, type Region } from "../../kernel/index.ts";
import { seriesOf, type History, type LoggedSet, type PainRecord } from "../../log/index.ts";
import { findMovement } from "../../movement/catalogue/index.ts";
import {
  EMPTY_BRIEF,
  type Approach,
  type Brief,
  type Measurement,
  type Stances,
} from "../../person/index.ts";
import { newItemBlock, type Rir, type SessionPlan, type Slot } from "../../plan/index.ts";
import { warningsOf } from "./find.ts";
import { strengthTrend, trendMark } from "./strength-trend.ts";
import { medianSlope, middleOf } from "./trend.ts";
import type { StatedNow } from "./record.ts";
import type { Warning, WarningKind } from "./warning.ts";
import {
  sampleContext,
  sampleId,
  sampleLoggedSet,
  sampleNewId,
  sampleSet,
  sampleSlot,
  sampleStation,
} from "../../../tests/samples/index.ts";
import { approachOf } from "~/tests/arbitrary/session.ts";

/** A Monday; the week before it is the last that is over. */
const TODAY = day("2026-06-01");
const STATION = sampleStation();

interface Done {
  /** Days before today. */
  readonly ago: number;
  /** Sets of each exercise with their load; null was skipped. */
  readonly slots: readonly {
    readonly movement?: string;
    readonly sets?: number;
    readonly load?: number;
    readonly rir?: Rir;
    readonly reps?: number;
    readonly sides?: readonly [number, number];
    readonly isSkipped?: boolean;
  }[];
  readonly pain?: number;
  readonly isEasy?: boolean;
  /** Of each block that prepares whether it was done; null where nobody said it. */
  readonly prepared?: readonly (boolean | null)[];
}

function record(
  sessions: readonly Done[],
  over: {
    readonly brief?: Partial<Brief>;
    readonly stances?: Partial<Stances>;
    readonly weights?: readonly (readonly [number, number])[];
    readonly since?: readonly [Day, number];
    readonly targets?: readonly StatedNow[];
  } = {},
) {
  const made = sessions.map((done, i) => {
    const id = sampleId<"sessionLog">(600 + i);
    const slots = done.slots.map(({ movement = "leg-press", sets = 3, sides }) =>
      sampleSlot(
        Array.from({ length: sets }, () =>
          sampleSet(1, {
            id: sampleNewId(),
            ...(sides === undefined
              ? {}
              : { side: { kind: "each", first: "left", matchFirst: false } as const }),
          }),
        ),
        { id: sampleNewId(), movement: `shipped:${movement}`, station: STATION.id },
      ),
    );
    const logged = slots.flatMap((slot, n): LoggedSet[] => {
      const { load = 100, rir = 2, reps = 8, sides, isSkipped = false } = done.slots[n]!;
      if (isSkipped) return [];
      return slot.sets.flatMap((set) =>
        (sides === undefined ? (["both"] as const) : (["left", "right"] as const)).map((side) =>
          sampleLoggedSet(set, {
            id: sampleNewId(),
            slotId: slot.id,
            key: { setId: set.id, extensionId: null, round: 0, ordinal: 0, side },
            reading: kg(load),
            rir,
            fullReps: count(side === "both" ? reps : sides![side === "left" ? 0 : 1]),
          }),
        ),
      );
    });
    const warmUps = (done.prepared ?? []).map(() => newItemBlock("prepare", sampleNewId));
    return { id, done, slots, logged, warmUps };
  });
  const prepared = new Map(
    made.map(({ id, done, warmUps }) => [
      id,
      new Map(
        warmUps.flatMap((block, i) => {
          const isDone = done.prepared?.[i] ?? null;
          return isDone === null ? [] : [[block.id, isDone] as const];
        }),
      ),
    ]),
  );
  const history: History = {
    sessions: made
      .map(({ id, done, slots, warmUps }) => ({
        id,
        day: addDays(TODAY, -done.ago),
        readiness: null,
        startedAt: 0 as never,
        document: { ...planOf(slots), blocks: [...warmUps, ...planOf(slots).blocks] },
      }))
      .toReversed(),
    performed: new Map(
      made.map(({ id, done, slots, logged }) => [
        id,
        {
          loggedSets: logged,
          contexts: slots.map((slot) =>
            sampleContext({
              slotId: slot.id,
              lineageId: slot.lineageId,
              movement: slot.movement,
              stationVersion: STATION.versionId,
            }),
          ),
          pains: done.pain === undefined ? [] : [painOf(slots[0]!, done.pain)],
        },
      ]),
    ),
    versions: new Map([[STATION.versionId, STATION]]),
  };
  const even = approachOf("even-ground");
  const approach: Approach = { ...even, stances: { ...even.stances, ...over.stances } };
  const easy = new Set(made.filter(({ done }) => done.isEasy === true).map(({ id }) => id));
  return {
    today: TODAY,
    brief: { ...EMPTY_BRIEF, ...over.brief },
    approach,
    history,
    series: seriesOf(history),
    measurements: (over.weights ?? []).map(([ago, value]): Measurement => ({
      id: sampleNewId(),
      kind: "bodyWeight",
      side: "both",
      value: { thousandths: value * 1000, unit: "kg" },
      day: addDays(TODAY, -ago),
      note: "",
    })),
    find: findMovement,
    isEasy: (id: Id<"sessionLog">) => easy.has(id),
    itemsDone: (id: Id<"sessionLog">) => prepared.get(id) ?? new Map(),
    targets: over.targets ?? [],
    trainedSince: new Map(
      over.since === undefined
        ? []
        : [["shipped:leg-press" as const, { since: over.since[0], sessions: over.since[1] }]],
    ),
  };
}

const planOf = (slots: readonly Slot[]): SessionPlan => ({
  schemaVersion: 2,
  blocks: slots.map((slot) => ({
    kind: "exercise",
    id: sampleNewId(),
    lineageId: sampleNewId(),
    slot,
  })),
});
const painOf = (slot: Slot, score: number): PainRecord => ({
  kind: "pain",
  id: sampleNewId(),
  slotId: slot.id,
  key: null,
  joint: "knee",
  side: "left",
  score,
  note: "",
});

const only = (kind: WarningKind, of: Parameters<typeof warningsOf>[0]) =>
  warningsOf(of).filter((w): w is Warning => w.kind === kind);
/** Presses on Thursdays, one session a week, the newest four days ago. */
const presses = (n: number, over: (i: number) => Partial<Done["slots"][number]> = () => ({})) =>
  Array.from({ length: n }, (_, i): Done => ({
    ago: 4 + 7 * (n - 1 - i),
    slots: [{ ...over(i) }],
  }));
const painful = (...scores: readonly (number | null)[]) =>
  presses(scores.length).map((done, i) => {
    const score = scores[i];
    return score == null ? done : { ...done, pain: score };
  });

describe("pain over weeks", () => {
  it.each([
    ["in three of four", [2, null, 2, 2], [{ times: 3, of: 4, from: 2, to: 2 }]],
    ["in two of four", [2, null, null, 2], []],
    ["that rose by two", [2, null, null, 4], [{ times: 2, of: 4, from: 2, to: 4 }]],
    ["that is gone", [2, 3, 3, 0], [{ times: 3, of: 4, from: 2, to: 3 }]],
    ["longer ago than four sessions", [5, 5, 5, null, null, null, null], []],
  ])("%s", (_, scores, found) => {
    expect(only("painStays", record(painful(...scores)))).toMatchObject(found);
  });
});

describe("body weight and strength", () => {
  const rising = [
    [50, 80],
    [29, 80.9],
    [8, 81.8],
  ] as const;
  const falling = [
    [50, 80],
    [29, 78.8],
    [8, 77.6],
  ] as const;
  const still = presses(8);
  it("tells where weight rises on purpose and strength does not", () => {
    const found = only("heavierNotStronger", record(still, { weights: rising }));
    // 1.8 kg of 80 kg in six weeks: 2.2 %.
    expect(found).toMatchObject([{ weight: 0.022, strength: 0, weeks: 6 }]);
    const stronger = presses(8, (i) => ({ load: 100 + 2.5 * i }));
    expect(only("heavierNotStronger", record(stronger, { weights: rising }))).toEqual([]);
    expect(
      only("heavierNotStronger", record(still, { weights: rising, brief: { goal: "definition" } })),
    ).toEqual([]);
    expect(only("heavierNotStronger", record(still, { weights: rising.slice(0, 2) }))).toEqual([]);
  });

  it("tells where more strength goes than weight", () => {
    const weaker = (step: number) => presses(8, (i) => ({ load: 100 - step * i }));
    const of = (step: number, weights: typeof falling | typeof rising = falling) =>
      only("weakerThanLighter", record(weaker(step), { weights }));
    expect(of(2)).toMatchObject([{ weight: -0.03, weeks: 6 }]);
    expect(of(0.1)).toEqual([]);
    expect(of(2, rising)).toEqual([]);
    // Strength falls by more than two per cent, and still by less than the weight.
    const lean = [
      [50, 80],
      [29, 76],
      [8, 72],
    ] as const;
    expect(of(0.5, lean as never)).toEqual([]);
  });
});

describe("how strength goes", () => {
  const trend = (...args: Parameters<typeof record>) => strengthTrend(record(...args));
  it("is the middle of the exercises, in the share that they changed by while they were trained", () => {
    // A set of 8 at RIR 2 each week for 8 weeks: the load alone changes, by 1 % of the first a week.
    const rising = trend(presses(8, (i) => ({ load: 100 + i })));
    expect(rising?.exercises).toBe(1);
    // From 100 to 107 kg in the 7 weeks between the first and the last, and no week more than was trained.
    expect(rising?.share).toBeCloseTo(0.07, 2);
    expect(rising?.weeks).toBe(7);
    expect(rising && trendMark(rising)).toBe("rising");
    const falling = trend(presses(8, (i) => ({ load: 100 - i })));
    expect(falling && trendMark(falling)).toBe("falling");
    const still = trend(presses(8));
    expect(still).toEqual({ share: 0, exercises: 1, weeks: 7 });
    expect(still && trendMark(still)).toBe("level");
  });

  it("is told of no fewer than three sessions over three weeks, and not of lighter weeks", () => {
    expect(trend(presses(2))).toBeNull();
    const sessions = presses(4, (i) => ({ load: 100 + i }));
    expect(trend(sessions)?.weeks).toBe(3);
    expect(trend(sessions)?.share).toBeCloseTo(0.03, 2);
    // Three sessions within eight days.
    expect(trend(sessions.slice(-3).map((own, i) => ({ ...own, ago: 9 - 4 * i })))).toBeNull();
    expect(trend(sessions.map((own, i) => ({ ...own, isEasy: i > 0 })))).toBeNull();
    // What lies further back than eight weeks says nothing of now.
    expect(trend(sessions.map((own) => ({ ...own, ago: own.ago + 56 })))).toBeNull();
  });

  it("is level within what a month of noise makes of it", () => {
    const at = (share: number) => trendMark({ share });
    expect([0.005, 0.0049, -0.0199, -0.02].map(at)).toEqual([
      "rising",
      "level",
      "level",
      "falling",
    ]);
  });
});

describe("sides that drift apart", () => {
  const legs = (...pairs: readonly (readonly [number, number])[]) =>
    presses(pairs.length, (i) => ({ movement: "single-leg-press", sides: pairs[i]! }));
  it("are told with how far, once the last two are a tenth apart and more than before", () => {
    const apart = legs([10, 10], [10, 10], [10, 9], [10, 8]);
    expect(only("sideDrift", record(apart))).toMatchObject([
      { weaker: "right", from: 0, to: 0.15 },
    ]);
    expect(only("sideDrift", record(legs([10, 8], [10, 8], [10, 8], [10, 8])))).toEqual([]);
    expect(only("sideDrift", record(legs([10, 10], [10, 9], [10, 8])))).toEqual([]);
    expect(only("sideDrift", record(legs([10, 10], [10, 10], [8, 10], [8, 10])))).toMatchObject([
      { weaker: "left", to: 0.2 },
    ]);
  });
});

describe("sets to the limit without a lighter week", () => {
  const hard = (n: number) => presses(n, () => ({ sets: 4, rir: 0 }));
  it("are told after six weeks behind each other, and a lighter week or a break begins anew", () => {
    expect(only("limitNoBreak", record(hard(6)))).toMatchObject([{ weeks: 6, sets: 24 }]);
    expect(only("limitNoBreak", record(hard(5)))).toEqual([]);
    const lighter = hard(8).map((done, i) => ({ ...done, isEasy: i === 3 }));
    expect(only("limitNoBreak", record(lighter))).toEqual([]);
    const paused = hard(8).filter((_, i) => i !== 3);
    expect(only("limitNoBreak", record(paused))).toEqual([]);
    const fewer = presses(6, () => ({ sets: 3, rir: 0 }));
    expect(only("limitNoBreak", record(fewer))).toEqual([]);
  });
});

describe("what is late or skipped again and again", () => {
  const calves = (n: number, isSkipped: (i: number) => boolean, sets = 7) =>
    presses(n).map((done, i): Done => ({
      ...done,
      slots: [{ sets }, { movement: "standing-calf-raise", isSkipped: isSkipped(i) }],
    }));
  const brief = { priorities: ["gastrocnemius"] as readonly Region[] };
  it("is told of a priority before it is told of an exercise", () => {
    const skipped = record(
      calves(4, (i) => i > 1),
      { brief },
    );
    expect(only("prioritySkipped", skipped)).toMatchObject([
      { region: "gastrocnemius", times: 2, of: 4 },
    ]);
    expect(only("priorityLate", skipped)).toEqual([]);
    expect(only("skippedAgain", skipped)).toMatchObject([
      { movement: "shipped:standing-calf-raise", times: 2, of: 4 },
    ]);
    expect(only("skippedAgain", record(calves(4, (i) => i > 2)))).toEqual([]);
  });

  it("is a warm-up that was left out whole, as often as somebody said so", () => {
    const prepared = (...each: readonly (readonly (boolean | null)[])[]) =>
      only(
        "warmUpSkipped",
        record(each.map((own, i) => ({ ago: 40 - 7 * i, slots: [{}], prepared: own }))),
      );
    expect(prepared([false], [true], [false], [true])).toMatchObject([{ times: 2, of: 4 }]);
    expect(prepared([false], [true], [true], [true])).toEqual([]);
    // What nobody said is neither, and of several parts one that was done is enough.
    expect(prepared([false], [null], [null], [false])).toMatchObject([{ times: 2, of: 2 }]);
    expect(prepared([false, true], [false, null], [], [])).toEqual([]);
    expect(prepared([false, false], [false, null])).toMatchObject([{ times: 2, of: 2 }]);
    // Only the last four count.
    expect(prepared([false], [false], [true], [true], [true], [true])).toEqual([]);
  });

  it("is late after more than six hard sets", () => {
    const late = (sets: number) =>
      only(
        "priorityLate",
        record(
          calves(4, () => false, sets),
          { brief },
        ),
      );
    expect(late(7)).toMatchObject([{ times: 4, of: 4 }]);
    expect(late(6)).toEqual([]);
    expect(only("priorityLate", record(calves(4, () => false)))).toEqual([]);
  });
});

describe("weeks out of a range", () => {
  const own = (low: number, high: number) => ({
    brief: {
      ownVolume: {
        ...EMPTY_BRIEF.ownVolume,
        weekly: { vastusLateralis: { low, high } },
      },
    },
  });
  const vasti = (of: Parameters<typeof warningsOf>[0]) =>
    warningsOf(of).filter((w) => w.kind === "outOfRange" && w.region === "vastusLateralis");
  it("are told after three that are over, none of them lighter, against whoever's range it is", () => {
    expect(vasti(record(presses(3), own(4, 8)))).toMatchObject([
      { side: "below", weeks: 3, sets: 3, low: 4, high: 8, whose: "client" },
    ]);
    expect(vasti(record(presses(3), own(3, 8)))).toEqual([]);
    expect(vasti(record(presses(3), own(1, 2)))).toMatchObject([{ side: "above" }]);
    expect(vasti(record(presses(2), own(4, 8)))).toEqual([]);
    const lighter = presses(3).map((done, i) => ({ ...done, isEasy: i === 2 }));
    expect(vasti(record(lighter, own(4, 8)))).toEqual([]);
  });

  it("leave the week that runs out", () => {
    const now = [...presses(2), { ago: 0, slots: [{}] }];
    expect(vasti(record(now, own(4, 8)))).toEqual([]);
  });
});

describe("the same for long", () => {
  const since = [addDays(TODAY, -300), 30] as const;
  it("is told where the approach varies, and it is still trained", () => {
    expect(only("sameForLong", record(presses(2), { since }))).toMatchObject([{ sessions: 30 }]);
    expect(only("sameForLong", record(presses(2), { since: [addDays(TODAY, -299), 30] }))).toEqual(
      [],
    );
    expect(only("sameForLong", record(presses(2), { since: [since[0], 29] }))).toEqual([]);
    const stances = { variety: "sameForAYear" as const };
    expect(only("sameForLong", record(presses(2), { since, stances }))).toEqual([]);
    expect(only("sameForLong", record([], { since }))).toEqual([]);
  });
});

describe("the middle of slopes", () => {
  it("is moved little by one odd value", () => {
    const points = [0, 1, 2, 3, 4].map((week) => ({ week, value: week === 2 ? 50 : 2 * week }));
    expect(medianSlope(points)).toBe(2);
    expect(medianSlope(points.slice(0, 2))).toBeNull();
    expect([middleOf([3, 1]), middleOf([3, 1, 2]), middleOf([])]).toEqual([2, 2, null]);
  });
});

describe("several warnings", () => {
  it("stand with the gravest first, and a client without sessions has none", () => {
    const found = warningsOf(
      record(
        painful(4, 4, 4, 4, 4, 4).map((d) => ({ ...d, slots: [{ sets: 4, rir: 0 as const }] })),
      ),
    );
    expect(found[0]?.kind).toBe("painStays");
    expect(warningsOf(record([]))).toEqual([]);
  });
});

describe("a target that slips", () => {
  const stated = (over: Partial<StatedNow>): StatedNow => ({
    target: {
      day: sampleId(1),
      lineage: sampleId(2),
      line: sampleId(3),
      reading: kg(110),
      reps: 5,
      week: 8,
    },
    movement: "shipped:back-squat",
    metIn: null,
    arrives: 8,
    chance: 0.5,
    ...over,
  });
  const slips = (over: Partial<StatedNow>) =>
    only("targetSlips", record([], { targets: [stated(over)] })).length === 1;

  it("is told where it arrives late or never, or is more likely missed than met", () => {
    expect(slips({})).toBe(false);
    expect(slips({ chance: 0.49 })).toBe(true);
    expect(slips({ arrives: 9, chance: 0.9 })).toBe(true);
    expect(slips({ arrives: null, chance: null })).toBe(true);
    expect(slips({ chance: null })).toBe(false);
    expect(slips({ metIn: 5, arrives: 5, chance: null })).toBe(false);
  });

  it("names the exercise and what was stated", () => {
    expect(only("targetSlips", record([], { targets: [stated({ arrives: 10 })] }))).toEqual([
      {
        kind: "targetSlips",
        movement: "shipped:back-squat",
        reading: kg(110),
        reps: 5,
        week: 8,
        arrives: 10,
        chance: 0.5,
      },
    ]);
  });
});
