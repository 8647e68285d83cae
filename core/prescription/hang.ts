import type { Id } from "../identity/index.ts";
import { planLoadingOnce, type LoadTarget } from "../loading-plan/index.ts";
import { sameReading, share, ticksOf, type Mass, type Share } from "../quantity/index.ts";
import {
  changeBetween,
  totalMoved,
  type Change,
  type MadeLoad,
  type Recipe,
  type Station,
} from "../station/index.ts";
import type { Towards } from "../station/index.ts";
import type { SetStep, StepLoad } from "./step.ts";

type Made = Extract<StepLoad, { kind: "made" }>;

/** A step of a block that is still being unrolled: what hangs for it follows from the steps around it. */
export interface UnhungStep extends SetStep {
  load: StepLoad;
  change: Change | null;
}

/** The steps of a block at one station in order, with the rule of the exercise that each belongs to. */
export interface StepsAtStation {
  readonly station: Station;
  readonly steps: UnhungStep[];
  readonly towards: Towards[];
}

/**
 * Decides what hangs at a station for all steps of a block together, so that from one to the next as few plates
 * as possible are handled, and writes it into the steps: their loads, what changes before each, and whether a
 * load was moved for it. Bars and plate machines only; elsewhere every load is made by itself.
 */
export function hangSteps({ station, steps, towards }: StepsAtStation, bodyWeight: Mass | null) {
  const { loading } = station;
  const runs = runsOf(steps, towards);
  const first = runs[0];
  if (first === undefined) return;
  const hasPlates = loading.kind === "bar" || loading.kind === "plateMachine";
  const isAlone = runs.length === 1 && first.target.within === 0;
  const plan =
    hasPlates && !isAlone
      ? planLoadingOnce(
          loading,
          runs.map(({ target }) => target),
        )
      : null;
  let before: Recipe | null = null;
  runs.forEach(({ load, steps: own }, i) => {
    const made = plan?.loads[i]?.made ?? load;
    const hung = plan === null ? load : hungLoad(load, made, station, bodyWeight, plan.isProven);
    own.forEach((step) => {
      step.load = hung;
      step.change = changeBetween(before, made.recipe);
      before = made.recipe;
    });
  });
}

/** One load of an exercise as it is hung: what is done to get there, and the steps that it is for. */
export interface HungLoad {
  readonly load: Made;
  readonly change: Change;
  readonly steps: readonly SetStep[];
}

/** What is hung for an exercise, load after load; neighbours of one load are one. */
export function hungLoads(steps: readonly SetStep[]): readonly HungLoad[] {
  const loads: { load: Made; change: Change; steps: SetStep[] }[] = [];
  for (const step of steps) {
    const { load, change } = step;
    if (load.kind !== "made" || change === null) continue;
    const last = loads.at(-1);
    if (last !== undefined && change.kind === "none") last.steps.push(step);
    else loads.push({ load, change, steps: [step] });
  }
  return loads;
}

interface Run {
  readonly load: Made;
  readonly target: LoadTarget;
  readonly steps: UnhungStep[];
}

/** Neighbours of one load as one, each with the room it may move in. */
function runsOf(steps: readonly UnhungStep[], towards: readonly Towards[]): readonly Run[] {
  const runs: { load: Made; within: Share | 0; towards: Towards; steps: UnhungStep[] }[] = [];
  steps.forEach((step, i) => {
    const { load } = step;
    if (load.kind !== "made") return;
    const last = runs.at(-1);
    if (last !== undefined && sameReading(last.load.reading, load.reading)) {
      last.within = load.within < last.within ? load.within : last.within;
      last.steps.push(step);
    } else {
      runs.push({ load, within: load.within, towards: towards[i] ?? "nearest", steps: [step] });
    }
  });
  return runs.map((run, i) => {
    const around = runs.flatMap((other, j) => (j === i ? [] : [other.load.reading]));
    const within = roomOf(run.load.reading, run.within, around);
    return { ...run, target: { reading: run.load.reading, within, towards: run.towards } };
  });
}

/**
 * A load keeps clear of half the way to every other load of the block, so that a drop stays a drop and a
 * pyramid rises; one that comes again stays, so that rounds are alike.
 */
function roomOf(reading: Mass, within: Share | 0, others: readonly Mass[]): Share | 0 {
  const own = ticksOf(reading);
  if (within === 0 || own === 0) return 0;
  const gap = others.reduce((least, m) => Math.min(least, Math.abs(ticksOf(m) - own)), Infinity);
  const room = Math.min(within, (0.49 * gap) / own);
  return room <= 0 ? 0 : share(room);
}

/** A load as the plan hangs it; a share says what it comes to where the load was moved. */
function hungLoad(
  load: Made,
  made: MadeLoad,
  station: Station,
  bodyWeight: Mass | null,
  isProven: boolean,
): Made {
  const { reading, recipe } = made;
  if (sameReading(reading, load.reading)) return { ...load, recipe, isProven };
  const total = totalMoved(station.loading, reading, bodyWeight);
  const [now, was] =
    total !== null && load.total !== null ? [total, load.total] : [reading, load.reading];
  const came = load.share && {
    ...load.share,
    made: (load.share.made * ticksOf(now)) / ticksOf(was),
  };
  return { ...load, reading, recipe, total, share: came, movedFrom: load.reading, isProven };
}

/** Collects the steps of a block by the station that they are done at. */
export function stepsByStation(
  found: Map<Id<"station">, StepsAtStation>,
  station: Station,
  towards: Towards,
  step: UnhungStep,
): void {
  const known = found.get(station.id) ?? { station, steps: [], towards: [] };
  known.steps.push(step);
  known.towards.push(towards);
  found.set(station.id, known);
}
