import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import {
  slotField,
  slotsOf,
  slotsOfBlock,
  type Block,
  type SessionPlan,
  type Slot,
} from "../../plan/index.ts";
import { weekNumber, type Phase } from "../phase.ts";
import { sameWeek } from "./same-week.ts";

/** An exercise more on a day, in the weeks from one to another, behind another exercise or at the end. */
export const definition = kind("addExercise", {
  day: idField("phaseDay"),
  slot: slotField,
  block: idField("block"),
  behind: idField("lineage").nullable(),
  from: weekNumber,
  to: weekNumber,
});

export function apply(
  { day, slot, block, behind, from, to }: ValueOf<{ definition: typeof definition }>,
  phase: Phase,
): Phase {
  const { lineageId: lineage } = slot;
  const isWhole = from <= 1 && to >= phase.weeks.length;
  return {
    ...phase,
    days: phase.days.map((own) =>
      own.id === day && !slotsOf(own.session).some((s) => s.lineageId === lineage)
        ? { ...own, session: withSlot(own.session, slot, block, behind) }
        : own,
    ),
    spans: isWhole
      ? phase.spans
      : [...phase.spans, { day, lineage, from: Math.min(from, to), to: Math.max(from, to) }],
  };
}

function withSlot(
  session: SessionPlan,
  slot: Slot,
  id: Block["id"],
  behind: Slot["lineageId"] | null,
): SessionPlan {
  const block: Block = { kind: "exercise", id, lineageId: slot.lineageId, slot };
  const at = session.blocks.findIndex((own) =>
    slotsOfBlock(own).some(({ lineageId }) => lineageId === behind),
  );
  const last = session.blocks.findLastIndex((own) => slotsOfBlock(own).length > 0);
  const place = (at < 0 ? last : at) + 1;
  return { ...session, blocks: session.blocks.toSpliced(place, 0, block) };
}
export { sameWeek as weekAfter };
