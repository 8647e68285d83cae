import type { MassUnit } from "~/core/kernel/index.ts";
import {
  burstsOf,
  restSpan,
  setUpChanges,
  type SideMode,
  type Slot,
  startOf,
} from "~/core/plan/index.ts";
import type { SetStep, SheetBox, SheetLine, SheetSets } from "~/core/unroll/index.ts";
import type { FindMovement, Movement } from "~/core/movement/index.ts";
import { formatDropLoad, formatLoadRule } from "./load.ts";
import { formatInOtherUnit, formatMass } from "./numbers.ts";
import {
  EXTENSION_NAMES,
  formatAccent,
  formatDetail,
  formatRest,
  formatSetUp,
} from "./prescription.ts";
import { formatTarget } from "./target.ts";
import {
  formatEffort,
  formatKept,
  formatRecipe,
  formatSideMode,
  formatTempo,
  ROLE_NAMES,
} from "./training.ts";

/** What stands in the columns of a line of the printed sheet. */
export interface SheetWords {
  readonly what: string;
  readonly load: string;
  /** How the load is made, and where to go from it; empty where there is nothing to say. */
  readonly hang: string;
  readonly target: string;
  /** Reserve, rest, tempo and whatever else is to be kept. */
  readonly how: string;
}

/**
 * The words of a line, the load in the client's unit beside that of the equipment; `before` is the line above it in the same sets, whose load goes without
 * saying.
 */
export function sheetWords(
  sets: SheetSets,
  line: SheetLine,
  before: SheetLine | null,
  slot: Slot,
  movement: Movement | null,
  { readsIn, find }: { readonly readsIn: MassUnit; readonly find: FindMovement },
): SheetWords {
  const { step } = line;
  const rule = ruleText(sets, line, slot, find);
  // What is still to be found is written into a box of its own each time.
  const isSame =
    before !== null &&
    step.load.kind !== "open" &&
    loadText(before.step, "") === loadText(step, "");
  return {
    what:
      line.extension === null
        ? setsText(sets, step)
        : `then ${EXTENSION_NAMES[line.extension.kind]}`,
    load: isSame ? "same load" : loadText(step, rule),
    hang: isSame ? "" : hangText(step, readsIn),
    target: formatTarget(step.target),
    how: (line.extension === null
      ? howOfSet(sets, step, slot, movement)
      : [pauseText(line), formatDetail(step)]
    )
      .filter((text) => text !== "")
      .join(" · "),
  };
}

/** "3", "3 left" where sides are written apart. */
export function formatBox({ setNumber, side }: SheetBox): string {
  return side === "left" || side === "right" ? `${setNumber} ${side}` : String(setNumber);
}

function setsText({ numbers, set }: SheetSets, { role }: SetStep): string {
  const [first = 0, last = first] = [numbers[0], numbers.at(-1)];
  const which = first === last ? String(first) : `${first}–${last}`;
  return `${which} ${ROLE_NAMES[role]}${set.optional ? ", optional" : ""}`;
}

/** From what a load follows that is still to be found: "80% of set 1", "drop by 20%"; empty where it is found by itself. */
function ruleText(
  { set }: SheetSets,
  { extension }: SheetLine,
  slot: Slot,
  find: FindMovement,
): string {
  if (extension?.kind === "drop") return `drop ${formatDropLoad(extension.to)}`;
  if (extension !== null || set.load.kind === "open") return "";
  const numberOf = (id: string) => {
    const at = slot.sets.findIndex((own) => own.id === id);
    return at < 0 ? null : at + 1;
  };
  return formatLoadRule(set.load, numberOf, find);
}

function loadText({ load }: SetStep, rule: string): string {
  if (load.kind === "made") return formatMass(load.reading);
  if (load.kind === "bodyweight") return "body weight";
  return `${rule === "" ? "load" : rule}: ______`;
}

function hangText({ load, fallback }: SetStep, readsIn: MassUnit): string {
  return [
    load.kind === "made" ? (formatInOtherUnit(load.reading, readsIn) ?? "") : "",
    load.kind === "made" ? formatRecipe(load.recipe) : "",
    load.kind === "made" && load.heldFrom !== null
      ? `load limit: the rule gives ${formatMass(load.heldFrom)}`
      : "",
    fallback.length === 0 ? "" : `if it falls short: ${fallback.map(formatMass).join(", then ")}`,
  ]
    .filter((text) => text !== "")
    .join("; ");
}

function howOfSet(
  { set, rest }: SheetSets,
  step: SetStep,
  slot: Slot,
  movement: Movement | null,
): readonly string[] {
  return [
    formatEffort(step),
    ...formatKept(step),
    rest === null ? "" : `rest ${formatRest(rest)}`,
    sidesText(set.side),
    formatTempo(step.tempo, startOf(slot, movement)),
    ...step.accents.map(formatAccent),
    formatSetUp(setUpChanges(slot.setUp, set.setUp)),
  ];
}

/** Sides that take turns stand on the boxes, in that order. */
function sidesText(side: SideMode): string {
  if (side.kind === "both") return "";
  if (side.kind !== "each") return formatSideMode(side);
  return side.matchFirst ? "the second side no more than the first" : "";
}

function pauseText({ extension }: SheetLine): string {
  const wait = extension === null ? null : burstsOf(extension).restBefore;
  if (extension?.kind === "breather" || wait === null || restSpan(wait).likely === 0) return "";
  return `after ${wait.kind === "atMost" ? "at most " : ""}${restSpan(wait).likely} s`;
}
