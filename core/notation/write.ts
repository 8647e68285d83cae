import type { Id, MovementRef } from "../identity/index.ts";
import {
  FEW_MORE,
  USUAL_CLUSTER_PAUSE,
  USUAL_DROP_REST,
  USUAL_REST_PAUSE,
  isOpenTempo,
  TEMPO_PHASES,
  type Accent,
  type Drill,
  type DropLoad,
  type Extension,
  type Item,
  type LoadRule,
  type PlannedSet,
  type Rest,
  type Rir,
  type SetUp,
  type SideMode,
  type Target,
} from "../prescription/index.ts";
import { amountOf, type Mass, type Share } from "../quantity/index.ts";
import { assertNever } from "../result/index.ts";
import {
  effortOf,
  INTERVAL_PAUSE,
  LIKELY,
  RECOVERY,
  TOTAL_PAUSE,
  TOTAL_SETS,
  TRIAL_TRIES,
  type NotationContext,
} from "./context.ts";
import { kebab, quoted } from "./words.ts";

/** What is said about a set, by what it is about, in the order in which it is written. */
const FACETS = [
  "load",
  "effort",
  "tempo",
  "accents",
  "setUp",
  "side",
  "rest",
  "between",
  "optional",
] as const;
type Facet = (typeof FACETS)[number];

/** What belongs to the exercise rather than to one set is said once, in front, where all sets share it. */
const SHARED: readonly Facet[] = ["tempo", "accents", "side", "between"];

interface Written {
  readonly head: string;
  readonly facets: Readonly<Record<Facet, string>>;
  readonly tail: string;
}

/**
 * The sets of an exercise as one written line: equal neighbours together, what is as usual left out, what all
 * share said once. `parseLine` reads it back to the same sets up to ids.
 */
export function writeLine(sets: readonly PlannedSet[], context: NotationContext): string {
  const written = sets.map((set, i) => writeSet(set, i, sets, context));
  const [first] = written;
  if (first === undefined) return "";
  const shared = SHARED.filter(
    (facet) =>
      new Set(written.map(textOfSet)).size > 1 &&
      first.facets[facet] !== "" &&
      written.every((w) => w.facets[facet] === first.facets[facet]),
  );
  const groups: { text: (times: number) => string; key: string; times: number }[] = [];
  for (const w of written) {
    const rest = FACETS.filter((facet) => !shared.includes(facet)).map((f) => w.facets[f]);
    const key = joined([w.head, ...rest, w.tail]);
    const last = groups.at(-1);
    if (last?.key === key) last.times += 1;
    else groups.push({ key, times: 1, text: (n) => (n === 1 ? key : timesOf(n, key)) });
  }
  const line = groups.map((group) => group.text(group.times)).join("; ");
  if (shared.length === 0) return line;
  return `all ${joined(shared.map((facet) => first.facets[facet]))}: ${line}`;
}

const joined = (parts: readonly string[]) => parts.filter((part) => part !== "").join(" ");
const textOfSet = (w: Written) => joined([w.head, ...FACETS.map((f) => w.facets[f]), w.tail]);

/** "3 x 8-12 …"; a role stands before the number. */
function timesOf(times: number, text: string): string {
  const role = /^(?:ramp|primer|calibration|top|back-off|burnout) /.exec(text)?.[0] ?? "";
  return `${role}${times} x ${text.slice(role.length)}`;
}

function writeSet(
  set: PlannedSet,
  index: number,
  sets: readonly PlannedSet[],
  context: NotationContext,
): Written {
  const { defaults } = context;
  const role = set.role === "work" ? "" : kebab(set.role);
  const effort = effortOf(set.role, defaults);
  return {
    head: joined([role, targetText(set.target)]),
    facets: {
      load: set.load.kind === "open" ? "" : `at ${loadText(set.load, index, sets, context)}`,
      effort: set.effort === effort ? "" : effortText(set.effort),
      tempo: isOpenTempo(set.tempo) ? "" : tempoText(set.tempo),
      accents: joined(set.accents.map(accentText)),
      setUp: Object.keys(set.setUp).length === 0 ? "" : `with ${pairsText(set.setUp)}`,
      side: sameSide(set.side, defaults.side) ? "" : sideText(set.side),
      rest: sameRest(set.restAfter, defaults.rest) ? "" : `rest ${restText(set.restAfter)}`,
      between:
        set.between.length === 0
          ? ""
          : `between ${set.between.map((item) => itemText(item, context)).join(" and ")}`,
      optional: set.optional ? "optional" : "",
    },
    tail: extensionsText(set.extensions, set.target),
  };
}

/** A target as `parseTarget` reads it. */
export const writeTarget = targetText;
/** A rest as `parseRest` reads it. */
export const writeRest = restText;

/** A load as `parseLoad` reads it; nothing for one to be found. `at` is the place of its set among `sets`. */
export function writeLoad(
  rule: LoadRule,
  at: number,
  sets: readonly PlannedSet[],
  context: NotationContext,
): string {
  return rule.kind === "open" ? "" : loadText(rule, at, sets, context);
}

/** Drills and checks as `parseItems` reads them. */
export function writeItems(items: readonly Item[], context: NotationContext): string {
  return items.map((item) => itemText(item, context)).join("; ");
}

/** A part as `parsePart` reads it; `own` is the set's target. */
export const writePart = extensionText;

// Numbers, times, masses

const num = (n: number) => String(n);

function clock(t: number): string {
  return `${Math.floor(t / 60)}:${String(t % 60).padStart(2, "0")}`;
}

/** "45 s" below a minute and for parts of a second, "1:30" otherwise. */
function time(t: number): string {
  return Number.isInteger(t) && t >= 60 ? clock(t) : `${num(t)} s`;
}

/** The shortest decimal of a share's per cent that gives the share back. */
function percent(s: Share): string {
  const exact = s * 100;
  for (let digits = 1; digits <= 17; digits += 1) {
    const n = Number(exact.toPrecision(digits));
    if (n / 100 === s) return `${num(n)}%`;
  }
  return `${num(exact)}%`;
}

const massText = (m: Mass) => `${num(amountOf(m))} ${m.unit}`;

// Targets

function targetText(target: Target): string {
  const about = (likely: number, usual: number) => (likely === usual ? "" : `about ${likely}`);
  switch (target.kind) {
    case "reps":
      return rangeText(target);
    case "limit":
      return joined([
        "max",
        target.atLeast === null ? "" : `least ${target.atLeast}`,
        about(target.likely, Math.max(LIKELY, target.atLeast ?? 0)),
      ]);
    case "seconds":
      return `${rangeText(target)} s`;
    case "steps":
      return joined([
        `${target.steps} steps`,
        target.counted === "perSide" ? "each" : "in all",
        target.outAndBack ? "out and back" : "",
      ]);
    case "metres":
      return joined([`${num(target.metres)} m`, target.outAndBack ? "out and back" : ""]);
    case "total":
      return joined([
        `total ${target.amount} ${target.of}`,
        target.likelySets === TOTAL_SETS ? "" : `in ${target.likelySets} sets`,
        target.pause === TOTAL_PAUSE ? "" : `pause ${time(target.pause)}`,
      ]);
    case "intervals":
      return joined([
        `intervals ${target.rounds} x ${time(target.work)}`,
        target.pause === INTERVAL_PAUSE ? "" : `pause ${time(target.pause)}`,
      ]);
    case "untilForm":
      return joined([`until ${kebab(target.criterion)}`, about(target.likely, LIKELY)]);
    case "afterBurn":
      return joined([`burn plus ${target.reps}`, about(target.likely, LIKELY)]);
    default:
      return assertNever(target);
  }
}

function rangeText({ min, max }: { readonly min: number; readonly max: number }): string {
  return min === max ? num(min) : `${num(min)}-${num(max)}`;
}

// Loads

function loadText(
  rule: LoadRule,
  index: number,
  sets: readonly PlannedSet[],
  context: NotationContext,
): string {
  const steps = (n: number) => `${n < 0 ? "minus" : "plus"} ${Math.abs(n)}`;
  switch (rule.kind) {
    case "absolute":
      return massText(rule.reading);
    case "open":
      return "open";
    case "shareOfSet":
      return `${percent(rule.share)} of ${setText(rule.set, rule.part, index, sets, context)}`;
    case "shareOfMovement":
      return `${percent(rule.share)} of ${movementText(rule.movement, context)}`;
    case "shareOfMaximum":
      return `${percent(rule.share)} of max`;
    case "stepsFromSet":
      // "The set before" reads the same in every set of a stack that is run down, so they stand together.
      return sets[index - 1]?.id === rule.set
        ? `before ${steps(rule.steps)}`
        : `${setText(rule.set, null, index, sets, context)} ${steps(rule.steps)}`;
    case "fromLast":
      return rule.steps === 0 ? "last" : `last ${steps(rule.steps)}`;
    case "byEffort":
      return "effort";
    case "bodyWeight": {
      const isBare = rule.by === "plus" && rule.mass.thousandths === 0;
      const hasUnit = rule.mass.unit === context.unit;
      return isBare && hasUnit ? "body" : `body ${rule.by} ${massText(rule.mass)}`;
    }
    case "trial":
      return joined([
        `trial ${massText(rule.from)}`,
        rule.steps === 1 ? "" : `up ${rule.steps}`,
        rule.tries === TRIAL_TRIES ? "" : `tries ${rule.tries}`,
      ]);
    case "fallback":
      return [rule.reading, ...rule.then].map(massText).join(" else ");
    default:
      return assertNever(rule);
  }
}

/** "set 1", "exercise 2 set 1 part 3"; a set that is nowhere before this one goes by its id. */
function setText(
  id: Id<"set">,
  part: Id<"extension"> | null,
  index: number,
  sets: readonly PlannedSet[],
  context: NotationContext,
): string {
  const own = sets.slice(0, index).findIndex((set) => set.id === id);
  const places = own >= 0 ? [{ set: sets[own], words: `set ${own + 1}` }] : elsewhere(id, context);
  for (const { set, words } of places) {
    if (part === null) return words;
    const at = set?.extensions.findIndex((extension) => extension.id === part) ?? -1;
    if (at >= 0) return `${words} part ${at + 1}`;
  }
  return `set ${quoted(id)}${part === null ? "" : ` part ${quoted(part)}`}`;
}

function elsewhere(id: Id<"set">, context: NotationContext) {
  return context.exercises.slice(0, context.own).flatMap((other, i) => {
    const at = other.findIndex((set) => set.id === id);
    return at < 0 ? [] : [{ set: other[at], words: `exercise ${i + 1} set ${at + 1}` }];
  });
}

/** A movement by its name where the name leads back to it, otherwise by its reference. */
function movementText(ref: MovementRef, context: NotationContext): string {
  const name = context.nameOf(ref);
  return quoted(name !== null && context.movementNamed(name) === ref ? name : ref);
}

// What else is said of a set

function effortText(effort: Rir): string {
  if (effort === "more") return "leave many";
  if (effort === "past") return "past limit";
  return effort === "unknown" ? "leave unknown" : `leave ${effort}`;
}

function tempoText(tempo: PlannedSet["tempo"]): string {
  return joined(
    TEMPO_PHASES.map((phase) => {
      const value = tempo[phase];
      if (value === null) return "";
      return `${phase} ${value === "explosive" ? "fast" : num(value)}`;
    }),
  );
}

function accentText(accent: Accent): string {
  switch (accent.kind) {
    case "deadStop":
      return `dead stop ${num(accent.seconds)} s`;
    case "secondSqueeze":
      return `second squeeze ${num(accent.seconds)} s`;
    case "slowLastRep":
      return `last rep ${accent.phase} ${num(accent.seconds)} s`;
    default:
      return assertNever(accent);
  }
}

function pairsText(setUp: SetUp): string {
  return Object.entries(setUp)
    .map(([name, choice]) => `${quoted(name)} ${quoted(choice)}`)
    .join(" ");
}

function sideText(side: SideMode): string {
  if (side.kind !== "each") return side.kind;
  const order = side.first === "left" ? "left then right" : "right then left";
  return `${order}${side.matchFirst ? " matched" : ""}`;
}

function restText(rest: Rest): string {
  const about = (likely: number) => (likely === RECOVERY ? "" : `about ${time(likely)}`);
  switch (rest.kind) {
    case "fixed":
      return time(rest.seconds);
    case "range":
      return `${time(rest.min)}-${time(rest.max)}`;
    case "atMost":
      return `most ${time(rest.seconds)}`;
    case "breath":
    case "partner":
      return joined([rest.kind, about(rest.likely)]);
    case "heartRate":
      return joined([`heart below ${rest.below}`, about(rest.likely)]);
    default:
      return assertNever(rest);
  }
}

function itemText(item: Item, context: NotationContext): string {
  return item.kind === "tightnessCheck"
    ? `check ${kebab(item.region)} ${time(item.seconds)} if tight ${drillText(item.ifTight, context)}`
    : drillText(item, context);
}

function drillText(drill: Drill, context: NotationContext): string {
  const { intensity } = drill;
  return joined([
    kebab(drill.kind),
    drill.name === "" ? "" : quoted(drill.name),
    drill.movement === null ? "" : `movement ${movementText(drill.movement, context)}`,
    targetText(drill.target),
    drill.side.kind === "both" ? "" : sideText(drill.side),
    intensity.kind === "felt"
      ? `felt ${intensity.outOfTen}`
      : intensity.kind === "heartRate"
        ? `heart ${intensity.min}-${intensity.max}`
        : "",
  ]);
}

// Extensions

/** Each behind "then"; equal drops behind each other are counted. */
function extensionsText(extensions: readonly Extension[], own: Target): string {
  const parts: { text: string; drops: number }[] = [];
  for (const extension of extensions) {
    const text = extensionText(extension, own);
    const last = parts.at(-1);
    if (extension.kind === "drop" && last?.text === text) last.drops += 1;
    else parts.push({ text, drops: extension.kind === "drop" ? 1 : 0 });
  }
  return parts
    .map(({ text, drops }) => `then ${drops > 1 ? `${drops} drops${text.slice(4)}` : text}`)
    .join(" ");
}

function extensionText(extension: Extension, own: Target): string {
  const forTarget = (target: Target, usual: Target) =>
    targetText(target) === targetText(usual) ? "" : `for ${targetText(target)}`;
  const after = (pause: number, usual: number) => (pause === usual ? "" : `after ${time(pause)}`);
  switch (extension.kind) {
    case "drop":
      return joined([
        `drop ${dropText(extension.to)}`,
        forTarget(extension.target, own),
        after(extension.restBefore, USUAL_DROP_REST),
      ]);
    case "restPause":
      return joined([
        `rest-pause ${extension.pauses}`,
        after(extension.pause, USUAL_REST_PAUSE),
        forTarget(extension.target, FEW_MORE),
      ]);
    case "cluster":
      return joined([
        `cluster ${extension.groups}`,
        after(extension.pause, USUAL_CLUSTER_PAUSE),
        extension.multiple === 1 ? "" : `at ${percent(extension.multiple)}`,
        forTarget(extension.target, own),
      ]);
    case "partials":
      return joined([`partials ${extension.where}`, forTarget(extension.target, FEW_MORE)]);
    case "forced":
      return joined([`forced ${extension.by}`, forTarget(extension.target, FEW_MORE)]);
    case "positionChange":
      return joined(["position", pairsText(extension.setUp), forTarget(extension.target, own)]);
    case "endHold": {
      const { at } = extension;
      const where = at.kind === "angle" ? `${at.degrees} deg` : at.kind;
      return `hold ${time(extension.seconds)} ${where}`;
    }
    case "breather":
      return joined([`breaths ${extension.breaths}`, forTarget(extension.target, own)]);
    default:
      return assertNever(extension);
  }
}

function dropText(to: DropLoad): string {
  switch (to.kind) {
    case "share":
      return `to ${percent(to.share)} of ${to.of === "first" ? "first" : "last"}`;
    case "strip":
      return `strip ${to.plates}`;
    case "steps":
      return `down ${to.steps}`;
    case "reading":
      return `to ${massText(to.reading)}`;
    case "bodyweight":
      return "to body";
    default:
      return assertNever(to);
  }
}

const sameRest = (a: Rest, b: Rest) => a.kind === b.kind && restText(a) === restText(b);
const sameSide = (a: SideMode, b: SideMode) => sideText(a) === sideText(b);
