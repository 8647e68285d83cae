import {
  closestCenter,
  DndContext,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from "@dnd-kit/core";
import { SortableContext, useSortable, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { useMemo } from "react";
import { newId } from "~/codec/new-id.ts";
import {
  slotsOfBlock,
  type Block,
  type PlanEdit,
  type Rest,
  type SessionPlan,
  type Slot,
} from "~/core/plan/index.ts";
import { seconds, type Id } from "~/core/kernel/index.ts";
import { BLOCK_NAMES } from "~/format/training.ts";
import { useCatalogue } from "../catalogue.ts";
import { ItemBlockEditor } from "./item-block-editor.tsx";
import { RotationFrame } from "./rotation-frame.tsx";
import type { ReportInvalid } from "./typed-cell.tsx";
import { usePlainNotation } from "./use-notation.ts";
import bench from "./bench.module.css";

const fixed = (n: number): Rest => ({ kind: "fixed", seconds: seconds(n) });
/** What a new rotation rests: little between members, longer after a round. */
const RESTS = { restBetween: fixed(15), restAfterRound: fixed(90) };

const supersetWithNext = (block: Id<"block">): PlanEdit => ({ kind: "join", block, rests: RESTS });

/** Makes a superset of the block that an exercise stands in and the one after it; null where it stands nowhere. */
export function supersetOf(plan: SessionPlan, slot: Id<"slot">): PlanEdit | null {
  const block = plan.blocks.find((b) => slotsOfBlock(b).some(({ id }) => id === slot));
  return block === undefined ? null : supersetWithNext(block.id);
}

/** The blocks of a session in order: moved by their handle or by keys, joined into rotations and taken apart. */
export function BlockList({
  plan,
  onEdit,
  onInvalid,
  open,
  onOpen,
  renderSlot,
}: {
  readonly plan: SessionPlan;
  readonly onEdit: (edit: PlanEdit) => void;
  readonly onInvalid: ReportInvalid;
  /** The row that is worked on, of an exercise or of a block without sets. */
  readonly open: string | null;
  readonly onOpen: (block: Id<"block"> | null) => void;
  /** `next` is the exercise after it, which it can be supersetted with; null where there is none. */
  readonly renderSlot: (slot: Slot, next: string | null) => React.ReactNode;
}) {
  const { find } = useCatalogue();
  const notation = usePlainNotation(useCatalogue());
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  // The same list as long as the order is the same, since whatever can be dragged is drawn again with it.
  const order = plan.blocks.map((block) => block.id).join(" ");
  const items = useMemo(() => (order === "" ? [] : order.split(" ")), [order]);
  const nameOfSlot = (slot: Slot) => find(slot.movement)?.name ?? slot.movement;
  const nameOf = (block: Block) => {
    const names = slotsOfBlock(block).map(nameOfSlot);
    return "items" in block ? BLOCK_NAMES[block.kind] : names.join(" and ");
  };
  const drop = ({ active, over }: DragEndEvent) => {
    const block = plan.blocks.find((b) => b.id === active.id);
    const at = plan.blocks.findIndex((b) => b.id === over?.id);
    if (block !== undefined && at >= 0) onEdit({ kind: "placeBlock", block: block.id, at });
  };
  return (
    <DndContext id="blocks" sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <SortableContext items={items} strategy={verticalListSortingStrategy}>
        {plan.blocks.map((block, i) => {
          const [after] = plan.blocks.slice(i + 1, i + 2).flatMap(slotsOfBlock);
          const next = after === undefined ? null : nameOfSlot(after);
          return (
            <Handled
              key={block.id}
              id={block.id}
              name={nameOf(block)}
              onMove={(by) => onEdit({ kind: "moveBlock", block: block.id, by })}
              onJoin={() => {
                const before = plan.blocks[i - 1];
                if (before !== undefined) onEdit(supersetWithNext(before.id));
              }}
            >
              {block.kind === "exercise" ? (
                renderSlot(block.slot, next)
              ) : block.kind === "rotation" ? (
                <RotationFrame
                  block={block}
                  notation={notation}
                  onRests={(rests) => onEdit({ kind: "changeRests", block: block.id, rests })}
                  onSplit={() => onEdit({ kind: "split", block: block.id, newId: newId })}
                  onInvalid={onInvalid}
                >
                  {block.members.map((slot, at) =>
                    renderSlot(slot, at === block.members.length - 1 ? next : null),
                  )}
                </RotationFrame>
              ) : (
                <ItemBlockEditor
                  block={block}
                  notation={notation}
                  newId={newId}
                  isOpen={open === block.id}
                  onOpen={(opens) => onOpen(opens ? block.id : null)}
                  onChange={(to) => onEdit({ kind: "changeItems", block: block.id, to })}
                  onMove={(by) => onEdit({ kind: "moveBlock", block: block.id, by })}
                  onRemove={() => onEdit({ kind: "removeBlock", block: block.id })}
                  onInvalid={onInvalid}
                />
              )}
            </Handled>
          );
        })}
      </SortableContext>
    </DndContext>
  );
}

/**
 * A block with its handle, which is for the pointer alone: from anywhere in the block, Alt with an arrow moves it and
 * Alt with J supersets it with the one before.
 */
function Handled({
  id,
  name,
  onMove,
  onJoin,
  children,
}: {
  readonly id: string;
  readonly name: string;
  readonly onMove: (by: -1 | 1) => void;
  readonly onJoin: () => void;
  readonly children: React.ReactNode;
}) {
  const {
    attributes,
    listeners,
    setNodeRef,
    setActivatorNodeRef,
    transform,
    transition,
    isDragging,
  } = useSortable({ id });
  return (
    <div
      ref={setNodeRef}
      className={isDragging ? `${bench.block} ${bench.dragged}` : bench.block}
      onKeyDown={(event) => {
        if (!event.altKey) return;
        if (event.key === "ArrowUp") onMove(-1);
        else if (event.key === "ArrowDown") onMove(1);
        else if (event.code === "KeyJ") onJoin();
        else return;
        event.preventDefault();
      }}
      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      <button
        type="button"
        className={bench.blockHandle}
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        tabIndex={-1}
        aria-label={`Drag ${name}`}
        title="Drag, or Alt and an arrow"
      >
        ≡
      </button>
      {children}
    </div>
  );
}
