import { useState, type SyntheticEvent } from "react";
import { takenText } from "~/codec/suggested.ts";
import type { Picked } from "~/core/coach/suggest/index.ts";
import { addDays, weekStart, type Day, type Id } from "~/core/kernel/index.ts";
import { EMPTY_PLAN } from "~/core/plan/index.ts";
import { WEEKDAYS } from "~/format/phase.ts";
import { plural } from "~/format/numbers.ts";
import { readDay } from "~/codec/typed-day.ts";
import type { DayToSuggest } from "./suggest-dialog.tsx";

/** What is chosen for a day whose session Kravo is to suggest, until it has. */
export const SUGGEST = "suggest";

/** How the form says what was taken of a suggestion: `sourceField` reads it. */
const SUGGESTED = "suggested:";
const isSuggested = (value: string) => value.startsWith(SUGGESTED);

interface AskedWeek {
  readonly days: readonly [DayToSuggest, ...DayToSuggest[]];
  readonly weekdays: readonly number[];
  readonly approach: string;
}

/**
 * The days of a new phase whose sessions are suggested: they are asked for together when the form is sent, and what was
 * taken goes with it. Another gym or approach makes what was suggested void.
 */
export function useSuggestedDays(gyms: readonly { readonly id: Id<"gym"> }[]) {
  const [sources, setSources] = useState<Readonly<Record<number, string>>>({});
  const [asked, setAsked] = useState<AskedWeek | null>(null);
  return {
    asked,
    sourceOf: (weekday: number) => sources[weekday] ?? null,
    /** What was taken for a day, as its choice; null where nothing was. */
    suggestedFor: (weekday: number) => {
      const value = sources[weekday] ?? "";
      if (!isSuggested(value)) return null;
      return { value, text: `Suggested: ${plural(value.split(",").length, "exercise")}` };
    },
    choose: (weekday: number, value: string) => setSources((now) => ({ ...now, [weekday]: value })),
    /** Opens the suggestion where a day still waits for one; false where the form can be sent. */
    askBefore: (event: SyntheticEvent<HTMLFormElement>): boolean => {
      const data = new FormData(event.currentTarget);
      const text = (name: string) => {
        const value = data.get(name);
        return typeof value === "string" ? value : "";
      };
      const start = readDay(text("start"));
      const gym = gyms.find(({ id }) => id === text("gymId"));
      const weekdays = WEEKDAYS.flatMap((_, i) => (text(`days[${i}]`) === SUGGEST ? [i] : []));
      if (weekdays.length === 0 || start === null || gym === undefined) return false;
      event.preventDefault();
      const days = weekdays.map((weekday): DayToSuggest => ({
        day: inFirstWeek(start, weekday),
        gym: gym.id,
        plan: EMPTY_PLAN,
        name: WEEKDAYS[weekday] ?? "",
      }));
      const [first, ...others] = days;
      if (first === undefined) return false;
      setAsked({ days: [first, ...others], weekdays, approach: text("approach") });
      return true;
    },
    take: (taken: readonly (readonly Picked[])[]) => {
      const made = (asked?.weekdays ?? []).flatMap((weekday, at) => {
        const picks = taken[at] ?? [];
        return picks.length === 0 ? [] : [[weekday, SUGGESTED + takenText(picks)] as const];
      });
      setSources((now) => ({ ...now, ...Object.fromEntries(made) }));
      setAsked(null);
    },
    close: () => setAsked(null),
    forgetAfter: ({ target }: SyntheticEvent<HTMLFormElement>) => {
      const { name } = target as HTMLInputElement;
      if (name !== "gymId" && name !== "approach") return;
      setSources((now) =>
        Object.fromEntries(
          Object.entries(now).map(([i, value]) => [i, isSuggested(value) ? SUGGEST : value]),
        ),
      );
    },
  };
}

/** The first such weekday of a phase that begins on a day. */
function inFirstWeek(start: Day, weekday: number): Day {
  const at = addDays(weekStart(start), weekday);
  return at < start ? addDays(at, 7) : at;
}
