import { assertNever, type Mass } from "~/core/kernel/index.ts";
import type { TodayItem } from "~/core/coach/index.ts";
import type { WaitingLine, WaitingWhy } from "~/core/progress/index.ts";
import { formatAmount, formatMass, formatShare, formatShortDay, plural } from "./numbers.ts";
import type { FindMovement } from "~/core/movement/index.ts";
import { formatChange } from "./progression.ts";
import { formatWarningBriefly } from "./warnings.ts";
import { FAULT_NAMES, LIMITER_NAMES, ROLE_NAMES } from "./training.ts";
import { muscleInline, type MuscleNames } from "./muscles.ts";

/** Why a line waits, in about three words. */
export function formatWaitingWhy(why: WaitingWhy, muscles: MuscleNames): string {
  switch (why.kind) {
    case "pain":
      return `${why.joint} pain ${why.score}/10`;
    case "missed":
      return why.times === 2 ? "target missed twice" : `target missed ${why.times} times`;
    case "failed":
      return why.sets === 1 ? "a set failed" : `${why.sets} sets failed`;
    case "fellBack":
      return `fell from ${why.before} to ${why.now}`;
    case "notComparable":
      return "does not compare";
    case "stalled":
      return `no progress, ${plural(why.sessions, "session")}`;
    case "faultReturns":
      return `${FAULT_NAMES[why.fault].toLowerCase()}, again`;
    case "limiter":
      return `${LIMITER_NAMES[why.limiter].toLowerCase()} gave out, again`;
    case "feltElsewhere":
      return `felt in ${muscleInline(muscles, why.felt)}`;
    case "jump":
      return `a step of ${formatShare(why.share)}`;
    case "equipment":
      return "equipment changed";
    case "bound":
      return "at its set limit";
    case "unclear":
      return "needs a look";
    case "progress":
      return "as its rule goes";
    default:
      return assertNever(why);
  }
}

/** "95 kg × 8 8 8", "0 kg × 12, 10 kg × 8", "–" where nothing was logged. */
export function formatDone(done: WaitingLine["done"]): string {
  const [first] = done;
  if (first === undefined) return "not logged";
  const reps = (amount: number | null) => (amount === null ? "?" : String(amount));
  const load = (reading: Mass | null) => (reading === null ? "?" : formatMass(reading));
  const isSame = done.every(
    ({ reading }) =>
      reading?.thousandths === first.reading?.thousandths && reading?.unit === first.reading?.unit,
  );
  return isSame
    ? `${load(first.reading)} × ${done.map(({ amount }) => reps(amount)).join(" ")}`
    : done.map(({ reading, amount }) => `${load(reading)} × ${reps(amount)}`).join(", ");
}

/** What comes next at a glance, and which way: "▲ 97.5 kg", "■ 95 kg, 4 sets, was 3". */
export function formatNextLoad({ move, reading, from, changes }: WaitingLine): {
  readonly mark: "▲" | "■" | "▼" | "·";
  readonly text: string;
} {
  const mark = ({ raise: "▲", keep: "■", lower: "▼", asPlanned: "·" } as const)[move];
  const load =
    reading === null ? (move === "asPlanned" ? "as planned" : "to find") : formatMass(reading);
  const isSame = from !== null && reading !== null && from.thousandths === reading.thousandths;
  const [change] = changes;
  if (change === undefined) return { mark, text: load };
  const more = changes.length > 1 ? ` +${changes.length - 1}` : "";
  return { mark, text: `${isSame ? "" : `${load}, `}${formatChange(change)}${more}` };
}

/** "Back squat", "Back squat, top set" */
export function formatWaitingName(name: string, { role }: Pick<WaitingLine, "role">): string {
  return role === null || role === "work" ? name : `${name}, ${ROLE_NAMES[role].toLowerCase()}`;
}

/** What waits besides lines: its name, what comes, and why. */
export function formatOther(
  item: Exclude<TodayItem, { of: "line" }>,
  find: FindMovement,
  muscles: MuscleNames,
): {
  readonly name: string;
  readonly next: string;
  readonly why: string;
} {
  switch (item.of) {
    case "changedSince":
      return { name: item.title, next: "look again", why: "log changed since" };
    case "untrained":
      return {
        name: item.plan.title,
        next: `planned ${formatShortDay(item.plan.day)}`,
        why: "nothing logged",
      };
    case "lighterDue":
      return {
        name: item.name,
        next: `week ${item.week}: lighter?`,
        why: `${plural(item.weeks, "hard week")} in a row`,
      };
    case "warning":
      return {
        ...formatWarningBriefly(item.warning, find, muscles),
        name: item.more === 0 ? "Over the weeks" : `Over the weeks +${item.more}`,
      };
    case "phaseEnds":
      return { name: item.name, next: `ends ${formatShortDay(item.ends)}`, why: "nothing follows" };
    default:
      return assertNever(item);
  }
}

/** A clash in one sentence, and the way around it. `first` is the exercise to begin with. */
export function formatClash(
  {
    station,
    has,
    until,
  }: { readonly station: string; readonly has: string; readonly until: number },
  way:
    | { readonly kind: "reorder"; readonly first: string }
    | { readonly kind: "later"; readonly begins: number }
    | null,
): string {
  const wanted = `${station} in use by ${has} until ${clock(until)}`;
  if (way === null) return `${wanted}.`;
  return way.kind === "reorder"
    ? `${wanted}: start with ${way.first}.`
    : `${wanted}: start at ${clock(way.begins)}.`;
}

const clock = (minutes: number) =>
  `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(Math.floor(minutes % 60)).padStart(2, "0")}`;

/** The amount alone, for a field in which a load is typed. */
export const formatTypedLoad = (reading: Mass | null) =>
  reading === null ? "" : formatAmount(reading);
