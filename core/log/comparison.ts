import { measuresAlike, type Loading } from "../gym/index.ts";
import { sameTempo, TEMPO_PHASES, type Tempo } from "../plan/index.ts";
import { compareChoices, type SetUpParameter } from "../movement/index.ts";
import type { LogContext } from "./logged-set.ts";

/** Whether the later session had it harder, easier, or just otherwise in one respect. */
export type Direction = "harder" | "easier" | "other";

export type ContextAspect =
  "movement" | "station" | "setUp" | "tempo" | "rest" | "order" | "gear" | "helper";

/** One respect in which two performed exercises differ. */
export interface Difference {
  readonly aspect: ContextAspect;
  readonly direction: Direction;
}

/** A context together with how its station was loaded, which decides whether readings mean the same. */
export interface ComparedContext {
  readonly context: LogContext;
  readonly loading: Loading;
}

/** More than this share of rest, or this many hard sets before, is another condition. Source: our rule. */
const REST_TOLERANCE = 0.2;
const ORDER_TOLERANCE = 2;

/**
 * How the later exercise differs from the earlier one. Empty: like with like. `parameters` are those of the
 * exercise, of which some have an order of what is harder.
 */
export function differences(
  earlier: ComparedContext,
  later: ComparedContext,
  parameters: readonly SetUpParameter[] = [],
): readonly Difference[] {
  const a = earlier.context;
  const b = later.context;
  const found: Difference[] = [];
  const note = (aspect: ContextAspect, direction: Direction) => found.push({ aspect, direction });
  if (a.movement !== b.movement) note("movement", "other");
  if (a.station !== b.station || !measuresAlike(earlier.loading, later.loading))
    note("station", "other");
  const setUp = setUpDirection(a, b, parameters);
  if (setUp !== null) note("setUp", setUp);
  if (!sameTempo(a.tempo, b.tempo)) note("tempo", tempoDirection(a.tempo, b.tempo));
  if (a.restSeconds !== null && b.restSeconds !== null) {
    const change = b.restSeconds - a.restSeconds;
    if (Math.abs(change) > a.restSeconds * REST_TOLERANCE)
      note("rest", change < 0 ? "harder" : "easier");
  }
  const moved = b.hardSetsBefore - a.hardSetsBefore;
  if (Math.abs(moved) > ORDER_TOLERANCE) note("order", moved > 0 ? "harder" : "easier");
  const gear = gearNames(a) === null || gearNames(b) === null ? null : [gearNames(a), gearNames(b)];
  if (gear !== null && gear[0] !== gear[1]) note("gear", "other");
  if (a.helper !== "unknown" && b.helper !== "unknown" && a.helper !== b.helper) {
    note("helper", b.helper === "alone" ? "harder" : a.helper === "alone" ? "easier" : "other");
  }
  return found;
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
 * Whether the later set-up was harder or easier in all that differs, or just another; null where nothing does.
 * Only what both recorded can differ: an unknown choice is not another choice.
 */
function setUpDirection(
  a: LogContext,
  b: LogContext,
  parameters: readonly SetUpParameter[],
): Direction | null {
  const changes = Object.entries(a.setUp).flatMap(([name, from]) => {
    const to = b.setUp[name] ?? from;
    return to === from
      ? []
      : [
          compareChoices(
            parameters.find((p) => p.name === name),
            from,
            to,
          ),
        ];
  });
  if (changes.length === 0) return null;
  if (changes.every((change) => change === 1)) return "harder";
  return changes.every((change) => change === -1) ? "easier" : "other";
}

function gearNames(context: LogContext): string | null {
  return context.gear === null ? null : [...context.gear.map((g) => g.name)].sort().join("|");
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
