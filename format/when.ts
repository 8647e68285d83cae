import { addDays, type Day } from "~/core/kernel/index.ts";
import type { NoProjection, Projection } from "~/core/progress/index.ts";
import { formatDay, formatMass, formatShare, plural } from "./numbers.ts";

/** The day of so many sessions from a day on, at the pace so far. */
const dayOf = (from: Day, sessions: number, daysEach: number) =>
  addDays(from, Math.round(sessions * daysEach));
const weeksOf = (sessions: number, daysEach: number) =>
  Math.max(1, Math.round((sessions * daysEach) / 7));

/** "Around 14 February 2027, week 9" */
export function formatArrival({ sessions, daysEach }: Projection, from: Day): string {
  const { likely } = sessions;
  return likely === null
    ? "Not within two years"
    : `Around ${formatDay(dayOf(from, likely, daysEach))}, in ${plural(weeksOf(likely, daysEach), "week")}`;
}

/** What an answer rests on, a sentence each. */
export function formatArrivalBecause(projection: Projection, from: Day): readonly string[] {
  const { sessions, daysEach, withoutSteps, steps, implausible, rate, yearRate, asked, reading } =
    projection;
  const { earliest, likely, latest } = sessions;
  const range =
    earliest === null
      ? "Four times out of five it takes longer than that."
      : latest === null
        ? `Not before ${formatDay(dayOf(from, earliest, daysEach))}; how late is open.`
        : `Four times out of five between ${formatDay(dayOf(from, earliest, daysEach))} and ${formatDay(dayOf(from, latest, daysEach))}.`;
  const isMade = asked.thousandths === reading.thousandths;
  const isSlower = likely !== null && withoutSteps !== null && likely > withoutSteps;
  return [
    range,
    `The rate so far: about ${formatShare(rate.likely)} a session (${formatShare(rate.low)} to ${formatShare(rate.high)}), from ${plural(rate.sessions, "session")} that compare, one every ${plural(Math.round(daysEach), "day")}.`,
    ...(isMade
      ? []
      : [
          `${formatMass(asked)} is not made here; ${formatMass(reading)} is the next load that is.`,
        ]),
    ...(latest === null && yearRate > rate.likely
      ? [
          `To arrive within 52 sessions it would have to be about ${formatShare(yearRate)} a session. What changes it: a nearer target, smaller steps, another rep range or variation, more sessions a week.`,
        ]
      : []),
    ...(implausible !== null
      ? [
          `The step from ${formatMass(implausible.from)} to ${formatMass(implausible.to)} is ${formatShare(implausible.share)}: implausible in one session. Smaller plates, an add-on weight or more reps before it make it smaller.`,
        ]
      : []),
    isSlower
      ? `${plural(steps, "step")} to go: each load has to come to the top of its range first. In steps of any size it would be week ${weeksOf(withoutSteps, daysEach)}, not week ${weeksOf(likely, daysEach)}.`
      : steps === 0
        ? "It is trained already; the reps asked are still to come."
        : `${plural(steps, "step")} to go, at most one a session.`,
  ];
}

const CANNOT_TELL: Readonly<
  Record<Extract<NoProjection, { code: "cannotTell" }>["unknown"], string>
> = {
  reps: "This can be worked out for exercises counted in reps only.",
  total:
    "What is moved in all is unknown here: enter the weight of the sled or bar with the equipment, or the client's body weight.",
  load: "The load of the last session is unknown. Correct it in the review, then ask again.",
};

/** Why nothing is said of when a load will be trained, and what to do. */
export function formatNoProjection(why: NoProjection): string {
  switch (why.code) {
    case "met":
      return "That load was trained already.";
    case "beyondStation":
      return `${formatMass(why.heaviest)} is the heaviest load available here. Ask about that, or about other equipment.`;
    case "cannotTell":
      return CANNOT_TELL[why.unknown];
    case "tooFew":
      return `A rate needs four sessions that compare; so far there ${why.sessions === 1 ? "is" : "are"} ${why.sessions}.`;
    case "stalled":
      return `No progress in the last ${plural(why.sessions, "session")}: at this rate it does not arrive. The review of the last session offers ways on.`;
  }
}
