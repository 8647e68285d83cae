import { kindsOf } from "../../kernel/index.ts";
import {
  areInOrder,
  isOpenTempo,
  isPreparatory,
  REP_RANGES,
  TEMPO_PHASES,
  type LoadBounds,
  type PlannedSet,
  type RepRange,
} from "../index.ts";
import { effortOf } from "./context.ts";
import { effort, effortText } from "./effort.ts";
import { item, itemText } from "./item.ts";
import { bareLoad, load, loadText } from "./load.ts";
import { joined, massPhrase, massText, unless } from "./measures.ts";
import { name, quoted, readGear, setUpText, someSetUp } from "./names.ts";
import { behind, first, inTurn, many, map, oneOf, word, type Words } from "./phrase.ts";
import { note, type Reading } from "./reading.ts";
import { rest, timed, writeRest } from "./rest.ts";
import { headed, placed, type Saying } from "./saying.ts";
import { ownSet, setText, type SetPlace } from "./set-word.ts";
import { perLeg, side, sideText } from "./side.ts";
import type { Span } from "./span.ts";
import { accent, accentsText, phase, shortTempo, tempoText } from "./tempo.ts";

/** How one facet of a set is read and written. */
interface FacetPhrase {
  readonly read: Words<Saying>;
  /** Empty where the set is as usual. */
  readonly write: (set: PlannedSet, place: SetPlace) => string;
  /** True for what belongs to the exercise rather than to one set, and is said once where all sets share it. */
  readonly isShared: boolean;
  /** How often it may be said of one set, each time of something else. */
  readonly most: number;
}

/** What is said about a set beyond its role and target, in the order in which it is written. */
export const FACETS = {
  load: {
    read: first(
      headed("at", load, (rule) => (r) => ({ load: rule(r) })),
      headed("times", load, (rule) => (r) => ({ load: rule(r) })),
      placed(bareLoad, (rule) => ({ says: (r) => ({ load: rule(r) }) })),
    ),
    write: (set, place) => (set.load.kind === "open" ? "" : `at ${loadText(set.load, place)}`),
    isShared: false,
    most: 1,
  },
  bounds: {
    read: first<Saying>(
      map(inTurn(word("at"), behind("least", massPhrase)), ([at, least]) => ({
        ...at,
        once: "least",
        says: (r, set) => bounded(r, at, set, { least: least(r) }),
      })),
      map(inTurn(word("at"), behind("most", massPhrase)), ([at, most]) => ({
        ...at,
        once: "most",
        says: (r, set) => bounded(r, at, set, { most: most(r) }),
      })),
    ),
    write: ({ loadBounds: { least, most } }) =>
      joined([
        least === null ? "" : `at least ${massText(least)}`,
        most === null ? "" : `at most ${massText(most)}`,
      ]),
    isShared: false,
    most: 2,
  },
  effort: {
    read: effort,
    write: ({ role, effort: least, effortUpTo }, { context, always }) => {
      const isUsual = least === effortOf(role, context.defaults) && effortUpTo === null;
      const isAsked = always?.has("effort") === true && !isPreparatory(role) && least !== "unknown";
      return unless(isUsual && !isAsked, effortText(least, effortUpTo));
    },
    isShared: false,
    most: 1,
  },
  phase: {
    read: first<Saying>(shortTempo, phase),
    write: ({ tempo }, { context }) => unless(isOpenTempo(tempo), tempoText(tempo, context.tempo)),
    isShared: true,
    most: TEMPO_PHASES.length,
  },
  tempoAs: {
    read: map(inTurn(word("tempo"), behind("as", ownSet)), ([at, set]) => ({
      ...at,
      says: (r) => ({ tempoAs: set(r) }),
    })),
    write: ({ tempoAs }, place) =>
      tempoAs === null ? "" : `tempo as ${setText({ set: tempoAs, part: null }, place)}`,
    isShared: false,
    most: 1,
  },
  range: {
    read: headed(
      "range",
      oneOf<RepRange>(REP_RANGES.map((range) => [range, range])),
      (range) => () => ({ range }),
    ),
    write: ({ range }) => unless(range === "full", `range ${range}`),
    isShared: true,
    most: 1,
  },
  accent: {
    read: accent,
    write: ({ accents }) => accentsText(accents),
    isShared: true,
    most: 3,
  },
  setUp: {
    read: headed("with", someSetUp, (setUp) => (r) => ({ setUp: setUp(r) })),
    write: ({ setUp }) => unless(Object.keys(setUp).length === 0, `with ${setUpText(setUp)}`),
    isShared: false,
    most: 1,
  },
  gear: {
    read: headed("wear", inTurn(name, many(name)), ([one, others]) => (r) => ({
      gear: readGear(r, [one, ...others]),
    })),
    write: ({ gear }) => unless(gear.length === 0, `wear ${gear.map(quoted).join(" ")}`),
    isShared: true,
    most: 1,
  },
  side: {
    read: first<Saying>(
      placed(side, (mode) => ({ says: (r) => ({ side: mode(r) }) })),
      map(first(word("perLeg"), word("perSide")), (at) => ({
        ...at,
        says: (r) => ({ side: perLeg(r.context.defaults.side) }),
      })),
    ),
    write: (set, { context, always }) => {
      const text = sideText(set.side);
      return unless(text === sideText(context.defaults.side) && always?.has("side") !== true, text);
    },
    isShared: true,
    most: 1,
  },
  rest: {
    read: first<Saying>(
      headed("rest", rest, (after) => (r) => ({ restAfter: after(r) })),
      map(inTurn(timed, word("rest")), ([after, at]) => ({
        ...at,
        says: (r) => ({ restAfter: after(r) }),
      })),
    ),
    write: ({ restAfter }, { context, always }) => {
      const text = writeRest(restAfter);
      const isUsual = text === writeRest(context.defaults.rest) && always?.has("rest") !== true;
      return unless(isUsual, `rest ${text}`);
    },
    isShared: false,
    most: 1,
  },
  between: {
    read: headed("between", inTurn(item, many(behind("and", item))), ([one, others]) => (r) => ({
      between: [one, ...others].map((each) => each(r)),
    })),
    write: ({ between }, { context }) =>
      unless(
        between.length === 0,
        `between ${between.map((each) => itemText(each, context)).join(" and ")}`,
      ),
    isShared: true,
    most: 1,
  },
  optional: {
    read: map(word("optional"), (at) => ({ ...at, says: () => ({ optional: true }) })),
    write: ({ optional }) => unless(!optional, "optional"),
    isShared: false,
    most: 1,
  },
} satisfies Readonly<Record<string, FacetPhrase>>;

/** The set held by one more bound; notes where no load lies between both. */
function bounded(
  r: Reading,
  at: Span,
  { loadBounds }: PlannedSet,
  bound: Partial<LoadBounds>,
): Partial<PlannedSet> {
  const bounds = { ...loadBounds, ...bound };
  if (areInOrder(bounds)) return { loadBounds: bounds };
  note(r, at, { code: "noLoadBetween" });
  return { loadBounds };
}

export type Facet = keyof typeof FACETS;
export const FACET_NAMES = kindsOf(FACETS);

/** One thing said about a set, with its facet. */
export interface Modifier extends Saying {
  readonly facet: Facet;
}

/** Whatever may be said about a set, in any order. */
export const modifier: Words<Modifier> = first(
  ...FACET_NAMES.map((facet) => map(FACETS[facet].read, (said) => ({ ...said, facet }))),
);
