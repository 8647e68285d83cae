import { describe, expect, it } from "vitest";
import { lb } from "../kernel/index.ts";
import { checkPlan, unrollSlot } from "../unroll/index.ts";
import { filled, SCHEMES, shrinkingReserve } from "./schemes.ts";
import {
  sampleUnrollContext,
  sampleNewId,
  sampleSet,
  sampleSlot,
  sampleStation,
  STACK,
  sampleId,
} from "../../tests/samples/index.ts";

const ramp = sampleSet(1, { role: "ramp" });
const work = sampleSet(2, { load: { kind: "absolute", reading: lb(75) } });
const slot = sampleSlot([ramp, work, sampleSet(3)]);

describe("filling an exercise", () => {
  it.each([
    ["density", 10],
    ["runDown", 4],
    ["topAndBackOff", 3],
    ["pyramid", 6],
  ] as const)("with %s makes %i sets and keeps the ramp", (scheme, sets) => {
    const made = filled(slot, scheme, sampleNewId);
    expect(made.sets[0]).toBe(ramp);
    expect(made.sets).toHaveLength(1 + sets);
    expect(new Set(made.sets.map((set) => set.id)).size).toBe(1 + sets);
  });

  it("runs the stack down pin by pin with short rests", () => {
    const context = sampleUnrollContext([sampleStation(STACK)]);
    const steps = unrollSlot(filled(sampleSlot([work]), "runDown", sampleNewId), context);
    expect(steps.map((s) => s.load.kind === "made" && s.load.reading)).toEqual(
      [75, 65, 50, 35].map(lb),
    );
    expect(steps.map((s) => s.restAfter.likely)).toEqual([20, 20, 20, 20]);
  });

  it("goes down in reps and up again in a pyramid, with loads to be found", () => {
    const made = filled(sampleSlot([work]), "pyramid", sampleNewId).sets;
    expect(made.map(({ target }) => target.kind === "reps" && [target.min, target.max])).toEqual(
      [12, 10, 8, 6, 8, 10].map((n) => [n, n]),
    );
    expect(made.every(({ load }) => load.kind === "open")).toBe(true);
  });

  it("leaves less and less in a density block, at one load with one short rest", () => {
    const made = filled(sampleSlot([work]), "density", sampleNewId).sets;
    expect(made.map(({ effort }) => effort)).toEqual([
      "more",
      "more",
      5,
      4.5,
      4,
      3.5,
      3,
      2.5,
      2,
      1,
    ]);
    expect(new Set(made.map(({ load }) => load))).toEqual(new Set([work.load]));
    expect(made.map(({ restAfter }) => restAfter)).toEqual(
      Array.from({ length: 10 }, () => ({ kind: "fixed", seconds: 60 })),
    );
  });

  it("ends a reserve that shrinks where it is told to, also in a single set", () => {
    expect(shrinkingReserve(1, 2)).toEqual([2]);
    expect(shrinkingReserve(2, 0)).toEqual(["more", 0]);
    expect(shrinkingReserve(3, 1)).toEqual(["more", 3.5, 1]);
  });

  it("takes back-off sets from the top set", () => {
    const [top, ...backOffs] = filled(sampleSlot([work]), "topAndBackOff", sampleNewId).sets;
    expect(top).toMatchObject({ id: work.id, role: "top" });
    expect(backOffs.map((set) => set.load)).toMatchObject([
      { kind: "shareOfSet", upTo: null, set: work.id, share: 0.8 },
      { kind: "shareOfSet", upTo: null, set: work.id, share: 0.8 },
    ]);
  });

  it("leaves an exercise without work alone, and nothing that cannot be trained", () => {
    const only = sampleSlot([ramp]);
    for (const scheme of SCHEMES) {
      expect(filled(only, scheme, sampleNewId)).toBe(only);
      const plan = {
        schemaVersion: 2 as const,
        blocks: [
          {
            kind: "exercise" as const,
            id: sampleId<"block">(1),
            lineageId: sampleId<"lineage">(2),
            slot: filled(sampleSlot([work]), scheme, sampleNewId),
          },
        ],
      };
      const issues = checkPlan(plan, sampleUnrollContext([sampleStation(STACK)]));
      expect(issues.filter((issue) => issue.blocks)).toEqual([]);
    }
  });
});
