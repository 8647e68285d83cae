import { describe, expect, it } from "vitest";
import { count, seconds, share } from "../kernel/index.ts";
import { movementsIn, slotNumbers, slotsOf, type Drill, type SessionPlan } from "./index.ts";
import { sampleId, samplePlan, sampleSet, sampleSlot } from "../../tests/samples/index.ts";

const drill = (n: number, movement: Drill["movement"]): Drill => ({
  kind: "mobility",
  id: sampleId(n),
  lineageId: sampleId(n + 1),
  name: movement === null ? "Rocking" : "",
  movement,
  target: { kind: "reps", min: count(10), max: count(10) },
  side: { kind: "both" },
  intensity: { kind: "unsaid" },
});

describe("the movements that a plan names", () => {
  it("are those of exercises, drills, and the lifts that loads follow from", () => {
    const follows = sampleSet(2, {
      load: {
        kind: "shareOfMovement",
        movement: "shipped:leg-press",
        share: share(0.5),
        upTo: null,
      },
      between: [drill(20, "shipped:wall-sit"), drill(30, null)],
    });
    const { blocks } = samplePlan(sampleSlot([sampleSet(1), follows]));
    const prepare: SessionPlan["blocks"][number] = {
      kind: "prepare",
      id: sampleId(40),
      lineageId: sampleId(41),
      items: [drill(50, "shipped:glute-bridge")],
      rounds: count(1),
      restAfterRound: { kind: "fixed", seconds: seconds(0) },
    };
    expect(movementsIn({ ...samplePlan(), blocks: [prepare, ...blocks] })).toEqual([
      "shipped:glute-bridge",
      "shipped:back-squat",
      "shipped:leg-press",
      "shipped:wall-sit",
    ]);
    expect(movementsIn(samplePlan(sampleSlot([sampleSet(1)])))).toEqual(["shipped:back-squat"]);
  });
});

describe("the numbers of exercises", () => {
  it("count blocks with sets, and tell the members of a superset apart by a letter", () => {
    const slot = (n: number) => ({ ...sampleSlot([sampleSet(n)]), id: sampleId<"slot">(n) });
    const rest = { kind: "fixed", seconds: seconds(60) } as const;
    const ids = (n: number) => ({ id: sampleId<"block">(n), lineageId: sampleId<"lineage">(n) });
    const plan: SessionPlan = {
      schemaVersion: 2,
      blocks: [
        { kind: "prepare", ...ids(50), items: [], rounds: count(1), restAfterRound: rest },
        { kind: "exercise", ...ids(51), slot: slot(1) },
        {
          kind: "rotation",
          ...ids(52),
          members: [slot(2), slot(3)],
          restBetween: rest,
          restAfterRound: rest,
        },
        { kind: "exercise", ...ids(53), slot: slot(4) },
      ],
    };
    const numbers = slotNumbers(plan);
    expect(slotsOf(plan).map(({ id }) => numbers.get(id))).toEqual(["1", "2a", "2b", "3"]);
  });
});
