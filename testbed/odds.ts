import { addDays, amountKg, seededRandom, weekdayOf, type Random } from "~/core/kernel/index.ts";
import { stepsFrom } from "~/core/gym/index.ts";
import { lastKey } from "~/core/log/index.ts";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import {
  NOTHING_BY_HAND,
  project,
  targetOdds,
  targetsStanding,
  usualWeek,
  type Phase,
  type PhaseFacts,
  type TargetStanding,
} from "~/core/phase/index.ts";
import { linesOf } from "~/core/plan/index.ts";
import { bandAhead, progressIndex, USUAL_RULES } from "~/core/progress/index.ts";
import { unrollContextOf } from "~/core/unroll/index.ts";
import { drawAthlete } from "./athlete.ts";
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

/** Where an athlete stands after the known weeks, and what the weeks after brought. */
interface Stood {
  readonly standing: TargetStanding;
  readonly later: readonly Week[];
}

function stoodOf(athletes: number, random: Random): readonly Stood[] {
  const rule = { kind: "doubleProgression", decides: "weakest" } as const;
  return Array.from({ length: athletes }, (_, i) => i).flatMap((i): readonly Stood[] => {
    const weeks = train({ athlete: drawAthlete(random), rule, weeks: KNOWN + WEEKS, random });
    const later = weeks.filter(({ week }) => week >= KNOWN);
    const standing = standingOf(
      weeks.filter(({ week }) => week < KNOWN),
      later,
      i,
    );
    return standing === null ? [] : [{ standing, later }];
  });
}

/** How often targets are met that are called so likely. */
export function oddsReport(athletes: number, seed: number): readonly OddsBand[] {
  const random = seededRandom(seed);
  const called = stoodOf(athletes, random).flatMap(({ standing, later }) => {
    const { chance } = targetOdds(standing, random);
    const { reading, reps, week: by } = standing.target;
    const isMet = later
      .filter(({ week }) => week < KNOWN + by)
      .some(({ sets }) =>
        sets.some((set) => set.loadKg >= amountKg(reading) - 1e-9 && set.reps >= reps),
      );
    return chance === null ? [] : [{ chance, isMet }];
  });
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

/** How much of what was shown later lay in the band that was drawn before, and how much below and above it. */
export function bandReport(athletes: number, seed: number) {
  const random = seededRandom(seed);
  const shown = stoodOf(athletes, random).flatMap(({ standing, later }) => {
    const { way } = standing;
    if (way === null) return [];
    const band = bandAhead(way.from, way.ahead, random);
    return later.flatMap(({ week, exposure }) => {
      const own = band[week - KNOWN] ?? null;
      const value = progressIndex(exposure, null);
      return own === null || value === null ? [] : [{ ...own, value, width: own.high - own.low }];
    });
  });
  const share = (of: typeof shown) => of.length / Math.max(1, shown.length);
  return {
    sessions: shown.length,
    held: share(shown.filter(({ value, low, high }) => value >= low && value <= high)),
    below: share(shown.filter(({ value, low }) => value < low)),
    above: share(shown.filter(({ value, high }) => value > high)),
    width: shown.reduce((sum, { width }) => sum + width, 0) / Math.max(1, shown.length),
  };
}

function standingOf(
  known: readonly Week[],
  later: readonly Week[],
  i: number,
): TargetStanding | null {
  const [last, next] = [known.at(-1), later[0]];
  const line = next && linesOf(next.slot)[0];
  const from = last?.exposure.sets[0]?.reading ?? null;
  const asked = from && stepsFrom(BAR, from, STEPS[i % STEPS.length] ?? 2)?.reading;
  if (last === undefined || next === undefined || line === undefined || !asked) return null;
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
  return targetsStanding(phase, project(phase, facts, nextId), facts)[0] ?? null;
}
