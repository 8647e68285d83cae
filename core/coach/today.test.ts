import { describe, expect, it } from "vitest";
import { day, kg } from "../kernel/index.ts";
import type { WaitingWhy } from "../progress/index.ts";
import { sampleId } from "~/tests/samples/index.ts";
import {
  daysPutOff,
  inUrgency,
  readySessions,
  subjectOf,
  warningItems,
  type TodayItem,
  type WaitingItem,
} from "./today.ts";

function line(why: WaitingWhy, personName = "Ada", session = 1): WaitingItem {
  const n = session * 10 + subjects++;
  return {
    of: "line",
    personId: sampleId(1),
    personName,
    sessionLog: sampleId(session),
    title: "Legs",
    day: day("2026-03-02"),
    facts: {
      slot: sampleId(n),
      line: sampleId(n),
      movement: "shipped:back-squat",
      role: null,
      why,
      move: "keep",
      reading: kg(100),
      changes: [],
      from: kg(100),
      unit: "kg",
      done: [],
      ways: [],
      shown: "x",
      mustRule: why.kind !== "progress",
    },
  };
}
let subjects = 100;

const ENDS: TodayItem = {
  of: "phaseEnds",
  personId: sampleId(2),
  personName: "Bea",
  phase: sampleId(5),
  name: "Strength 1",
  ends: day("2026-03-08"),
};
const CHANGED: TodayItem = {
  of: "changedSince",
  personId: sampleId(2),
  personName: "Bea",
  sessionLog: sampleId(7),
  title: "Legs",
};

describe("the order of what waits", () => {
  it("is pain, missed, stalled, a changed log, a step too large, the end of a phase", () => {
    const items = [
      ENDS,
      line({ kind: "jump", share: 0.12 }),
      line({ kind: "stalled", sessions: 6 }),
      CHANGED,
      line({ kind: "missed", times: 2 }),
      line({ kind: "pain", joint: "knee", score: 3 }),
      line({ kind: "progress" }),
    ];
    const told = inUrgency(items).map((item) =>
      item.of === "line" ? item.facts.why.kind : item.of,
    );
    expect(told).toEqual(["pain", "missed", "stalled", "changedSince", "jump", "phaseEnds"]);
  });

  it("goes client by client where two are as urgent", () => {
    const items = [line({ kind: "bound" }, "Zoe"), line({ kind: "bound" }, "Ada")];
    expect(inUrgency(items).map(({ personName }) => personName)).toEqual(["Ada", "Zoe"]);
  });

  it("names everything once", () => {
    const items = [line({ kind: "bound" }), line({ kind: "bound" }), ENDS, CHANGED];
    expect(new Set(items.map(subjectOf)).size).toBe(items.length);
  });
});

describe("sessions that need the coach no more", () => {
  it("are those with nothing open but what is unremarkable, with what was not ruled on", () => {
    const open = { isRuled: false };
    const ruled = { isRuled: true };
    const lines = [
      { ...line({ kind: "progress" }, "Ada", 1), ...open },
      { ...line({ kind: "pain", joint: "knee", score: 4 }, "Ada", 1), ...open },
      { ...line({ kind: "progress" }, "Bea", 2), ...open },
      { ...line({ kind: "missed", times: 2 }, "Bea", 2), ...ruled },
    ];
    const ready = readySessions(lines);
    expect(ready.map(({ personName, lines: own }) => [personName, own.length])).toEqual([
      ["Bea", 1],
    ]);
  });
});

describe("warnings over weeks on Today", () => {
  it("are one item a client and kind, which says how many more there are", () => {
    const below = (region: "soleus" | "adductors") =>
      ({
        kind: "outOfRange",
        region,
        side: "below",
        weeks: 3,
        sets: 1,
        low: 2,
        high: 9,
        whose: "view",
      }) as const;
    const of = (n: number) => ({ personId: sampleId<"person">(n), personName: `Client ${n}` });
    const items = warningItems([
      { ...of(1), warning: below("soleus") },
      { ...of(1), warning: below("adductors") },
      { ...of(1), warning: { kind: "limitNoBreak", weeks: 6, sets: 30 } },
      { ...of(2), warning: below("adductors") },
    ]);
    expect(items.map(({ personName, warning, more }) => [personName, warning.kind, more])).toEqual([
      ["Client 1", "outOfRange", 1],
      ["Client 1", "limitNoBreak", 0],
      ["Client 2", "outOfRange", 0],
    ]);
    expect(new Set(items.map(subjectOf)).size).toBe(3);
    // What goes on for weeks is not asked again tomorrow.
    expect(items.map(daysPutOff)).toEqual([14, 14, 14]);
    expect(daysPutOff(line({ kind: "progress" }))).toBe(1);
  });
});
