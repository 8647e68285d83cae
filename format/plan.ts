import type { Movement } from "~/core/movement/index.ts";
import type { PlannedSet, Slot } from "~/core/prescription/index.ts";
import {
  formatAccent,
  formatExtension,
  formatLoadRule,
  formatSetUp,
  formatTargetShort,
} from "./prescription.ts";
import { formatRir } from "./training.ts";

function formatSet(set: PlannedSet, slot: Slot): string {
  const number = (id: string) => {
    const at = slot.sets.findIndex((s) => s.id === id);
    return at < 0 ? null : at + 1;
  };
  return [
    `${formatTargetShort(set.target)} × ${formatLoadRule(set.load, number)}`,
    formatRir(set.effort),
    ...set.accents.map(formatAccent),
    ...(Object.keys(set.setUp).length === 0 ? [] : [formatSetUp(set.setUp)]),
    ...set.extensions.map(formatExtension),
    ...(set.optional ? ["optional"] : []),
  ].join(", ");
}

/** "3 × (8–12 × 100 kg, 2 left)", equal neighbours together; for lists and comparisons of plans. */
export function formatSlot(slot: Slot, movement: Movement | null): string {
  const groups: { text: string; count: number }[] = [];
  for (const text of slot.sets.map((set) => formatSet(set, slot))) {
    const last = groups.at(-1);
    if (last?.text === text) last.count += 1;
    else groups.push({ text, count: 1 });
  }
  const sets = groups.map((g) => (g.count === 1 ? g.text : `${g.count} × (${g.text})`)).join("; ");
  return `${movement?.name ?? slot.movement}: ${sets === "" ? "no sets" : sets}`;
}
