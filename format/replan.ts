import { assertNever, type Id } from "~/core/kernel/index.ts";
import type { ReplanEvent, StepReason } from "~/core/coach/replan/index.ts";
import { REPLAN_EVENT_KINDS } from "~/core/coach/replan/index.ts";
import type { FindMovement } from "~/core/movement/index.ts";
import type { NotationError } from "~/core/plan/notation/index.ts";
import { formatShortDay, plural } from "./numbers.ts";
import { formatNotationError } from "./notation.ts";
import { WEEK_NAMES, WEEKDAY_NAMES } from "./phase.ts";
import { JOINT_NAMES } from "./training.ts";

/** What each event is called where one is chosen. */
export const EVENT_NAMES: Readonly<Record<ReplanEvent["kind"], string>> = {
  missed: "A session was missed",
  away: "Ill or away",
  equipmentGone: "Equipment is gone",
  otherGym: "Another gym for a while",
  flareUp: "A joint flares up",
  showEarlier: "The show or test comes earlier",
};
export const EVENTS = REPLAN_EVENT_KINDS.map((kind) => [kind, EVENT_NAMES[kind]] as const);

/** What an event was, in a few words. `nameOf` knows equipment and gyms. */
export function formatEvent(
  event: ReplanEvent,
  nameOf: (id: Id<"station"> | Id<"gym">) => string,
): string {
  const until = (to: string | null) => (to === null ? "on" : `to ${formatShortDay(to as never)}`);
  switch (event.kind) {
    case "missed":
      return `session of week ${event.week} missed`;
    case "away":
      return `${event.why === "ill" ? "ill" : "away"} ${formatShortDay(event.from)} ${until(event.to)}`;
    case "equipmentGone":
      return `${nameOf(event.station)} gone from ${formatShortDay(event.from)} ${until(event.to)}`;
    case "otherGym":
      return `in ${nameOf(event.gym)} ${formatShortDay(event.from)} ${until(event.to)}`;
    case "flareUp":
      return `${JOINT_NAMES[event.joint].toLowerCase()} ${event.severity}/10 from ${formatShortDay(event.from)} ${until(event.to)}`;
    case "showEarlier":
      return `phase to end by ${formatShortDay(event.by)}`;
    default:
      return assertNever(event);
  }
}

/** "Mon week 3" */
const place = (day: { readonly weekday: number }, week: number) =>
  `${WEEKDAY_NAMES[day.weekday - 1] ?? ""} week ${week}`;

/** "weeks 3, 4", "week 3" */
const inWeeks = (weeks: readonly number[]) =>
  `${weeks.length === 1 ? "week" : "weeks"} ${weeks.join(", ")}`;

/** What a step does and why, in one line. */
export function formatStepReason(
  reason: StepReason,
  find: FindMovement,
  nameOf: (id: Id<"station">) => string,
): string {
  const movement = (ref: Parameters<FindMovement>[0]) => find(ref)?.name ?? ref;
  switch (reason.code) {
    case "moved":
      return `Move ${place(reason.day, reason.week)} to ${formatShortDay(reason.on)}: two days from every other session`;
    case "merged":
      return `Do ${reason.movements.map(movement).join(" and ")} in ${place(reason.into, reason.week)}, drop the rest`;
    case "dropped":
      return `Drop ${place(reason.day, reason.week)}, ${formatShortDay(reason.on)}`;
    case "easierReturn":
      return `Make week ${reason.week} light: the first after ${plural(reason.daysAway, "day")}; loads come back by the time away`;
    case "weeksAgain":
      return `Train ${inWeeks(reason.weeks)} afterwards: the phase ends ${plural(reason.weeks.length, "week")} later`;
    case "inGym":
      return `Plan ${place(reason.day, reason.week)} in the other gym`;
    case "standsIn":
      return `${movement(reason.to)} on ${nameOf(reason.station)} for ${movement(reason.from)}, ${inWeeks(reason.weeks)}`;
    case "leftOut":
      return `Leave ${movement(reason.from)} out in ${inWeeks(reason.weeks)}: nothing here stands in for it`;
    case "weekOut":
      return `Take week ${reason.week} out${reason.kind === "normal" ? "" : `, a ${WEEK_NAMES[reason.kind]} one`}`;
    default:
      return assertNever(reason);
  }
}

/** What stood in the way of changing a phase, and what to do. */
export function formatChangeProblem(error: {
  readonly code: string;
  readonly week?: number;
  readonly text?: string;
  readonly with?: { readonly name: string };
  readonly error?: NotationError | null;
}): string {
  switch (error.code) {
    case "trained":
      return `Week ${error.week ?? ""} was trained already: it stays where it is, and so does its day.`;
    case "overlaps":
      return `It would lie on days of ${error.with?.name ?? "another phase"}. Move that one first.`;
    case "changedMeanwhile":
      return "Someone changed this phase in the meantime. Look at it again, then decide.";
    case "nothingTaken":
      return "Nothing is ticked, so that nothing was changed.";
    case "notAWeek":
      return error.text ?? "This is no week of a phase.";
    case "notALoad":
      return `“${error.text ?? ""}” is not a load; write like 82.5, or nothing to take the target away.`;
    case "takesTurns":
      return "It takes turns already. End its turns first.";
    case "notSets":
      return error.error == null
        ? "Write its sets, as in 3 x 8 at 100 then drop to 80%."
        : `Its sets were not understood: ${formatNotationError(error.error)}`;
    case "weekdayTaken":
      return "That weekday has a session already.";
    case "sourceMissing":
      return "That template or session is gone; choose another one.";
    case "noStandIn":
      return "This exercise cannot be done there, or the client may not do it.";
    case "outOfBounds":
      return "That is more than a phase can hold: 1 to 26 weeks, one session a weekday.";
    default:
      return "This phase is gone; its client was erased perhaps.";
  }
}
