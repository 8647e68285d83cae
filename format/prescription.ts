import type { FindMovement } from "~/core/movement/index.ts";
import { type MuscleLength, assertNever } from "~/core/kernel/index.ts";
import {
  amountAsked,
  type Accent,
  type Drill,
  type DrillKind,
  type DropLoad,
  type Extension,
  type ExtensionKind,
  type HoldPosition,
  type Intensity,
  type Item,
  type LoadBasis,
  type LoadBounds,
  type LoadRule,
  type PlannedSet,
  type Rest,
  type SetReference,
  type SetUp,
  type ShareSpan,
  type Target,
} from "~/core/plan/index.ts";
import type { OpenBecause, SetStep } from "~/core/unroll/index.ts";
import { formatClock, formatMass, formatShare } from "./numbers.ts";
import {
  FAULT_NAMES,
  formatRange,
  formatSideMode,
  formatTempo,
  LENGTH_NAMES,
  PHASE_NAMES,
  REGION_NAMES,
  ROLE_NAMES,
} from "./training.ts";

const plural = (n: number, one: string) => `${n} ${n === 1 ? one : `${one}s`}`;

/** "stop when the knees cave"; empty where nothing ends the set before. */
export function formatStop(target: Target): string {
  return target.kind === "repsUntil" ? `stop when ${FAULT_NAMES[target.criterion]}` : "";
}

/** "8–12 reps", "as many as come, at least 6", "until the knees cave, about 12". */
export function formatTarget(target: Target): string {
  switch (target.kind) {
    case "reps":
      return `${formatRange(target)} ${target.max === 1 ? "rep" : "reps"}`;
    case "repsUntil":
      return `${formatRange(target)} ${target.max === 1 ? "rep" : "reps"}, stop when ${FAULT_NAMES[target.criterion]}`;
    case "limit":
      return target.atLeast === null
        ? "as many as come"
        : `as many as come, at least ${target.atLeast}`;
    case "seconds":
      return target.min < 120
        ? `${formatRange(target)} s`
        : `${[...new Set([target.min, target.max])].map(formatClock).join(" to ")} min`;
    case "steps":
      return `${target.steps} steps ${target.counted === "perSide" ? "a side" : "in all"}${target.outAndBack ? ", out and back" : ""}`;
    case "metres":
      return `${target.metres} m${target.outAndBack ? " out and back" : ""}`;
    case "total":
      return `${target.amount} ${target.of} in all, about ${plural(target.likelySets, "set")}`;
    case "intervals":
      return `${target.rounds} × ${target.work} s work, ${target.pause} s rest`;
    case "untilForm":
      return `until ${FAULT_NAMES[target.criterion]}, about ${target.likely}`;
    case "afterBurn":
      return `${plural(target.reps, "rep")} after the burn starts`;
    default:
      return assertNever(target);
  }
}

/** The shortest form of a target, for grids and rows: "8–12", "max", "40 s". */
export function formatTargetShort(target: Target): string {
  switch (target.kind) {
    case "reps":
      return formatRange(target);
    case "repsUntil":
      return `${formatRange(target)} or to form`;
    case "limit":
      return target.atLeast === null ? "max" : `max, ${target.atLeast}+`;
    case "untilForm":
      return "to form";
    case "afterBurn":
      return `burn + ${target.reps}`;
    case "total":
      return `${target.amount} in all`;
    case "seconds":
    case "steps":
    case "metres":
    case "intervals":
      return formatTarget(target);
    default:
      return assertNever(target);
  }
}

/** What is counted, after the number: "reps", "seconds"; the number itself is large beside it on the floor. */
export function figureOf(target: Target): { readonly figure: string; readonly unit: string } {
  switch (target.kind) {
    case "reps":
      return { figure: formatRange(target), unit: target.max === 1 ? "rep" : "reps" };
    case "repsUntil":
      return { figure: formatRange(target), unit: "reps" };
    case "limit":
      return { figure: "max", unit: target.atLeast === null ? "" : `at least ${target.atLeast}` };
    case "seconds":
      return { figure: formatRange(target), unit: "seconds" };
    case "intervals":
      return { figure: String(target.work), unit: "seconds" };
    case "metres":
      return { figure: String(target.metres), unit: target.outAndBack ? "m out and back" : "m" };
    case "steps":
      return {
        figure: String(target.steps),
        unit: `steps${target.counted === "perSide" ? " a side" : ""}${target.outAndBack ? ", out and back" : ""}`,
      };
    case "total":
      return { figure: `~${amountAsked(target).max}`, unit: `of ${target.amount} ${target.of}` };
    case "untilForm":
      return {
        figure: `~${target.likely}`,
        unit: `until ${FAULT_NAMES[target.criterion]}`,
      };
    case "afterBurn":
      return { figure: `+${target.reps}`, unit: "after the burn starts" };
    default:
      return assertNever(target);
  }
}

export const TARGET_NAMES: Readonly<Record<Target["kind"], string>> = {
  reps: "Repetitions",
  repsUntil: "Reps with a stop",
  limit: "As many as come",
  seconds: "Time",
  steps: "Steps",
  metres: "Distance",
  total: "A total over several sets",
  intervals: "Intervals",
  untilForm: "Until form breaks",
  afterBurn: "Reps after the burn begins",
};

export const LOAD_RULE_NAMES: Readonly<Record<LoadRule["kind"], string>> = {
  absolute: "This load",
  open: "To be found",
  sameAsSet: "Same load as a set before",
  shareOfSet: "Share of a set before",
  shareOfPlates: "Share of the plates",
  stepsFromSet: "Steps from a set before",
  massFrom: "Weight more or less",
  platesFrom: "Plates more or less",
  shareOfMaximum: "Share of the estimated 1RM",
  shareOfUsual: "Share of the usual load for reps",
  shareOfMovement: "Share of another movement",
  fromLast: "Last time and steps",
  byEffort: "What reps and reserve allow",
  bodyWeight: "Body weight and more or less",
  trial: "Trial, up to the load",
  fallback: "This load, else another",
};

export const REST_NAMES: Readonly<Record<Rest["kind"], string>> = {
  fixed: "A fixed time",
  range: "From and to",
  atMost: "At most",
  breath: "Until breathing settles",
  heartRate: "Until the heart is below",
  partner: "While the partner works",
};

export const ACCENT_NAMES: Readonly<Record<Accent["kind"], string>> = {
  deadStop: "Dead stop before every rep",
  secondSqueeze: "Second squeeze in every rep",
  slowLastRep: "Last rep slow",
};

/** "2:00", "1:30 to 2:00", "at most 1:00", "until breathing settles". */
export function formatRest(rest: Rest): string {
  switch (rest.kind) {
    case "fixed":
      return formatClock(rest.seconds);
    case "range":
      return `${formatClock(rest.min)} to ${formatClock(rest.max)}`;
    case "atMost":
      return `at most ${formatClock(rest.seconds)}`;
    case "breath":
      return "until breathing settles";
    case "heartRate":
      return `until below ${rest.below} beats a minute`;
    case "partner":
      return "while the partner's set lasts";
    default:
      return assertNever(rest);
  }
}

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
      return `${formatMass(rule.mass)}${rule.counted === "perSide" ? " a side" : ""} ${rule.by === "plus" ? "more" : "less"} than ${basis(rule.basis)}`;
    case "platesFrom":
      return `${plural(rule.plates, "plate")}${rule.size === null ? "" : ` of ${formatMass(rule.size)}`} a side ${rule.by === "plus" ? "more" : "less"} than ${basis(rule.basis)}`;
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
      return "what the reps and the reserve allow";
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
      return "The load is still to be found.";
    case "noStation":
      return "The station is not in this gym; choose one.";
    case "setMissing":
      return "It follows from a set that is not before it in this session; choose another or write a load.";
    case "basisOpen":
      return "It follows from a load that is still open.";
    case "totalUnknown":
      return "A share needs the total moved, and that is unknown here (carriage, bar, band or body weight).";
    case "noRecord":
      return `Nothing is logged yet with ${find(because.movement)?.name ?? because.movement}.`;
    case "recordUnknown":
      return `What was moved with ${find(because.movement)?.name ?? because.movement} last time is unknown (sled, bar, band or body weight), so there is no share of it; write a load.`;
    case "noLast":
      return "Nothing is logged yet with this movement at this station.";
    case "noEstimate":
      return "No maximum can be estimated yet with this movement at this station; a set of at most 15 reps with its reserve gives one.";
    case "notForReps":
      return "A load by effort needs reps and a reserve that is said, together at most 15.";
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
      return "The station's steps end before that; ask for fewer.";
    default:
      return assertNever(because);
  }
}

/** "to 80 % of the load before", "strip 2 plates a side". */
export function formatDropLoad(to: DropLoad): string {
  switch (to.kind) {
    case "share":
      return `to ${formatShare(to.share)}${to.of === "first" ? " of the first load" : ""}`;
    case "lessBy":
      return `by ${formatShare(to.share)}${to.of === "first" ? " of the first load" : ""}`;
    case "strip":
      return `strip ${plural(to.plates, "plate")} a side`;
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
  strip: "Plates off a side",
  steps: "Steps of the station",
  reading: "This load",
  bodyweight: "Body weight alone",
};

export const HOLD_NAMES: Readonly<Record<HoldPosition["kind"], string>> = {
  stretched: "in the stretch",
  shortened: "in the squeeze",
  angle: "at an angle",
};

export const HELPER_NAMES = {
  self: "own hands",
  partner: "a partner",
} as const satisfies Readonly<Record<Extract<Extension, { kind: "forced" }>["by"], string>>;

export const EXTENSION_NAMES: Readonly<Record<ExtensionKind, string>> = {
  drop: "drop",
  restPause: "rest-pause",
  cluster: "cluster",
  partials: "partials",
  forced: "forced reps",
  positionChange: "position change",
  endHold: "hold",
  breather: "breather",
};

/** What sets of one line ask for: "Top set, 5 reps", "Back-off sets, 2 × 8–10 reps". */
export function formatLine(sets: readonly [PlannedSet, ...PlannedSet[]]): string {
  const [{ role, target }] = sets;
  return sets.length === 1
    ? `${ROLE_NAMES[role]} set, ${formatTarget(target)}`
    : `${ROLE_NAMES[role]} sets, ${sets.length} × ${formatTarget(target)}`;
}

/** "drop 2": a part counted among its kind, so that a drop behind a hold is still the first. */
export function partName(extensions: readonly Extension[], part: Extension): string {
  const alike = extensions.filter(({ kind }) => kind === part.kind);
  return `${EXTENSION_NAMES[part.kind]} ${alike.indexOf(part) + 1}`;
}

/** "drop to 80 % × 6–8", "rest-pause 2 × 15 s, max", "hold 20 s at 90°". */
export function formatExtension(extension: Extension): string {
  switch (extension.kind) {
    case "drop":
      return `drop ${formatDropLoad(extension.to)} × ${formatTargetShort(extension.target)}`;
    case "restPause":
      return `rest-pause ${extension.pauses} × ${formatWait(extension)}, ${formatTargetShort(extension.target)}`;
    case "cluster":
      return `clusters ${extension.groups} × ${formatTargetShort(extension.target)} after ${formatWait(extension)}${extension.multiple === 1 ? "" : ` at ${formatShare(extension.multiple)}`}`;
    case "partials":
      return `partials ${formatWhere(extension.where)} × ${formatTargetShort(extension.target)}`;
    case "forced":
      return `forced reps, helped by ${HELPER_NAMES[extension.by]} × ${formatTargetShort(extension.target)}`;
    case "positionChange":
      return `then ${formatSetUp(extension.setUp)} × ${formatTargetShort(extension.target)}`;
    case "endHold":
      return `hold ${extension.seconds} s ${formatHold(extension.at)}`;
    case "breather":
      return `${plural(extension.breaths, "breath")}, then ${formatTargetShort(extension.target)}`;
    default:
      return assertNever(extension);
  }
}

/** "15 s", "at most 15 s" */
const formatWait = (of: { readonly pause: number; readonly waits: "exactly" | "atMost" }) =>
  `${of.waits === "atMost" ? "at most " : ""}${of.pause} s`;

/** "in the stretch", "in the squeeze", "in the middle". */
export function formatWhere(where: MuscleLength): string {
  return where === "mid" ? "in the middle" : `where it is ${LENGTH_NAMES[where]}`;
}

export function formatHold(at: HoldPosition): string {
  return at.kind === "angle" ? `at ${at.degrees}°` : HOLD_NAMES[at.kind];
}

/** How this part of the set is done, beyond its number; empty where it just goes on. */
export function formatDetail(step: SetStep): string {
  const { detail } = step;
  switch (detail.kind) {
    case "plain":
      return step.kind === "positionChange" ? formatSetUp(step.setUpChange) : "";
    case "partials":
      return formatWhere(detail.where);
    case "forced":
      return `helped by ${HELPER_NAMES[detail.by]}`;
    case "endHold":
      return formatHold(detail.at);
    case "breather":
      return `after ${detail.breaths} breaths in a safe position`;
    default:
      return assertNever(detail);
  }
}

/** "Stance: wide, Toes: out" */
export function formatSetUp(setUp: SetUp): string {
  return Object.entries(setUp)
    .map(([name, choice]) => `${name}: ${choice}`)
    .join(", ");
}

/** "dead stop 1 s", "last rep: lower 8 s". */
export function formatAccent(accent: Accent): string {
  switch (accent.kind) {
    case "deadStop":
      return `dead stop ${accent.seconds} s`;
    case "secondSqueeze":
      return `second squeeze ${accent.seconds} s`;
    case "slowLastRep":
      return `last rep: ${PHASE_NAMES[accent.phase]} ${accent.seconds} s`;
    default:
      return assertNever(accent);
  }
}

export const DRILL_NAMES: Readonly<Record<DrillKind, string>> = {
  pulseRaiser: "Pulse raiser",
  mobility: "Mobility",
  preFatigue: "Light pre-fatigue",
  stretch: "Stretch",
  steadyCardio: "Steady cardio",
  intervals: "Intervals",
  coolDown: "Cool-down",
  selfMassage: "Self-massage",
};

/** "Stretch: couch stretch, 30 s, left, then right", "Check the adductors; if tight: …". */
export function formatItem(item: Item, find: FindMovement): string {
  return item.kind === "tightnessCheck"
    ? `Check ${REGION_NAMES[item.region].toLowerCase()}; if tight: ${formatDrill(item.ifTight, find)}`
    : formatDrill(item, find);
}

function formatDrill(drill: Drill, find: FindMovement): string {
  const name = drill.movement === null ? drill.name : (find(drill.movement)?.name ?? drill.name);
  return [
    `${DRILL_NAMES[drill.kind]}: ${name}`,
    formatTarget(drill.target),
    drill.kind === "preFatigue" && drill.load !== null ? `at ${formatMass(drill.load)}` : "",
    drill.kind === "preFatigue" ? formatTempo(drill.tempo, "lower") : "",
    drill.side.kind === "both" ? "" : formatSideMode(drill.side),
    formatIntensity(drill.intensity),
  ]
    .filter((part) => part !== "")
    .join(", ");
}

function formatIntensity(intensity: Intensity): string {
  switch (intensity.kind) {
    case "unsaid":
      return "";
    case "felt":
      return `effort ${intensity.outOfTen} of 10`;
    case "heartRate":
      return `${intensity.min}–${intensity.max} beats a minute`;
    default:
      return assertNever(intensity);
  }
}
