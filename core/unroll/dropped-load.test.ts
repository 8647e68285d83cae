import { describe, expect, it } from "vitest";
import { kg, share } from "../kernel/index.ts";
import type { Extension } from "../plan/index.ts";
import { isSetStep } from "./step.ts";
import { unrollSlot } from "./unroll.ts";
import {
  sampleDrop,
  sampleSet,
  sampleSlot,
  sampleStation,
  sampleUnrollContext,
} from "../../tests/samples/index.ts";

const context = sampleUnrollContext([sampleStation()]);
const drop = (n: number, to: (Extension & { kind: "drop" })["to"]): Extension => ({
  ...(sampleDrop(n, "current", 0.8) as Extension & { kind: "drop" }),
  to,
});
const loadsOf = (...extensions: readonly Extension[]) =>
  unrollSlot(
    sampleSlot([sampleSet(1, { load: { kind: "absolute", reading: kg(30) }, extensions })]),
    context,
  )
    .filter(isSetStep)
    .map(({ load }) => (load.kind === "made" ? load.reading.thousandths / 1000 : load));

describe("a drop by a share of the first load", () => {
  it("takes that share of the first load off the one just used", () => {
    // 60 kg is twice the first load; a half of the first load less is one and a half of it.
    const by = { kind: "lessBy", of: "first", share: share(0.5) } as const;
    expect(loadsOf(drop(11, { kind: "reading", reading: kg(60) }), drop(12, by))).toEqual([
      30, 60, 45,
    ]);
  });

  it("is open after a part that is many times as heavy as the set, and where nothing is left", () => {
    const little = { kind: "lessBy", of: "first", share: share(0.1) } as const;
    const heavy = drop(11, { kind: "reading", reading: kg(170) });
    expect(loadsOf(heavy, drop(12, little)).at(-1)).toMatchObject({
      because: { code: "stepsEnd" },
    });
    const all = { kind: "lessBy", of: "first", share: share(1) } as const;
    expect(loadsOf(drop(12, all)).at(-1)).toMatchObject({ because: { code: "stepsEnd" } });
  });
});
