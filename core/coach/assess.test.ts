import { describe, expect, it } from "vitest";
import { findMovement, SHIPPED_MOVEMENTS } from "../movement/catalogue/index.ts";
import { EMPTY_BRIEF } from "../person/index.ts";
import { USUAL_RULES } from "../progress/index.ts";
import { slotsOf } from "../plan/index.ts";
import { assess, judgingIn, lastReadingFrom, type CoachingContext } from "./assess.ts";
import { kg } from "../kernel/index.ts";
import { lastKey } from "../log/index.ts";
import { strengthRecordOf } from "../progress/index.ts";
import { sampleExposed, sampleExposure, sampleId } from "../../tests/samples/index.ts";
import {
  approachOf,
  exercise,
  FULL_GYM,
  otherSession,
  sessionOf,
} from "~/tests/arbitrary/session.ts";

const [HERE, THERE] = [sampleId<"gym">(1), sampleId<"gym">(2)];
const { id, day, isOpen } = otherSession(true);
const CONTEXT: CoachingContext = {
  stations: FULL_GYM.map((station, i) => ({ ...station, gymId: i === 0 ? THERE : HERE })),
  rules: USUAL_RULES,
  strengthRecords: {},
  brief: EMPTY_BRIEF,
  approach: approachOf("even-ground"),
  bodyWeight: kg(80),
  day,
  seen: {},
  neglected: [],
  others: [{ id, day, isOpen, document: sessionOf(exercise("back-squat", 3)) }],
  year: 2026,
  readiness: 3,
};
const EXERCISES = { all: SHIPPED_MOVEMENTS, find: findMovement };

describe("what a session in a gym is judged by", () => {
  it("is the equipment of that gym alone, where the other sessions of the week have all", () => {
    const judging = judgingIn(HERE, CONTEXT, EXERCISES);
    const [away, ...here] = FULL_GYM;
    expect(judging.stations.map((s) => s.id)).toEqual(here.map((s) => s.id));
    expect(judging.unrollContext.station(away!.id)).toBeNull();
    expect(judging.unrollContext.station(here[0]!.id)).not.toBeNull();
    const [other] = judging.others;
    expect(other?.unrollContext.station(away!.id)).not.toBeNull();
    expect(slotsOf(other!.plan)).toHaveLength(1);
    expect(judging.unrollContext.bodyWeight).toEqual(kg(80));
  });

  it("gives steps, times and findings of one session together", () => {
    const plan = sessionOf(exercise("back-squat", 2), exercise("leg-press", 2));
    const found = assess(plan, judgingIn(HERE, CONTEXT, EXERCISES));
    expect(found.durations.size).toBe(2);
    const sum = [...found.durations.values()].reduce<number>((all, d) => all + d.likely, 0);
    expect(found.duration.likely).toBeCloseTo(sum, 6);
    expect(found.steps).toHaveLength(4);
    expect(found.judged.week.vastusLateralis.direct).toBeGreaterThan(
      found.judged.session.vastusLateralis.direct,
    );
  });
});

it("the last reading is that of the exercise at its station, and none elsewhere", () => {
  const record = strengthRecordOf(
    [sampleExposure([sampleExposed(kg(60), 8, 2)])],
    null,
    USUAL_RULES,
  )!;
  const key = lastKey(record.movement, record.station);
  const last = lastReadingFrom({ strengthRecords: { [key]: record } });
  expect(last({ ref: record.movement }, { id: record.station })).toEqual(kg(60));
  expect(last({ ref: record.movement }, { id: sampleId(99) })).toBeNull();
});
