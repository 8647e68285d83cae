import { type Id, ticksOf, type Mass } from "../kernel/index.ts";
import { howToMake, type MadeLoad } from "../gym/index.ts";
import type { Movement } from "../movement/index.ts";
import {
  slotsOf,
  type PlannedSet,
  type SessionPlan,
  type Slot,
  hardnessOf,
  repsAsked,
  repsLeft,
} from "../plan/index.ts";
import { idleDrop, type MadeStep } from "./dropped-load.ts";
import type { Strength } from "./load-sources.ts";
import { isSetStep, type OpenBecause, type SetStep, type Step } from "./step.ts";
import { unroll } from "./unroll.ts";
import { type UnrollContext } from "./unroll-context.ts";

/** What stands in the way of training the plan as written, and where. `blocks` is false for a warning. */
export type PlanIssue = { readonly slot: Id<"slot"> } & (
  | { readonly code: "stationMissing"; readonly blocks: true }
  | { readonly code: "noSets"; readonly blocks: true }
  | { readonly code: "openLoad"; readonly blocks: false; readonly sets: number }
  | ({ readonly set: Id<"set"> } & SetIssue)
);

type SetIssue =
  | {
      readonly code: "cannotBeMade";
      readonly blocks: true;
      readonly reading: Mass;
      readonly easier: MadeLoad | null;
      readonly harder: MadeLoad | null;
    }
  | {
      readonly code: "idleDrop";
      readonly blocks: false;
      /** The share asked for; null where it went by plates or steps. */
      readonly asked: number | null;
      readonly reading: Mass;
    }
  /** A drop to a load that is not easier than the one before it. */
  | {
      readonly code: "harderDrop";
      readonly blocks: true;
      readonly reading: Mass;
      readonly before: Mass;
    }
  /** A set-up that the movement does not have, or a choice that is not among its choices. */
  | {
      readonly code: "setUpUnknown";
      readonly blocks: false;
      readonly name: string;
      readonly choice: string;
      /** The choices there are; none where the movement has no such parameter. */
      readonly choices: readonly string[];
    }
  /** A load that follows from something else, which is missing. */
  | { readonly code: "loadUnknown"; readonly blocks: false; readonly because: OpenBecause }
  /** More than the estimated maximum, or the set that it follows, allows for the fewest reps asked and those to leave. */
  | {
      readonly code: "beyondReach";
      readonly blocks: false;
      readonly by: "estimate" | "set";
      readonly total: Mass;
      readonly reach: Mass;
      readonly possible: number;
    }
  /** The set whose tempo it has is gone, or does not come before it. */
  | { readonly code: "tempoMissing"; readonly blocks: false }
  /** A primer is never a hard set, so at least five reps stay in reserve. */
  | { readonly code: "primerTooHard"; readonly blocks: false };

/** Everything wrong or doubtful in a plan, in the order of its slots. */
export function checkPlan(
  plan: SessionPlan,
  context: UnrollContext,
  unrolled: readonly Step[] = unroll(plan, context),
): readonly PlanIssue[] {
  const steps = unrolled.filter(isSetStep);
  return slotsOf(plan).flatMap((slot): PlanIssue[] => {
    const station = context.station(slot.station);
    const movement = context.movement(slot.movement);
    if (station === null || movement === null) {
      return [{ code: "stationMissing", blocks: true, slot: slot.id }];
    }
    if (slot.sets.length === 0) return [{ code: "noSets", blocks: true, slot: slot.id }];
    const issues: PlanIssue[] = [];
    for (const { step, before } of firstSides(steps.filter((s) => s.slotId === slot.id))) {
      const at = { slot: slot.id, set: step.key.setId };
      if (step.load.kind === "impossible") {
        const { reading, easier, harder } = step.load.why;
        issues.push({ code: "cannotBeMade", blocks: true, ...at, reading, easier, harder });
      }
      for (const reading of step.fallback) {
        const made = howToMake(station.loading, reading);
        if (!made.ok) issues.push({ ...made.error, blocks: true, ...at });
      }
      if (step.load.kind === "open" && isUnknown(step.load.because)) {
        issues.push({ code: "loadUnknown", blocks: false, ...at, because: step.load.because });
      }
      const reach = reachOf(step, steps, slot, context);
      if (reach !== null) issues.push({ code: "beyondReach", blocks: false, ...at, ...reach });
      const idle = before === null ? null : idleDrop(step, before, station);
      if (idle !== null) issues.push({ ...idleness(...idle, slot), ...at });
    }
    for (const [i, set] of slot.sets.entries()) {
      const isBefore = slot.sets.slice(0, i).some(({ id }) => id === set.tempoAs);
      if (set.tempoAs !== null && !isBefore) {
        issues.push({ code: "tempoMissing", blocks: false, slot: slot.id, set: set.id });
      }
      if (set.role === "primer" && hardnessOf(set.effort) !== "easy") {
        issues.push({ code: "primerTooHard", blocks: false, slot: slot.id, set: set.id });
      }
      for (const unknown of unknownSetUp(set, movement)) {
        issues.push({
          code: "setUpUnknown",
          blocks: false,
          slot: slot.id,
          set: set.id,
          ...unknown,
        });
      }
    }
    // From a set on that finds the load, it is not missing.
    const finds = slot.sets.findIndex(({ role }) => role === "calibration");
    const before = finds < 0 ? slot.sets : slot.sets.slice(0, finds);
    const open = before.filter((set) => set.load.kind === "open").length;
    if (open > 0) issues.push({ code: "openLoad", blocks: false, slot: slot.id, sets: open });
    return issues;
  });
}

/** A share that the station is too coarse for is doubtful; a load that was written and is no drop is wrong. */
function idleness(step: MadeStep, before: MadeStep, slot: Slot) {
  const { reading } = step.load;
  const to = slot.sets
    .flatMap((set) => set.extensions)
    .flatMap((extension) =>
      extension.id === step.key.extensionId && extension.kind === "drop" ? [extension.to] : [],
    )
    .at(0);
  return to?.kind === "reading"
    ? ({ code: "harderDrop", blocks: true, reading, before: before.load.reading } as const)
    : ({
        code: "idleDrop",
        blocks: false,
        asked: to?.kind === "share" ? to.share : null,
        reading,
      } as const);
}

/** What a set and its changes of position choose that the movement does not offer. */
function unknownSetUp(set: PlannedSet, movement: Movement) {
  const chosen = [
    set.setUp,
    ...set.extensions.map((extension) =>
      extension.kind === "positionChange" ? extension.setUp : {},
    ),
  ].flatMap((setUp) => Object.entries(setUp));
  return chosen.flatMap(([name, choice]) => {
    const choices = movement.setUp.find((known) => known.name === name)?.choices ?? [];
    return choices.includes(choice) ? [] : [{ name, choice, choices }];
  });
}

/** How far a load may be above what the estimate allows before it is doubted. Source: our rule. */
const DOUBT = 1.1;

/**
 * What is allowed for a set or its clusters where the load is well beyond it, or null: by the estimate, or where
 * there is none, by the set of the line that the load is a multiple of.
 */
function reachOf(
  step: SetStep,
  steps: readonly SetStep[],
  slot: Slot,
  context: UnrollContext,
): Pick<Extract<SetIssue, { code: "beyondReach" }>, "by" | "total" | "reach" | "possible"> | null {
  const { load, target, effort } = step;
  const reps = repsAsked(target);
  // The groups of a cluster are alike, the tries of a trial are not.
  if (step.kind !== "set" && (step.kind !== "cluster" || step.key.ordinal > 0)) return null;
  if (load.kind !== "made" || load.total === null || reps === null) return null;
  const known = context.strength(slot.movement, slot.station);
  const strength = known ?? strengthOfBasis(step, steps, slot, context);
  const possible = reps.min + (step.kind === "set" ? (repsLeft(effort) ?? 0) : 0);
  const reach = strength?.forReps(possible, step) ?? null;
  if (reach === null || ticksOf(load.total) <= ticksOf(reach) * DOUBT) return null;
  return { by: known === null ? "set" : "estimate", total: load.total, reach, possible };
}

/** What the set that a load is a multiple of lets expect, done with the most reps that it asks for. */
function strengthOfBasis(
  { kind, key }: SetStep,
  steps: readonly SetStep[],
  { id, sets }: Slot,
  context: UnrollContext,
): Strength | null {
  const rule = sets.find((set) => set.id === key.setId)?.load;
  const of = kind === "cluster" ? key.setId : rule?.kind === "shareOfSet" ? rule.set : null;
  const basis = steps.find(
    (s) => s.kind === "set" && s.key.setId === of && s.slotId === id && s.key.ordinal === 0,
  );
  const reps = basis && repsAsked(basis.target);
  const left = basis && repsLeft(basis.effortUpTo ?? basis.effort);
  if (basis?.load.kind !== "made" || basis.load.total === null || !reps || left == null)
    return null;
  return context.strengthFrom(basis.load.total, reps.max + left);
}

/** A load left open on purpose, or that follows from one, is no news; the rest is. */
function isUnknown(because: OpenBecause): boolean {
  return because.code !== "toFind" && because.code !== "basisOpen";
}

/** The steps of the side that each set begins with, a drop with the step before it; the other side repeats them. */
function firstSides(
  steps: readonly SetStep[],
): readonly { step: SetStep; before: SetStep | null }[] {
  const begins = new Map<string, SetStep["key"]["side"]>();
  for (const { key } of steps) if (!begins.has(key.setId)) begins.set(key.setId, key.side);
  return steps.flatMap((step, i) =>
    begins.get(step.key.setId) === step.key.side
      ? [{ step, before: step.kind === "drop" ? (steps[i - 1] ?? null) : null }]
      : [],
  );
}
