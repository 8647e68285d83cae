import { findMovement } from "~/core/movement/catalogue/index.ts";
import {
  addDays,
  amountKg,
  count,
  day,
  idOf,
  kg,
  seconds,
  type Day,
  type Id,
  type IdOf,
} from "~/core/kernel/index.ts";
import type { Loading, Station } from "~/core/gym/index.ts";
import {
  exposureOf,
  plannedContext,
  UNSAID_CONDITIONS,
  UNSAID_OBSERVATIONS,
  type Exposure,
  type LoggedSet,
} from "~/core/log/index.ts";
import {
  amountAsked,
  demandOf,
  newBlock,
  PLAIN_DEFAULTS,
  repsLeft,
  type ProgressionRule,
  type Rir,
  type Slot,
} from "~/core/plan/index.ts";
import {
  accepted,
  proposeFor,
  takingWay,
  USUAL_RULES,
  type LineProposal,
  type Weeks,
} from "~/core/progress/index.ts";
import { isSetStep, unrollContextOf, unrollSlot, type UnrollContext } from "~/core/unroll/index.ts";
import {
  after,
  doSets,
  fresh,
  normal,
  type Athlete,
  type Condition,
  type DayForm,
  type DoneSet,
} from "./athlete.ts";
import type { Random } from "~/core/kernel/index.ts";

let made = 0;
/** Ids in order, so that a run is the same every time. */
export function nextId<K extends IdOf>(): Id<K> {
  made += 1;
  return idOf(`00000000-0000-7000-9000-${String(made).padStart(12, "0")}`);
}

/** A bar with steps of 2.5 kg. */
export const BAR: Loading = {
  kind: "bar",
  unit: "kg",
  bar: kg(20),
  plates: [25, 20, 15, 10, 5, 2.5, 1.25].map((size) => ({ size: kg(size), count: 8 })),
};

export function stationWith(loading: Loading): Station {
  return {
    id: nextId(),
    versionId: nextId(),
    gymId: nextId(),
    name: "Rack",
    loading,
    serves: ["shipped:back-squat"],
    profile: null,
    usuallyBusy: false,
    room: "",
  };
}

/** What was done and proposed in one week; null in `done` where the session was missed. */
export interface Week {
  readonly week: number;
  readonly slot: Slot;
  readonly sets: readonly (DoneSet & { readonly loadKg: number; readonly least: number })[];
  readonly strength: number;
  readonly exposure: Exposure;
  readonly proposal: LineProposal;
}

export interface Course {
  readonly athlete: Athlete;
  readonly rule: ProgressionRule;
  readonly weeks: number;
  readonly random: Random;
  readonly loading?: Loading;
  readonly range?: readonly [number, number];
  readonly sets?: number;
  readonly weekOf?: (week: number) => Weeks | null;
  /** What is taken of a proposal; where it is not given the full step where one is offered, else what is proposed. */
  readonly take?: (proposal: LineProposal, slot: Slot, station: Station) => LineProposal;
}

/** The load with which somebody would begin: what allows the middle of the range with the reserve asked, a little less. */
function firstLoad({ athlete, range: [min, max] = [8, 10], loading = BAR }: Course): number {
  const possible = (min + max) / 2 + 2;
  const kgs = Math.exp(athlete.strength) / (1 + possible / 30) ** athlete.slope / 1.03;
  const step = loading === BAR ? 2.5 : 5;
  return Math.max(20, Math.round(kgs / step) * step);
}

/** A coach who takes the full step where the reserve allows one. */
function fullStep(proposal: LineProposal): LineProposal {
  return takingWay(proposal, "fullStep") ?? proposal;
}

/** A course of weeks of one exercise, trained through the engine. Missed weeks are left out. */
export function train(course: Course): readonly Week[] {
  const { athlete, rule, random, range: [min, max] = [8, 10] } = course;
  const station = stationWith(course.loading ?? BAR);
  const context = unrollContextOf([station], findMovement, {});
  const movement = findMovement("shipped:back-squat");
  if (movement === null) throw new Error("no exercise to train");
  const target = { kind: "reps", min: count(min), max: count(max) } as const;
  const defaults = {
    ...PLAIN_DEFAULTS,
    sets: course.sets ?? 3,
    target,
    rest: { kind: "fixed", seconds: seconds(180) } as const,
  };
  const block = newBlock(nextId, movement, station.id, kg(firstLoad(course)), defaults);
  let slot: Slot = { ...block.slot, progression: rule };
  let condition = fresh(athlete);
  const done: Week[] = [];
  let painFor = 0;
  for (let week = 0; week < course.weeks; week += 1) {
    const isLow = random() < 0.03;
    if (painFor > 0) painFor -= 1;
    else if (athlete.painEvery !== null && random() < 1 / athlete.painEvery)
      painFor = random() < 0.5 ? 2 : 3;
    const form: DayForm = {
      noise: athlete.dayNoise * normal(random) - (isLow ? 0.06 : 0),
      pain: painFor > 0 ? 3 + Math.floor(3 * random()) : 0,
      readiness: isLow ? 2 : null,
    };
    if (random() < athlete.misses) {
      condition = after(athlete, condition, [], week, 7);
      continue;
    }
    const trained = trainOnce(slot, station, context, athlete, condition, form, random);
    condition = after(athlete, condition, trained.sets, week, 7);
    const on: Day = addDays(day("2026-01-05"), 7 * week);
    const exposure = exposureOf(
      { id: nextId(), day: on, readiness: form.readiness },
      slot,
      { loggedSets: trained.logged, contexts: [trained.context], pains: trained.pains },
      station,
    );
    if (exposure === null) throw new Error("a trained session left no exposure");
    const exposures = [...done.map((w) => w.exposure), exposure];
    const [proposal] = proposeFor(slot, exposures.slice(-20), {
      loading: station.loading,
      bodyWeight: null,
      isHoldingSuccess: false,
      parameters: [],
      comparing: [],
      feltIn: [],
      isRestShared: false,
      strength: USUAL_RULES,
      weeks: course.weekOf?.(week) ?? null,
      absence: null,
      on: null,
    });
    if (proposal === undefined) throw new Error("an exercise without a proposal");
    const taken = (course.take ?? fullStep)(proposal, slot, station);
    done.push({
      week,
      slot,
      sets: trained.sets,
      strength: condition.strength,
      exposure,
      proposal: taken,
    });
    slot = accepted(slot, new Map([[taken.line, taken]]), context, nextId);
  }
  return done;
}

function trainOnce(
  slot: Slot,
  station: Station,
  context: UnrollContext,
  athlete: Athlete,
  condition: Condition,
  form: DayForm,
  random: Random,
) {
  const steps = unrollSlot(slot, context).filter(isSetStep);
  const asked = steps.map(({ load, target, effort }) => {
    const { min, max } = amountAsked(target);
    return {
      loadKg: load.kind === "made" ? amountKg(load.reading) : 20,
      least: demandOf(target).least ?? min,
      // At an open end as many as come.
      most: target.kind === "limit" ? 60 : max,
      leave: target.kind === "limit" ? 0 : (repsLeft(effort) ?? 2),
    };
  });
  const done = doSets(athlete, condition, form, asked, random);
  const sets = done.map((set, i) => ({
    ...set,
    loadKg: asked[i]?.loadKg ?? 20,
    least: asked[i]?.least ?? 0,
  }));
  const logged = steps.map((step, i): LoggedSet => ({
    id: nextId(),
    slotId: slot.id,
    key: step.key,
    stationVersion: station.versionId,
    reading: step.load.kind === "made" ? step.load.reading : null,
    platesHung: null,
    fullReps: count(done[i]?.reps ?? 0),
    partialReps: null,
    forcedReps: null,
    seconds: null,
    steps: null,
    metres: null,
    rir: (done[i]?.said ?? 0) as Rir,
    limiter: null,
    note: "",
    conditions: UNSAID_CONDITIONS,
    observed: UNSAID_OBSERVATIONS,
  }));
  const plan = { schemaVersion: 2, blocks: [] } as const;
  const pains =
    form.pain === 0
      ? []
      : [
          {
            kind: "pain",
            id: nextId<"pain">(),
            slotId: slot.id,
            key: null,
            joint: "knee",
            side: "left",
            score: form.pain,
            note: "",
          } as const,
        ];
  return { sets, logged, context: plannedContext(plan, slot, station, null), pains };
}
