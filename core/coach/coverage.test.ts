import { describe, expect, it } from "vitest";
import { count, REGIONS, seconds } from "../kernel/index.ts";
import { findShippedApproach, volumePolicyOf } from "../person/index.ts";
import type { ExerciseBlock, VolumePolicy } from "../plan/index.ts";
import { hardSetCount, plannedSets } from "../unroll/index.ts";
import { coverageOf, coveredSlots, setsTowardsBand, standing, stimulusOf } from "./coverage.ts";
import {
  COUNTED_ONCE,
  sampleUnrollContext,
  sampleDrop,
  sampleSet,
} from "../../tests/samples/index.ts";
import { exercise, FULL_GYM, movementOf, sessionOf } from "~/tests/arbitrary/session.ts";

const context = sampleUnrollContext(FULL_GYM);
const covered = (...blocks: readonly ExerciseBlock[]) =>
  coverageOf(coveredSlots(sessionOf(...blocks), context, COUNTED_ONCE));
const extension = movementOf("leg-extension");
const [rack] = FULL_GYM;

describe("where a movement is hard", () => {
  it("is its own where nothing is said of station or set-up", () => {
    const { length, profile } = extension;
    expect(stimulusOf(extension, null, {})).toEqual({ length, profile });
    expect(stimulusOf(extension, rack ?? null, { "Seat back": "no such choice" })).toEqual({
      length,
      profile,
    });
  });

  it("follows the station's profile, and a set-up before both", () => {
    const cam = { ...rack!, profile: "bottom" as const };
    expect(stimulusOf(extension, cam, {}).profile).toBe("bottom");
    expect(stimulusOf(extension, cam, { "Seat back": "reclined" })).toEqual({
      length: "stretched",
      profile: "even",
    });
  });
});

describe("what a session comes to for a region", () => {
  it("counts direct sets whole with where they are hard, and assisting ones in part", () => {
    const { rectusFemoris, gluteusMaximus } = covered(
      exercise("leg-extension", 4),
      exercise("back-squat", 3),
    );
    const share = movementOf("back-squat").regions.find((r) => r.region === "rectusFemoris")?.share;
    expect(rectusFemoris.direct).toBe(4);
    expect(rectusFemoris.indirect).toBe(3 * (share ?? 0));
    expect(rectusFemoris.lengths[extension.length]).toBe(4);
    expect(rectusFemoris.profiles[extension.profile]).toBe(0);
    expect(rectusFemoris.unknownCurve).toBe(4);
    expect(rectusFemoris.actions.kneeExtension).toBe(4);
    expect(gluteusMaximus.actions.kneeExtension).toBe(gluteusMaximus.direct);
    expect(setsTowardsBand(rectusFemoris)).toBe(4 + 3 * (share ?? 0));
  });

  it("adds up over exercises, whatever their order", () => {
    const blocks = [
      exercise("leg-extension", 2),
      exercise("leg-extension", 3, {}, { "Seat back": "reclined" }),
    ];
    const { rectusFemoris } = covered(...blocks);
    expect(rectusFemoris.direct).toBe(5);
    expect(rectusFemoris.lengths).toMatchObject({ [extension.length]: 2, stretched: 3 });
    expect(covered(...blocks.toReversed()).rectusFemoris).toEqual(rectusFemoris);
  });

  it("leaves out what is no hard set, and movements that nobody knows", () => {
    const [ramp] = [exercise("leg-extension", 3, { role: "ramp" })];
    expect(covered(ramp!).rectusFemoris.direct).toBe(0);
    expect(covered(exercise("leg-extension", 3, { effort: "more" })).rectusFemoris.direct).toBe(0);
    const gone = exercise("leg-extension");
    const unknown = { ...gone, slot: { ...gone.slot, movement: "studio:gone" as const } };
    expect(coveredSlots(sessionOf(unknown), context, COUNTED_ONCE)).toEqual([]);
  });

  it("knows every region, also those that nothing trains", () => {
    const nothing = covered();
    expect(Object.keys(nothing).toSorted()).toEqual([...REGIONS].toSorted());
    expect(REGIONS.every((region) => setsTowardsBand(nothing[region]) === 0)).toBe(true);
  });

  it("counts as the session is counted: a leg's sets once, a total as often, drops by the approach", () => {
    const [left, right] = [sampleSet(1), sampleSet(2)].map((set, i) => ({
      ...set,
      side: { kind: i === 0 ? "left" : "right" } as const,
    }));
    const total = sampleSet(3, {
      target: {
        kind: "total",
        of: "reps",
        amount: count(50),
        likelySets: count(4),
        pause: seconds(20),
      },
    });
    const dropped = sampleSet(4, { extensions: [sampleDrop(11, "current", 0.8)] });
    const block = exercise("leg-extension");
    const plan = sessionOf({
      ...block,
      slot: { ...block.slot, sets: [left!, right!, total, dropped] },
    });
    const half = volumePolicyOf({ ...findShippedApproach("shipped:brief-and-hard")!.stances });
    const direct = (policy: VolumePolicy) =>
      coverageOf(coveredSlots(plan, context, policy)).rectusFemoris.direct;
    expect(direct(COUNTED_ONCE)).toBe(6);
    expect(direct(half)).toBe(6.5);
    expect(hardSetCount(plannedSets(plan, context))).toBe(6);
  });

  it("tells one leg from two", () => {
    const single = movementOf("dumbbell-split-squat");
    const region = single.regions.find((r) => r.share === 1)?.region ?? "gluteusMaximus";
    expect(covered(exercise("dumbbell-split-squat", 3))[region].sides).toMatchObject({
      [single.laterality]: 3,
    });
  });
});

describe("how it stands to a band", () => {
  const at = (direct: number, indirect: number) => ({
    ...covered().soleus,
    direct,
    indirect,
  });
  it.each([
    [3.5, 0, "below"],
    [3, 1, "within"],
    [8, 0, "within"],
    [8, 0.25, "above"],
  ] as const)("with %s direct and %s assisting sets is %s 4 to 8", (direct, indirect, is) => {
    expect(standing(at(direct, indirect), { low: 4, high: 8 })).toBe(is);
  });

  it("is never below one that asks for nothing", () => {
    expect(standing(at(0, 0), { low: 0, high: 0 })).toBe("within");
  });
});
