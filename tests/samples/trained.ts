import { addDays, count, day, seconds } from "~/core/kernel/index.ts";
import type { Loading } from "~/core/gym/index.ts";
import { measureOf, withLines, type Slot } from "~/core/plan/index.ts";
import { parseLine } from "~/core/plan/notation/index.ts";
import {
  countedField,
  exposureOf,
  NOTHING_COUNTED,
  type Exposure,
  type LogContext,
  type LoggedSet,
} from "~/core/log/index.ts";
import { unrollSlot, type SetStep } from "~/core/unroll/index.ts";
import {
  NOTATION,
  RACK,
  sampleContext,
  sampleId,
  sampleLoggedSet,
  sampleNewId,
  sampleSlot,
  sampleStation,
  sampleUnrollContext,
} from "./index.ts";

/** An exercise whose sets are written as a line. */
export function writtenSlot(line: string, over: Partial<Slot> = {}): Slot {
  const read = parseLine(line, [], NOTATION, sampleNewId);
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  return withLines(sampleSlot(read.value, over));
}

interface On {
  readonly loading?: Loading;
  /** Which week it was, from 0; the day and the id of the session follow. */
  readonly week?: number;
  readonly context?: Partial<LogContext>;
}

/** One session of an exercise, with what was done at each of its steps at the loads that were planned; null where it has none. */
export function trainedSlot(
  slot: Slot,
  done: (step: SetStep, at: number, of: number) => { readonly amount: number } & Partial<LoggedSet>,
  { loading = RACK, week = 0, context = {} }: On = {},
): Exposure | null {
  const steps = unrollSlot(slot, sampleUnrollContext([sampleStation(loading)]));
  const loggedSets = steps.flatMap((step, i): readonly LoggedSet[] => {
    const set = slot.sets.find(({ id }) => id === step.key.setId);
    if (set === undefined) return [];
    const { amount, ...over } = done(step, i, steps.length);
    const isTime = measureOf(step.target) === "seconds";
    return [
      sampleLoggedSet(set, {
        ...NOTHING_COUNTED,
        [countedField(step)]: isTime ? seconds(amount) : count(Math.round(amount)),
        slotId: slot.id,
        key: step.key,
        reading: step.load.kind === "made" ? step.load.reading : null,
        rir: 2,
        ...over,
      }),
    ];
  });
  const exposure = exposureOf(
    { id: sampleId(600 + week), day: addDays(day("2026-03-02"), 7 * week), readiness: null },
    slot,
    {
      loggedSets,
      contexts: [sampleContext({ slotId: slot.id, lineageId: slot.lineageId, ...context })],
      pains: [],
    },
    sampleStation(loading),
  );
  return exposure;
}

/** As {@link trainedSlot}, with "10 9 8+4": the amount of each step in order. */
export function trainedAs(
  slot: Slot,
  amounts: string,
  over: Partial<LoggedSet> = {},
  on: On = {},
): Exposure {
  const each = amounts.split(/[ +]/).map(Number);
  return trainedOr(trainedSlot(slot, (_, i) => ({ amount: each[i] ?? 0, ...over }), on));
}

/** What was trained; fails where nothing was. */
export function trainedOr(exposure: Exposure | null): Exposure {
  if (exposure === null) throw new Error("nothing was trained");
  return exposure;
}
