import { describe, expect, it } from "vitest";
import { seededRandom } from "../kernel/index.ts";
import { bandAhead, missesOf, oddsOf, type Ahead, type OddsFrom } from "./odds.ts";

/** Ten sessions that gain one per cent each, with hardly any noise. */
const RISING = Array.from({ length: 10 }, (_, i) => 5 + 0.01 * i + (i % 2 === 0 ? 0.002 : -0.002));
const FROM: OddsFrom = { values: RISING, tiring: 0.02, misses: 0.05 };
/** A way of so many sessions, each taking so much more than the one before; the last one is the target. */
const way = (sessions: number, first: number, by: number): readonly Ahead[] =>
  Array.from({ length: sessions }, (_, i) => ({
    takes: first + by * i,
    takesLeaving: first + by * i + 0.06,
    load: String(i),
    isTarget: i === sessions - 1,
    isEasy: false,
  }));
const odds = (ahead: readonly Ahead[], from = FROM) => oddsOf(from, ahead, seededRandom(3));

describe("the chance that a target is met", () => {
  it("rises from session to session, and is the same for the same seed", () => {
    const own = odds(way(8, 5.0, 0.01));
    expect(own).toEqual([...own].toSorted((a, b) => a - b));
    expect(odds(way(8, 5.0, 0.01))).toEqual(own);
  });

  it("is all but sure of what is below what somebody has, and all but none of what is far above", () => {
    const easy = [...way(3, 4.9, 0), ...way(4, 4.9, 0).map((own) => ({ ...own, isTarget: false }))];
    expect(odds(easy).at(-1)).toBeGreaterThan(0.9);
    expect(odds(way(6, 5.6, 0.01)).at(-1)).toBeLessThan(0.1);
  });

  it("falls with sessions that are missed, with strength that is asked, and waits for easy weeks", () => {
    const ahead = way(6, 5.04, 0.01);
    const last = (own: readonly number[]) => own.at(-1) ?? 0;
    expect(last(odds(ahead, { ...FROM, misses: 0.4 }))).toBeLessThan(last(odds(ahead)));
    expect(last(odds(way(6, 5.09, 0.01)))).toBeLessThan(last(odds(ahead)));
    const eased = ahead.map((own, i) => ({ ...own, isEasy: i < 2 }));
    expect(odds(eased).slice(0, 2)).toEqual([0, 0]);
  });

  it("is none where the way never gets there", () => {
    expect(odds(way(5, 4.9, 0).map((own) => ({ ...own, isTarget: false })))).toEqual([
      0, 0, 0, 0, 0,
    ]);
  });

  it("draws missed sessions towards the usual where there are few", () => {
    expect(missesOf(0, 0)).toBeCloseTo(0.05);
    expect(missesOf(2, 2)).toBeCloseTo(3 / 24);
    expect(missesOf(60, 20)).toBeCloseTo(0.21);
  });
});

describe("the band ahead", () => {
  const easy = (isEasy: boolean) => ({ isEasy });
  const ahead = [easy(false), easy(true), easy(false), easy(false)];

  it("begins where the line ends, and says nothing of an easy session", () => {
    const band = bandAhead(FROM, ahead, seededRandom(3));
    expect(band[1]).toBeNull();
    const [next] = band;
    // The tenth value is 5.088 and each session gains about one per cent.
    expect(next?.likely).toBeGreaterThan(5.09);
    expect(next?.likely).toBeLessThan(5.11);
    expect(next?.low).toBeLessThan(5.088);
    expect(bandAhead(FROM, ahead, seededRandom(3))).toEqual(band);
  });

  it("lies lower the more sessions are missed", () => {
    const last = (misses: number) =>
      bandAhead({ ...FROM, misses }, ahead, seededRandom(3)).at(-1)?.likely ?? 0;
    expect(last(0.6)).toBeLessThan(last(0));
  });
});
