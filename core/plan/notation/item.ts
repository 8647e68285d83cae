import { kindsOf, REGIONS, type Region } from "../../kernel/index.ts";
import { isOpenTempo, type Drill, type DrillKind, type Intensity, type Item } from "../index.ts";
import type { NotationContext } from "./context.ts";
import {
  joined,
  massPhrase,
  massText,
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
  many,
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
import { phase, phasesText, readTempo } from "./tempo.ts";
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

/** What every drill says: kind [ name ] [ "movement" name ] target. */
const named = <K extends DrillKind>(kinds: readonly K[]) =>
  inTurn(
    first(...kinds.map((kind) => map(word(DRILL_WORDS[kind]), (span) => ({ ...span, kind })))),
    maybe(name),
    maybe(behind("movement", movementWord)),
    target,
  );
/** What may stand behind it: [ side ] [ intensity ] */
const closing = inTurn(maybe(side), maybe(anyOf(INTENSITIES)));

type Named = ReturnType<typeof named> extends Words<infer V> ? V : never;
type Closing = typeof closing extends Words<infer V> ? V : never;

/** The fields that all drills have. */
function readDrill(
  r: Reading,
  [{ at, length }, called, movement, asked]: Named,
  [on, how]: Closing,
) {
  if (called === null && movement === null) note(r, { at, length }, { code: "unnamed" });
  return {
    id: r.newId<"item">(),
    lineageId: r.newId<"lineage">(),
    name: called?.text ?? "",
    movement: movement?.(r) ?? null,
    target: asked(r),
    side: on?.(r) ?? ({ kind: "both" } as const),
    intensity: how?.(r) ?? UNSAID,
  };
}

const plainDrill: Words<Means<Drill>> = map(
  inTurn(named(kindsOf(DRILL_WORDS).filter((kind) => kind !== "preFatigue")), closing),
  ([said, end]) =>
    (r: Reading) => ({
      kind: said[0].kind,
      ...readDrill(r, said, end),
    }),
);

/** A pre-fatigue drill may say a load and a tempo as well. */
const preFatigue: Words<Means<Drill>> = map(
  inTurn(named(["preFatigue"]), maybe(behind("at", massPhrase)), many(phase), closing),
  ([said, load, phases, end]) =>
    (r: Reading) => ({
      kind: "preFatigue" as const,
      ...readDrill(r, said, end),
      load: load?.(r) ?? null,
      tempo: readTempo(r, phases),
    }),
);

const drill: Words<Means<Drill>> = first<Means<Drill>>(plainDrill, preFatigue);

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
    value.kind === "preFatigue" && value.load !== null ? `at ${massText(value.load)}` : "",
    value.kind === "preFatigue" && !isOpenTempo(value.tempo)
      ? `tempo ${phasesText(value.tempo)}`
      : "",
    unless(value.side.kind === "both", sideText(value.side)),
    written(INTENSITIES, value.intensity, null),
  ]);
}
