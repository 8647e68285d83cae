import { describe, expect, it } from "vitest";
import { count, instant, kg } from "../kernel/index.ts";
import type { Comparing } from "./comparing.ts";
import { lastKey } from "./exposure.ts";
import {
  before,
  exposuresAt,
  lastsOf,
  seriesOf,
  trainedAfter,
  upTo,
  type History,
  type TrainedSession,
} from "./history.ts";
import {
  STACK,
  sampleContext,
  sampleDay,
  sampleId,
  sampleLoggedSet,
  samplePlan,
  sampleSet,
  sampleSlot,
  sampleStation,
} from "../../tests/samples/index.ts";

const SLOT = sampleSlot([sampleSet(1)]);
const session = (n: number): TrainedSession => ({
  id: sampleId(n),
  day: sampleDay(),
  startedAt: instant(n * 1000),
  readiness: null,
  document: samplePlan(SLOT),
});
const done = (reading: number, context = sampleContext()) => ({
  loggedSets: [
    sampleLoggedSet(sampleSet(1), {
      slotId: SLOT.id,
      reading: kg(reading),
      fullReps: count(8),
    }),
  ],
  contexts: [{ ...context, slotId: SLOT.id }],
  pains: [],
});
const STATION = sampleStation();
const history = (over: Partial<History> = {}): History => ({
  sessions: [session(2), session(1)],
  performed: new Map([
    [sampleId<"sessionLog">(1), done(60)],
    [sampleId<"sessionLog">(2), done(65)],
  ]),
  versions: new Map([[sampleContext().stationVersion, STATION]]),
  ...over,
});
const loads = (h: History) =>
  (seriesOf(h).get(lastKey(SLOT.movement, SLOT.station)) ?? []).map(({ sets }) => sets[0]?.reading);

describe("what a person's history says", () => {
  it("is every session's exposures, the oldest first", () => {
    expect(loads(history())).toEqual([kg(60), kg(65)]);
  });

  it("leaves out what was not performed, has no context, or stands on equipment that nobody knows", () => {
    expect(loads(history({ performed: new Map([[sampleId<"sessionLog">(1), done(60)]]) }))).toEqual(
      [kg(60)],
    );
    const bare = { ...done(60), contexts: [] };
    expect(loads(history({ performed: new Map([[sampleId<"sessionLog">(1), bare]]) }))).toEqual([]);
    expect(loads(history({ versions: new Map() }))).toEqual([]);
  });

  it("is what was done on other equipment too, where a coach said that it does not matter", () => {
    const key = lastKey(SLOT.movement, SLOT.station);
    const own = seriesOf(history()).get(key)!;
    const other = sampleId<"station">(77);
    const there = own.map((exposure, i) => ({
      ...exposure,
      sessionLogId: sampleId<"sessionLog">(i === 0 ? 0 : 9),
      context: { ...exposure.context, station: other },
    }));
    const unlike = { ...there[0]!, loading: STACK };
    const series = new Map([
      [key, own],
      [lastKey(SLOT.movement, other), [...there, unlike]],
      [
        lastKey("shipped:leg-press", other),
        own.map((e) => ({
          ...e,
          context: { ...e.context, movement: "shipped:leg-press" as const },
        })),
      ],
    ]);
    const word = {
      movement: SLOT.movement,
      condition: "station",
      parameter: null,
      person: null,
      station: null,
    } as const;
    const at = (...said: readonly Comparing[]) =>
      exposuresAt(series, SLOT, STATION.loading, said).map(({ sessionLogId }) => sessionLogId);
    const [first, second] = own.map(({ sessionLogId }) => sessionLogId);
    expect(at()).toEqual([first, second]);
    // What was trained elsewhere since is for what comes next there.
    expect(at(word)).toEqual([sampleId(0), first, second]);
    expect(at({ ...word, condition: "everything" })).toHaveLength(3);
    expect(at({ ...word, condition: "gear" })).toHaveLength(2);
    expect(at({ ...word, station: other })).toHaveLength(2);
  });

  it("has the latest exposure of each exercise at each station", () => {
    const lasts = lastsOf(seriesOf(history()));
    const key = lastKey(SLOT.movement, SLOT.station);
    expect(Object.keys(lasts)).toEqual([key]);
    expect(lasts[key]?.sets[0]?.reading).toEqual(kg(65));
    expect(lastsOf(new Map([[key, []]]))).toEqual({});
  });

  it("can be looked at as it stood before a session, and up to it", () => {
    expect(loads(before(history(), session(2)))).toEqual([kg(60)]);
    expect(loads(upTo(history(), session(2)))).toEqual([kg(60), kg(65)]);
    expect(loads(upTo(history(), session(1)))).toEqual([kg(60)]);
    const [all, early] = [seriesOf(history()), seriesOf(upTo(history(), session(1)))];
    expect([...trainedAfter(all, early)]).toEqual([lastKey(SLOT.movement, SLOT.station)]);
    expect(trainedAfter(all, all).size).toBe(0);
  });
});
