import fc from "fast-check";
import loadHighs from "highs";
import { describe, expect, it } from "vitest";
import {
  askedOf,
  greedyChoice,
  isAllowed,
  worthOf,
  type Choice,
  type Problem,
} from "~/core/coach/suggest/index.ts";
import { minutes } from "~/core/kernel/index.ts";
import { EMPTY_PLAN } from "~/core/plan/index.ts";
import { FULL_GYM, judging, movementOf } from "~/tests/arbitrary/session.ts";
import { atMost } from "~/tests/arbitrary/runs.ts";
import { sampleNewId } from "~/tests/samples/index.ts";
import { solve } from "./solve.ts";

const highs = await loadHighs();

/** The worth of the best choice, by looking at every one. */
function bestByAll(problem: Problem): number {
  let best = -Infinity;
  const choice: number[] = problem.options.map(() => 0);
  const from = (i: number): void => {
    const option = problem.options[i];
    if (option === undefined) {
      if (isAllowed(problem, choice)) best = Math.max(best, worthOf(problem, choice));
      return;
    }
    for (let sets = 0; sets <= option.most; sets += 1) {
      if (sets > 0 && sets < option.least) continue;
      choice[i] = sets;
      from(i + 1);
    }
    choice[i] = 0;
  };
  from(0);
  return best;
}

function expectBest(problem: Problem): void {
  const best = bestByAll(problem);
  const first = greedyChoice(problem);
  const solved = solve(highs, problem, first, { seconds: 20 });
  const worth = (choice: Choice) => worthOf(problem, choice);
  expect(isAllowed(problem, first)).toBe(true);
  expect(isAllowed(problem, solved.choice)).toBe(true);
  expect(worth(first)).toBeLessThanOrEqual(best + 1e-6);
  expect(worth(solved.choice)).toBeGreaterThanOrEqual(best - 1e-3 * Math.max(1, Math.abs(best)));
  expect(solved.within).toBe(0);
}

const part = fc.record({
  option: fc.nat({ max: 4 }),
  once: fc.integer({ min: 0, max: 3 }),
  each: fc.integer({ min: 0, max: 3 }),
});
/** Each option once in a sum. */
const parts = fc.uniqueArray(part, { selector: ({ option }) => option, maxLength: 5 });
const pieces = fc
  .tuple(
    fc.uniqueArray(fc.integer({ min: 1, max: 15 }), { maxLength: 3 }),
    fc.array(fc.integer({ min: -12, max: 12 }), { minLength: 4, maxLength: 4 }),
  )
  .map(([ends, worths]) => {
    const falling = worths.toSorted((a, b) => b - a);
    return [...ends.toSorted((a, b) => a - b), Infinity].map((upTo, i) => ({
      upTo,
      worth: falling[i] ?? 0,
    }));
  });
/** Five options with whatever is worth and limited; nothing is kept, so that taking nothing is always allowed. */
const problems: fc.Arbitrary<Problem> = fc.record({
  options: fc.array(
    fc
      .record({
        least: fc.integer({ min: 1, max: 3 }),
        more: fc.nat({ max: 2 }),
        worth: fc.integer({ min: -8, max: 8 }),
      })
      .map(({ least, more, worth }) => ({ isKept: false, least, most: least + more, worth })),
    { minLength: 5, maxLength: 5 },
  ),
  goals: fc.array(fc.record({ parts, have: fc.nat({ max: 4 }), pieces }), { maxLength: 5 }),
  limits: fc.array(fc.record({ parts, most: fc.integer({ min: 0, max: 20 }) }), { maxLength: 3 }),
  groups: fc.array(fc.uniqueArray(fc.nat({ max: 4 }), { minLength: 2, maxLength: 4 }), {
    maxLength: 3,
  }),
});

describe("the best choice", () => {
  it("is what looking at every choice finds", () => {
    fc.assert(fc.property(problems, expectBest), { numRuns: atMost(60), seed: 13 });
  });

  it("keeps what is kept, where that can be", () => {
    const kept = problems.map((problem) => ({
      ...problem,
      limits: [],
      groups: [],
      options: problem.options.map((option, i) => ({ ...option, isKept: i === 0 })),
    }));
    fc.assert(
      fc.property(kept, (problem) => {
        expectBest(problem);
        const { choice } = solve(highs, problem, greedyChoice(problem), { seconds: 20 });
        expect(choice[0]).toBeGreaterThan(0);
      }),
      { numRuns: atMost(20), seed: 13 },
    );
  });

  it.each([
    [["back-squat", "leg-press", "romanian-deadlift", "seated-leg-curl", "walking-lunge"], 30],
    [
      [
        "back-squat",
        "leg-extension",
        "lying-leg-curl",
        "standing-calf-raise",
        "barbell-hip-thrust",
      ],
      20,
    ],
    [["leg-press", "leg-extension", "seated-leg-curl", "seated-calf-raise", "back-squat"], 45],
  ])("is found in a small gym, as by looking at every session: %j in %i min", (slugs, time) => {
    const catalogue = slugs.map(movementOf);
    const so = judging(EMPTY_PLAN, { catalogue, stations: FULL_GYM.slice(0, 3) });
    const day = {
      judging: so,
      minutes: minutes(time),
      mostExercises: 8,
      kept: new Map<string, number>(),
      passedOver: new Set<string>(),
    };
    const { problem } = askedOf([day], sampleNewId);
    expect(problem.options.length).toBeGreaterThan(3);
    expectBest(problem);
    expect(solve(highs, problem, greedyChoice(problem), { seconds: 20 }).choice).not.toEqual(
      problem.options.map(() => 0),
    );
  });
});
