import { REGIONS, type Region } from "../../kernel/index.ts";
import { type Drill, type DrillKind, type Intensity, type Item } from "../index.ts";
import type { NotationContext } from "./context.ts";
import {
  joined,
  number,
  range,
  readBounded,
  readRange,
  readTime,
  time,
  timeText,
  unless,
} from "./measures.ts";
import { kebab, memberWord, movementText, movementWord, name, quoted } from "./names.ts";
import {
  anyOf,
  behind,
  first,
  inTurn,
  map,
  maybe,
  word,
  written,
  type Means,
  type PhrasesOf,
  type Words,
} from "./phrase.ts";
import { note, type Reading } from "./reading.ts";
import { side, sideText } from "./side.ts";
import { target, writeTarget } from "./target.ts";
import type { WordName } from "./tokens.ts";

/** The word of each kind of drill. */
const DRILL_WORDS: Readonly<Record<DrillKind, WordName>> = {
  pulseRaiser: "pulseRaiser",
  mobility: "mobility",
  preFatigue: "preFatigue",
  stretch: "stretch",
  steadyCardio: "steadyCardio",
  intervals: "intervals",
  coolDown: "coolDown",
  selfMassage: "selfMassage",
};

/** How each kind of intensity is written; one that is not said is left out. */
const INTENSITIES: PhrasesOf<Intensity> = {
  unsaid: { read: () => ({ matched: false }), write: () => "" },
  felt: {
    read: map(behind("felt", number), (outOfTen) => (r: Reading) => ({
      kind: "felt" as const,
      outOfTen: readBounded(r, outOfTen, "felt"),
    })),
    write: ({ outOfTen }) => `felt ${outOfTen}`,
  },
  heartRate: {
    read: map(behind("heart", range(number)), (beats) => (r: Reading) => ({
      kind: "heartRate" as const,
      ...readRange(r, beats, "heartRate"),
    })),
    write: ({ min, max }) => `heart ${min}-${max}`,
  },
};

const UNSAID: Intensity = { kind: "unsaid" };

/** drill = kind [ name ] [ "movement" name ] target [ side ] [ intensity ] */
const drill: Words<Means<Drill>> = map(
  inTurn(
    first(
      ...Object.entries(DRILL_WORDS).map(([kind, at]) =>
        map(word(at), (span) => ({ ...span, kind: kind as DrillKind })),
      ),
    ),
    maybe(name),
    maybe(behind("movement", movementWord)),
    target,
    maybe(side),
    maybe(anyOf(INTENSITIES)),
  ),
  ([{ kind, ...at }, called, movement, asked, on, intensity]) =>
    (r: Reading) => {
      if (called === null && movement === null) note(r, at, { code: "unnamed" });
      return {
        kind,
        id: r.newId(),
        lineageId: r.newId(),
        name: called?.text ?? "",
        movement: movement?.(r) ?? null,
        target: asked(r),
        side: on?.(r) ?? { kind: "both" },
        intensity: intensity?.(r) ?? UNSAID,
      };
    },
);

const check: Words<Means<Item>> = map(
  inTurn(behind("check", memberWord<Region>(REGIONS)), time, behind("ifTight", drill)),
  ([region, seconds, ifTight]) =>
    (r: Reading) => ({
      kind: "tightnessCheck",
      id: r.newId(),
      lineageId: r.newId(),
      region: region(r),
      seconds: readTime(r, seconds, "work"),
      ifTight: ifTight(r),
    }),
);

/** A drill, or a check with the drill that it may add. */
export const item: Words<Means<Item>> = first<Means<Item>>(drill, check);

/** Drills and checks as `parseItems` reads them. */
export function writeItems(items: readonly Item[], context: NotationContext): string {
  return items.map((one) => itemText(one, context)).join("; ");
}

export function itemText(value: Item, context: NotationContext): string {
  return value.kind === "tightnessCheck"
    ? `check ${kebab(value.region)} ${timeText(value.seconds)} if tight ${drillText(value.ifTight, context)}`
    : drillText(value, context);
}

function drillText(value: Drill, context: NotationContext): string {
  return joined([
    kebab(value.kind),
    unless(value.name === "", quoted(value.name)),
    value.movement === null ? "" : `movement ${movementText(value.movement, context)}`,
    writeTarget(value.target),
    unless(value.side.kind === "both", sideText(value.side)),
    written(INTENSITIES, value.intensity, null),
  ]);
}
