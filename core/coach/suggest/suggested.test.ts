import { describe, expect, it } from "vitest";
import { count, kg, minutes, type Mass } from "../../kernel/index.ts";
import { shareOf } from "../../movement/index.ts";
import { EMPTY_PLAN, slotsOf, workSetsOf, type SessionPlan } from "../../plan/index.ts";
import type { Brief } from "../../person/index.ts";
import type { Judging } from "../judged.ts";
import { approachOf, exercise, judging, movementOf, sessionOf } from "~/tests/arbitrary/session.ts";
import { sampleNewId } from "../../../tests/samples/index.ts";
import { askedOf, type AskedDay } from "./asked.ts";
import { optionKey } from "./exercise-option.ts";
import { greedyChoice } from "./greedy.ts";
import { isAllowed, worthOf } from "./problem.ts";
import { sessionToFill, suggestedDays, withGeneralWarmUp, withRamps } from "./suggested.ts";

interface Wish {
  readonly plan?: SessionPlan;
  readonly brief?: Partial<Brief>;
  readonly over?: Partial<Omit<Judging, "brief">>;
  readonly day?: Partial<AskedDay>;
}

const askedDay = ({ plan = EMPTY_PLAN, brief = {}, over = {}, day = {} }: Wish): AskedDay => ({
  judging: judging(plan, { ...over, brief }),
  minutes: minutes(60),
  mostExercises: 8,
  kept: new Map(),
  passedOver: new Set(),
  ...day,
});

function suggested(...wishes: readonly [Wish, ...Wish[]]) {
  const [first, ...others] = wishes;
  const asked = askedOf([askedDay(first), ...others.map(askedDay)], sampleNewId);
  const choice = greedyChoice(asked.problem);
  const days = suggestedDays(asked, choice, sampleNewId);
  return { asked, choice, days, picks: days[0]?.picks ?? [], plan: days[0]?.plan ?? EMPTY_PLAN };
}
const slugs = (plan: SessionPlan) => slotsOf(plan).map(({ movement }) => movement.slice(8));
const setsFor = (plan: SessionPlan, region: Parameters<typeof shareOf>[1]) =>
  slotsOf(plan).reduce(
    (sum, slot) =>
      sum + shareOf(movementOf(slot.movement.slice(8)), region) * workSetsOf(slot).length,
    0,
  );

describe("a suggested session", () => {
  it("gives a priority more sets than anybody else gets of it", () => {
    const usual = suggested({ day: { minutes: minutes(40) } });
    const first = suggested({
      brief: { priorities: ["adductors"] },
      day: { minutes: minutes(40) },
    });
    expect(setsFor(first.plan, "adductors")).toBeGreaterThan(setsFor(usual.plan, "adductors"));
    const [leads] = slotsOf(first.plan);
    expect(leads && shareOf(movementOf(leads.movement.slice(8)), "adductors")).toBe(1);
  });

  it("does not grow what is not to grow", () => {
    const { plan } = suggested({ brief: { notToGrow: ["gluteusMaximus"] } });
    const direct = slotsOf(plan).filter(
      ({ movement }) => shareOf(movementOf(movement.slice(8)), "gluteusMaximus") === 1,
    );
    expect(direct.flatMap(workSetsOf).length).toBeLessThanOrEqual(4);
  });

  it("puts no bar on a painful back", () => {
    const limit = {
      joint: "lowBack",
      provokedBy: "loadOnSpine",
      since: null,
      severity: 6,
      allowed: 1,
    } as const;
    const { plan } = suggested({ brief: { limits: [limit] } });
    expect(slotsOf(plan).length).toBeGreaterThan(3);
    for (const slug of slugs(plan)) expect(["none", "low"]).toContain(movementOf(slug).spinalLoad);
  });

  it("uses no equipment that the client does not train with", () => {
    const { plan, asked } = suggested({ brief: { noEquipment: ["bar", "plateMachine"] } });
    expect(slotsOf(plan).length).toBeGreaterThan(3);
    for (const { station } of asked.options)
      expect(["bar", "plateMachine"]).not.toContain(station.loading.kind);
  });

  it("keeps what stands in the session, and adds nothing too much like it", () => {
    const plan = sessionOf(exercise("back-squat", 3), exercise("lying-leg-curl", 3));
    const { plan: added } = suggested({ plan });
    expect(slotsOf(added)).toEqual(expect.arrayContaining([...slotsOf(plan)]));
    expect(slugs(added).filter((slug) => slug === "back-squat")).toHaveLength(1);
    expect(slotsOf(added).length).toBeGreaterThan(2);
  });

  it("suggests one exercise for one gap", () => {
    const plan = sessionOf(exercise("back-squat", 4), exercise("romanian-deadlift", 4));
    const { picks } = suggested({ plan, day: { mostExercises: 1 } });
    expect(picks).toHaveLength(1);
    expect(picks[0]?.reasons.length).toBeGreaterThan(0);
  });

  it("takes what was kept again, and what was passed over no more", () => {
    const { picks } = suggested({});
    const [first, second, ...rest] = picks.map(({ key }) => key);
    // One set more than would be suggested shows that it is kept as it was.
    const [more, less] = [(picks[0]?.sets ?? 0) + 1, picks[1]?.sets ?? 0];
    const kept = new Map([
      [first ?? "", more],
      [second ?? "", less],
    ]);
    const again = suggested({ day: { kept, passedOver: new Set(rest) } });
    expect(again.picks.find(({ key }) => key === first)?.sets).toBe(more);
    expect(again.picks.find(({ key }) => key === second)?.sets).toBe(less);
    const keys = again.picks.map(({ key }) => key);
    expect(keys).toEqual(expect.arrayContaining([first, second]));
    expect(keys.filter((key) => rest.includes(key))).toEqual([]);
    expect(keys.length).toBeGreaterThan(2);
  });

  it("offers exchanges that are allowed, best first, and keeps the others as they are", () => {
    const { asked, choice, picks } = suggested({});
    const [picked] = picks;
    expect(picked?.exchanges.length).toBeGreaterThan(1);
    const worths = (picked?.exchanges ?? []).map((exchange) => {
      expect(isAllowed(asked.problem, exchange.choice)).toBe(true);
      const changed = exchange.choice.filter((sets, i) => sets !== choice[i]);
      expect(changed).toHaveLength(2);
      return worthOf(asked.problem, exchange.choice);
    });
    expect(worths).toEqual(worths.toSorted((a, b) => b - a));
  });

  it("begins with what was logged there for so many reps, and says so", () => {
    const last = (ref: string): Mass | null => (ref === "shipped:leg-press" ? kg(80) : null);
    const so = judging(EMPTY_PLAN);
    const over = {
      unrollContext: {
        ...so.unrollContext,
        lastReading: last,
        usualTotal: (ref: string, _: unknown, reps: number) =>
          ref === "shipped:leg-press" && reps === count(8) ? kg(147) : null,
      },
    };
    const { asked } = suggested({ over });
    const press = asked.options.find(({ movement }) => movement.ref === "shipped:leg-press");
    // 147 kg in all, on a sled of 47 kg.
    expect(press?.load).toEqual({ kind: "estimated", reading: kg(100), reps: 8 });
    const oneLeg = asked.options.find(
      ({ movement, station }) =>
        movement.ref === "shipped:single-leg-press" && station.id === press?.station.id,
    );
    // 45 % of the 127 kg that both legs moved last, less the sled: 10.15 kg, and no more than that.
    expect(oneLeg?.load).toMatchObject({ kind: "related", reading: kg(10) });
    const squat = asked.options.find(({ movement }) => movement.ref === "shipped:back-squat");
    expect(squat?.load).toEqual({ kind: "calibrate" });
  });

  it("stops a rep short where nobody helps with what cannot be failed alone", () => {
    const { plan } = suggested({
      brief: { helper: "alone" },
      over: { approach: approachOf("brief-and-hard") },
    });
    const sets = slotsOf(plan).flatMap((slot) => slot.sets.map((set) => ({ slot, set })));
    const atTheLimit = sets.filter(({ set }) => set.effort === 0);
    expect(atTheLimit.length).toBeGreaterThan(0);
    for (const { slot } of atTheLimit)
      expect(movementOf(slot.movement.slice(8)).safeAlone.toTheLimit).toBe(true);
  });

  it("shares a week among its days, no exercise on two of them", () => {
    const half = { brief: { daysPerWeek: 2 }, day: { minutes: minutes(45) } };
    const { days } = suggested(half, half);
    const [monday, thursday] = days.map(({ plan }) => slugs(plan));
    expect(monday?.length).toBeGreaterThan(2);
    expect(thursday?.length).toBeGreaterThan(2);
    expect(monday?.filter((slug) => thursday?.includes(slug))).toEqual([]);
  });

  it("names each option once", () => {
    const { asked } = suggested({});
    expect(new Set(asked.options.map(optionKey)).size).toBe(asked.options.length);
  });
});

it("warm-up sets are those of the exercises that are left, once others were not taken", () => {
  const so = judging(EMPTY_PLAN);
  const press = "shipped:leg-press";
  const over = {
    unrollContext: {
      ...so.unrollContext,
      lastReading: (ref: string) => (ref === press ? kg(140) : null),
    },
  };
  const before = exercise("hack-squat", 4);
  const own = exercise("leg-press", 3, { load: { kind: "absolute", reading: kg(140) } });
  const rampOf = (plan: SessionPlan) => {
    const ramped = withRamps(plan, new Set([own.slot.id]), judging(plan, over), sampleNewId);
    return slotsOf(ramped)
      .find(({ id }) => id === own.slot.id)
      ?.sets.filter(({ role }) => role === "ramp").length;
  };
  const behind = rampOf(sessionOf(before, own));
  // Nothing warms the muscles up before it any more, so that it has one set more.
  expect(rampOf(sessionOf(own))).toBe((behind ?? 0) + 1);
});

describe("a general warm-up", () => {
  it("is put into a session of nothing, and into none that has exercises", () => {
    const so = judging(EMPTY_PLAN);
    const plan = sessionOf(exercise("back-squat"));
    expect(sessionToFill(plan, so, sampleNewId)).toBe(plan);
    expect(sessionToFill(EMPTY_PLAN, so, sampleNewId).blocks).toHaveLength(1);
  });

  it("is put in front once, with mobility where the approach wants it", () => {
    const so = judging(EMPTY_PLAN);
    const once = withGeneralWarmUp(sessionOf(exercise("back-squat")), so, sampleNewId);
    expect(once.blocks.map(({ kind }) => kind)).toEqual(["prepare", "exercise"]);
    expect(withGeneralWarmUp(once, so, sampleNewId)).toBe(once);
    const mobile = {
      ...so.approach,
      stances: { ...so.approach.stances, preparation: "mobility" },
    } as const;
    const [block] = withGeneralWarmUp(EMPTY_PLAN, { approach: mobile }, sampleNewId).blocks;
    expect(block?.kind === "prepare" && block.items.map(({ kind }) => kind)).toEqual([
      "pulseRaiser",
      "mobility",
    ]);
  });
});
