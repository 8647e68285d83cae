import type { FindMovement } from "~/core/movement/index.ts";
import { type MuscleLength, assertNever } from "~/core/kernel/index.ts";
import {
  type Accent,
  type Drill,
  type DrillKind,
  type Extension,
  type ExtensionKind,
  type HoldPosition,
  type Intensity,
  type Item,
  type PlannedSet,
  type Rest,
  type SetUp,
} from "~/core/plan/index.ts";
import type { SetStep } from "~/core/unroll/index.ts";
import { formatDropLoad } from "./load.ts";
import { formatTarget, formatTargetShort } from "./target.ts";
import { formatClock, formatMass, formatShare, plural } from "./numbers.ts";
import { formatSideMode, formatTempo, LENGTH_NAMES, PHASE_NAMES, ROLE_NAMES } from "./training.ts";
import { muscleInline, type MuscleNames } from "./muscles.ts";

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

/** "drop 2": an extension counted among its kind, so that a drop behind a hold is still the first. */
export function extensionName(extensions: readonly Extension[], extension: Extension): string {
  const alike = extensions.filter(({ kind }) => kind === extension.kind);
  return `${EXTENSION_NAMES[extension.kind]} ${alike.indexOf(extension) + 1}`;
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
      return `forced reps with ${HELPER_NAMES[extension.by]} × ${formatTargetShort(extension.target)}`;
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

/** How this burst of the set is done, beyond its number; empty where it just goes on. */
export function formatDetail(step: SetStep): string {
  const { detail } = step;
  switch (detail.kind) {
    case "plain":
      return step.kind === "positionChange" ? formatSetUp(step.setUpChange) : "";
    case "partials":
      return formatWhere(detail.where);
    case "forced":
      return `with ${HELPER_NAMES[detail.by]}`;
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
export function formatItem(item: Item, find: FindMovement, muscles: MuscleNames): string {
  return item.kind === "tightnessCheck"
    ? `Check ${muscleInline(muscles, item.region)}; if tight: ${formatDrill(item.ifTight, find)}`
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
