import { type Id, type NewId, assertNever } from "../kernel/index.ts";
import type { Item } from "./item.ts";
import { leadTo } from "./load-rule.ts";
import type { Block, Slot } from "./plan.ts";
import type { PlannedSet } from "./planned-set.ts";
import type { SetCopies } from "./reference.ts";

/** Fresh ids for these sets and their extensions, so that references among them can be led to the copies. */
export function copiesOf(sets: readonly PlannedSet[], newId: NewId): SetCopies {
  return {
    sets: new Map(sets.map((set) => [set.id, newId<"set">()])),
    extensions: new Map(
      sets.flatMap((set) => set.extensions.map(({ id }) => [id, newId<"extension">()] as const)),
    ),
  };
}

/** A block with new ids, every `lineageId` kept, and references to copied sets led to their copies. */
export function copyBlock(block: Block, copies: SetCopies, newId: NewId): Block {
  const slot = (from: Slot): Slot => ({
    ...from,
    id: newId(),
    sets: from.sets.map((set) => copySet(set, copies, newId)),
  });
  switch (block.kind) {
    case "exercise":
      return { ...block, id: newId(), slot: slot(block.slot) };
    case "rotation":
      return { ...block, id: newId(), members: block.members.map(slot) };
    case "prepare":
    case "conditioning":
    case "restore":
      return { ...block, id: newId(), items: block.items.map((item) => copyItem(item, newId)) };
    default:
      return assertNever(block);
  }
}

/** An exercise with new ids, its sets and extensions too. */
export function copySlot(slot: Slot, newId: NewId): Slot {
  const copies = copiesOf(slot.sets, newId);
  return { ...slot, id: newId(), sets: slot.sets.map((set) => copySet(set, copies, newId)) };
}

/** A set with new ids for itself, its extensions and what is done in its rest. */
export function copySet(set: PlannedSet, copies: SetCopies, newId: NewId): PlannedSet {
  return {
    ...set,
    id: copies.sets.get(set.id) ?? newId(),
    load: leadTo(set.load, copies),
    tempoAs: set.tempoAs && (copies.sets.get(set.tempoAs) ?? set.tempoAs),
    between: set.between.map((item) => copyItem(item, newId)),
    extensions: set.extensions.map((extension) => ({
      ...extension,
      id: copies.extensions.get(extension.id) ?? newId(),
    })),
  };
}

/**
 * An exercise with new ids, whose lines move on by themselves: nothing of it is known to be the same as in what it
 * was copied from.
 */
export function copyApart(slot: Slot, newId: NewId): Slot {
  const lines = new Map<Id<"line">, Id<"line">>();
  const lineOf = (line: Id<"line">) => {
    const own = lines.get(line) ?? newId<"line">();
    lines.set(line, own);
    return own;
  };
  const copied = copySlot(slot, newId);
  return {
    ...copied,
    lineageId: newId(),
    sets: copied.sets.map((set) => ({
      ...set,
      lineageId: newId(),
      line: lineOf(set.line),
      extensions: set.extensions.map((extension) =>
        extension.kind === "drop"
          ? { ...extension, lineageId: newId(), line: lineOf(extension.line) }
          : { ...extension, lineageId: newId() },
      ),
    })),
    lines: copied.lines.map(({ id, rule }) => ({ id: lineOf(id), rule })),
  };
}

function copyItem(item: Item, newId: NewId): Item {
  return item.kind === "tightnessCheck"
    ? { ...item, id: newId(), ifTight: { ...item.ifTight, id: newId() } }
    : { ...item, id: newId() };
}
