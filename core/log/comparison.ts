import { measuresAlike, type Loading } from "../gym/index.ts";
import {
  addSeconds,
  compareMass,
  seconds,
  ticksOf,
  type Fault,
  type Mass,
  type Seconds,
} from "../kernel/index.ts";
import { compareChoices, type SetUpParameter } from "../movement/index.ts";
import { sameTempo, TEMPO_PHASES, type RepRange, type Tempo } from "../plan/index.ts";
import type { Helper } from "./command.ts";
import { isLeftOut, isOverruled, type Comparing } from "./comparing.ts";
import type { ContextAspect, Difference, Direction, WornGear } from "./difference.ts";
import type { ExposedSet } from "./exposure.ts";
import type { LogContext } from "./logged-set.ts";

/** A context with how its station was loaded, which decides whether readings mean the same, and the sets done in it. */
export interface ComparedContext {
  readonly context: LogContext;
  readonly loading: Loading;
  /** Empty where nothing is done yet. */
  readonly sets: readonly ExposedSet[];
}

/** What comparing has to know besides what was done. */
export interface ComparedBy {
  /** Those of the exercise, of which some have an order of what is harder. */
  readonly parameters: readonly SetUpParameter[];
  /** What a coach said does not matter; it is left out. */
  readonly comparing: readonly Comparing[];
}

/** More than this share of rest, of what is held, or this many hard sets before, is another condition. Source: our rule. */
const REST_TOLERANCE = 0.2;
const HELD_TOLERANCE = 0.2;
const ORDER_TOLERANCE = 2;
/** Where the body is moved, this share of its weight is another condition. Source: our rule. */
const BODY_TOLERANCE = 0.02;

/** Gear that helps: with more of it an exercise is easier. Anything else, such as shoes, is just otherwise. */
const SUPPORTS: readonly string[] = ["belt", "straps", "knee sleeves", "knee wraps"];

/**
 * How the later exercise differs from the earlier one, each respect with both values. Empty: like with like. What
 * one side does not know is no difference. Source: PRACTICE.md §8.
 */
export function differences(
  earlier: ComparedContext,
  later: ComparedContext,
  { parameters, comparing }: ComparedBy,
): readonly Difference[] {
  const found = allDifferences(earlier, later, parameters);
  return comparing.length === 0
    ? found
    : found.filter((difference) => !isOverruled(difference, comparing));
}

function allDifferences(
  earlier: ComparedContext,
  later: ComparedContext,
  parameters: readonly SetUpParameter[],
): readonly Difference[] {
  const [a, b] = [earlier.context, later.context];
  const [was, is] = [conditionsIn(earlier), conditionsIn(later)];
  const station: readonly Difference[] =
    a.station !== b.station
      ? [{ aspect: "station", direction: "other", from: a.station, to: b.station }]
      : measuresAlike(earlier.loading, later.loading)
        ? []
        : [{ aspect: "loading", direction: "other" }];
  return [
    ...(a.movement === b.movement
      ? []
      : [{ aspect: "movement", direction: "other", from: a.movement, to: b.movement } as const]),
    ...station,
    ...setUpDifferences(was, is, parameters),
    ...between(was.range, is.range, (from, to) =>
      from === to ? null : { aspect: "range", direction: rangeDirection(from, to), from, to },
    ),
    ...(sameTempo(a.tempo, b.tempo)
      ? []
      : [
          {
            aspect: "tempo",
            direction: tempoDirection(a.tempo, b.tempo),
            from: a.tempo,
            to: b.tempo,
          } as const,
        ]),
    ...restDifference(was, is),
    ...(Math.abs(b.hardSetsBefore - a.hardSetsBefore) <= ORDER_TOLERANCE
      ? []
      : [
          {
            aspect: "order",
            direction: b.hardSetsBefore > a.hardSetsBefore ? "harder" : "easier",
            from: a.hardSetsBefore,
            to: b.hardSetsBefore,
          } as const,
        ]),
    ...between(was.gear, is.gear, (from, to) => {
      const direction = gearDirection(from, to);
      return direction && { aspect: "gear", direction, from, to };
    }),
    ...between(was.helper, is.helper, (from, to) =>
      from === to
        ? null
        : {
            aspect: "helper",
            direction: to === "alone" ? "harder" : from === "alone" ? "easier" : "other",
            from,
            to,
          },
    ),
    ...between(was.bodyWeight, is.bodyWeight, (from, to) => {
      const change = Math.abs(ticksOf(to) - ticksOf(from));
      return change <= ticksOf(from) * BODY_TOLERANCE
        ? null
        : {
            aspect: "bodyWeight",
            direction: compareMass(to, from) > 0 ? "harder" : "easier",
            from,
            to,
          };
    }),
    ...between(was.faults, is.faults, (from, to) => {
      const came = to.filter((fault) => !from.includes(fault));
      const went = from.filter((fault) => !to.includes(fault));
      if (came.length === 0 && went.length === 0) return null;
      const direction = came.length === 0 ? "harder" : went.length === 0 ? "easier" : "other";
      return { aspect: "faults", direction, came, went };
    }),
    ...between(was.held, is.held, (from, to) =>
      Math.abs(to - from) <= from * HELD_TOLERANCE
        ? null
        : { aspect: "held", direction: to > from ? "harder" : "easier", from, to },
    ),
  ];
}

/** What an exercise was done under; null is unknown. */
interface ConditionsIn {
  readonly range: RepRange | null;
  readonly restTaken: Seconds | null;
  readonly restPlanned: Seconds | null;
  readonly gear: readonly WornGear[] | null;
  readonly helper: Helper | null;
  readonly bodyWeight: Mass | null;
  readonly faults: readonly Fault[] | null;
  readonly held: Seconds | null;
  /** Of each parameter that is set up, set by set. */
  readonly choices: ReadonlyMap<string, readonly string[] | null>;
}

/** Each is compared with many others, so that what it was done under is worked out once. */
const worked = new WeakMap<ComparedContext, ConditionsIn>();

function conditionsIn(compared: ComparedContext): ConditionsIn {
  const known = worked.get(compared);
  if (known !== undefined) return known;
  const found: ConditionsIn = {
    range: rangeOf(compared),
    restTaken: restTakenIn(compared),
    restPlanned: compared.context.restSeconds,
    gear: gearOf(compared),
    helper: helperOf(compared),
    bodyWeight: bodyMoved(compared),
    faults: faultsOf(compared),
    held: heldIn(compared),
    choices: new Map([...namesIn(compared)].map((name) => [name, choicesIn(compared, name)])),
  };
  worked.set(compared, found);
  return found;
}

/** What differs between two known values; nothing where one is unknown. */
function between<T>(
  from: T | null,
  to: T | null,
  difference: (from: T, to: T) => Difference | null,
): readonly Difference[] {
  const found = from === null || to === null ? null : difference(from, to);
  return found === null ? [] : [found];
}

export type Verdict = "alike" | "progressOnly" | "regressionOnly" | "notComparable";

/**
 * What may be concluded: `alike` both ways; `progressOnly` when the later session was under harder conditions
 * (an equal or better result is progress, a worse one proves nothing); `regressionOnly` under easier ones;
 * otherwise not comparable. Source: PRACTICE.md §8.
 */
export function verdictOf(found: readonly Difference[]): Verdict {
  if (found.length === 0) return "alike";
  if (found.every((d) => d.direction === "harder")) return "progressOnly";
  if (found.every((d) => d.direction === "easier")) return "regressionOnly";
  return "notComparable";
}

/**
 * Only what both recorded can differ: an unknown choice is not another choice. Where a setting changes from set to
 * set, sets are held against each other in their order; it is harder where none was easier.
 */
function setUpDifferences(
  was: ConditionsIn,
  is: ConditionsIn,
  parameters: readonly SetUpParameter[],
): readonly Difference[] {
  return [...was.choices].flatMap(([name, a]): readonly Difference[] => {
    const b = is.choices.get(name) ?? null;
    if (a === null || b === null) return [];
    const parameter = parameters.find((p) => p.name === name);
    const orders = Array.from({ length: Math.max(a.length, b.length) }, (_, i) => {
      const [from, to] = [a[i] ?? a.at(-1) ?? "", b[i] ?? b.at(-1) ?? ""];
      return from === to ? 0 : compareChoices(parameter, from, to);
    });
    if (orders.every((order) => order === 0)) return [];
    const isAll = (way: 1 | -1) => orders.every((order) => order === 0 || order === way);
    const direction = isAll(1) ? "harder" : isAll(-1) ? "easier" : "other";
    return [{ aspect: "setUp", direction, name, from: told(a), to: told(b) }];
  });
}

const namesIn = ({ context, sets }: ComparedContext) =>
  new Set([...Object.keys(context.setUp), ...sets.flatMap(({ setUp }) => Object.keys(setUp))]);

/** The choices of a parameter set by set; that of the exercise where no set is done yet; null where one is unknown. */
function choicesIn({ context, sets }: ComparedContext, name: string): readonly string[] | null {
  const own = context.setUp[name];
  const all = sets.length === 0 ? [own] : sets.map(({ setUp }) => setUp[name] ?? own);
  const known = all.filter((choice) => choice !== undefined);
  return known.length === all.length ? known : null;
}

/** "high", or "high, then low" where sets differ. */
const told = (choices: readonly string[]) => {
  const [first = ""] = choices;
  return choices.every((choice) => choice === first) ? first : choices.join(", then ");
};

/**
 * The conditions that are known of what was done, but for those that a coach said do not matter: a set-up by each of
 * its parameters. What nobody looked for (faults, seconds held) is an observation and none of them.
 */
export function conditionsKnown(
  compared: ComparedContext,
  { comparing }: ComparedBy,
): ReadonlySet<KnownCondition> {
  const { range, gear, helper, bodyWeight, restTaken, restPlanned, choices } =
    conditionsIn(compared);
  const known: readonly (readonly [KnownAspect, unknown])[] = [
    ["range", range],
    ["gear", gear],
    ["helper", helper],
    ["bodyWeight", bodyWeight],
    ["rest", restTaken ?? restPlanned],
  ];
  return new Set<KnownCondition>([
    ...known.flatMap(([aspect, value]) =>
      value === null || isLeftOut(aspect, null, comparing) ? [] : [aspect],
    ),
    ...[...choices]
      .filter(([name, own]) => own !== null && !isLeftOut("setUp", name, comparing))
      .map(([name]) => `setUp:${name}` as const),
  ]);
}
type KnownAspect = Extract<ContextAspect, "range" | "gear" | "helper" | "bodyWeight" | "rest">;
export type KnownCondition = KnownAspect | `setUp:${string}`;

/** The range that all sets kept to; null where nobody said, or they differ. */
function rangeOf({ sets }: ComparedContext): RepRange | null {
  const [first] = sets;
  const range = first?.conditions.range ?? null;
  return sets.every((set) => set.conditions.range === range) ? range : null;
}

/** The whole range is harder than a part of it; of two parts neither. */
function rangeDirection(from: RepRange, to: RepRange): Direction {
  return to === "full" ? "harder" : from === "full" ? "easier" : "other";
}

/** Slower in every phase is harder, faster in every phase easier; a mixture is just another tempo. */
function tempoDirection(a: Tempo, b: Tempo): Direction {
  const changes = TEMPO_PHASES.map((phase) => {
    const [x, y] = [a[phase], b[phase]];
    if (x === y) return 0;
    return typeof x === "number" && typeof y === "number" ? Math.sign(y - x) : Number.NaN;
  });
  if (changes.every((c) => c >= 0)) return "harder";
  return changes.every((c) => c <= 0) ? "easier" : "other";
}

function restDifference(earlier: ConditionsIn, later: ConditionsIn): readonly Difference[] {
  const isTaken = earlier.restTaken !== null && later.restTaken !== null;
  const [from, to] = isTaken
    ? [earlier.restTaken, later.restTaken]
    : [earlier.restPlanned, later.restPlanned];
  return between(from, to, (was, is) =>
    Math.abs(is - was) <= was * REST_TOLERANCE
      ? null
      : { aspect: "rest", direction: is < was ? "harder" : "easier", from: was, to: is },
  );
}

/** The middle of the rests taken between the sets of an exercise; null where none is known. */
function restTakenIn({ sets }: ComparedContext): Seconds | null {
  const rests = sets
    .slice(1)
    .flatMap(({ conditions }) => conditions.restBefore ?? [])
    .toSorted((a, b) => a - b);
  const upper = rests[Math.floor(rests.length / 2)];
  const lower = rests[Math.floor((rests.length - 1) / 2)];
  return upper === undefined || lower === undefined ? null : seconds((lower + upper) / 2);
}

/** What was worn, each from the first set that had it: as said of every set, else as the exercise says. */
function gearOf({ context, sets }: ComparedContext): readonly WornGear[] | null {
  const said = sets.flatMap(({ conditions }) =>
    conditions.gear === null ? [] : [conditions.gear],
  );
  if (sets.length === 0 || said.length < sets.length) return context.gear;
  return [...new Set(said.flat())].map((name) => ({
    name,
    fromSet: said.findIndex((worn) => worn.includes(name)) + 1,
  }));
}

/** More support, or support from an earlier set on, is easier; null where nothing differs. */
function gearDirection(from: readonly WornGear[], to: readonly WornGear[]): Direction | null {
  const names = [...new Set([...from, ...to].map(({ name }) => name))];
  const changes = names.flatMap((name): readonly Direction[] => {
    const [was, is] = [from, to].map(
      (worn) => worn.find((one) => one.name === name)?.fromSet ?? Infinity,
    );
    if (was === undefined || is === undefined || was === is) return [];
    return [SUPPORTS.includes(name) ? (is < was ? "easier" : "harder") : "other"];
  });
  const [first] = changes;
  if (first === undefined) return null;
  return changes.every((change) => change === first) ? first : "other";
}

/** Who helped: in any set where that was said of sets, else with the exercise; null where nobody said. */
function helperOf({ context, sets }: ComparedContext): Helper | null {
  const said = sets.map(({ conditions }) => conditions.helper).filter((who) => who !== "unknown");
  const helped = said.find((who) => who !== "alone") ?? said[0] ?? context.helper;
  return helped === "unknown" ? null : helped;
}

/** The body weight, where it is moved with the load. */
function bodyMoved({ context, loading }: ComparedContext): Mass | null {
  return loading.kind === "bodyweight" || loading.kind === "assisted" ? context.bodyWeight : null;
}

/** Every fault seen in any set; null where nobody looked. */
function faultsOf({ sets }: ComparedContext): readonly Fault[] | null {
  const seen = sets.flatMap(({ observed }) => (observed.faults === null ? [] : [observed.faults]));
  return seen.length === 0 ? null : [...new Set(seen.flat().map(({ fault }) => fault))];
}

/** What was really held over all sets; null unless it is known of each. */
function heldIn({ sets }: ComparedContext): Seconds | null {
  const held = sets.map(({ observed }) => observed.held);
  return held.length === 0
    ? null
    : held.reduce((sum, one) => (sum === null || one === null ? null : addSeconds(sum, one)));
}
