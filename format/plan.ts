import type { FindMovement } from "~/core/movement/index.ts";
import type { PlannedSet, Slot } from "~/core/plan/index.ts";
import { formatBounds, formatLoadRule } from "./load.ts";
import { formatAccent, formatExtension, formatSetUp } from "./prescription.ts";
import { formatTargetShort } from "./target.ts";
import { formatEffort, formatKept } from "./training.ts";
import { muscleInline, type MuscleNames } from "./muscles.ts";

function formatSet(set: PlannedSet, slot: Slot, find: FindMovement): string {
  const number = (id: string) => {
    const at = slot.sets.findIndex((s) => s.id === id);
    return at < 0 ? null : at + 1;
  };
  return [
    `${formatTargetShort(set.target)} × ${formatLoadRule(set.load, number, find)}`,
    formatEffort(set),
    ...formatKept(set),
    ...formatBounds(set.loadBounds),
    ...set.accents.map(formatAccent),
    ...(Object.keys(set.setUp).length === 0 ? [] : [formatSetUp(set.setUp)]),
    ...set.extensions.map(formatExtension),
    ...(set.optional ? ["optional"] : []),
  ].join(", ");
}

/** "Back squat: 3 × (8–12 × 100 kg, 2 left)", for lists and comparisons of plans. */
export function formatSlot(slot: Slot, find: FindMovement): string {
  return `${find(slot.movement)?.name ?? slot.movement}: ${formatSets(slot, find)}`;
}

/** "3 × (8–12 × 100 kg, 2 left)", equal neighbours together. */
export function formatSets(slot: Slot, find: FindMovement): string {
  const groups: { text: string; count: number }[] = [];
  for (const text of slot.sets.map((set) => formatSet(set, slot, find))) {
    const last = groups.at(-1);
    if (last?.text === text) last.count += 1;
    else groups.push({ text, count: 1 });
  }
  if (groups.length === 0) return "no sets";
  return groups.map((g) => (g.count === 1 ? g.text : `${g.count} × (${g.text})`)).join("; ");
}

/** "Quads without the back · felt in quads, inner head", to be said to the trainee; empty where nothing is. */
export function formatPurpose(
  { purpose, feltIn }: Pick<Slot, "purpose" | "feltIn">,
  muscles: MuscleNames,
): string {
  const felt = feltIn.map((region) => muscleInline(muscles, region)).join("; ");
  return [purpose, ...(felt === "" ? [] : [`felt in ${felt}`])].filter((p) => p !== "").join(" · ");
}
