import { assertNever } from "~/core/kernel/index.ts";
import type { FindMovement } from "~/core/movement/index.ts";
import type {
  DropLoad,
  LoadBasis,
  LoadBounds,
  LoadRule,
  SetReference,
  ShareSpan,
} from "~/core/plan/index.ts";
import type { OpenBecause } from "~/core/unroll/index.ts";
import { formatMass, formatShare, plural } from "./numbers.ts";

export const LOAD_RULE_NAMES: Readonly<Record<LoadRule["kind"], string>> = {
  absolute: "This load",
  open: "Work up to it",
  sameAsSet: "Same load as a set before",
  shareOfSet: "Share of a set before",
  shareOfPlates: "Share of the plates",
  stepsFromSet: "Steps from a set before",
  massFrom: "Weight more or less",
  platesFrom: "Plates more or less",
  shareOfMaximum: "Share of the estimated 1RM",
  shareOfUsual: "Share of the usual load for reps",
  shareOfMovement: "Share of another exercise",
  fromLast: "Last time and steps",
  byEffort: "What reps and RIR allow",
  bodyWeight: "Body weight and more or less",
  trial: "Trial, up to the load",
  fallback: "This load, else another",
};

/** "80 %", "75–80 %" */
function formatSpan({ share, upTo }: ShareSpan): string {
  return upTo === null
    ? formatShare(share)
    : `${formatShare(share).replace(/\s*%$/, "")}–${formatShare(upTo)}`;
}

/** "100 kg", "80 % of set 1", "load to find". `setNumber` gives the number of a set by its id. */
export function formatLoadRule(
  rule: LoadRule,
  setNumber: (id: string) => number | null,
  find: FindMovement,
): string {
  const set = (id: string) => {
    const number = setNumber(id);
    return number === null ? "another set" : `set ${number}`;
  };
  const partOf = (from: SetReference) =>
    `${from.part === null ? "" : "a part of "}${set(from.set)}`;
  const basis = (from: LoadBasis) => (from.kind === "last" ? "last time" : partOf(from));
  switch (rule.kind) {
    case "absolute":
      return formatMass(rule.reading);
    case "open":
      return "load to find";
    case "sameAsSet":
      return `same load as ${partOf(rule)}`;
    case "shareOfSet":
      return `${formatSpan(rule)} of ${partOf(rule)}`;
    case "shareOfPlates":
      return `${formatShare(rule.share)} of the plates of ${basis(rule.basis)}`;
    case "massFrom":
      return `${formatMass(rule.mass)}${rule.counted === "perSide" ? " per side" : ""} ${rule.by === "plus" ? "more" : "less"} than ${basis(rule.basis)}`;
    case "platesFrom":
      return `${plural(rule.plates, "plate")}${rule.size === null ? "" : ` of ${formatMass(rule.size)}`} per side ${rule.by === "plus" ? "more" : "less"} than ${basis(rule.basis)}`;
    case "shareOfUsual":
      return `${formatShare(rule.share)} of the usual load for ${plural(rule.reps, "rep")}`;
    case "shareOfMovement":
      return `${formatSpan(rule)} of ${find(rule.movement)?.name ?? rule.movement}`;
    case "shareOfMaximum":
      return `${formatSpan(rule)} of the estimated 1RM`;
    case "fromLast":
      return rule.steps === 0
        ? "as last time"
        : `last time and ${plural(Math.abs(rule.steps), "step")} ${rule.steps < 0 ? "down" : "up"}`;
    case "byEffort":
      return "what reps and RIR allow";
    case "bodyWeight":
      return rule.mass.thousandths === 0
        ? "body weight"
        : `body weight ${rule.by} ${formatMass(rule.mass)}`;
    case "trial":
      return `trial from ${formatMass(rule.from)}, ${plural(rule.steps, "step")} up, at most ${rule.tries} tries`;
    case "fallback":
      return `${formatMass(rule.reading)}, else ${rule.then.map(formatMass).join(", then ")}`;
    case "stepsFromSet":
      return `${plural(Math.abs(rule.steps), "step")} ${rule.steps < 0 ? "down" : "up"} from ${set(rule.set)}`;
    default:
      return assertNever(rule);
  }
}

/** "at least 60 kg", "at most 100 kg"; empty where nothing holds the load. */
export function formatBounds({ least, most }: LoadBounds): readonly string[] {
  return [
    ...(least === null ? [] : [`at least ${formatMass(least)}`]),
    ...(most === null ? [] : [`at most ${formatMass(most)}`]),
  ];
}

/** Why a load is not known, as a sentence with what to do. */
export function formatOpenBecause(because: OpenBecause, find: FindMovement): string {
  switch (because.code) {
    case "toFind":
      return "The load is set on the day.";
    case "noStation":
      return "The equipment is not in this gym; choose some that is.";
    case "setMissing":
      return "It follows from a set that is not before it in this session; choose another or write a load.";
    case "basisOpen":
      return "It follows from a load that is still open.";
    case "totalUnknown":
      return "A percentage needs the whole load, and part of it is unknown here (sled, bar, band or body weight).";
    case "noRecord":
      return `Nothing is logged yet with ${find(because.movement)?.name ?? because.movement}.`;
    case "recordUnknown":
      return `What was moved with ${find(because.movement)?.name ?? because.movement} last time is unknown (sled, bar, band or body weight), so no percentage of it can be worked out; write a load.`;
    case "noLast":
      return "Nothing is logged yet of this exercise on this equipment.";
    case "noEstimate":
      return "No 1RM can be estimated yet for this exercise on this equipment; a set of at most 15 reps with its RIR gives one.";
    case "notForReps":
      return "A load by RIR needs reps and a stated RIR, together at most 15.";
    case "noBodyWeight":
      return "Body weight is not recorded; write it in the brief.";
    case "noPlates":
      return "Nothing is loaded with plates here; write the load another way.";
    case "noSides":
      return "This equipment has no sides to count by; write the load in all.";
    case "otherStation":
      return "That set is on other equipment, so its load means nothing here; use a share of it.";
    case "noUsual":
      return `Nothing logged here says what is usual for ${plural(because.reps, "rep")}.`;
    case "stepsEnd":
      return "There are not that many steps; ask for fewer.";
    default:
      return assertNever(because);
  }
}

/** "to 80 % of the load before", "strip 2 plates per side". */
export function formatDropLoad(to: DropLoad): string {
  switch (to.kind) {
    case "share":
      return `to ${formatShare(to.share)}${to.of === "first" ? " of the first load" : ""}`;
    case "lessBy":
      return `by ${formatShare(to.share)}${to.of === "first" ? " of the first load" : ""}`;
    case "strip":
      return `strip ${plural(to.plates, "plate")} per side`;
    case "steps":
      return `${plural(to.steps, "step")} down`;
    case "reading":
      return `to ${formatMass(to.reading)}`;
    case "bodyweight":
      return "to body weight";
    default:
      return assertNever(to);
  }
}

export const DROP_NAMES: Readonly<Record<DropLoad["kind"], string>> = {
  share: "A share of a load",
  lessBy: "Less by a share",
  strip: "Plates off per side",
  steps: "Steps of the equipment",
  reading: "This load",
  bodyweight: "Body weight alone",
};
