import type { Id, MintId } from "../identity/index.ts";
import { assertNever } from "../result/index.ts";
import type { Item } from "./item.ts";
import type { LoadRule } from "./load-rule.ts";
import type { Block, PlannedSet, Slot } from "./plan.ts";

/** The new ids of copied sets; a set that is not in it gets a fresh one, and a reference to it stays. */
export type SetCopies = ReadonlyMap<Id<"set">, Id<"set">>;

/** A block with new ids, every `lineId` kept, and references to copied sets led to their copies. */
export function copyBlock(block: Block, copies: SetCopies, mint: MintId): Block {
  const slot = (from: Slot): Slot => ({
    ...from,
    id: mint(),
    sets: from.sets.map((set) => copySet(set, copies, mint)),
  });
  switch (block.kind) {
    case "exercise":
      return { ...block, id: mint(), slot: slot(block.slot) };
    case "rotation":
      return { ...block, id: mint(), members: block.members.map(slot) };
    case "prepare":
    case "conditioning":
    case "restore":
      return { ...block, id: mint(), items: block.items.map((item) => copyItem(item, mint)) };
    default:
      return assertNever(block);
  }
}

/** A set with new ids for itself, its extensions and what is done in its rest. */
export function copySet(set: PlannedSet, copies: SetCopies, mint: MintId): PlannedSet {
  return {
    ...set,
    id: copies.get(set.id) ?? mint(),
    load: leadTo(set.load, copies),
    between: set.between.map((item) => copyItem(item, mint)),
    extensions: set.extensions.map((extension) => ({ ...extension, id: mint() })),
  };
}

function copyItem(item: Item, mint: MintId): Item {
  return item.kind === "tightnessCheck"
    ? { ...item, id: mint(), ifTight: { ...item.ifTight, id: mint() } }
    : { ...item, id: mint() };
}

function leadTo(load: LoadRule, copies: SetCopies): LoadRule {
  switch (load.kind) {
    case "shareOfSet":
    case "stepsFromSet":
      return { ...load, set: copies.get(load.set) ?? load.set };
    case "absolute":
    case "open":
    case "shareOfMovement":
      return load;
    default:
      return assertNever(load);
  }
}
