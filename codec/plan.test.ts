import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { linesOf, slotsOf, type SessionPlan } from "~/core/plan/index.ts";
import { kg } from "~/core/kernel/index.ts";
import { sampleDrop, sampleId, samplePlan, sampleSet, sampleSlot } from "../tests/samples/index.ts";
import { anyPlan } from "~/tests/arbitrary/plan.ts";
import storedV1 from "../tests/samples/stored-v1.json" with { type: "json" };
import { commandCodec } from "./command.ts";
import { planCodec } from "./plan.ts";

const plan = samplePlan(
  sampleSlot([
    sampleSet(1, {
      extensions: [sampleDrop(11, "first", 0.7)],
      side: { kind: "each", first: "right", matchFirst: false },
    }),
    sampleSet(2, {
      load: { kind: "open" },
      effort: "past",
      tempo: { lower: 3.5, stretch: null, lift: "explosive", squeeze: 0 },
    }),
  ]),
);
const broken = (
  change: (raw: { blocks: { slot: { sets: Record<string, unknown>[] } }[] }) => void,
) => {
  const raw = structuredClone(plan) as unknown as Parameters<typeof change>[0];
  change(raw);
  return planCodec.safeParse(raw).success;
};

describe("the plan document", () => {
  it("goes through JSON and back without a change, whatever structures it holds", () => {
    fc.assert(
      fc.property(anyPlan, (generated) => {
        expect(planCodec.parse(JSON.parse(JSON.stringify(generated)))).toEqual(generated);
      }),
      { numRuns: Number(process.env["KRAVO_RUNS"] ?? 150) },
    );
  });

  it("goes through JSON and back without a change", () => {
    expect(planCodec.parse(JSON.parse(JSON.stringify(plan)))).toEqual(plan);
  });

  it("refuses a schema version that is yet to come", () => {
    expect(
      planCodec.safeParse({ ...plan, schemaVersion: 3 } satisfies Record<
        keyof SessionPlan,
        unknown
      >).success,
    ).toBe(false);
  });

  describe("of version 1", () => {
    const [topAndBackOff, ...others] = storedV1.plans;

    it("gets lines of sets equal in role, load and target, and of drops at one place", () => {
      const upgraded = planCodec.parse(topAndBackOff);
      const [slot] = slotsOf(upgraded);
      expect(linesOf(slot!).map(({ sets }) => sets.map(({ role }) => role))).toEqual([
        ["ramp"],
        ["top"],
        ["backOff", "backOff"],
      ]);
      const [, , ...backOffs] = slot!.sets;
      const chains = backOffs.map(({ extensions }) =>
        extensions.map((extension) => (extension.kind === "drop" ? extension.line : null)),
      );
      expect(chains[0]).toEqual(chains[1]);
      expect(new Set(chains[0]).size).toBe(2);
      expect(slot).toMatchObject({
        lineageId: sampleId(701),
        progression: { kind: "keepLoad" },
        setUp: { lineId: "a name of somebody's own" },
        lines: [],
      });
    });

    it("is upgraded alike however often it is read, and stays what it is when written again", () => {
      for (const stored of [topAndBackOff, ...others]) {
        const read = planCodec.parse(stored);
        expect(planCodec.parse(stored)).toEqual(read);
        expect(planCodec.parse(JSON.parse(JSON.stringify(read)))).toEqual(read);
      }
    });

    it("is refused where it was no document before either", () => {
      expect(planCodec.safeParse({ schemaVersion: 1, blocks: [null] }).success).toBe(false);
      expect(planCodec.safeParse({ schemaVersion: 1 }).success).toBe(false);
    });

    it("has commands whose context is read by its new name", () => {
      const { body } = commandCodec.parse(storedV1.context);
      expect(body).toMatchObject({ kind: "context", context: { lineageId: sampleId(701) } });
    });
  });

  it.each([
    ["a range upside down", { target: { kind: "reps", min: 10, max: 8 } }],
    ["zero reps", { target: { kind: "reps", min: 0, max: 0 } }],
    ["half a rep", { target: { kind: "reps", min: 1.5, max: 3 } }],
    ["a load below zero", { load: { kind: "absolute", reading: { thousandths: -1, unit: "kg" } } }],
    [
      "a load between thousandths",
      { load: { kind: "absolute", reading: { thousandths: 0.5, unit: "kg" } } },
    ],
    ["a reserve that does not exist", { effort: 7 }],
    [
      "a drop that gets harder",
      {
        extensions: [
          { ...sampleDrop(30, "current", 0.8), to: { kind: "share", of: "current", share: 1.1 } },
        ],
      },
    ],
    [
      "a hold of an hour",
      {
        extensions: [
          {
            id: sampleId(30),
            lineageId: sampleId(31),
            kind: "endHold",
            at: { kind: "stretched" },
            seconds: 3600,
          },
        ],
      },
    ],
    [
      "a hold at an angle that no joint has",
      {
        extensions: [
          {
            id: sampleId(30),
            lineageId: sampleId(31),
            kind: "endHold",
            at: { kind: "angle", degrees: 270 },
            seconds: 10,
          },
        ],
      },
    ],
    [
      "six times a set's own share",
      { load: { kind: "shareOfSet", upTo: null, set: sampleId(2), part: null, share: 6 } },
    ],
    ["a share of nothing", { load: { kind: "shareOfMaximum", upTo: null, share: 0 } }],
    ["a trial without tries", { load: { kind: "trial", from: kg(60), steps: 1, tries: 0 } }],
    ["a fallback to nowhere", { load: { kind: "fallback", reading: kg(60), then: [] } }],
    ["body weight times something", { load: { kind: "bodyWeight", by: "times", mass: kg(2) } }],
    ["steps of half a pin", { load: { kind: "fromLast", steps: 0.5 } }],
    ["a rest of two hours", { restAfter: { kind: "fixed", seconds: 7200 } }],
    [
      "a rest until the heart stands still",
      { restAfter: { kind: "heartRate", below: 10, likely: 60 } },
    ],
    ["a rest upside down", { restAfter: { kind: "range", min: 90, max: 60 } }],
    [
      "sixty-one rest-pauses",
      {
        extensions: [
          {
            id: sampleId(30),
            lineageId: sampleId(31),
            kind: "restPause",
            pauses: 61,
            pause: 15,
            target: { kind: "reps", min: 1, max: 1 },
          },
        ],
      },
    ],
    ["a dead stop of two minutes", { accents: [{ kind: "deadStop", seconds: 120 }] }],
    ["a walk of no metres", { target: { kind: "metres", metres: 0, outAndBack: false } }],
    ["a tempo of a minute", { tempo: { lower: 60, stretch: 0, lift: 0, squeeze: 0 } }],
    ["an unknown role", { role: "warmup" }],
    ["an id that is none", { id: "1" }],
  ])("refuses %s", (_, change) => {
    expect(broken(() => undefined)).toBe(true);
    expect(broken((raw) => Object.assign(raw.blocks[0]!.slot.sets[0]!, change))).toBe(false);
  });

  it("refuses two hundred sets of one exercise", () => {
    const many = (n: number) =>
      planCodec.safeParse(
        samplePlan(sampleSlot(Array.from({ length: n }, (_, i) => sampleSet(1000 + i)))),
      ).success;
    expect(many(60)).toBe(true);
    expect(many(200)).toBe(false);
  });

  it("refuses an id that stands twice, which would mix up what was done", () => {
    expect(broken((raw) => Object.assign(raw.blocks[0]!.slot.sets[1]!, { id: sampleId(1) }))).toBe(
      false,
    );
  });
});
