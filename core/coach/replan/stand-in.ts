import { count, type Id, type MovementRef } from "../../kernel/index.ts";
import type { Station } from "../../gym/index.ts";
import { isIn, PHASE_BOUNDS, type PhaseEdit } from "../../phase/index.ts";
import { copyApart, slotsOf, withLines, type Slot } from "../../plan/index.ts";
import type { Brief } from "../../person/index.ts";
import { substitutesFor, swapSlot, type SwapCause } from "../search/index.ts";
import { stretches, type Affected, type ReplanSituation, type ReplanStep } from "./step.ts";

/** Where and for whom a stand-in is looked for. */
export interface Looking {
  readonly cause: SwapCause;
  readonly brief: Brief;
  readonly stations: readonly Station[];
  /** True where the same exercise on other equipment is no answer. */
  readonly isOther: boolean;
}

/**
 * The steps that take exercises out of weeks and put stand-ins there, exercise by exercise: none stands in twice on a
 * day, nor does what the day has anyway.
 */
export function standIns(
  meant: readonly Affected[],
  lookingFor: (own: Affected) => Looking,
  situation: ReplanSituation,
): readonly ReplanStep[] {
  const isOut = (day: Id<"phaseDay">, lineage: Id<"lineage">) =>
    meant.some((own) => own.day.id === day && own.slot.lineageId === lineage);
  const taken = new Map<Id<"phaseDay">, Set<MovementRef>>(
    situation.phase.days.map(({ id, session }) => [
      id,
      new Set(
        slotsOf(session)
          .filter(({ lineageId }) => !isOut(id, lineageId))
          .map(({ movement }) => movement),
      ),
    ]),
  );
  return meant.map((own) => {
    const there = taken.get(own.day.id) ?? new Set();
    const step = standIn(own, lookingFor(own), there, situation);
    if (step.because.code === "standsIn") there.add(step.because.to);
    return step;
  });
}

/**
 * The step that takes an exercise out of weeks and puts the best stand-in of the search there, with sets of its own
 * that move on by themselves; where there is none, the exercise is left out.
 */
function standIn(
  { day, slot, weeks }: Affected,
  { cause, brief, stations, isOther }: Looking,
  taken: ReadonlySet<MovementRef>,
  { phase, swap, newId }: ReplanSituation,
): ReplanStep {
  const { substitutions } = substitutesFor(slot, cause, { ...swap, brief, stations });
  const best = substitutions.find(
    ({ movement: { ref } }) => !taken.has(ref) && (!isOther || ref !== slot.movement),
  );
  const { lineageId: lineage } = slot;
  const at = { day, from: slot.movement, weeks } as const;
  const out = outIn(phase, { day: day.id, lineage }, weeks);
  const base = { key: `${day.id} ${lineage}`, isProposed: true, group: null };
  if (best === undefined) return { ...base, edits: out, because: { code: "leftOut", ...at } };
  const swapped = swapSlot(slot, best, brief.weakerSide ?? "left");
  const instead = copyApart(withLines(withEnoughReps(swapped, best.station)), newId);
  const [first, ...others] = stretches(weeks);
  if (first === undefined) return { ...base, edits: out, because: { code: "leftOut", ...at } };
  const add: PhaseEdit = {
    kind: "addExercise",
    day: day.id,
    slot: instead,
    block: newId(),
    behind: lineage,
    ...first,
  };
  const spans: PhaseEdit = {
    kind: "spans",
    day: day.id,
    lineage: instead.lineageId,
    in: [first, ...others],
  };
  return {
    ...base,
    edits: [...out, add, spans],
    because: { code: "standsIn", to: best.movement.ref, station: best.station.id, ...at },
  };
}

/** So few repetitions ask nothing where no load can be added: then so many. Source: our rule, docs/replanning.md. */
const FEW = 10;
const ENOUGH = { kind: "reps", min: count(12), max: count(20) } as const;
const NO_LOAD: ReadonlySet<Station["loading"]["kind"]> = new Set([
  "unloaded",
  "bodyweight",
  "band",
]);

/** A stand-in without a load to add, with more repetitions where it had few, and nothing to find first. */
function withEnoughReps(slot: Slot, { loading }: Station): Slot {
  if (!NO_LOAD.has(loading.kind)) return slot;
  return {
    ...slot,
    sets: slot.sets.map((set) => ({
      ...set,
      role: set.role === "calibration" ? ("work" as const) : set.role,
      target: set.target.kind === "reps" && set.target.max < FEW ? ENOUGH : set.target,
    })),
  };
}

/** Takes an exercise out of weeks; it stays in the others in which it was. */
export function outIn(
  phase: ReplanSituation["phase"],
  at: Parameters<typeof isIn>[1],
  weeks: readonly number[],
): readonly PhaseEdit[] {
  const all = phase.weeks.map((_, i) => i + 1).filter((week) => isIn(phase, at, week));
  const left = stretches(all.filter((week) => !weeks.includes(week)));
  // Nothing left would mean every week.
  const none = { from: NEVER, to: NEVER };
  const isTurn = phase.rotations.some(
    ({ day, members }) => day === at.day && members.includes(at.lineage),
  );
  // In a rotation the turns stay as they are: weeks alone say where it is not.
  const stays = isTurn
    ? stretches(phase.weeks.map((_, i) => i + 1).filter((week) => !weeks.includes(week)))
    : left;
  return [{ kind: "spans", ...at, in: stays.length === 0 ? [none] : stays }];
}

/** Behind every phase: an exercise that is in this week alone is in none. */
const NEVER = PHASE_BOUNDS.weeks.most;
