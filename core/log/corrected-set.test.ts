import { describe, expect, it } from "vitest";
import { count, kg, metres, seconds } from "../kernel/index.ts";
import { correctedSet } from "./corrected-set.ts";
import {
  RACK,
  sampleId,
  sampleLoggedSet,
  sampleSet,
  sampleStation,
} from "../../tests/samples/index.ts";

const ID = sampleId<"loggedSet">(900);
const STATION = sampleStation(RACK, 1);
const logged = sampleLoggedSet(sampleSet(1), { reading: kg(60), fullReps: count(8), note: "kept" });
const said = (reading: number | null, done: number | null) =>
  ({
    reading: reading === null ? null : kg(reading),
    done: done === null ? null : count(done),
    rir: 1,
  }) as const;

describe("a logged set that is corrected", () => {
  it("has what was said of it under its own id, and keeps the rest", () => {
    expect(correctedSet(logged, said(70, 9), STATION, ID)).toEqual({
      ...logged,
      id: ID,
      reading: kg(70),
      platesHung: [kg(25)],
      fullReps: 9,
      rir: 1,
    });
  });

  it("knows no plates for an unknown load, one that cannot be made, and where the station is gone", () => {
    expect(correctedSet(logged, said(null, 9), STATION, ID).platesHung).toBeNull();
    expect(correctedSet(logged, said(71, 9), STATION, ID).platesHung).toBeNull();
    expect(correctedSet(logged, said(70, 9), null, ID).platesHung).toBeNull();
  });

  it("counts what the set counted: seconds, metres, reps; unknown stays unknown", () => {
    const held = { ...logged, fullReps: null, seconds: seconds(20) };
    expect(correctedSet(held, said(60, 30), STATION, ID)).toMatchObject({
      seconds: 30,
      fullReps: null,
    });
    const walked = { ...logged, fullReps: null, metres: metres(20) };
    expect(correctedSet(walked, said(60, 30), STATION, ID)).toMatchObject({ metres: 30 });
    expect(correctedSet(walked, said(60, null), STATION, ID).metres).toBeNull();
    expect(correctedSet(held, said(60, null), STATION, ID).seconds).toBeNull();
    expect(correctedSet(logged, said(60, null), STATION, ID).fullReps).toBeNull();
  });
});
