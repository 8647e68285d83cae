import type { Day, Id } from "~/core/kernel/index.ts";
import type { Move } from "~/core/phase/index.ts";
import { formatShortDay } from "./numbers.ts";
import { formatChangeProblem } from "./replan.ts";

/** What each kind of event is called; the kinds are those of `codec/event.ts`. */
export const EVENT_KIND_NAMES = {
  show: "Show",
  test: "Test",
  holiday: "Holiday",
  travel: "Travel",
  other: "Other",
} as const;

/** "Strength 1 moves to 9 Mar" and what moves along. */
export function formatMoves(
  moves: readonly Move[],
  nameOf: (id: Id<"phase">) => string,
): { readonly own: string; readonly along: string } {
  const [first, ...others] = moves.map(({ id, to }) => `${nameOf(id)} to ${formatShortDay(to)}`);
  return {
    own: first === undefined ? "" : `Move ${first}`,
    along: others.length === 0 ? "Nothing else moves." : `Moves along: ${others.join(", ")}.`,
  };
}

/** Why a phase cannot move there. */
export function formatMoveError(
  error: { readonly code: string; readonly by?: Id<"phase">; readonly id?: Id<"phase"> },
  nameOf: (id: Id<"phase">) => string,
): string {
  switch (error.code) {
    case "begun":
      return `${error.id === undefined ? "It" : nameOf(error.id)} has begun: its first day stays. Replan it, or change its weeks.`;
    case "taken":
      return `${error.by === undefined ? "Another phase" : nameOf(error.by)} has those days.`;
    case "notAsShown":
      return "Someone moved something in the meantime: look again at what would move along.";
    default:
      return formatChangeProblem(error as never);
  }
}

/** "3 Nov", "3 Nov – 9 Nov" */
export const formatDays = (from: Day, to: Day): string =>
  from === to ? formatShortDay(from) : `${formatShortDay(from)} – ${formatShortDay(to)}`;
