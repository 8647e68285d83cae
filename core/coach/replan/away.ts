import { z } from "zod";
import { daysBetween, kind, share, type ValueOf } from "../../kernel/index.ts";
import { dateOf, dayField, isEasy, usualWeek, type PhaseEdit } from "../../phase/index.ts";
import { toCome, type ReplanSituation, type ReplanStep } from "./step.ts";

/** Ill or away, from a day to another, both included. */
export const definition = kind("away", {
  from: dayField,
  to: dayField,
  why: z.enum(["ill", "away"]),
});

/** After so many days without training the first week back is a light one. Source: our rule, docs/replanning.md. */
const LIGHT_AFTER: Readonly<Record<"ill" | "away", number>> = { ill: 5, away: 10 };

/**
 * Sessions within the time away are dropped; a week of which nothing is left is trained afterwards, so that the phase
 * ends later; and the first week back is light. The loads come back by the length of the time away, which the rules
 * see by themselves (docs/progression.md).
 */
export function steps(
  { from, to, why }: ValueOf<{ definition: typeof definition }>,
  situation: ReplanSituation,
): readonly ReplanStep[] {
  const { phase, sessions } = situation;
  const coming = toCome(situation);
  const out = coming.filter(({ on }) => from <= on && on <= to);
  if (out.length === 0) return [];
  const dropped = out.map(({ day, week, on }): ReplanStep => ({
    key: `drop ${day.id} ${week}`,
    edits: [{ kind: "placing", day: day.id, week, on: null, gymId: null }],
    because: { code: "dropped", day, week, on },
    isProposed: true,
    group: null,
  }));
  const lost = [...new Set(out.map(({ week }) => week))].filter((week) =>
    sessions
      .filter((own) => own.week === week)
      .every((own) => out.includes(own) || (!coming.includes(own) && own.source !== "done")),
  );
  const back = coming.find(({ on }) => on > to);
  const daysAway = daysBetween(from, to) + 1;
  const easesIn = back !== undefined && daysAway >= LIGHT_AFTER[why];
  const isLight = easesIn && !isEasy(phase.weeks[back.week - 1] ?? { kind: "normal" });
  // Behind the light week, and behind every week in which something is dropped, so that none comes to lie in the time away.
  const last = Math.max(...out.map(({ week }) => week), easesIn ? back.week : 0);
  // Where the time away outlasts the phase there is no week behind it in which they could be trained.
  const isFree = phase.days.every((day) => dateOf(phase, day, last + 1) > to);
  const again = (isFree ? lost : [])
    .toSorted((a, b) => b - a)
    .flatMap((week): readonly PhaseEdit[] => {
      const own = phase.weeks[week - 1];
      return own === undefined ? [] : [{ kind: "addWeek", after: last, week: own }];
    });
  return [
    ...dropped,
    ...(isLight ? [lightIn(back.week, daysAway)] : []),
    ...(again.length === 0
      ? []
      : [
          {
            key: "again",
            edits: again,
            because: { code: "weeksAgain", weeks: lost } as const,
            isProposed: true,
            group: null,
          },
        ]),
  ];
}

/** A light week whose loads are those of the rules, which know how long it was. */
function lightIn(week: number, daysAway: number): ReplanStep {
  const light = { ...usualWeek("light"), load: share(1) };
  return {
    key: `light ${week}`,
    edits: [{ kind: "week", week, to: light }],
    because: { code: "easierReturn", week, daysAway },
    isProposed: true,
    group: null,
  };
}
