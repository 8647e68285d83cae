import { describe, expect, it } from "vitest";
import { amountKg, kg, share, seconds } from "../kernel/index.ts";
import { fitCurve, GENERAL_CURVE, type CurvePoint, type PersonalCurve } from "./curve.ts";
import { maximumOverLoad } from "./equation.ts";
import { bestEstimate, estimateMaximum, type StrengthSet } from "./estimate.ts";
import { loadForReps } from "./load-for.ts";

/** Made-up athletes, with a curve and a fatigue that only the simulation knows. Seeded, so that they are the same again. */
function random(seed: number) {
  let state = seed;
  const uniform = () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const normal = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
  return { uniform, normal };
}

const DESIGNS = {
  "top and back-offs": [1, 0.85, 0.85],
  "four falling loads": [1, 0.92, 0.84, 0.76],
  "three loads apart": [1, 0.88, 0.78],
  "one load": [1, 1, 1],
} as const;
const MAXIMUM = 120;
/** So many of a kind that what they scatter by chance, some 0.1 points, decides nothing. */
const ATHLETES = 200;

/** The reps that a load allows somebody with this much in them, on their own curve. */
function possibleAt(load: number, capacity: number, slope: number): number {
  let most = 1;
  for (let reps = 1; reps <= 25; reps += 0.1) {
    const over = reps <= 15 ? maximumOverLoad("epley", reps) : 1 + reps / 30;
    if (capacity / over ** slope >= load) most = reps;
  }
  return most;
}

/** The mean error of a load for 5, 8 and 12 reps, in per cent, with the plain equation and with the fitted curve. */
function errors(slope: number, fatigue: number, shares: readonly number[], logged: number) {
  const { uniform, normal } = random(Math.round(1000 * slope + 100_000 * fatigue) + logged);
  let [plain, own, covered, cases] = [0, 0, 0, 0];
  for (let athlete = 0; athlete < ATHLETES; athlete += 1) {
    const points: CurvePoint[] = [];
    const sessions: StrengthSet[][] = [];
    for (let s = 0; s < Math.ceil(logged / shares.length); s += 1) {
      const today = MAXIMUM * Math.exp(0.01 * normal());
      const top = today / maximumOverLoad("epley", 6 + 2 * uniform()) ** slope;
      const sets = shares.flatMap((part, place): StrengthSet[] => {
        const load = Math.round((top * part) / 2.5) * 2.5;
        const capacity = today * Math.exp(-fatigue * place + 0.015 * normal());
        const left = Math.floor(uniform() * 3);
        const reps = Math.max(1, Math.floor(possibleAt(load, capacity, slope)) - left);
        const off = uniform() < 0.25 ? (uniform() < 0.5 ? -1 : 1) : 0;
        const said = Math.max(0, left + off) as 0 | 1 | 2 | 3;
        if (reps + said > 15) return [];
        points.push({
          session: String(s),
          place,
          logTotal: Math.log(load),
          possibleReps: reps + said,
        });
        return [
          {
            total: kg(load),
            reps,
            rir: said,
            after: "rest",
            hasPartials: false,
            place,
            restBefore: place === 0 ? null : seconds(150),
          },
        ];
      });
      sessions.push(sets);
    }
    const fitted = fitCurve(points, "epley");
    const loadFor = (curve: PersonalCurve, reps: number) => {
      const estimates = sessions
        .slice(-3)
        .flat()
        .map((set) => estimateMaximum(set, "epley", curve))
        .flatMap((r) => (r.ok ? [r.value] : []));
      return loadForReps(bestEstimate(estimates)!, reps, "epley", share(1), curve)!;
    };
    for (const reps of [5, 8, 12]) {
      const truth = MAXIMUM / maximumOverLoad("epley", reps) ** slope;
      const off = (load: number) => (100 * Math.abs(load - truth)) / truth;
      const range = loadFor(fitted, reps);
      plain += off(amountKg(loadFor(GENERAL_CURVE, reps).likely));
      own += off(amountKg(range.likely));
      covered += amountKg(range.low) <= truth && truth <= amountKg(range.high) ? 1 : 0;
      cases += 1;
    }
  }
  return { plain: plain / cases, own: own / cases, covered: covered / cases };
}

describe("a personal curve, of simulated athletes", () => {
  const all = [0.75, 1, 1.25].flatMap((slope) =>
    [0, 0.02, 0.04].flatMap((fatigue) =>
      Object.entries(DESIGNS).flatMap(([design, shares]) =>
        [10, 30].map((sets) => ({
          of: `slope ${slope}, fatigue ${fatigue}, ${design}, ${sets} sets`,
          slope,
          design,
          sets,
          ...errors(slope, fatigue, shares, sets),
        })),
      ),
    ),
  );
  const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;

  const ratio = (of: typeof all) => mean(of.map((a) => a.own)) / mean(of.map((a) => a.plain));

  it("is never worse than the plain equation by more than 0.3 points, with or without fatigue", () => {
    for (const { of, own, plain } of all) expect(own - plain, of).toBeLessThan(0.3);
  });

  it("is better by a fifth where the true curve differs, at 10 and at 30 sets with loads apart", () => {
    const apart = all.filter(({ slope, design }) => slope !== 1 && design !== "one load");
    for (const sets of [10, 30]) {
      expect(ratio(apart.filter((a) => a.sets === sets)), `${sets} sets`).toBeLessThan(0.8);
    }
    // Who does fewer repetitions at a share than the equation says is harder to tell from who tires.
    expect(ratio(apart.filter(({ slope }) => slope > 1))).toBeLessThan(0.9);
  });

  it("is better by a fifth over all, also where the curve is the plain one and only fatigue differs", () => {
    expect(ratio(all)).toBeLessThan(0.8);
    expect(ratio(all.filter(({ slope }) => slope === 1))).toBeLessThan(0.8);
  });

  it("has the true load in its range in 85 to 95 of 100 cases, nowhere far below but with one load alone", () => {
    const known = all.filter(({ design, slope }) => design !== "one load" || slope !== 0.75);
    for (const { of, covered } of known) expect(covered, of).toBeGreaterThan(0.75);
    expect(mean(all.map(({ covered }) => covered))).toBeGreaterThan(0.85);
    expect(mean(all.map(({ covered }) => covered))).toBeLessThan(0.95);
  });
});
