import { idOf, type Id } from "../kernel/index.ts";
import { mapSlots, type Block, type SessionPlan, type Slot } from "../plan/index.ts";
import type { CommandBody } from "./command.ts";
import type { SessionLog } from "./fold.ts";
import type { LoggedSet } from "./logged-set.ts";

const CHANGES = ["swap", "addExercise", "addSet", "reorder"] as const;
/** The kinds of commands that change a session while it is trained, with the one that takes back. */
export const CHANGE_KINDS: readonly CommandBody["kind"][] = [...CHANGES, "takeBack"];

/** A change of a session while it is trained, that stands. */
export type SessionChange = Extract<CommandBody, { kind: (typeof CHANGES)[number] }>;

const isChange = (body: CommandBody): body is SessionChange =>
  CHANGES.some((kind) => kind === body.kind);

/** The changes of a session that stand: of each subject what was said last, unless that took it back. */
export function changesIn(log: SessionLog): readonly SessionChange[] {
  return [...log.values()].flatMap((heads) => {
    const last = heads.at(-1)?.body;
    return last !== undefined && isChange(last) ? [last] : [];
  });
}

/**
 * The session as it is trained: its plan with what was swapped, added and put in another order. A swapped exercise
 * keeps the sets that are logged of it, and the one instead of it stands behind it with as many sets as were left;
 * where nothing is logged yet it stands in its place.
 */
export function trainedPlan(
  plan: SessionPlan,
  changes: readonly SessionChange[],
  loggedSets: readonly Pick<LoggedSet, "slotId" | "key">[],
): SessionPlan {
  if (changes.length === 0) return plan;
  const logged = new Set(loggedSets.map(({ key }) => key.setId));
  const blocks = inOrder(withAdded(plan.blocks, changes), changes);
  return withSets(withSwaps({ ...plan, blocks }, changes, logged), changes);
}

/**
 * The plan that the next session is made from: with what was swapped for good, and nothing else that was changed
 * on the day.
 */
export function keptPlan(plan: SessionPlan, changes: readonly SessionChange[]): SessionPlan {
  const forGood = changes.filter((change) => change.kind === "swap" && change.forGood);
  return withSwaps(plan, forGood, new Set());
}

/** Why nothing was logged of an exercise, where somebody said so. */
export type Absence =
  { readonly kind: "skipped"; readonly why: string } | { readonly kind: "substituted" };

/** The exercises that were skipped, or for which another was done this once. */
export function absencesIn(
  changes: readonly SessionChange[],
  skips: ReadonlyMap<Id<"slot">, string>,
): ReadonlyMap<Id<"slot">, Absence> {
  return new Map<Id<"slot">, Absence>([
    ...[...skips].map(([slot, why]) => [slot, { kind: "skipped", why }] as const),
    ...changes.flatMap((change) =>
      change.kind === "swap" && !change.forGood
        ? [[change.slotId, { kind: "substituted" }] as const]
        : [],
    ),
  ]);
}

/** The blocks in order with one of them moved next to another: before it, or behind it. */
export function movedTo(
  { blocks }: SessionPlan,
  block: Id<"block">,
  place: "before" | "behind",
  other: Id<"block">,
): readonly Id<"block">[] {
  const others = blocks.map(({ id }) => id).filter((id) => id !== block);
  const at = others.indexOf(other) + (place === "behind" ? 1 : 0);
  return [...others.slice(0, at), block, ...others.slice(at)];
}

function withAdded(blocks: readonly Block[], changes: readonly SessionChange[]): readonly Block[] {
  return changes.reduce<readonly Block[]>((all, change) => {
    if (change.kind !== "addExercise") return all;
    const at = all.findIndex(({ id }) => id === change.after);
    const place = at < 0 ? all.length : at + 1;
    return [...all.slice(0, place), change.block, ...all.slice(place)];
  }, blocks);
}

function inOrder(blocks: readonly Block[], changes: readonly SessionChange[]): readonly Block[] {
  const order = changes.findLast((change) => change.kind === "reorder")?.order;
  if (order === undefined) return blocks;
  const named = blocks.filter(({ id }) => order.includes(id));
  const sorted = named.toSorted((a, b) => order.indexOf(a.id) - order.indexOf(b.id));
  let next = 0;
  return blocks.map((block) => (order.includes(block.id) ? (sorted[next++] ?? block) : block));
}

/** What stands where a slot stood: itself, what replaces it, or both where something of it is logged. */
function withSwaps(
  plan: SessionPlan,
  changes: readonly SessionChange[],
  logged: ReadonlySet<Id<"set">>,
): SessionPlan {
  const swaps = new Map(
    changes.flatMap((change) => (change.kind === "swap" ? [[change.slotId, change.slot]] : [])),
  );
  const standing = (slot: Slot, seen: readonly Id<"slot">[] = []): readonly Slot[] => {
    const instead = swaps.get(slot.id);
    if (instead === undefined || seen.includes(slot.id)) return [slot];
    const done = slot.sets.filter(({ id }) => logged.has(id));
    const left = Math.max(1, slot.sets.length - done.length);
    const rest = done.length === 0 ? instead : { ...instead, sets: instead.sets.slice(0, left) };
    const after = standing(rest, [...seen, slot.id]);
    return done.length === 0 ? after : [{ ...slot, sets: done }, ...after];
  };
  const blocks = plan.blocks.flatMap((block): readonly Block[] => {
    if (block.kind === "rotation")
      return [{ ...block, members: block.members.flatMap((member) => standing(member)) }];
    if (block.kind !== "exercise") return [block];
    return standing(block.slot).map((slot, i) =>
      // What stands behind it is a block of its own, told by the exercise in it: ids are unique over a plan.
      i === 0 ? { ...block, slot } : { ...block, id: idOf<"block">(slot.id), slot },
    );
  });
  return { ...plan, blocks };
}

function withSets(plan: SessionPlan, changes: readonly SessionChange[]): SessionPlan {
  return mapSlots(plan, (slot) => {
    const own = setsAdded(changes, slot.id);
    return own.length === 0 ? slot : { ...slot, sets: [...slot.sets, ...own] };
  });
}

const setsAdded = (changes: readonly SessionChange[], slot: Id<"slot">) =>
  changes.flatMap((change) =>
    change.kind === "addSet" && change.slotId === slot ? [change.set] : [],
  );
