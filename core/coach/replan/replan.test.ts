import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, day, type Day } from "../../kernel/index.ts";
import { SHIPPED_MOVEMENTS } from "../../movement/catalogue/index.ts";
import { EMPTY_BRIEF } from "../../person/index.ts";
import {
  endOf,
  project,
  usualWeek,
  weekAfter,
  withEdit,
  type Phase,
  type PhaseFacts,
} from "../../phase/index.ts";
import { slotsOf } from "../../plan/index.ts";
import type { Station } from "../../gym/index.ts";
import {
  sampleId,
  sampleNewId,
  sampleStation,
  sampleUnrollContext,
} from "~/tests/samples/index.ts";
import { sampleFacts, samplePhase, samplePhaseDay, trainNext } from "~/tests/samples/phase.ts";
import { writtenSlot } from "~/tests/samples/trained.ts";
import { differencesOf } from "./difference.ts";
import type { ReplanEvent } from "./event.ts";
import { editsOf, replan, withSteps } from "./replan.ts";
import type { ReplanSituation, ReplanStep } from "./step.ts";

const RUNS = Number(process.env["KRAVO_RUNS"] ?? 40);
const OTHER_GYM = sampleId<"gym">(901);
const serving = (n: number, serves: Station["serves"], gymId = sampleId<"gym">(900)): Station => ({
  ...sampleStation(undefined, n),
  gymId,
  serves,
});
const STATIONS = [
  serving(1, ["shipped:back-squat", "shipped:front-squat"]),
  serving(2, ["shipped:romanian-deadlift"]),
  serving(3, ["shipped:barbell-hip-thrust", "shipped:good-morning"]),
  serving(4, ["shipped:back-squat"], OTHER_GYM),
];
const squat = writtenSlot("3 x 6 at 100", {
  movement: "shipped:back-squat",
  station: STATIONS[0]!.id,
});
const hinge = writtenSlot("3 x 8 at 80", {
  id: sampleNewId(),
  lineageId: sampleNewId(),
  movement: "shipped:romanian-deadlift",
  station: STATIONS[1]!.id,
});
const thrust = writtenSlot("3 x 10 at 90", {
  id: sampleNewId(),
  lineageId: sampleNewId(),
  movement: "shipped:barbell-hip-thrust",
  station: STATIONS[2]!.id,
});
const MONDAY = samplePhaseDay(1, squat, thrust);
const THURSDAY = samplePhaseDay(4, hinge);
/** From Monday 2 March 2026; Mondays and Thursdays, six weeks. */
const PHASE = samplePhase([MONDAY, THURSDAY], {
  weeks: Array.from({ length: 6 }, (_, i) => usualWeek(i === 3 ? "lighter" : "normal")),
});
const FACTS = sampleFacts({
  stations: STATIONS,
  context: sampleUnrollContext(STATIONS),
  today: day("2026-03-02"),
});

function situationOf(phase: Phase = PHASE, facts: PhaseFacts = FACTS): ReplanSituation {
  return {
    phase,
    sessions: project(phase, facts, sampleNewId),
    today: facts.today,
    brief: { ...EMPTY_BRIEF, level: "advanced" },
    swap: { catalogue: SHIPPED_MOVEMENTS, unrollContext: facts.context, lastReading: () => null },
    stations: STATIONS,
    newId: sampleNewId,
  };
}

/** The steps that are taken where the coach says nothing else. */
const proposedSteps = (steps: readonly ReplanStep[]) =>
  steps.filter(({ isProposed }) => isProposed);
const codes = (steps: readonly ReplanStep[]) =>
  steps.map(({ because, isProposed }) => `${isProposed ? "" : "or "}${because.code}`);
const after = (event: ReplanEvent, phase = PHASE, facts = FACTS) =>
  withSteps(phase, proposedSteps(replan(event, situationOf(phase, facts))));

describe("a missed session", () => {
  it("is moved to the first day two days from every other session", () => {
    const only = samplePhase([MONDAY], { weeks: PHASE.weeks });
    const steps = replan(
      { kind: "missed", day: MONDAY.id, week: 1 },
      situationOf(only, { ...FACTS, today: day("2026-03-03") }),
    );
    expect(codes(steps)).toEqual(["moved", "or dropped"]);
    expect(steps[0]?.because).toMatchObject({ on: "2026-03-03" });
  });

  it("keeps two days to the next one: between Monday and Thursday there is none left on Wednesday", () => {
    const facts = { ...FACTS, today: day("2026-03-04") };
    const steps = replan({ kind: "missed", day: MONDAY.id, week: 1 }, situationOf(PHASE, facts));
    // Thursday 5 is too near to the 4th and the 6th; the 7th is free, two days before the Monday after.
    expect(steps[0]?.because).toMatchObject({ code: "moved", on: "2026-03-07" });
    expect(codes(steps)).toEqual(["moved", "or merged", "or dropped"]);
  });

  it("goes into the next session where no day is free: its first exercises, that week alone", () => {
    const days = [1, 3, 5, 7].map((n) => samplePhaseDay(n, { ...squat, lineageId: sampleNewId() }));
    const [first] = days;
    const full = samplePhase([{ ...first!, session: MONDAY.session }, ...days.slice(1)], {
      weeks: PHASE.weeks,
    });
    const facts = { ...FACTS, today: day("2026-03-03") };
    const steps = replan({ kind: "missed", day: first!.id, week: 1 }, situationOf(full, facts));
    expect(codes(steps)).toEqual(["merged", "or dropped"]);
    const next = withSteps(full, proposedSteps(steps));
    const sessions = project(next, facts, sampleNewId);
    const on = (week: number) =>
      slotsOf(sessions.find((s) => s.day.weekday === 3 && s.week === week)!.plan).map(
        (s) => s.movement,
      );
    expect(on(1)).toEqual(["shipped:back-squat", "shipped:barbell-hip-thrust"]);
    expect(on(2)).toEqual(["shipped:back-squat"]);
    expect(sessions.find((s) => s.day.weekday === 1 && s.week === 1)?.source).toBe("dropped");
  });
});

describe("time away", () => {
  const ill: ReplanEvent = {
    kind: "away",
    from: day("2026-03-09"),
    to: day("2026-03-15"),
    why: "ill",
  };

  it("drops what lies in it, trains a lost week afterwards and comes back light", () => {
    const steps = replan(ill, situationOf());
    expect(codes(steps)).toEqual(["dropped", "dropped", "easierReturn", "weeksAgain"]);
    const next = withSteps(PHASE, steps);
    expect(next.weeks.map(({ kind }) => kind)).toEqual([
      "normal",
      "normal",
      "light",
      "normal",
      "lighter",
      "normal",
      "normal",
    ]);
    expect(endOf(next)).toBe(addDays(endOf(PHASE), 7));
    const told = project(next, FACTS, sampleNewId).map((s) => `${s.on} ${s.source}`);
    expect(told.slice(2, 5)).toEqual([
      "2026-03-09 dropped",
      "2026-03-12 dropped",
      "2026-03-16 projected",
    ]);
  });

  it("trains a lost week behind a first week back that is lighter anyway", () => {
    const before: ReplanEvent = {
      kind: "away",
      from: day("2026-03-16"),
      to: day("2026-03-22"),
      why: "ill",
    };
    const steps = replan(before, situationOf());
    expect(codes(steps)).toEqual(["dropped", "dropped", "weeksAgain"]);
    expect(withSteps(PHASE, steps).weeks.map(({ kind }) => kind)).toEqual([
      "normal",
      "normal",
      "normal",
      "lighter",
      "normal",
      "normal",
      "normal",
    ]);
  });

  it("of a few days drops one session and leaves the weeks alone", () => {
    const away: ReplanEvent = {
      kind: "away",
      from: day("2026-03-11"),
      to: day("2026-03-13"),
      why: "away",
    };
    expect(codes(replan(away, situationOf()))).toEqual(["dropped"]);
  });

  it("in which nothing is planned asks nothing", () => {
    const away: ReplanEvent = {
      kind: "away",
      from: day("2026-03-10"),
      to: day("2026-03-11"),
      why: "away",
    };
    expect(replan(away, situationOf())).toEqual([]);
  });
});

describe("equipment that is gone, and another gym", () => {
  it("puts a stand-in at other equipment there, for those weeks alone", () => {
    const gone: ReplanEvent = {
      kind: "equipmentGone",
      station: STATIONS[1]!.id,
      from: day("2026-03-09"),
      to: day("2026-03-22"),
    };
    const steps = replan(gone, situationOf());
    expect(steps).toHaveLength(1);
    expect(steps[0]?.because).toMatchObject({ code: "standsIn", weeks: [2, 3] });
    const sessions = project(withSteps(PHASE, steps), FACTS, sampleNewId);
    const onThursday = sessions.filter((s) => s.day.id === THURSDAY.id);
    expect(onThursday.map((s) => slotsOf(s.plan).map(({ station }) => station))).toEqual(
      [2, 3, 3, 2, 2, 2].map((n) => [STATIONS[n - 1]!.id]),
    );
  });

  it("leaves out what nothing stands in for, and to the end where no end is known", () => {
    const alone = { ...situationOf(), stations: [STATIONS[1]!] };
    const gone: ReplanEvent = {
      kind: "equipmentGone",
      station: STATIONS[1]!.id,
      from: day("2026-03-02"),
      to: null,
    };
    const steps = replan(gone, alone);
    expect(steps.map(({ because }) => because)).toMatchObject([
      { code: "leftOut", weeks: [1, 2, 3, 4, 5, 6] },
    ]);
    const sessions = project(withSteps(PHASE, steps), FACTS, sampleNewId);
    expect(
      sessions.filter((s) => s.day.id === THURSDAY.id).every((s) => slotsOf(s.plan).length === 0),
    ).toBe(true);
  });

  it("plans sessions in the other gym, with the same exercise at its own equipment", () => {
    const travels: ReplanEvent = {
      kind: "otherGym",
      gym: OTHER_GYM,
      from: day("2026-03-09"),
      to: day("2026-03-10"),
    };
    const next = after(travels);
    expect(next.placings).toEqual([
      { day: MONDAY.id, week: 2, on: day("2026-03-09"), gymId: OTHER_GYM },
    ]);
    const monday = project(next, FACTS, sampleNewId).find(
      (s) => s.day.id === MONDAY.id && s.week === 2,
    )!;
    expect(slotsOf(monday.plan).map(({ movement, station }) => [movement, station])).toContainEqual(
      ["shipped:back-squat", STATIONS[3]!.id],
    );
    expect(slotsOf(monday.plan).every(({ station }) => station === STATIONS[3]!.id)).toBe(true);
  });
});

describe("a joint that flares up", () => {
  it("takes out what loads it, and stands nothing in for it that does the same", () => {
    const flare: ReplanEvent = {
      kind: "flareUp",
      joint: "lowBack",
      provokedBy: "loadOnSpine",
      severity: 6,
      allowed: 2,
      from: day("2026-03-05"),
      to: null,
    };
    const next = after(flare);
    const sessions = project(next, FACTS, sampleNewId);
    const find = FACTS.context.movement;
    for (const { on, plan } of sessions) {
      if (on < "2026-03-05") continue;
      for (const { movement } of slotsOf(plan))
        expect(["none", "low"]).toContain(find(movement)?.spinalLoad);
    }
    // Before it nothing changes.
    expect(slotsOf(sessions[0]!.plan).map(({ movement }) => movement)).toEqual([
      "shipped:back-squat",
      "shipped:barbell-hip-thrust",
    ]);
  });
});

describe("a show that comes earlier", () => {
  it("takes the latest normal weeks out, and keeps the lighter and the last one", () => {
    const next = after({ kind: "showEarlier", by: addDays(endOf(PHASE), -14) });
    expect(next.weeks.map(({ kind }) => kind)).toEqual(["normal", "normal", "lighter", "normal"]);
  });

  it("never takes a week that has begun, however early it comes", () => {
    const facts = { ...FACTS, today: day("2026-03-17") };
    const next = after({ kind: "showEarlier", by: day("2026-03-10") }, PHASE, facts);
    // Three have begun, and the last one stays.
    expect(next.weeks).toHaveLength(4);
  });
});

/** Any event over the phase and some weeks around it. */
const someDay = fc.integer({ min: -7, max: 50 }).map((n) => addDays(PHASE.start, n));
const span = fc
  .tuple(someDay, fc.integer({ min: 0, max: 25 }))
  .map(([from, n]) => [from, addDays(from, n)] as const);
const someEvent: fc.Arbitrary<ReplanEvent> = fc.oneof(
  fc.record({
    kind: fc.constant("missed" as const),
    day: fc.constantFrom(MONDAY.id, THURSDAY.id),
    week: fc.integer({ min: 1, max: 6 }),
  }),
  fc.tuple(span, fc.constantFrom("ill" as const, "away" as const)).map(([[from, to], why]) => ({
    kind: "away" as const,
    from,
    to,
    why,
  })),
  fc
    .tuple(span, fc.boolean(), fc.constantFrom(...STATIONS))
    .map(([[from, to], isOpen, { id }]) => ({
      kind: "equipmentGone" as const,
      station: id,
      from,
      to: isOpen ? null : to,
    })),
  span.map(([from, to]) => ({ kind: "otherGym" as const, gym: OTHER_GYM, from, to })),
  fc
    .tuple(span, fc.constantFrom("loadOnSpine" as const, "kneeLoad" as const))
    .map(([[from, to], provokedBy]) => ({
      kind: "flareUp" as const,
      joint: "knee" as const,
      provokedBy,
      severity: 6,
      allowed: 2,
      from,
      to,
    })),
  someDay.map((by) => ({ kind: "showEarlier" as const, by })),
);

/** Some sessions trained, and a day on or after the last of them. */
const someFacts = fc.integer({ min: 0, max: 5 }).map((trained): PhaseFacts => {
  let facts = FACTS;
  for (let i = 0; i < trained; i++) facts = trainNext(PHASE, facts);
  return facts;
});

const doneOf = (phase: Phase, facts: PhaseFacts) =>
  project(phase, facts, sampleNewId).filter(({ source }) => source === "done");

describe("whatever goes wrong", () => {
  it("replanning twice changes nothing, what was trained stays, and the other projections are told", () => {
    let replanned = 0;
    fc.assert(
      fc.property(someEvent, someFacts, (event, facts) => {
        const situation = situationOf(PHASE, facts);
        const steps = proposedSteps(replan(event, situation));
        const next = withSteps(PHASE, steps);
        if (steps.length > 0) replanned += 1;
        expect(codes(replan(event, situationOf(next, facts)))).toEqual([]);
        const [was, is] = [doneOf(PHASE, facts), doneOf(next, facts)];
        expect(is.map(({ plan, on, week }) => [plan, on, week])).toEqual(
          was.map(({ plan, on, week }) => [plan, on, week]),
        );
        const edits = editsOf(steps);
        const told = differencesOf(situation.sessions, project(next, facts, sampleNewId), (week) =>
          weekAfter(edits, week),
        );
        if (steps.length === 0) expect(told).toEqual([]);
        // Another first day is told as well: nothing changes in silence.
        expect(steps.length > 0 && told.length === 0).toBe(false);
      }),
      { numRuns: RUNS, seed: 12 },
    );
    expect(replanned).toBeGreaterThan(RUNS / 3);
  });

  it("any choice of steps leaves a phase that can be projected and stored", () => {
    fc.assert(
      fc.property(someEvent, someFacts, fc.infiniteStream(fc.boolean()), (event, facts, choose) => {
        const steps = replan(event, situationOf(PHASE, facts));
        const taken = steps.filter(() => choose.next().value);
        const next = withSteps(PHASE, taken);
        expect(next.weeks.length).toBeGreaterThan(0);
        expect(() => project(next, facts, sampleNewId)).not.toThrow();
        const dates = project(next, facts, sampleNewId).flatMap(({ on, source }): readonly Day[] =>
          source === "dropped" ? [] : [on],
        );
        expect(new Set(dates).size).toBe(dates.length);
      }),
      { numRuns: RUNS, seed: 13 },
    );
  });

  it("an edit of a week that is not there changes nothing", () => {
    expect(withEdit(PHASE, { kind: "removeWeek", week: 20 })).toEqual(PHASE);
  });
});
