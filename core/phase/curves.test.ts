import { describe, expect, it } from "vitest";
import { kg, seededRandom, share } from "../kernel/index.ts";
import type { Loading } from "../gym/index.ts";
import { linesOf, slotsOf } from "../plan/index.ts";
import { RACK, sampleId, sampleNewId, sampleStation } from "../../tests/samples/index.ts";
import { sampleFacts, samplePhase, samplePhaseDay, trainNext } from "../../tests/samples/phase.ts";
import { writtenSlot } from "../../tests/samples/trained.ts";
import { bandOf, curvesOf } from "./curves.ts";
import { withEdit } from "./phase-edit.ts";
import { usualWeek } from "./phase-week.ts";
import { project } from "./project.ts";

const CURL = writtenSlot("3 x 8-12 at 40", {
  id: sampleId(801),
  lineageId: sampleId(802),
  movement: "shipped:lying-leg-curl",
});
const SQUAT = writtenSlot("3 x 8-9 at 100");
const DAY = samplePhaseDay(1, CURL, SQUAT);
const [curl, squat] = slotsOf(DAY.session);
const WEEKS = Array.from({ length: 8 }, (_, i) => usualWeek(i === 2 ? "lighter" : "normal"));
const PHASE = samplePhase([DAY], { weeks: WEEKS });

function curvesAfter(trained: number, phase = PHASE) {
  let facts = sampleFacts();
  for (let i = 0; i < trained; i++) facts = trainNext(phase, facts);
  return curvesOf(phase, project(phase, facts, sampleNewId), facts);
}

describe("main lines", () => {
  it("are the first exercise of a day that moves more than one joint, and those with a stated target", () => {
    expect(curvesAfter(0).map(({ movement }) => movement)).toEqual([squat!.movement]);
    const [line] = linesOf(curl!);
    const stated = withEdit(PHASE, {
      kind: "statedTarget",
      day: DAY.id,
      line: line!.id,
      to: {
        day: DAY.id,
        lineage: curl!.lineageId,
        line: line!.id,
        reading: kg(45),
        reps: 10,
        week: 6,
      },
    });
    expect(curvesAfter(0, stated).map(({ movement }) => movement)).toEqual([
      curl!.movement,
      squat!.movement,
    ]);
  });

  it("show what is done and what is asked, week by week, but nothing of a lighter week", () => {
    const [own] = curvesAfter(4);
    expect(own?.done.map(({ week }) => week)).toEqual([1, 2, 4]);
    expect(own?.asked.map(({ week }) => week)).toEqual([5, 6, 7, 8]);
    // 8 and 9 repetitions at one load: Epley's factors 1 + (8 + left) / 30 and 1 + (9 + left) / 30.
    const [first, second] = own?.done ?? [];
    expect((second?.value ?? 0) - (first?.value ?? 0)).toBeGreaterThan(0.02);
    expect((second?.value ?? 0) - (first?.value ?? 0)).toBeLessThan(0.03);
  });

  describe("of loads that do not compare", () => {
    const trainedAt = (loading: Loading, line: string, weeks: number) => {
      const day = samplePhaseDay(1, writtenSlot(line));
      const phase = samplePhase([day], {
        weeks: Array.from({ length: 6 }, () => usualWeek("normal")),
      });
      let facts = sampleFacts({ stations: [sampleStation(loading)] });
      for (let i = 0; i < weeks; i++) facts = trainNext(phase, facts);
      return { phase, facts };
    };
    const curveOf = ({ phase, facts }: ReturnType<typeof trainedAt>) =>
      curvesOf(phase, project(phase, facts, sampleNewId), facts);

    it("are of what is read where the sled is unknown, and say so", () => {
      const unknown = { ...RACK, bar: null } as Loading;
      const [own] = curveOf(trainedAt(unknown, "3 x 8-9 at 100", 2));
      expect(own).toMatchObject({ isTotalKnown: false });
      expect(own?.done).toHaveLength(2);
      expect(curveOf(trainedAt(RACK, "3 x 8-9 at 100", 2))[0]?.isTotalKnown).toBe(true);
    });

    it("are left out where help is read and the body was not weighed", () => {
      const assisted: Loading = {
        kind: "assisted",
        unit: "kg",
        movedShare: share(0.9),
        pins: [10, 20, 30, 40, 50].map(kg),
      };
      expect(curveOf(trainedAt(assisted, "3 x 8-9 at 30", 2))).toEqual([]);
    });

    it("leave out what was done at other equipment", () => {
      const { phase, facts } = trainedAt(RACK, "3 x 8-9 at 100", 3);
      const series = new Map(
        [...facts.series].map(([key, own]) => [
          key,
          own.map((one, i) =>
            i === 0
              ? { ...one, context: { ...one.context, station: sampleId<"station">(77) } }
              : one,
          ),
        ]),
      );
      const [own] = curveOf({ phase, facts: { ...facts, series } });
      expect(own?.done.map(({ week }) => week)).toEqual([2, 3]);
    });
  });

  it("have a band once enough was trained, that rises and widens the further ahead it is", () => {
    expect(bandOf(curvesAfter(3)[0]!, seededRandom(1))).toEqual([]);
    const band = bandOf(curvesAfter(6)[0]!, seededRandom(1));
    expect(band.map(({ week }) => week)).toEqual([7, 8]);
    const long = samplePhase([DAY], {
      weeks: Array.from({ length: 26 }, () => usualWeek("normal")),
    });
    const far = bandOf(curvesAfter(6, long)[0]!, seededRandom(1));
    const [near, last] = [far[0]!, far.at(-1)!];
    expect(near.low).toBeLessThan(near.likely);
    expect(near.likely).toBeLessThan(near.high);
    expect(last.likely).toBeGreaterThan(near.likely);
    expect(last.high - last.low).toBeGreaterThan(near.high - near.low);
  });
});
