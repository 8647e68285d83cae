import { assertNever, type Mass } from "~/core/kernel/index.ts";
import type { Constraint, Measure, ProgressionKind } from "~/core/plan/index.ts";
import type { Change, RuledLine, ShownProposal, Step, WayCode } from "~/core/progress/index.ts";
import { formatMass, plural } from "./numbers.ts";
import { formatTarget } from "./target.ts";
import { formatRir, PHASE_NAMES, RANGE_NAMES } from "./training.ts";

/** What each way to progress is called. */
export const PROGRESSION_NAMES: Readonly<Record<ProgressionKind, string>> = {
  doubleProgression: "Reps first, then load",
  smallestStep: "Next load when reached",
  fixedIncrement: "Fixed step",
  totalReps: "Total reps",
  beatLast: "Beat last time, set by set",
  effortAnchored: "Load by RIR",
  addSets: "Add sets",
  density: "Less rest",
  constraintFirst: "Stricter first",
  techniqueFirst: "Technique first",
  taper: "Taper to a test",
  limitSets: "Set to failure every so often",
  hardSets: "Count hard sets",
  keepLoad: "Keep everything",
  byHand: "By hand",
};

export const CONSTRAINT_NAMES: Readonly<Record<Constraint, string>> = {
  lower: "the lowering",
  stretch: "the pause stretched",
  squeeze: "the squeeze",
  hold: "the hold at the end",
  range: "the range",
  setUp: "the set-up",
};

const MEASURES: Readonly<Record<Measure, (n: number) => string>> = {
  reps: (n) => plural(n, "rep"),
  seconds: (n) => `${n} s`,
  steps: (n) => plural(n, "step"),
  metres: (n) => `${n} m`,
};

/** "12 reps", "40 s", "20 steps", "30 m" */
export const formatAmountOf = (n: number, measure: Measure): string =>
  MEASURES[measure](Math.round(n * 10) / 10);

const ofSet = (set: number | null) => (set === null ? "" : `set ${set + 1}: `);

/** "4 sets, was 3", "rest 75 s, was 90 s", "set 2: 9–12 reps, was 8–12 reps" */
export function formatChange(change: Change): string {
  switch (change.kind) {
    case "load":
      return `set ${change.set + 1}: ${formatMass(change.to)}, was ${formatMass(change.from)}`;
    case "target":
      return `${ofSet(change.set)}${formatTarget(change.to)}, was ${formatTarget(change.from)}`;
    case "rest":
      return `rest ${change.to} s, was ${change.from} s`;
    case "sets":
      return `${plural(change.to, "set")}, was ${change.from}`;
    case "tempo":
      return `${PHASE_NAMES[change.phase]} ${change.to} s, was ${change.from === null ? "not set" : `${change.from} s`}`;
    case "hold":
      return `hold ${change.to} s, was ${change.from} s`;
    case "setUp":
      return `${change.name.toLowerCase()} ${change.to}, was ${change.from}`;
    case "range":
      return `${RANGE_NAMES[change.to]}, was ${RANGE_NAMES[change.from]}`;
    case "effort":
      return `${ofSet(change.set)}${formatRir(change.to)}, was ${formatRir(change.from)}`;
    default:
      return assertNever(change);
  }
}

/** "Raise to 82.5 kg", "Keep 80 kg", "Load still to be found", "As planned: 80 kg". */
export function formatMove({ move, reading }: Pick<Step, "move" | "reading">): string {
  if (move === "asPlanned")
    return reading === null ? "As planned" : `As planned: ${formatMass(reading)}`;
  if (reading === null) return "Load still to be found";
  const load = formatMass(reading);
  switch (move) {
    case "raise":
      return `Raise to ${load}`;
    case "keep":
      return `Keep ${load}`;
    case "lower":
      return `Lower to ${load}`;
    default:
      return assertNever(move);
  }
}

/** What a proposal comes to at a glance: its load where that moves, else that the load stays while something else changes. */
export function formatProposal({ move, reading, from, changes }: ShownProposal): string {
  const isSame = isSameLoad(reading, from);
  if (isSame && changes.length > 0 && (move === "raise" || move === "lower"))
    return `Stay at ${formatMass(reading as Mass)}`;
  return formatMove({ move, reading });
}

/** "Raise to 82.5 kg", "Stay at 80 kg; rest 75 s, was 90 s" */
export function formatStep(proposal: ShownProposal): string {
  return [formatProposal(proposal), ...proposal.changes.map(formatChange)].join("; ");
}

/** What a coach said of a proposal: "Accepted: Raise to 102.5 kg.", "Changed: 100 kg. “slept badly”". */
export function formatRuling({ decision, way, chosen, reason, shown }: RuledLine): string {
  const load = chosen === null ? "" : `: ${formatMass(chosen)}`;
  // What was taken is what was shown then, whatever the log says since.
  if (decision === "accepted")
    return way === null ? `Accepted: ${formatStep(shown)}.` : `${WAYS[way]}${load}.`;
  return `Changed${load}. “${reason}”`;
}

const isSameLoad = (a: Mass | null, b: Mass | null) =>
  a !== null && b !== null && a.thousandths === b.thousandths && a.unit === b.unit;

const WAYS: Readonly<Record<WayCode, string>> = {
  fullStep: "Full step",
  pastTheTop: "More reps first",
  moreReps: "More reps",
  slower: "Slower lowering",
  oneLeg: "One leg at a time",
  addOn: "An add-on weight",
  otherEquipment: "Other equipment",
  sleepAndFood: "Check sleep, food and stress first",
  lighterWeek: "A lighter week",
  otherRange: "Another rep range",
  variation: "Another variation of the exercise",
  fewerSets: "A set less",
  moreSets: "A set more",
  checkSetUp: "Check the set-up",
  gear: "Gear or support: straps, pad, belt",
  moreStable: "A more stable exercise",
};

/** "Full step: raise to 105 kg", "A set less: 2 sets, was 3", "Check the set-up" */
export function formatWay({
  code,
  step,
}: {
  readonly code: WayCode;
  readonly step: Step | null;
}): string {
  if (step === null) return WAYS[code];
  const { changes } = step;
  const load =
    step.move === "keep" && changes.length > 0
      ? []
      : [formatMove(step).replace(/^./, (c) => c.toLowerCase())];
  return `${WAYS[code]}: ${[...load, ...changes.map(formatChange)].join("; ")}`;
}
