import {
  compareMass,
  type Count,
  type Day,
  massFromTicks,
  ticksOf,
  timesTicks,
  type Share,
  type Mass,
  type Id,
  type MovementRef,
} from "../kernel/index.ts";
import { totalMoved } from "../gym/index.ts";
import { OPEN_TEMPO, repsLeft } from "../plan/index.ts";
import type { Strength, UnrollContext } from "../unroll/index.ts";
import { heaviestTotal, lastKey, type Exposure, type Series } from "../log/index.ts";
import { fitCurve, GENERAL_CURVE, type CurvePoint, type PersonalCurve } from "./curve.ts";
import { MOST_REPS } from "./equation.ts";
import {
  bestEstimate,
  estimateMaximum,
  type MaximumEstimate,
  type NoEstimate,
} from "./estimate.ts";
import { loadForReps } from "./load-for.ts";
import type { StrengthRules } from "./strength-rules.ts";
import { strictShare, type StrictnessRule } from "./strictness.ts";

/** Only the latest sessions say what somebody can do now. Source: our rule, as above. */
const SESSIONS_FOR_MAXIMUM = 3;

/** What is known of a person with one movement at one station, as data that can be sent to a screen. */
export interface StrengthRecord {
  readonly movement: MovementRef;
  readonly station: Id<"station">;
  readonly lastDay: Day;
  /** Of the first work set of the last session. */
  readonly lastReading: Mass | null;
  /** The heaviest total of the last session; null where a total is unknown. */
  readonly lastTotal: Mass | null;
  readonly maximum: MaximumEstimate | null;
  /** Why there is no maximum, where there is none. */
  readonly refused: NoEstimate | null;
  readonly curve: PersonalCurve;
  /** What was moved for how many reps in the last sessions, totals alone, of sets whose reps are known. */
  readonly usual: readonly UsualSet[];
}

/** A logged set as it says what is usual. */
export interface UsualSet {
  readonly reps: number;
  readonly total: Mass;
}

/** By {@link lastKey}. */
export type StrengthRecords = Readonly<Record<string, StrengthRecord>>;

/** What exposures of one movement at one station say, oldest first; null where there are none. */
export function strengthRecordOf(
  exposures: readonly Exposure[],
  bodyWeight: Mass | null,
  { equation, strictness }: StrengthRules,
): StrengthRecord | null {
  const last = exposures.at(-1);
  if (last === undefined) return null;
  const curve = fitCurve(
    exposures.flatMap((e) => pointsOf(e, bodyWeight, strictness)),
    equation,
  );
  const results = exposures
    .slice(-SESSIONS_FOR_MAXIMUM)
    .flatMap((exposure) => setsOf(exposure, bodyWeight, strictness))
    .map((set) => estimateMaximum(set, equation, curve));
  const estimates = results.flatMap((r) => (r.ok ? [r.value] : []));
  const refused = results.flatMap((r) => (r.ok ? [] : [r.error])).at(-1) ?? null;
  return {
    movement: last.context.movement,
    station: last.context.station,
    lastDay: last.day,
    lastReading: last.sets[0]?.reading ?? null,
    lastTotal: heaviestTotal(last, last.context.bodyWeight ?? bodyWeight),
    maximum: bestEstimate(estimates),
    refused: estimates.length > 0 ? null : refused,
    curve,
    usual: exposures
      .slice(-SESSIONS_FOR_MAXIMUM)
      .flatMap((e) => usualOf(e, e.context.bodyWeight ?? bodyWeight)),
  };
}

function usualOf({ sets, loading }: Exposure, bodyWeight: Mass | null): readonly UsualSet[] {
  return sets.flatMap(({ reading, reps, hasPartials }) => {
    const total = reading && totalMoved(loading, reading, bodyWeight);
    return total === null || reps === null || hasPartials ? [] : [{ reps, total }];
  });
}

/**
 * What somebody usually takes for so many reps: the middle one of the totals of the last sessions whose reps
 * differ by one at most; where there are none, what the estimate allows for them with two reps left.
 * Source: our rule, docs/arithmetic.md § Shares of a load.
 */
function usualTotal(record: StrengthRecord, reps: Count, rules: StrengthRules): Mass | null {
  const alike = record.usual
    .filter((set) => Math.abs(set.reps - reps) <= 1)
    .map(({ total }) => total)
    .toSorted(compareMass);
  const middle = alike[Math.floor((alike.length - 1) / 2)];
  if (middle !== undefined) return middle;
  const strength = record.maximum && strengthOf(record.maximum, record.curve, rules);
  return strength?.forReps(reps + USUAL_RESERVE, { tempo: OPEN_TEMPO, accents: [] }) ?? null;
}
const USUAL_RESERVE = 2;

/** What unrolling looks up of a person, from what is known. */
export function unrollContextFrom(
  strengthRecords: StrengthRecords,
  bodyWeight: Mass | null,
  rules: StrengthRules,
): Pick<
  UnrollContext,
  | "bodyWeight"
  | "lastTotal"
  | "lastReading"
  | "lastStation"
  | "strength"
  | "strengthFrom"
  | "usualTotal"
> {
  const all = Object.values(strengthRecords).sort((a, b) => a.lastDay.localeCompare(b.lastDay));
  const totals = new Map(
    all.flatMap(({ movement, lastTotal }) =>
      lastTotal === null ? [] : [[movement, lastTotal] as const],
    ),
  );
  const stations = new Map(all.map(({ movement, station }) => [movement, station]));
  const at = (movement: MovementRef, station: Id<"station">) =>
    strengthRecords[lastKey(movement, station)];
  return {
    bodyWeight,
    lastTotal: (movement) => totals.get(movement) ?? null,
    lastStation: (movement) => stations.get(movement) ?? null,
    lastReading: (movement, station) => at(movement, station)?.lastReading ?? null,
    usualTotal: (movement, station, reps) => {
      const known = at(movement, station);
      return known === undefined ? null : usualTotal(known, reps, rules);
    },
    strengthFrom: (total, possible) => {
      const done = { total, reps: possible, rir: 0 as const, after: "rest" as const };
      const alone = { hasPartials: false, place: 0, restBefore: null };
      const maximum = estimateMaximum({ ...done, ...alone }, rules.equation);
      return maximum.ok ? strengthOf(maximum.value, GENERAL_CURVE, rules) : null;
    },
    strength: (movement, station) => {
      const known = at(movement, station);
      return known?.maximum == null ? null : strengthOf(known.maximum, known.curve, rules);
    },
  };
}

function strengthOf(
  maximum: MaximumEstimate,
  curve: PersonalCurve,
  { equation, strictness }: StrengthRules,
): Strength {
  const { likely } = maximum;
  return {
    ofMaximum: (share) => massFromTicks(timesTicks(ticksOf(likely), share), likely.unit, "nearest"),
    forReps: (possible, { tempo, accents }) => {
      const strict = strictShare(tempo, accents, strictness);
      return loadForReps(maximum, possible, equation, strict, curve)?.likely ?? null;
    },
  };
}

/**
 * What was done as plain repetitions: a set done more strictly counts with the load that it would have been
 * without, so that the same strictness takes off again exactly what was added. Points and estimates are of these.
 */
function setsOf(exposure: Exposure, bodyWeight: Mass | null, strictness: StrictnessRule) {
  const weight = exposure.context.bodyWeight ?? bodyWeight;
  return exposure.sets.map((set, i) => ({
    total:
      set.reading === null
        ? null
        : plainly(
            totalMoved(exposure.loading, set.reading, weight),
            strictShare(set.tempo, set.accents, strictness),
          ),
    reps: set.reps,
    rir: set.rir,
    after: "rest" as const,
    hasPartials: set.hasPartials,
    place: i,
    restBefore: i === 0 ? null : exposure.context.restSeconds,
  }));
}

const plainly = (total: Mass | null, strict: Share): Mass | null =>
  total && massFromTicks(timesTicks(ticksOf(total), 1 / strict), total.unit, "nearest");

/** Sets whose reserve was said, as points to fit a curve to. */
function pointsOf(
  exposure: Exposure,
  bodyWeight: Mass | null,
  strictness: StrictnessRule,
): readonly CurvePoint[] {
  return setsOf(exposure, bodyWeight, strictness).flatMap(({ total, reps, rir, place }) => {
    // "More than five" is no number to fit a curve to.
    const left = rir === "more" ? null : repsLeft(rir);
    if (total === null || total.thousandths <= 0 || reps === null || left === null) return [];
    const possibleReps = reps + left;
    if (possibleReps < 1 || possibleReps > MOST_REPS) return [];
    return [
      { session: exposure.sessionLogId, place, logTotal: Math.log(ticksOf(total)), possibleReps },
    ];
  });
}

/** What history says of a person's strength, for every movement at every station that was trained. */
export function strengthRecordsOf(
  series: Series,
  bodyWeight: Mass | null,
  rules: StrengthRules,
): StrengthRecords {
  return Object.fromEntries(
    [...series].flatMap(([key, exposures]) => {
      const known = strengthRecordOf(exposures, bodyWeight, rules);
      return known === null ? [] : [[key, known]];
    }),
  );
}
