import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { kg, type Mass, minutes } from "../kernel/index.ts";
import { directRegions } from "../movement/index.ts";
import { findMovement } from "../movement/catalogue/index.ts";
import { applyEdit, servesMovement, slotsOf, type Frame, type SessionPlan } from "../plan/index.ts";
import { exclusionsOf } from "../person/index.ts";
import { sessionDuration, unroll } from "../unroll/index.ts";
import { fitTemplate } from "./fitting.ts";
import type { Judging } from "./judged.ts";
import { sampleDrop, sampleNewId } from "../../tests/samples/index.ts";
import { exercise, FULL_GYM, judging, sessionOf } from "~/tests/arbitrary/session.ts";
import { atMost } from "~/tests/arbitrary/runs.ts";

const template = sessionOf(exercise("back-squat", 3), exercise("lying-leg-curl", 3));
const fit = (
  plan: SessionPlan,
  over: Parameters<typeof judging>[1] = {},
  last: (ref: string) => Mass | null = () => null,
  change: (j: Judging) => Judging = (j) => j,
) => fitTemplate(plan, change(judging(plan, over)), (movement) => last(movement.ref), sampleNewId);
const names = (plan: SessionPlan) => slotsOf(plan).map((s) => s.movement.slice(8));

/** The template with a reading written in every set. */
const loaded: SessionPlan = slotsOf(template).reduce<SessionPlan>(
  (plan, slot) =>
    applyEdit(plan, {
      kind: "changeSlot",
      slot: slot.id,
      to: {
        ...slot,
        sets: slot.sets.map((set) => ({ ...set, load: { kind: "absolute", reading: kg(60) } })),
      },
    }),
  template,
);

describe("a template fitted to somebody", () => {
  it("is a copy with new ids and nothing told where nothing had to change", () => {
    const open = fit(template);
    expect(names(open.plan)).toEqual(names(template));
    expect(open.changes).toEqual([]);
    expect(slotsOf(open.plan)[0]?.id).not.toBe(slotsOf(template)[0]?.id);
    expect(slotsOf(open.plan)[0]?.lineageId).toBe(slotsOf(template)[0]?.lineageId);
  });

  it("takes the person's own load, or leaves it to be found", () => {
    const { plan, changes } = fit(loaded, {}, (ref) =>
      ref === "shipped:back-squat" ? kg(80) : null,
    );
    expect(slotsOf(plan).map((s) => s.sets[0]?.load)).toEqual([
      { kind: "absolute", reading: kg(80) },
      { kind: "open" },
    ]);
    expect(changes).toEqual([
      { code: "load", movement: "shipped:back-squat", reading: kg(80) },
      { code: "load", movement: "shipped:lying-leg-curl", reading: null },
    ]);
    expect(fit(loaded, {}, () => kg(60)).changes).toEqual([]);
  });

  it("swaps what a limit takes out and says which limit", () => {
    const limit = {
      joint: "lowBack",
      provokedBy: "loadOnSpine",
      since: null,
      severity: 5,
      allowed: 2,
    } as const;
    const { plan, changes } = fit(template, { brief: { limits: [limit] } });
    expect(names(plan)).not.toContain("back-squat");
    expect(names(plan)).toHaveLength(2);
    expect(changes[0]).toMatchObject({
      code: "swapped",
      from: "shipped:back-squat",
      because: { kind: "excluded", reasons: [{ code: "limit" }] },
    });
  });

  describe("with a frame", () => {
    const framed = (...frames: readonly (Frame | null)[]) =>
      slotsOf(template).reduce<SessionPlan>(
        (plan, slot, i) =>
          applyEdit(plan, {
            kind: "changeSlot",
            slot: slot.id,
            to: { ...slot, frame: frames[i] ?? null },
          }),
        template,
      );
    const CALVES: Frame = { form: "machine", region: "gastrocnemius", length: null };
    const movementsIn = (plan: SessionPlan) =>
      slotsOf(plan).map(({ movement }) => findMovement(movement)!);

    it("takes what suits somebody best of what it names, with the sets that are written, and tells it", () => {
      const { plan, changes } = fit(framed(null, CALVES));
      const [squat, calves] = movementsIn(plan);
      expect(squat?.ref).toBe("shipped:back-squat");
      expect(directRegions(calves!)).toContain("gastrocnemius");
      expect(slotsOf(plan)[1]?.sets).toHaveLength(3);
      expect(slotsOf(plan)[1]?.lineageId).toBe(slotsOf(template)[1]?.lineageId);
      expect(changes[0]).toMatchObject({ code: "filled", frame: CALVES, movement: calves?.ref });
    });

    it("never fills two with one exercise, and asks for what the first ones leave lacking", () => {
      const LEG: Frame = { form: "singleLeg", region: null, length: null };
      const { plan } = fit(framed(LEG, LEG));
      const [first, second] = movementsIn(plan);
      expect(first?.laterality).not.toBe("twoLegs");
      expect(second?.laterality).not.toBe("twoLegs");
      expect(first?.ref).not.toBe(second?.ref);
    });

    it("keeps to limits, and takes the client's own load there", () => {
      const dislikes = fit(framed(null, CALVES)).changes.flatMap((change) =>
        change.code === "filled" ? [change.movement] : [],
      );
      const { changes } = fit(framed(null, CALVES), { brief: { dislikes } }, () => kg(45));
      const [own] = changes.filter(({ code }) => code === "filled");
      expect(own).toBeDefined();
      expect(own).not.toMatchObject({ movement: dislikes[0] });
    });

    it("stays as it is written where nothing here fits, or where that cannot stay is left out", () => {
      const none: Frame = { form: "isolation", region: "gluteusMaximus", length: "mid" };
      const found = fit(
        framed(none, null),
        {},
        () => null,
        (j) => ({
          ...j,
          catalogue: j.catalogue.filter(({ ref }) => ref === "shipped:back-squat"),
        }),
      );
      expect(names(found.plan)).toEqual(["back-squat", "lying-leg-curl"]);
      expect(found.changes).toEqual([]);
    });
  });

  it("leaves out what nothing in the gym stands in for", () => {
    const { plan, changes } = fit(
      template,
      {},
      () => null,
      (j) => ({ ...j, stations: [] }),
    );
    expect(names(plan)).toEqual([]);
    expect(changes).toMatchObject([
      { code: "leftOut", because: { kind: "notHere" } },
      { code: "leftOut", because: { kind: "notHere" } },
    ]);
  });

  it("is shortened to the time of the person, each step told with what it saves", () => {
    const { unrollContext: context } = judging(template);
    const likelyMinutes = (p: SessionPlan) => sessionDuration(unroll(p, context)).likely / 60;
    const cap = Math.floor(likelyMinutes(template)) - 2;
    const { plan, changes } = fit(template, { brief: { minutesCap: minutes(cap) } });
    expect(likelyMinutes(plan)).toBeLessThan(cap + 0.5);
    expect(changes.length).toBeGreaterThan(0);
    const saved = changes.map((change) =>
      change.code === "shortened" ? change.minutesSaved : minutes(0),
    );
    expect(saved.every((each) => each > 0)).toBe(true);
    expect(saved.reduce<number>((sum, each) => sum + each, 0)).toBeCloseTo(
      likelyMinutes(template) - likelyMinutes(plan),
      9,
    );
  });

  it("is shortened by several ways where none is enough, the cheap ones first", () => {
    const long = sessionOf(
      exercise("back-squat", 5),
      exercise("lying-leg-curl", 5),
      exercise("standing-calf-raise", 5),
    );
    const { unrollContext: context } = judging(long);
    const likelyMinutes = (p: SessionPlan) => sessionDuration(unroll(p, context)).likely / 60;
    const cap = Math.floor(likelyMinutes(long) * 0.3);
    const { plan, changes } = fit(long, { brief: { minutesCap: minutes(cap) } });
    expect(Math.round(likelyMinutes(plan))).toBeLessThanOrEqual(cap);
    const kinds = changes.map((change) => change.code === "shortened" && change.fix.kind);
    expect(kinds.length).toBeGreaterThan(1);
    expect(["pair", "trimRest"]).toContain(kinds[0]);
    expect(kinds.filter((kind) => kind === "trimRest").length).toBeLessThanOrEqual(1);
    expect(slotsOf(plan)).toHaveLength(3);
  });

  it("gives a beginner plain sets", () => {
    const [slot] = slotsOf(template);
    if (slot === undefined) throw new Error("no exercise");
    const drops = applyEdit(template, {
      kind: "changeSlot",
      slot: slot.id,
      to: {
        ...slot,
        sets: slot.sets.map((set) => ({ ...set, extensions: [sampleDrop(9, "current", 0.8)] })),
      },
    });
    const of = (level: "beginner" | "trained") => fit(drops, { brief: { level } });
    const extensions = (plan: SessionPlan) =>
      slotsOf(plan).flatMap((s) => s.sets.flatMap((set) => set.extensions));
    expect(extensions(of("beginner").plan)).toEqual([]);
    expect(of("beginner").changes.map((c) => c.code)).toContain("plainSets");
    expect(extensions(of("trained").plan)).not.toEqual([]);
  });

  it("never leaves an exercise that the person may not do, or that the gym does not serve", () => {
    const some = fc.subarray(
      [
        "back-squat",
        "front-squat",
        "leg-press",
        "romanian-deadlift",
        "leg-extension",
        "lying-leg-curl",
        "standing-calf-raise",
      ],
      { minLength: 1 },
    );
    const gyms = fc.subarray([...FULL_GYM], { minLength: 1 });
    fc.assert(
      fc.property(
        some,
        gyms,
        fc.constantFrom("loadOnSpine" as const, "kneeLoad" as const, "deepStretch" as const),
        fc.constantFrom("beginner" as const, "trained" as const, "advanced" as const),
        (slugs, stations, provokedBy, level) => {
          const limit = {
            joint: "knee",
            provokedBy,
            since: null,
            severity: 6,
            allowed: 2,
          } as const;
          const brief = { limits: [limit], level, minutesCap: minutes(40) };
          const plan = sessionOf(...slugs.map((slug) => exercise(slug, 3)));
          const whole = judging(plan, { brief, stations });
          const fitted = fitTemplate(plan, whole, () => null, sampleNewId);
          for (const slot of slotsOf(fitted.plan)) {
            const movement = whole.unrollContext.movement(slot.movement);
            const station = stations.find((s) => s.id === slot.station);
            if (movement === null || station === undefined) throw new Error("not in this gym");
            expect(servesMovement(station, movement)).toBe(true);
            expect(exclusionsOf(whole.brief, movement)).toEqual([]);
          }
          const told = fitted.changes.filter((c) => c.code === "leftOut").length;
          const removed = fitted.changes.filter(
            (c) => "fix" in c && c.fix.kind === "remove",
          ).length;
          expect(slotsOf(fitted.plan)).toHaveLength(slugs.length - told - removed);
        },
      ),
      { numRuns: atMost(40) },
    );
  });
});
