import { z } from "zod";
import { share, textWithin } from "../kernel/index.ts";
import { rirEitherWay, setsEitherWay, weekPercent } from "../plan/index.ts";
import { WEEK_KINDS, type TrainingWeek, type WeekKind } from "../progress/index.ts";

/** What a week of a phase makes of every line: so many sets more, so many reps more in reserve, so much of the load. */
export const phaseWeekField = z
  .object({
    kind: z.enum(WEEK_KINDS),
    sets: setsEitherWay,
    effort: rirEitherWay,
    load: weekPercent,
    note: textWithin(200),
  })
  .refine(
    (week) => week.load === 1 || isEasy(week),
    "expected the load of the rules in a week that is neither light nor lighter",
  )
  .readonly();
export type PhaseWeek = z.output<typeof phaseWeekField>;

/** What each kind of week begins with. Source: our rule, docs/phases.md § Weeks. */
const USUAL: Readonly<Record<WeekKind, Omit<PhaseWeek, "kind" | "note">>> = {
  normal: { sets: 0, effort: 0, load: share(1) },
  light: { sets: -1, effort: 2, load: share(0.95) },
  lighter: { sets: -2, effort: 2, load: share(0.9) },
  test: { sets: 0, effort: 0, load: share(1) },
};

/** A week as its kind begins. */
export function usualWeek(kind: WeekKind): PhaseWeek {
  return { kind, ...USUAL[kind], note: "" };
}

/** How the weeks of a phase follow each other. */
export interface WeekPattern {
  readonly weeks: number;
  readonly isFirstLight: boolean;
  /** Every so many weeks a lighter one, or one after the hardest weeks; null for none. */
  readonly lighterEvery: number | "afterHardest" | null;
  readonly isLastTest: boolean;
  /** Reps more in reserve than written in the first normal week; none in the last. */
  readonly easierBy: number;
  /** Sets fewer than written in the first normal week; none in the last. */
  readonly fewerBy: number;
}

/** Fewer weeks build up to no hardest one. Source: our rule, docs/phases.md § Weeks. */
const BUILDS_FOR = 3;

/**
 * The weeks of a phase from a pattern. Over the normal weeks effort comes down to what is written, and sets rise
 * to it, in whole steps; where a lighter week follows the hardest ones, anew after each. A lighter week is never the
 * first one, nor the one before a test.
 */
export function weeksOf(pattern: WeekPattern): readonly PhaseWeek[] {
  const { weeks, isFirstLight, lighterEvery, isLastTest, easierBy, fewerBy } = pattern;
  const builds = Math.max(BUILDS_FOR, 1 + easierBy, 1 + fewerBy);
  const isDueAt = (i: number) => {
    if (lighterEvery === null) return false;
    // A light first week is no week of building up.
    return lighterEvery === "afterHardest"
      ? (i + 1 - Number(isFirstLight)) % (builds + 1) === 0
      : (i + 1) % lighterEvery === 0;
  };
  const kinds = Array.from({ length: weeks }, (_, i): WeekKind => {
    if (isLastTest && i === weeks - 1) return "test";
    if (isFirstLight && i === 0) return "light";
    return i > 0 && isDueAt(i) && !(isLastTest && i === weeks - 2) ? "lighter" : "normal";
  });
  const normal = kinds.flatMap((kind, i) => (kind === "normal" ? [i] : []));
  const isBlock = lighterEvery === "afterHardest";
  return kinds.map((kind, i) => {
    const week = usualWeek(kind);
    if (kind !== "normal") return week;
    const at = isBlock ? normal.indexOf(i) % builds : normal.indexOf(i);
    const many = isBlock ? builds : normal.length;
    // 1 in the first week of building up, 0 in the last.
    const left = many < 2 ? 0 : 1 - at / (many - 1);
    const rise = Math.round(fewerBy * left);
    return { ...week, effort: Math.round(easierBy * left), sets: rise === 0 ? 0 : -rise };
  });
}

/** True where a week leaves every line as it is. */
export function isPlain({ sets, effort, load }: PhaseWeek): boolean {
  return sets === 0 && effort === 0 && load === 1;
}

/** True for a week in which nobody is asked to get further, so that what is done in it is no verdict. */
export function isEasy({ kind }: { readonly kind: WeekKind }): boolean {
  return kind === "light" || kind === "lighter";
}

/** A week of a phase as progression looks at it; `number` from 1. */
export function trainingWeek(weeks: readonly PhaseWeek[], number: number): TrainingWeek {
  const before = weeks.slice(0, number - 1);
  const last = before.findLastIndex(isEasy);
  return {
    number,
    kind: weeks[number - 1]?.kind ?? "normal",
    sinceLighter: last < 0 ? null : number - 1 - last,
  };
}
