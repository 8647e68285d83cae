import {
  assertNever,
  count,
  seconds,
  type Id,
  type JointAction,
  type MovementRef,
  type MuscleLength,
  type NewId,
  type Region,
} from "../../kernel/index.ts";
import { shareOf } from "../../movement/index.ts";
import {
  applyEdit,
  newItemBlock,
  slotsOf,
  type Item,
  type ItemBlock,
  type SessionPlan,
} from "../../plan/index.ts";
import { findingsOf } from "../finding-rules.ts";
import { applyFix, arranged, arrangedByApproach } from "../fix.ts";
import { judge, type Judging } from "../judged.ts";
import type { Asked } from "./asked.ts";
import { exerciseOf, optionKey, rampedAt } from "./exercise-option.ts";
import type { MainLift } from "./goals.ts";
import type { SuggestedLoad } from "./first-load.ts";
import { isAllowed, sumOf, worthAt, worthOf, type Choice } from "./problem.ts";

/** Why an exercise was taken: what the sessions would lack without it, and what speaks for it by itself. */
export type PickReason =
  | {
      readonly kind: "region";
      readonly region: Region;
      readonly sets: number;
      readonly isPriority: boolean;
    }
  | { readonly kind: "length"; readonly region: Region; readonly length: MuscleLength }
  | { readonly kind: "action"; readonly action: JointAction }
  | { readonly kind: "singleLeg" }
  | { readonly kind: "mainLift"; readonly mainLift: MainLift }
  | { readonly kind: "liked" }
  | { readonly kind: "trainedHere" };

/** One exercise of a suggestion. */
export interface Picked {
  readonly slot: Id<"slot">;
  /** By which it is told from others when something else is suggested. */
  readonly key: string;
  readonly movement: MovementRef;
  readonly station: Id<"station">;
  readonly sets: number;
  readonly load: SuggestedLoad;
  readonly reasons: readonly PickReason[];
  /** What could be taken instead with everything else as it is, best first. */
  readonly exchanges: readonly Exchange[];
}

export interface Exchange {
  readonly movement: MovementRef;
  readonly station: Id<"station">;
  /** The whole choice with it. */
  readonly choice: Choice;
}

/** The session of a day as suggested: what was kept, with the picks put where the approach has them. */
export interface SuggestedDay {
  readonly plan: SessionPlan;
  readonly picks: readonly Picked[];
}

/** A session with a general warm-up at its start, where it has none. Source: PRACTICE.md §10; five minutes: our rule. */
export function withGeneralWarmUp(
  plan: SessionPlan,
  { approach }: Pick<Judging, "approach">,
  newId: NewId,
): SessionPlan {
  if (plan.blocks.some(({ kind }) => kind === "prepare")) return plan;
  const drill = (kind: "pulseRaiser" | "mobility", name: string, minutes: number): Item => ({
    kind,
    id: newId(),
    lineageId: newId(),
    name,
    movement: null,
    target: { kind: "seconds", min: seconds(60 * minutes), max: seconds(60 * minutes) },
    side: { kind: "both" },
    intensity: { kind: "felt", outOfTen: count(3) },
  });
  const items = [
    drill("pulseRaiser", "Bike, rower or brisk walk", 5),
    ...(approach.stances.preparation === "mobility"
      ? [drill("mobility", "Ankles and hips, easy range", 2)]
      : []),
  ];
  const block: ItemBlock = { ...newItemBlock("prepare", newId), items };
  return applyEdit(plan, { kind: "addBlock", block });
}

/** What a suggestion adds to: a session that has exercises as it is, and one that has none with a general warm-up. */
export const sessionToFill = (
  plan: SessionPlan,
  judging: Pick<Judging, "approach">,
  newId: NewId,
): SessionPlan => (slotsOf(plan).length > 0 ? plan : withGeneralWarmUp(plan, judging, newId));

/** How good a suggestion is known to be. */
export type SuggestionQuality =
  | { readonly kind: "working" }
  /** As good as any. */
  | { readonly kind: "best" }
  /** At most this part of what can be gained is missing. */
  | { readonly kind: "within"; readonly part: number }
  /** A choice of the coach's, or one that could not be searched for longer. */
  | { readonly kind: "unproven" };

/** The sessions that a choice comes to, day by day, with the reason for each exercise. */
export function suggestedDays(asked: Asked, choice: Choice, newId: NewId): readonly SuggestedDay[] {
  return asked.days.map((day, at) => {
    const { judging } = day;
    // Whoever has ordered exercises keeps their order.
    const isKeptOrder = slotsOf(judging.plan).length > 0;
    let { plan } = judging;
    const picks: Picked[] = [];
    asked.options.forEach((option, i) => {
      const sets = choice[i] ?? 0;
      if (option.day !== at || sets === 0) return;
      const block = exerciseOf(option, sets, judging, newId);
      plan = isKeptOrder
        ? arranged(plan, judging, block)
        : { ...plan, blocks: [...plan.blocks, block] };
      picks.push({
        slot: block.slot.id,
        key: optionKey(option),
        movement: option.movement.ref,
        station: option.station.id,
        sets,
        load: option.load,
        reasons: reasonsFor(asked, choice, i),
        exchanges: exchangesFor(asked, choice, i),
      });
    });
    if (!isKeptOrder) plan = inOrder(plan, judging, newId);
    const places = slotsOf(plan).map(({ id }) => id);
    return {
      plan: withRamps(plan, new Set(picks.map(({ slot }) => slot)), judging, newId),
      picks: picks.toSorted((a, b) => places.indexOf(a.slot) - places.indexOf(b.slot)),
    };
  });
}

/** In the order of the approach, and what findings would have first is put first. */
function inOrder(plan: SessionPlan, judging: Judging, newId: NewId): SessionPlan {
  const sorted = { ...judging, plan: arrangedByApproach(plan, judging) };
  const late = findingsOf(sorted).find(({ fact }) => fact.code === "putFirst");
  const [slot] = late?.slots ?? [];
  return slot === undefined ? sorted.plan : applyFix({ kind: "toFront", slot }, sorted, newId);
}

/** The session with the warm-up sets of these exercises as they follow from what is before each of them. */
export function withRamps(
  plan: SessionPlan,
  slots: ReadonlySet<Id<"slot">>,
  judging: Omit<Judging, "plan">,
  newId: NewId,
): SessionPlan {
  const judged = judge({ ...judging, plan });
  return {
    ...plan,
    blocks: plan.blocks.map((block) =>
      block.kind === "exercise" && slots.has(block.slot.id)
        ? rampedAt(block, judged, newId)
        : block,
    ),
  };
}

/** So many reasons are said of one exercise. */
const REASONS = 3;
/** A reason has to be worth so much. */
const LEAST_WORTH = 1;

/** What the choice would be worth less of without an option, the weightiest first. */
function reasonsFor(asked: Asked, choice: Choice, at: number): readonly PickReason[] {
  const { problem, goals, options, days } = asked;
  const option = options[at];
  if (option === undefined) return [];
  const without = choice.map((sets, i) => (i === at ? 0 : sets));
  const told: { readonly worth: number; readonly reason: PickReason }[] = [];
  problem.goals.forEach(({ parts, have, pieces }, i) => {
    const stands = goals[i];
    const [now, then] = [have + sumOf(parts, choice), have + sumOf(parts, without)];
    const worth = worthAt(pieces, now) - worthAt(pieces, then);
    if (stands === undefined || worth < LEAST_WORTH) return;
    switch (stands.kind) {
      case "region": {
        // What only helps along is no reason to take it.
        if (shareOf(option.movement, stands.region) < 1) return;
        const { region, isPriority } = stands;
        told.push({ worth, reason: { kind: "region", region, sets: now - then, isPriority } });
        return;
      }
      case "length":
        // Where nothing else trains the muscle, any length is new.
        if (trainsElsewhere(asked, without, stands.region)) told.push({ worth, reason: stands });
        return;
      case "action":
        told.push({ worth, reason: stands });
        return;
      case "singleLeg":
        told.push({ worth, reason: { kind: "singleLeg" } });
        return;
      case "mainLift":
        told.push({ worth, reason: { kind: "mainLift", mainLift: stands.mainLift } });
        return;
      case "patternAgain":
      case "firstSet":
      case "notToGrow":
      case "otherDay":
      case "minutes":
        return;
      default:
        assertNever(stands);
    }
  });
  const judging = days[option.day]?.judging;
  const own: readonly PickReason[] = [
    ...(judging?.brief.likes.includes(option.movement.ref) === true
      ? [{ kind: "liked" } as const]
      : []),
    ...(option.load.kind === "logged" || option.load.kind === "estimated"
      ? [{ kind: "trainedHere" } as const]
      : []),
  ];
  const weighty = told.toSorted((a, b) => b.worth - a.worth).map(({ reason }) => reason);
  // The muscles say what the joint does, where one of them is a reason.
  const isSaid = weighty.some(({ kind }) => kind === "region");
  const reasons = isSaid ? weighty.filter(({ kind }) => kind !== "action") : weighty;
  return [...reasons.slice(0, REASONS), ...own];
}

/** True where a muscle has direct sets without the option that is looked at. */
function trainsElsewhere({ problem, goals }: Asked, without: Choice, region: Region): boolean {
  const at = goals.findIndex((own) => own.kind === "firstSet" && own.region === region);
  const goal = problem.goals[at];
  return goal !== undefined && goal.have + sumOf(goal.parts, without) > 0;
}

/** So many exchanges are offered for one exercise. */
const EXCHANGES = 4;

/** What could be taken in place of an option with everything else as it is, each exercise once, best first. */
function exchangesFor(
  { problem, options }: Asked,
  choice: Choice,
  at: number,
): readonly Exchange[] {
  const own = options[at];
  if (own === undefined) return [];
  const sets = choice[at] ?? 0;
  // What was kept may be exchanged all the same.
  const free = { ...problem, options: problem.options.map((o) => ({ ...o, isKept: false })) };
  const tried = options.flatMap((option, i) => {
    if (option.day !== own.day || option.movement === own.movement || (choice[i] ?? 0) > 0)
      return [];
    const { least, most } = option;
    const wanted = Math.min(most, Math.max(least, sets));
    // Fewer sets where as many do not fit.
    for (let n = wanted; n >= least; n -= 1) {
      const changed = choice.map((now, k) => (k === at ? 0 : k === i ? n : now));
      if (isAllowed(free, changed))
        return [{ option, choice: changed, worth: worthOf(problem, changed) }];
    }
    return [];
  });
  const seen = new Set<MovementRef>();
  return tried
    .toSorted((a, b) => b.worth - a.worth)
    .filter(({ option: { movement } }) => !seen.has(movement.ref) && seen.add(movement.ref))
    .slice(0, EXCHANGES)
    .map(({ option, choice: changed }) => ({
      movement: option.movement.ref,
      station: option.station.id,
      choice: changed,
    }));
}
