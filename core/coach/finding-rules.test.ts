import { describe, expect, it } from "vitest";
import { kg, seconds, minutes } from "../kernel/index.ts";
import { EMPTY_BRIEF, type Brief } from "../person/index.ts";
import type { RotationBlock, SessionPlan } from "../plan/index.ts";
import { findingsOf } from "./finding-rules.ts";
import type { FindingCode } from "./finding.ts";
import type { Judging } from "./judged.ts";
import {
  sampleDay,
  sampleId,
  sampleUnrollContext,
  sampleNewId,
} from "../../tests/samples/index.ts";
import {
  approachOf,
  exercise,
  FULL_GYM,
  judging,
  movementOf,
  sessionOf,
} from "~/tests/arbitrary/session.ts";

const codes = (j: Judging) => findingsOf(j).map((f) => f.key);
const at = (n: number) => ({ load: { kind: "absolute" as const, reading: kg(n) } });
const other = (plan: Judging["plan"]) => ({
  id: sampleId<"plan">(7),
  day: sampleDay(),
  isOpen: true,
  plan,
  unrollContext: sampleUnrollContext(FULL_GYM),
});
const busy = FULL_GYM.map((s) => ({ ...s, usuallyBusy: s.loading.kind === "bar" }));
const limit = (severity: number, allowed: number) => ({
  limits: [
    {
      joint: "lowBack" as const,
      provokedBy: "loadOnSpine" as const,
      since: null,
      severity,
      allowed,
    },
  ],
});

/** A session of few sets that leaves vasti at the edge of the asked band. */
const quads = (sets: number) => sessionOf(exercise("leg-press", sets));

const SKIPPED_EXTENSION = {
  kind: "skippedAgain",
  movement: movementOf("leg-extension").ref,
  times: 3,
  of: 4,
} as const;

/** For each code: what its key begins with, a session that triggers it, and the smallest change that does not. */
const CASES: readonly (readonly [FindingCode, string, Judging, Judging])[] = [
  [
    "regionMissing",
    "regionMissing/gastrocnemius",
    judging(sessionOf(exercise("back-squat"))),
    judging(sessionOf(exercise("back-squat"), exercise("single-leg-calf-raise", 1))),
  ],
  ["belowBand", "belowBand/vastusLateralis", judging(quads(7)), judging(quads(8))],
  ["aboveBand", "aboveBand/vastusLateralis", judging(quads(17)), judging(quads(16))],
  [
    "oneLength",
    "oneLength/hamstringsKneeFlexion",
    judging(sessionOf(exercise("lying-leg-curl", 4))),
    judging(sessionOf(exercise("lying-leg-curl", 3))),
  ],
  [
    "noSingleLeg",
    "noSingleLeg",
    judging(sessionOf(exercise("leg-press", 6))),
    judging(sessionOf(exercise("leg-press", 5))),
  ],
  [
    "sameAgain",
    "sameAgain/",
    judging(sessionOf(exercise("leg-extension"), exercise("leg-extension"))),
    judging(
      sessionOf(
        exercise("leg-extension"),
        exercise("leg-extension", 3, {}, { "Seat back": "reclined" }),
      ),
    ),
  ],
  [
    "schoolOrder",
    "schoolOrder",
    judging(sessionOf(exercise("leg-extension"), exercise("back-squat"))),
    judging(sessionOf(exercise("leg-extension"), exercise("back-squat")), {
      approach: approachOf("brief-and-hard"),
    }),
  ],
  [
    "priorityLate",
    "priorityLate/adductors",
    judging(sessionOf(exercise("leg-press", 7), exercise("adduction-machine")), {
      brief: { priorities: ["adductors"] },
    }),
    judging(sessionOf(exercise("leg-press", 6), exercise("adduction-machine")), {
      brief: { priorities: ["adductors"] },
    }),
  ],
  [
    "putFirst",
    "putFirst/shipped:leg-extension",
    judging(sessionOf(exercise("leg-press"), exercise("leg-extension")), {
      neglected: [SKIPPED_EXTENSION],
    }),
    judging(sessionOf(exercise("leg-extension"), exercise("leg-press")), {
      neglected: [SKIPPED_EXTENSION],
    }),
  ],
  [
    "technicalLate",
    "technicalLate/",
    judging(sessionOf(exercise("leg-press", 10), exercise("back-squat"))),
    judging(sessionOf(exercise("leg-press", 9), exercise("back-squat"))),
  ],
  [
    "growthUnwanted",
    "growthUnwanted/gluteusMaximus",
    judging(sessionOf(exercise("glute-bridge", 5)), { brief: { notToGrow: ["gluteusMaximus"] } }),
    judging(sessionOf(exercise("glute-bridge", 4)), { brief: { notToGrow: ["gluteusMaximus"] } }),
  ],
  [
    "tooMuchForNew",
    "tooMuchForNew",
    judging(quads(11), { brief: { goal: "returning" } }),
    judging(quads(10), { brief: { goal: "returning" } }),
  ],
  [
    "overCap",
    "overCap",
    judging(quads(10), { brief: { minutesCap: minutes(20) } }),
    judging(quads(5), { brief: { minutesCap: minutes(20) } }),
  ],
  [
    "lowReadiness",
    "lowReadiness",
    judging(quads(3), { readiness: 2 }),
    judging(quads(3), { readiness: 3 }),
  ],
  [
    "notHere",
    "notHere/",
    judging(quads(3), { stations: FULL_GYM.filter((s) => s.loading.kind !== "plateMachine") }),
    judging(quads(3)),
  ],
  [
    "busyStation",
    "busyStation/",
    judging(sessionOf(exercise("back-squat")), {
      stations: busy,
      unrollContext: sampleUnrollContext(busy),
    }),
    judging(quads(3), { stations: busy, unrollContext: sampleUnrollContext(busy) }),
  ],
  [
    "atCeiling",
    "atCeiling/",
    judging(sessionOf(exercise("goblet-squat", 3, at(20)))),
    judging(sessionOf(exercise("goblet-squat", 3, at(15)))),
  ],
  [
    "excluded",
    "excluded/",
    judging(sessionOf(exercise("romanian-deadlift")), { brief: limit(4, 3) }),
    judging(sessionOf(exercise("romanian-deadlift")), { brief: limit(0, 3) }),
  ],
  [
    "limitAlone",
    "limitAlone/",
    judging(sessionOf(exercise("back-squat", 1, { effort: 0 })), { brief: { helper: "alone" } }),
    judging(sessionOf(exercise("back-squat", 1, { effort: 1 })), { brief: { helper: "alone" } }),
  ],
  [
    "needsClearing",
    "needsClearing",
    judging(quads(3), { brief: { birthYear: 2009 } }),
    judging(quads(3), { brief: { birthYear: 2008 } }),
  ],
  [
    "tightRange",
    "tightRange/",
    judging(sessionOf(exercise("back-squat", 3, {}, { Heels: "flat" })), {
      brief: { tight: ["ankle"] },
    }),
    judging(sessionOf(exercise("back-squat", 3, {}, { Heels: "raised" })), {
      brief: { tight: ["ankle"] },
    }),
  ],
  [
    "longThighs",
    "longThighs/",
    judging(sessionOf(exercise("back-squat")), { brief: { limbs: "longThighs" } }),
    judging(sessionOf(exercise("hack-squat")), { brief: { limbs: "longThighs" } }),
  ],
  [
    "gripEndsFirst",
    "gripEndsFirst/",
    judging(sessionOf(exercise("romanian-deadlift")), { brief: { gear: ["Lifting straps"] } }),
    judging(sessionOf(exercise("romanian-deadlift", 3, {}, { Grip: "straps" })), {
      brief: { gear: ["Lifting straps"] },
    }),
  ],
  [
    "weakSideSecond",
    "weakSideSecond/",
    judging(sessionOf(exercise("single-leg-press")), { brief: { weakerSide: "right" } }),
    judging(sessionOf(exercise("single-leg-press")), { brief: { weakerSide: "left" } }),
  ],
];

describe("findings, each with a session that triggers it and the smallest change that does not", () => {
  it.each(CASES)("%s", (code, key, triggers, passes) => {
    const found = findingsOf(triggers).find((f) => f.key.startsWith(key));
    expect(found?.fact.code).toBe(code);
    expect(codes(passes).filter((k) => k.startsWith(key))).toEqual([]);
  });

  it("tell a priority that was neglected before once, and not again for coming late here", () => {
    const plan = sessionOf(exercise("leg-press", 7), exercise("adduction-machine"));
    const told = (neglected: Judging["neglected"]) =>
      codes(judging(plan, { brief: { priorities: ["adductors"] }, neglected })).filter((key) =>
        key.endsWith("/adductors"),
      );
    expect(told([])).toEqual(["priorityLate/adductors"]);
    const late = { kind: "priorityLate", region: "adductors", times: 3, of: 4 } as const;
    expect(told([late])).toEqual(["putFirst/adductors"]);
  });

  it("are all named here", () => {
    const named = new Set(CASES.map(([code]) => code));
    expect(named.size).toBe(CASES.length);
    expect(CASES.length).toBe(24);
  });
});

describe("what findings are judged by", () => {
  it("judges a head of the quads by itself where it has a range of its own, and tells it else once", () => {
    const head = { weekly: { vastusMedialis: { low: 9, high: 20 } } };
    const own = { ...EMPTY_BRIEF.ownVolume, ...head };
    const of = (brief: Partial<Brief>) =>
      codes(judging(quads(8), { brief })).filter((key) => key.includes("Band/vastus"));
    expect(of({ ownVolume: own })).toEqual(["belowBand/vastusMedialis"]);
    expect(of({ priorities: ["vastusMedialis"] })).toEqual([]);
    const few = (brief: Partial<Brief>) =>
      codes(judging(quads(4), { brief })).filter((key) => key.includes("vastus"));
    expect(few({ priorities: ["vastusMedialis"] })).toEqual(few({}));
  });

  it("puts what can hurt first", () => {
    const severities = findingsOf(
      judging(sessionOf(exercise("back-squat", 3, { effort: 0 })), {
        brief: { helper: "alone", birthYear: 2010 },
      }),
    ).map((f) => f.severity);
    expect(severities.slice(0, 2)).toEqual(["serious", "serious"]);
    expect(severities).toEqual(
      [...severities].sort((a, b) => "swn".indexOf(a[0]!) - "swn".indexOf(b[0]!)),
    );
  });

  it("asks of one session only its part of the week, and counts the other sessions in", () => {
    const press = quads(4);
    expect(codes(judging(press, { brief: { daysPerWeek: 2 } }))).not.toContain(
      "belowBand/vastusLateralis",
    );
    expect(codes(judging(quads(3), { brief: { daysPerWeek: 2 } }))).toContain(
      "belowBand/vastusLateralis",
    );
    const both = judging(quads(3), {
      brief: { daysPerWeek: 2 },
      others: [other(quads(5))],
    });
    expect(codes(both)).not.toContain("belowBand/vastusLateralis");
  });

  it("asks for less on a low day only of an exercise with more than two hard sets", () => {
    expect(codes(judging(quads(2), { readiness: 1 }))).not.toContain("lowReadiness");
    expect(codes(judging(quads(3), { readiness: 1 }))).toContain("lowReadiness");
  });

  it("halves what is asked of somebody new, and what is too much", () => {
    const brief = { goal: "firstSteps" as const };
    expect(codes(judging(quads(4), { brief }))).not.toContain("belowBand/vastusLateralis");
    expect(codes(judging(quads(9), { brief }))).toContain("aboveBand/vastusLateralis");
  });

  it("wants the stretch met where the approach does, though two other lengths are", () => {
    const curls = sessionOf(exercise("lying-leg-curl", 3), exercise("slider-leg-curl", 3));
    const key = "oneLength/hamstringsKneeFlexion";
    expect(codes(judging(curls))).not.toContain(key);
    expect(codes(judging(curls, { approach: approachOf("long-muscle") }))).toContain(key);
  });

  it("finds nothing redundant in what one circuit repeats on purpose", () => {
    const [a, b] = [exercise("leg-press"), exercise("leg-press")];
    const rest = { kind: "fixed", seconds: seconds(60) } as const;
    const circuit: RotationBlock = {
      kind: "rotation",
      id: sampleNewId(),
      lineageId: sampleNewId(),
      members: [a.slot, b.slot],
      restBetween: rest,
      restAfterRound: rest,
    };
    const said = (plan: SessionPlan) => codes(judging(plan)).join();
    expect(said(sessionOf(a, b))).toContain("sameAgain");
    expect(said({ schemaVersion: 2, blocks: [circuit] })).not.toContain("sameAgain");
  });

  it("takes the profile of the station before that of the movement", () => {
    const cam = FULL_GYM.map((s) =>
      s.loading.kind === "stack" ? { ...s, profile: "even" as const } : s,
    );
    const plan = sessionOf(exercise("leg-extension"), exercise("reclined-leg-extension"));
    expect(
      codes(judging(plan, { stations: cam, unrollContext: sampleUnrollContext(cam) })),
    ).toEqual(expect.not.arrayContaining([expect.stringContaining("sameAgain")]));
  });

  it("says nothing of an empty session but what the person needs", () => {
    expect(codes(judging(sessionOf()))).toEqual([]);
  });

  it("leaves ramp and easy sets out of every count", () => {
    const easy = sessionOf(
      exercise("leg-press", 17, { effort: "more" }),
      exercise("leg-press", 9, { role: "ramp" }),
    );
    expect(codes(judging(easy))).toContain("regionMissing/vastusLateralis");
    expect(movementOf("leg-press").safeAlone.toTheLimit).toBe(true);
  });
});
