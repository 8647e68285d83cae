import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { count, kg, seconds, minutes } from "../kernel/index.ts";
import { SHIPPED_MOVEMENTS } from "../movement/catalogue/index.ts";
import { slotsOf, type Rir, type SessionPlan } from "../plan/index.ts";
import { SHIPPED_APPROACHES } from "../person/index.ts";
import { unroll, sessionDuration } from "../unroll/index.ts";
import { findingsOf } from "./finding-rules.ts";
import { SEVERITIES } from "./finding.ts";
import { applyFix, arrangedByApproach, receiving } from "./fix.ts";
import { fixed as afterFix, fixesFor } from "./fixes-for.ts";
import { sampleId, sampleNewId } from "../../tests/samples/index.ts";
import {
  approachOf,
  exercise,
  FULL_GYM,
  judging,
  movementOf,
  otherSession,
  sessionOf,
} from "~/tests/arbitrary/session.ts";

const training = SHIPPED_MOVEMENTS.filter(
  (m) =>
    m.pattern !== "mobility" &&
    m.pattern !== "conditioning" &&
    FULL_GYM.some((s) => s.serves.includes(m.ref)),
);

const anyJudging = fc
  .record({
    slugs: fc.array(fc.constantFrom(...training.map((m) => m.ref.slice(8))), {
      minLength: 1,
      maxLength: 6,
    }),
    sets: fc.integer({ min: 1, max: 5 }),
    effort: fc.constantFrom<Rir>(0, 1, 2, "more"),
    approach: fc.constantFrom(...SHIPPED_APPROACHES),
    helper: fc.constantFrom("alone" as const, "spotter" as const),
    tight: fc.boolean(),
    severity: fc.integer({ min: 0, max: 6 }),
  })
  .map(({ slugs, sets, effort, approach, helper, tight, severity }) =>
    judging(sessionOf(...slugs.map((slug) => exercise(slug, sets, { effort }))), {
      approach,
      brief: {
        helper,
        tight: tight ? ["ankle"] : [],
        limits: [{ joint: "knee", provokedBy: "kneeLoad", since: null, severity, allowed: 3 }],
      },
    }),
  );

describe("a fix", () => {
  it("that swaps an exercise keeps as many work sets, whatever the approach begins with", () => {
    for (const sets of [1, 3, 5]) {
      const j = judging(sessionOf(exercise("back-squat", sets)));
      const [slot] = slotsOf(j.plan);
      const station = FULL_GYM.find((own) => own.serves.includes("shipped:leg-press"));
      if (slot === undefined || station === undefined) throw new Error("no squat, no press");
      const movement = movementOf("leg-press");
      const plan = applyFix({ kind: "swap", slot: slot.id, movement, station }, j, sampleNewId);
      const [swapped] = slotsOf(plan);
      expect(swapped?.movement).toBe("shipped:leg-press");
      expect(swapped?.sets).toHaveLength(sets);
      expect(new Set(swapped?.sets.map(({ id }) => id)).size).toBe(sets);
    }
  });

  it("for a note leaves fewer findings, for any session: pressing on comes to an end", () => {
    fc.assert(
      fc.property(anyJudging, (j) => {
        const before = findingsOf(j);
        for (const found of before.filter(({ severity }) => severity === "note").slice(0, 3)) {
          for (const fix of fixesFor(found, j, sampleNewId)) {
            expect(findingsOf(afterFix(fix, j, sampleNewId)).length).toBeLessThan(before.length);
          }
        }
      }),
      { numRuns: 20 },
    );
  });

  it("removes its finding and brings up nothing as grave that was not there, for any session", () => {
    fc.assert(
      fc.property(anyJudging, (j) => {
        const before = findingsOf(j);
        const keys = new Set(before.map((f) => f.key));
        for (const found of before.slice(0, 3)) {
          for (const fix of fixesFor(found, j, sampleNewId, 1)) {
            const after = findingsOf({ ...j, plan: applyFix(fix, j, sampleNewId) });
            expect(after.map((f) => f.key)).not.toContain(found.key);
            const worse = after.filter(
              (f) =>
                !keys.has(f.key) &&
                SEVERITIES.indexOf(f.severity) < SEVERITIES.indexOf(found.severity),
            );
            expect(worse).toEqual([]);
          }
        }
      }),
      { numRuns: Math.min(400, Number(process.env["KRAVO_RUNS"] ?? 40)) },
    );
  }, 120_000);

  const fixed = (j: ReturnType<typeof judging>, key: string) => {
    const found = findingsOf(j).find((f) => f.key.startsWith(key));
    return found === undefined ? [] : fixesFor(found, j, sampleNewId);
  };

  it("adds what is missing, where the approach has it in the order", () => {
    const j = judging(sessionOf(exercise("back-squat"), exercise("single-leg-calf-raise")));
    const [fix] = fixed(j, "regionMissing/hamstringsKneeFlexion");
    expect(fix?.kind).toBe("add");
    if (fix === undefined) return;
    const names = slotsOf(applyFix(fix, j, sampleNewId)).map((s) => s.movement);
    expect(names[0]).toBe("shipped:back-squat");
    expect(names.at(-1)).toBe("shipped:single-leg-calf-raise");
    expect(names).toHaveLength(3);
  });

  it("swaps what hurts for something alike that does not", () => {
    const j = judging(sessionOf(exercise("back-squat")), {
      brief: {
        limits: [
          { joint: "lowBack", provokedBy: "loadOnSpine", since: null, severity: 5, allowed: 2 },
        ],
      },
    });
    const [fix] = fixed(j, "excluded/");
    expect(fix?.kind).toBe("swap");
    if (fix?.kind !== "swap") return;
    expect(["none", "low"]).toContain(fix.movement.spinalLoad);
    expect(fix.movement.regions.some((r) => r.region === "vastusLateralis" && r.share === 1)).toBe(
      true,
    );
  });

  it("changes a set-up where that is enough", () => {
    const j = judging(sessionOf(exercise("leg-extension", 4)), {
      approach: approachOf("long-muscle"),
    });
    expect(fixed(j, "oneLength/rectusFemoris")).toContainEqual(
      expect.objectContaining({ kind: "setUp", choice: "reclined" }),
    );
  });

  it("arranges by the approach, a priority first, and leaves the rest in its order", () => {
    const plan = sessionOf(
      exercise("leg-extension"),
      exercise("adduction-machine"),
      exercise("lying-leg-curl"),
      exercise("back-squat"),
    );
    const order = arrangedByApproach(plan, judging(plan, { brief: { priorities: ["adductors"] } }));
    expect(slotsOf(order).map((s) => s.movement.slice(8))).toEqual([
      "adduction-machine",
      "back-squat",
      "leg-extension",
      "lying-leg-curl",
    ]);
  });

  it("moves an exercise to the other day of the week where the session is too long, and only to an open one", () => {
    const long = sessionOf(exercise("leg-press", 4), exercise("lying-leg-curl", 6));
    const judged = (isOpen: boolean) =>
      judging(long, { brief: { minutesCap: minutes(15) }, others: [otherSession(isOpen)] });
    const [to] = fixed(judged(true), "overCap").filter((f) => f.kind === "moveToOtherDay");
    expect(to).toMatchObject({ slot: slotsOf(long)[1]?.id, to: sampleId(7) });
    expect(fixed(judged(false), "overCap").filter((f) => f.kind === "moveToOtherDay")).toEqual([]);
    const received = receiving(sessionOf(), long, slotsOf(long)[1]!.id);
    expect(slotsOf(received)).toEqual([slotsOf(long)[1]]);
    expect(receiving(sessionOf(), long, sampleId(1))).toEqual(sessionOf());
  });

  it("shortens a session by taking unlike neighbours in turn, or by less rest, and says which", () => {
    const plan = sessionOf(exercise("leg-press", 4), exercise("lying-leg-curl", 4));
    const j = judging(plan);
    const long = sessionDuration(unroll(plan, j.unrollContext)).likely / 60;
    const kinds = (cap: number) =>
      fixed(judging(plan, { brief: { minutesCap: minutes(cap) } }), "overCap").map(
        (fix) => fix.kind,
      );
    expect(kinds(Math.floor(long) - 1)).toEqual(expect.arrayContaining(["pair", "trimRest"]));
    const alike = sessionOf(exercise("leg-press", 4), exercise("hack-squat", 4));
    expect(
      fixed(judging(alike, { brief: { minutesCap: minutes(20) } }), "overCap"),
    ).not.toContainEqual(expect.objectContaining({ kind: "pair" }));
    const less = applyFix({ kind: "trimRest", share: 0.75 }, judging(plan), sampleNewId);
    expect(slotsOf(less)[0]?.sets[0]?.restAfter).toEqual({ kind: "fixed", seconds: 90 });
  });

  it("goes on at the ceiling of a station by reps, by slow lowering, or elsewhere", () => {
    const heaviest = { kind: "absolute", reading: kg(20) } as const;
    const plan = sessionOf(exercise("goblet-squat", 3, { load: heaviest }));
    const j = judging(plan);
    const fixes = fixed(j, "atCeiling");
    expect(fixes.map((fix) => fix.kind)).toEqual(
      expect.arrayContaining(["moreReps", "lowerSlowly", "swap"]),
    );
    const [slot] = slotsOf(plan);
    if (slot === undefined) throw new Error("one exercise expected");
    const after = (kind: "moreReps" | "lowerSlowly") =>
      slotsOf(applyFix({ kind, slot: slot.id }, j, sampleNewId))[0]?.sets[0];
    expect(after("moreReps")).toMatchObject({ load: heaviest, target: { min: 12, max: 15 } });
    expect(after("lowerSlowly")).toMatchObject({ load: heaviest, tempo: { lower: 4 } });
  });

  it("puts what was skipped again and again first, two of them one behind the other", () => {
    const { ref: movement } = movementOf("leg-extension");
    const plan = sessionOf(
      exercise("leg-press"),
      exercise("leg-extension"),
      exercise("adduction-machine"),
    );
    let j = judging(plan, {
      neglected: [
        { kind: "skippedAgain", movement, times: 2, of: 4 },
        { kind: "priorityLate", region: "adductors", times: 3, of: 4 },
      ],
    });
    for (let done = 0; done < 2; done += 1) {
      const [fix] = fixed(j, "putFirst");
      expect(fix?.kind).toBe("toFront");
      j = { ...j, plan: applyFix(fix!, j, sampleNewId) };
    }
    expect(findingsOf(j).some(({ fact }) => fact.code === "putFirst")).toBe(false);
    expect(slotsOf(j.plan).at(-1)?.movement).toBe("shipped:leg-press");
  });

  it("moves a late priority before the other exercises, and behind what prepares for them", () => {
    const warmUp: SessionPlan["blocks"][number] = {
      kind: "prepare",
      id: sampleNewId(),
      lineageId: sampleNewId(),
      items: [],
      rounds: count(1),
      restAfterRound: { kind: "fixed", seconds: seconds(0) },
    };
    const training = sessionOf(exercise("leg-press", 7), exercise("adduction-machine"));
    const plan = { ...training, blocks: [warmUp, ...training.blocks] };
    const j = judging(plan, { brief: { priorities: ["adductors"] } });
    const [fix] = fixed(j, "priorityLate");
    expect(fix).toEqual({ kind: "toFront", slot: slotsOf(plan)[1]?.id });
    if (fix === undefined) return;
    const after = applyFix(fix, j, sampleNewId);
    expect(after.blocks[0]).toBe(warmUp);
    expect(slotsOf(after).map((s) => s.movement.slice(8))).toEqual([
      "adduction-machine",
      "leg-press",
    ]);
  });

  it("begins what it adds with the weaker side", () => {
    const j = judging(sessionOf(exercise("leg-press", 6)), { brief: { weakerSide: "right" } });
    const [fix] = fixed(j, "noSingleLeg").filter((f) => f.kind === "add");
    if (fix === undefined) throw new Error("nothing on one leg was offered");
    const added = slotsOf(applyFix(fix, j, sampleNewId)).find(
      (s) => s.movement === fix.movement.ref,
    );
    const side = added?.sets[0]?.side;
    expect(side?.kind === "each" ? side.first : side?.kind).toMatch(/right|alternating/);
  });

  it("offers none for what only a professional can answer", () => {
    const j = judging(sessionOf(exercise("leg-press")), { brief: { cautions: ["pregnancy"] } });
    expect(fixed(j, "needsClearing")).toEqual([]);
    expect(findingsOf(j)[0]?.fact.code).toBe("needsClearing");
  });
});

describe("an exercise that is added", () => {
  const added = (slug: string, ...present: readonly string[]) => {
    const j = judging(sessionOf(...present.map((p) => exercise(p, 2))));
    const movement = SHIPPED_MOVEMENTS.find(({ ref }) => ref === `shipped:${slug}`)!;
    const station = FULL_GYM.find((s) => s.serves.includes(movement.ref))!;
    const plan = applyFix({ kind: "add", movement, station }, j, sampleNewId);
    return slotsOf(plan).map(({ movement: ref }) => ref.slice("shipped:".length));
  };

  it("stands where the approach has it, the others in their order", () => {
    expect(added("standing-calf-raise", "leg-extension", "back-squat")).toEqual([
      "leg-extension",
      "back-squat",
      "standing-calf-raise",
    ]);
    expect(added("back-squat", "leg-extension", "standing-calf-raise")).toEqual([
      "back-squat",
      "leg-extension",
      "standing-calf-raise",
    ]);
    expect(added("back-squat")).toEqual(["back-squat"]);
  });
});
