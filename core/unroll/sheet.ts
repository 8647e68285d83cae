import isEqual from "fast-deep-equal";
import type { Extension, PlannedSet, Rest, Side, Slot } from "../plan/index.ts";
import type { SetStep } from "./step.ts";

/** One place to write a result in: of which set, on which side. */
export interface SheetBox {
  readonly setNumber: number;
  readonly side: Side;
}

/** What is done in one go, a set or an extension of it, and a box for each time that it is done. */
export interface SheetLine {
  /** The first of its steps; the others say the same but for set, side and repeat. */
  readonly step: SetStep;
  /** The extension that it is; null for the set itself. */
  readonly extension: Extension | null;
  readonly boxes: readonly SheetBox[];
}

/** Sets in a row that are done alike, told together. */
export interface SheetSets {
  readonly set: PlannedSet;
  /** The 1-based numbers of the sets, one after the other. */
  readonly numbers: readonly number[];
  readonly lines: readonly SheetLine[];
  /** After each of them; null where nothing is unrolled of them. */
  readonly rest: Rest | null;
}

/** The sets of an exercise as they are printed to be trained from, from the steps of that exercise in order. */
export function sheetOf(slot: Slot, steps: readonly SetStep[]): readonly SheetSets[] {
  const told: SheetSets[] = [];
  slot.sets.forEach((set, i) => {
    const ofSet = steps.filter((step) => step.key.setId === set.id);
    const rest = ofSet.at(-1)?.restRule ?? null;
    const own = { set, numbers: [i + 1], lines: linesOf(set, ofSet), rest };
    const before = told.at(-1);
    if (before !== undefined && areAlike(before, own)) told.splice(-1, 1, together(before, own));
    else told.push(own);
  });
  return told;
}

/** Both sides and all repeats of an extension on one line, as long as they say the same. */
function linesOf(set: PlannedSet, steps: readonly SetStep[]): readonly SheetLine[] {
  const lines: SheetLine[] = [];
  for (const step of steps) {
    const box = { setNumber: step.setNumber, side: step.key.side };
    const extension = set.extensions.find(({ id }) => id === step.key.extensionId) ?? null;
    const known = lines.findIndex(
      (line) => line.extension === extension && isSame(line.step, step),
    );
    const line = lines[known];
    if (line === undefined) lines.push({ step, extension, boxes: [box] });
    else lines[known] = { ...line, boxes: [...line.boxes, box] };
  }
  return lines;
}

function areAlike(a: SheetSets, b: SheetSets): boolean {
  return (
    a.set.optional === b.set.optional &&
    isEqual(a.set.side, b.set.side) &&
    isEqual(a.rest, b.rest) &&
    a.set.between.length === 0 &&
    b.set.between.length === 0 &&
    a.lines.length === b.lines.length &&
    a.lines.every((line, i) => {
      const other = b.lines[i];
      return (
        other !== undefined &&
        isSame(line.step, other.step) &&
        isSameExtension(line.extension, other.extension)
      );
    })
  );
}

function together(a: SheetSets, b: SheetSets): SheetSets {
  return {
    ...a,
    numbers: [...a.numbers, ...b.numbers],
    lines: a.lines.map((line, i) => ({
      ...line,
      boxes: [...line.boxes, ...(b.lines[i]?.boxes ?? [])],
    })),
  };
}

/** True where two steps are the same to do; where they stand, and what has to be changed for them, may differ. */
function isSame(a: SetStep, b: SetStep): boolean {
  return SAID.every((name) => isEqual(a[name], b[name]));
}

const SAID = [
  "kind",
  "role",
  "detail",
  "load",
  "fallback",
  "setUp",
  "target",
  "legs",
  "effort",
  "effortUpTo",
  "range",
  "gear",
  "tempo",
  "accents",
] as const satisfies readonly (keyof SetStep)[];

function isSameExtension(a: Extension | null, b: Extension | null): boolean {
  if (a === null || b === null) return a === b;
  const ids = { id: b.id, lineageId: b.lineageId, ...("line" in b ? { line: b.line } : {}) };
  return isEqual({ ...a, ...ids }, b);
}
