import { describe, expect, it } from "vitest";
import { addDays, kg, seconds, share, type Region } from "../kernel/index.ts";
import { EMPTY_BRIEF, NO_OWN_VOLUME, type Approach, type Stances } from "../person/index.ts";
import { applyEdit, type PlannedSet, type SessionPlan } from "../plan/index.ts";
import { findingsOf } from "./finding-rules.ts";
import { FINDING_CODES, type FindingCode } from "./finding.ts";
import { applyFix } from "./fix.ts";
import { fixesFor } from "./fixes-for.ts";
import { judge, type Judging, type OtherSession } from "./judged.ts";
import { lastKey } from "../log/index.ts";
import {
  sampleDay,
  sampleId,
  sampleNewId,
  sampleUnrollContext,
} from "../../tests/samples/index.ts";
import { approachOf, exercise, FULL_GYM, judging, sessionOf } from "~/tests/arbitrary/session.ts";

const holding = (over: Partial<Stances>): Approach => {
  const even = approachOf("even-ground");
  return { ...even, stances: { ...even.stances, ...over } };
};
const inDays = (days: number, plan: SessionPlan): OtherSession => ({
  id: sampleId<"plan">(7),
  day: addDays(sampleDay(), days),
  isOpen: true,
  plan,
  unrollContext: sampleUnrollContext(FULL_GYM),
});
const loads = (...readings: readonly number[]) => {
  const block = exercise("back-squat", readings.length);
  const sets = block.slot.sets.map((set, i): PlannedSet => ({
    ...set,
    load: { kind: "absolute", reading: kg(readings[i] ?? 0) },
  }));
  return sessionOf({ ...block, slot: { ...block.slot, sets } });
};
const ofFirst = (times: number) => {
  const block = exercise("back-squat", 2);
  const [first, second] = block.slot.sets;
  const load = {
    kind: "shareOfSet",
    share: share(times),
    upTo: null,
    set: first!.id,
    part: null,
  } as const;
  return sessionOf({ ...block, slot: { ...block.slot, sets: [first!, { ...second!, load }] } });
};
const superset = () => {
  const apart = sessionOf(exercise("leg-press", 2), exercise("leg-extension", 2));
  const rest = { kind: "fixed", seconds: seconds(30) } as const;
  const [first] = apart.blocks;
  return applyEdit(apart, {
    kind: "join",
    block: first!.id,
    rests: { restBetween: rest, restAfterRound: rest },
  });
};
const rooms = (of: (kind: string) => string, usuallyBusy = false) => {
  const stations = FULL_GYM.map((s) => ({ ...s, room: of(s.loading.kind), usuallyBusy }));
  return { stations, unrollContext: sampleUnrollContext(stations) };
};
const pressAt = FULL_GYM.find((s) => s.loading.kind === "plateMachine")!;
const pressKey = lastKey("shipped:leg-press", pressAt.id);
const felt = (setUp: Record<string, string>, region: Region = "spinalErectors") => ({
  [pressKey]: { curve: null, felt: { region, setUp } },
});
const press = (n = 3, setUp: Record<string, string> = {}) =>
  sessionOf(exercise("leg-press", n, {}, setUp));

/** For each code: a session that triggers it, and the smallest change that does not. */
const CASES: readonly (readonly [FindingCode, Judging, Judging])[] = [
  [
    "manySets",
    judging(sessionOf(exercise("leg-press", 12), exercise("lying-leg-curl", 9))),
    judging(sessionOf(exercise("leg-press", 12), exercise("lying-leg-curl", 8))),
  ],
  ["manyOfOne", judging(press(7)), judging(press(6))],
  [
    "sameOtherDay",
    judging(press(), { others: [inDays(-2, press())] }),
    judging(press(), { others: [inDays(2, press())] }),
  ],
  [
    "sameSticking",
    judging(sessionOf(exercise("back-squat"), exercise("leg-press")), {
      seen: { [pressKey]: { curve: "bottom", felt: null } },
    }),
    judging(sessionOf(exercise("back-squat"), exercise("leg-press"))),
  ],
  [
    "limitTooNear",
    judging(sessionOf(exercise("leg-press", 3, { effort: 0 })), { others: [inDays(1, press())] }),
    judging(sessionOf(exercise("leg-press", 3, { effort: 0 })), { others: [inDays(2, press())] }),
  ],
  [
    "roomsApart",
    judging(
      superset(),
      rooms((kind) => (kind === "stack" ? "Upstairs" : "Hall")),
    ),
    judging(
      superset(),
      rooms((kind) => (kind === "stack" ? "" : "Hall")),
    ),
  ],
  [
    "bothBusy",
    judging(
      superset(),
      rooms(() => "Hall", true),
    ),
    judging(
      superset(),
      rooms(() => "Hall"),
    ),
  ],
  ["unlikelyMultiple", judging(loads(50, 100)), judging(loads(51, 100))],
  [
    "feltElsewhere",
    judging(press(3, { "Foot height": "high" }), { seen: felt({ "Foot height": "high" }) }),
    judging(press(3, { "Foot height": "low" }), { seen: felt({ "Foot height": "high" }) }),
  ],
  [
    "againstView",
    judging(sessionOf(exercise("leg-extension")), {
      approach: holding({ kneeExtension: "never" }),
    }),
    judging(sessionOf(exercise("leg-extension"))),
  ],
];

const told = (j: Judging, code: FindingCode) => findingsOf(j).find((f) => f.fact.code === code);

describe("what is found of sessions beside each other, many sets and logs", () => {
  it.each(CASES)("%s is told, and not of what is just short of it", (code, triggers, passes) => {
    expect(told(triggers, code)?.fact.code).toBe(code);
    expect(told(passes, code)).toBeUndefined();
  });

  it.each(CASES)("%s has a fix after which it is gone", (code, triggers) => {
    const found = told(triggers, code)!;
    const [fix] = fixesFor(found, triggers, sampleNewId);
    expect(fix).toBeDefined();
    if (fix === undefined || fix.kind === "moveToOtherDay") return;
    const after = { ...triggers, plan: applyFix(fix, triggers, sampleNewId) };
    expect(told(after, code)).toBeUndefined();
  });

  it("names every code that the other rules do not", () => {
    expect(new Set(CASES.map(([code]) => code)).size).toBe(CASES.length);
    expect(FINDING_CODES.length).toBe(24 + CASES.length);
  });

  it("tells a multiple of another set, and the fix lifts that set itself", () => {
    const triggers = judging(ofFirst(1.5));
    expect(told(triggers, "unlikelyMultiple")?.fact).toMatchObject({ times: 1.5 });
    expect(told(judging(ofFirst(1.4)), "unlikelyMultiple")).toBeUndefined();
    const [fix] = fixesFor(told(triggers, "unlikelyMultiple")!, triggers, sampleNewId);
    const { blocks } = applyFix(fix!, triggers, sampleNewId);
    expect(blocks[0]).toMatchObject({ slot: { sets: [{}, { load: { share: 1 } }] } });
  });

  it("tells a difference by the total moved, and none where that is not known", () => {
    const times = (
      slug: string,
      low: number,
      high: number,
      stations = FULL_GYM,
      weight: number | null = 80,
    ) => {
      const block = exercise(slug, 2, {}, {}, stations);
      const at = (n: number) => ({ load: { kind: "absolute", reading: kg(n) } }) as const;
      const sets = block.slot.sets.map((set, i) => ({ ...set, ...at(i === 0 ? low : high) }));
      const plan = sessionOf({ ...block, slot: { ...block.slot, sets } });
      const bodyWeight = weight === null ? null : kg(weight);
      const unrollContext = sampleUnrollContext(stations, { bodyWeight });
      return told(judging(plan, { stations, unrollContext }), "unlikelyMultiple")?.fact;
    };
    const sled = (carriage: number | null) =>
      FULL_GYM.map((s) =>
        s.loading.kind === "plateMachine"
          ? { ...s, loading: { ...s.loading, carriage: carriage === null ? null : kg(carriage) } }
          : s,
      );
    // 20 and 50 hung are 65 and 95 with a sled of 45, 22 and 52 with one of 2, and nothing with an unknown one.
    expect(times("leg-press", 20, 50, sled(45))).toBeUndefined();
    expect(times("leg-press", 20, 50, sled(2))).toMatchObject({ times: 52 / 22 });
    expect(times("leg-press", 20, 50, sled(null))).toBeUndefined();
    // On the body 5 and 10 kg are 73 and 78; a body that was not weighed tells nothing.
    const body = FULL_GYM.filter((s) => s.loading.kind === "bodyweight");
    expect(times("reverse-lunge", 5, 10, body)).toBeUndefined();
    expect(times("reverse-lunge", 5, 10, body, null)).toBeUndefined();
  });

  it("has no fault with a multiple of a warm-up set", () => {
    const plan = ofFirst(2);
    const [block] = plan.blocks;
    if (block?.kind !== "exercise") throw new Error("no exercise");
    const [first, second] = block.slot.sets;
    const sets = [{ ...first!, role: "ramp" as const }, second!];
    const warmed = sessionOf({ ...block, slot: { ...block.slot, sets } });
    expect(told(judging(warmed), "unlikelyMultiple")).toBeUndefined();
  });

  it("holds a session against the client's own cap before the approach's own and its view", () => {
    const plan = press(5);
    const capped = (session: number) => ({ ...NO_OWN_VOLUME, session });
    const approach = { ...approachOf("even-ground"), ownVolume: capped(4) };
    const fact = (j: Judging) => told(j, "manySets")?.fact;
    expect(fact(judging(plan))).toBeUndefined();
    expect(fact(judging(plan, { approach }))).toMatchObject({ most: 4, whose: "approach" });
    const brief = { ...EMPTY_BRIEF, ownVolume: capped(3) };
    expect(fact(judging(plan, { approach, brief }))).toMatchObject({ most: 3, whose: "client" });
    const generous = { ...EMPTY_BRIEF, ownVolume: capped(5) };
    expect(fact(judging(plan, { approach, brief: generous }))).toBeUndefined();
  });

  it("ends a muscle's range earlier in a week that is mostly isolation, where fewer are enough", () => {
    const fewer = holding({ isolationVolume: "fewer" });
    const high = (plan: SessionPlan) => judge(judging(plan, { approach: fewer })).bands;
    const [curls, hinges] = [exercise("lying-leg-curl", 3), exercise("romanian-deadlift", 3)];
    expect(high(sessionOf(curls)).hamstringsKneeFlexion.high).toBe(9);
    expect(high(sessionOf(hinges)).hamstringsHipExtension.high).toBe(12);
    expect(judge(judging(sessionOf(curls))).bands.hamstringsKneeFlexion.high).toBe(12);
  });

  it("has nothing against an exercise that is felt in what it is for", () => {
    const seen = felt({}, "vastusLateralis");
    expect(told(judging(press(), { seen }), "feltElsewhere")).toBeUndefined();
    expect(told(judging(press(), { seen: felt({}) }), "feltElsewhere")).toBeDefined();
  });

  it("wants days between work to the limit and the next of the same muscle alone", () => {
    const hard = sessionOf(exercise("leg-press", 3, { effort: 0 }));
    const curls = inDays(1, sessionOf(exercise("lying-leg-curl")));
    expect(told(judging(hard, { others: [curls] }), "limitTooNear")).toBeUndefined();
    // A session after Sunday is as near as one before it.
    expect(
      told(judging(hard, { later: [inDays(1, press())] }), "limitTooNear")?.fact,
    ).toMatchObject({
      days: 1,
      isPast: false,
    });
    // What was trained before is over.
    expect(told(judging(hard, { others: [inDays(-1, press())] }), "limitTooNear")).toBeUndefined();
  });
});
