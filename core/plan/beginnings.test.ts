import { describe, expect, it } from "vitest";
import { count, kg, seconds } from "../kernel/index.ts";
import {
  ACCENT_KINDS,
  accentOfKind,
  DROP_KINDS,
  dropLoadOfKind,
  HOLD_KINDS,
  holdOfKind,
  LOAD_KINDS,
  loadOfKind,
  newExtension,
  REST_KINDS,
  restOfKind,
  restSpan,
  TARGET_KINDS,
  targetOfKind,
  type LoadBeginning,
  type PlannedSet,
} from "./index.ts";
import { planCodec } from "~/codec/plan.ts";
import { sampleNewId, samplePlan, sampleSet, sampleSlot } from "../../tests/samples/index.ts";

const isStored = (over: Partial<PlannedSet>) =>
  planCodec.safeParse(samplePlan(sampleSlot([sampleSet(1), sampleSet(2, over)]))).success;
const reps = { kind: "reps", min: count(6), max: count(9) } as const;

describe("what another kind begins with", () => {
  it.each(TARGET_KINDS)("is a target that can be stored: %s", (kind) => {
    const target = targetOfKind(kind, reps);
    expect(target.kind).toBe(kind);
    expect(isStored({ target })).toBe(true);
  });

  it("takes the reps along, and leaves the same kind alone", () => {
    expect(targetOfKind("reps", reps)).toBe(reps);
    expect(targetOfKind("limit", reps)).toMatchObject({ likely: 9 });
    expect(targetOfKind("reps", targetOfKind("limit", reps))).toEqual({
      kind: "reps",
      min: 9,
      max: 9,
    });
    expect(targetOfKind("reps", targetOfKind("metres", reps))).toMatchObject({ max: 10 });
  });

  it.each(REST_KINDS)("is a rest of about the same length: %s", (kind) => {
    const rest = restOfKind(kind, { kind: "range", min: seconds(60), max: seconds(120) });
    expect(rest.kind).toBe(kind);
    expect(isStored({ restAfter: rest })).toBe(true);
    expect(restSpan(rest).high).toBeGreaterThanOrEqual(120);
    expect(restOfKind("fixed", rest)).toMatchObject({ kind: "fixed" });
  });

  it.each(ACCENT_KINDS)("is an accent that can be stored: %s", (kind) => {
    expect(isStored({ accents: [accentOfKind(kind)] })).toBe(true);
  });

  const place: LoadBeginning = {
    reading: kg(80),
    unit: "kg",
    before: [sampleSet(1)],
    movement: "shipped:back-squat",
  };
  it.each(LOAD_KINDS)("is a load rule that can be stored: %s", (kind) => {
    const load = loadOfKind(kind, place);
    expect(load?.kind).toBe(kind);
    expect(load !== null && isStored({ load })).toBe(true);
  });

  it.each(DROP_KINDS)("is a drop that can be stored: %s", (kind) => {
    const to = dropLoadOfKind(kind, kg(60));
    expect(to?.kind).toBe(kind);
    const drop = newExtension("drop", sampleSet(1), sampleNewId);
    expect(drop.kind === "drop" && to !== null && isStored({ extensions: [{ ...drop, to }] })).toBe(
      true,
    );
  });

  it("is no load to drop to where the drop comes to nothing", () => {
    expect(DROP_KINDS.filter((kind) => dropLoadOfKind(kind, null) === null)).toEqual(["reading"]);
  });

  it.each(HOLD_KINDS)("is a hold that can be stored: %s", (kind) => {
    const at = holdOfKind(kind);
    expect(at.kind).toBe(kind);
    const hold = newExtension("endHold", sampleSet(1), sampleNewId);
    expect(hold.kind === "endHold" && isStored({ extensions: [{ ...hold, at }] })).toBe(true);
  });

  it("is nothing where there is nothing to begin from", () => {
    const bare = { ...place, reading: null, before: [] };
    const none = LOAD_KINDS.filter((kind) => loadOfKind(kind, bare) === null);
    expect(none).toEqual([
      "absolute",
      "sameAsSet",
      "shareOfSet",
      "stepsFromSet",
      "trial",
      "fallback",
    ]);
  });

  it("follows the top set rather than the one just before", () => {
    const before = [sampleSet(1), sampleSet(2, { role: "top" }), sampleSet(3)];
    expect(loadOfKind("shareOfSet", { ...place, before })).toMatchObject({ set: before[1]?.id });
    expect(loadOfKind("stepsFromSet", { ...place, before })).toMatchObject({ set: before[2]?.id });
  });
});
