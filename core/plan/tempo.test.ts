import { describe, expect, it } from "vitest";
import { seconds } from "../kernel/index.ts";
import { sampleId, sampleSet } from "../../tests/samples/index.ts";
import { tempoOf } from "./planned-set.ts";
import {
  isOpenTempo,
  isTempoPhase,
  OPEN_TEMPO,
  phasesFrom,
  repSeconds,
  sameTempo,
  type Tempo,
} from "./tempo.ts";

const usual = seconds(4);
const tempo = (over: Partial<Tempo>): Tempo => ({ ...OPEN_TEMPO, ...over });

describe("the tempo of a set", () => {
  const slow = tempo({ lower: 5 });
  const [first, second] = [sampleSet(1, { tempo: slow }), sampleSet(2, { tempoAs: sampleId(1) })];

  it("is its own, or that of the set before it that it names", () => {
    expect(tempoOf(first, [first, second])).toEqual(slow);
    expect(tempoOf(second, [first, second])).toEqual(slow);
    expect(tempoOf(second, [second, first])).toEqual(OPEN_TEMPO);
  });

  it("of a set that is not yet among the others is that of whichever it names", () => {
    expect(tempoOf(second, [sampleSet(3), first])).toEqual(slow);
  });
});

describe("a tempo", () => {
  it.each([
    [{ lower: 3, stretch: 1, lift: 1, squeeze: 0 }, 5],
    [{ lower: 3, stretch: 1, lift: "explosive", squeeze: 0 }, 4.7],
    [{}, 4],
    [{ lower: 2 }, 4], // the open rest of a usual repetition
    [{ lower: 5 }, 6], // five, and at least one second to lift
    [{ lower: 4, lift: 2 }, 6],
  ] as const)("%j lasts %s s a repetition", (written, lasts) => {
    expect(repSeconds(tempo(written), usual)).toBeCloseTo(lasts, 10);
  });

  it("is shown in the order in which the movement happens", () => {
    expect(phasesFrom("lower")[0]).toBe("lower");
    expect(phasesFrom("lift")).toEqual(["lift", "squeeze", "lower", "stretch"]);
  });

  it("takes 0 to 30 seconds, explosive or nothing for a phase", () => {
    expect([0, 2.5, 30, "explosive", null].every(isTempoPhase)).toBe(true);
    expect([-1, 31, Number.NaN, "slow", undefined].some(isTempoPhase)).toBe(false);
  });

  it("is open only when nothing is written, and the same only in every phase", () => {
    expect(isOpenTempo(OPEN_TEMPO)).toBe(true);
    expect(isOpenTempo(tempo({ squeeze: 0 }))).toBe(false);
    expect(sameTempo(tempo({ lower: 3 }), tempo({ lower: 3 }))).toBe(true);
    expect(sameTempo(tempo({ squeeze: 0 }), OPEN_TEMPO)).toBe(false);
  });
});
