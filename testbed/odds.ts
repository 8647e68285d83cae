import { addDays, amountKg, weekdayOf } from "~/core/kernel/index.ts";
import { stepsFrom } from "~/core/gym/index.ts";
import { lastKey } from "~/core/log/index.ts";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import {
  NOTHING_BY_HAND,
  project,
  targetOdds,
  usualWeek,
  type Phase,
  type PhaseFacts,
} from "~/core/phase/index.ts";
import { linesOf } from "~/core/plan/index.ts";
import { USUAL_RULES } from "~/core/progress/index.ts";
import { unrollContextOf } from "~/core/unroll/index.ts";
import { drawAthlete } from "./athlete.ts";
import { seededRandom } from "~/core/kernel/index.ts";
import { BAR, nextId, stationWith, train, type Week } from "./session.ts";

/** What was called, and what came of it, of targets that were called alike. */
export interface OddsBand {
  readonly low: number;
  readonly high: number;
  readonly called: number;
  /** In the mean of those called. */
  readonly chance: number;
  readonly met: number;
}

/** Weeks after which targets are stated, how far they reach, and how many steps above the last load they lie. */
const KNOWN = 10;
const WEEKS = 12;
const BY = [4, 8, 12] as const;
const STEPS = [1, 2, 4, 6] as const;
const REPS = 8;
const BANDS = [0, 0.1, 0.3, 0.5, 0.65, 0.75, 0.9, 1.0001] as const;

/** How often targets are met that are called so likely. */
export function oddsReport(athletes: number, seed: number): readonly OddsBand[] {
  const random = seededRandom(seed);
  const rule = { kind: "doubleProgression", decides: "weakest" } as const;
  const called: { readonly chance: number; readonly isMet: boolean }[] = [];
  for (let i = 0; i < athletes; i += 1) {
    const weeks = train({ athlete: drawAthlete(random), rule, weeks: KNOWN + WEEKS, random });
    const known = weeks.filter(({ week }) => week < KNOWN);
    const later = weeks.filter(({ week }) => week >= KNOWN);
    called.push(...calledFor(known, later, i, random));
  }
  return BANDS.slice(0, -1).map((low, i) => {
    const high = BANDS[i + 1] ?? 1;
    const own = called.filter(({ chance }) => chance >= low && chance < high);
    return {
      low,
      high: Math.min(1, high),
      called: own.length,
      chance: own.reduce((sum, { chance }) => sum + chance, 0) / Math.max(1, own.length),
      met: own.filter(({ isMet }) => isMet).length / Math.max(1, own.length),
    };
  });
}

function calledFor(
  known: readonly Week[],
  later: readonly Week[],
  i: number,
  random: () => number,
): readonly { readonly chance: number; readonly isMet: boolean }[] {
  const [last, next] = [known.at(-1), later[0]];
  const line = next && linesOf(next.slot)[0];
  const from = last?.exposure.sets[0]?.reading ?? null;
  const asked = from && stepsFrom(BAR, from, STEPS[i % STEPS.length] ?? 2)?.reading;
  if (last === undefined || next === undefined || line === undefined || !asked) return [];
  const by = BY[i % BY.length] ?? 8;
  const station = { ...stationWith(BAR), id: next.slot.station };
  const start = addDays(last.exposure.day, 7);
  const dayId = nextId<"phaseDay">();
  const phase: Phase = {
    schemaVersion: 1,
    start,
    goal: "strength",
    success: "",
    approach: null,
    days: [
      {
        id: dayId,
        weekday: weekdayOf(start),
        gymId: station.gymId,
        startTime: null,
        title: "Squat",
        session: {
          schemaVersion: 3,
          blocks: [
            { kind: "exercise", id: nextId(), lineageId: next.slot.lineageId, slot: next.slot },
          ],
        } as never,
      },
    ],
    weeks: Array.from({ length: WEEKS }, () => usualWeek("normal")),
    ...NOTHING_BY_HAND,
    targets: [
      {
        day: dayId,
        lineage: next.slot.lineageId,
        line: line.id,
        reading: asked,
        reps: REPS,
        week: by,
      },
    ],
    notes: "",
  };
  const facts: PhaseFacts = {
    placed: [],
    series: new Map([
      [lastKey(next.slot.movement, next.slot.station), known.map(({ exposure }) => exposure)],
    ]),
    stations: [station],
    context: unrollContextOf([station], findMovement, {}),
    known: { isHoldingSuccess: false, strength: USUAL_RULES, comparing: [] },
    today: start,
  };
  const [odds] = targetOdds(phase, project(phase, facts, nextId), facts, random);
  if (odds?.chance == null) return [];
  const isMet = later
    .filter(({ week }) => week < KNOWN + by)
    .some(({ sets }) =>
      sets.some(({ loadKg, reps }) => loadKg >= amountKg(asked) - 1e-9 && reps >= REPS),
    );
  return [{ chance: odds.chance, isMet }];
}
