import type { Warning } from "~/core/coach/warnings/index.ts";
import { assertNever } from "~/core/kernel/index.ts";
import type { FindMovement } from "~/core/movement/index.ts";
import { formatDay, formatShare, formatSets, plural } from "./numbers.ts";
import { formatChance, formatStated } from "./odds.ts";
import { whoseWord } from "./volume.ts";
import { JOINT_NAMES, SIDE_NAMES } from "./training.ts";
import type { MuscleNames } from "./muscles.ts";

const change = (share: number) => `${share > 0 ? "+" : ""}${formatShare(share)}`;

/** What goes wrong and why, in about three words each. */
export function formatWarningBriefly(
  warning: Warning,
  find: FindMovement,
  muscles: MuscleNames,
): { readonly next: string; readonly why: string } {
  const nameOf = (movement: Parameters<FindMovement>[0]) => find(movement)?.name ?? movement;
  switch (warning.kind) {
    case "painStays":
      return {
        next: `${JOINT_NAMES[warning.joint].toLowerCase()} pain ${warning.to}/10`,
        why: `in ${warning.times} of ${warning.of} sessions`,
      };
    case "targetSlips":
      return {
        next: `${nameOf(warning.movement)}, ${formatStated(warning)}`,
        why: slipsBriefly(warning),
      };
    case "weakerThanLighter":
      return {
        next: `strength ${change(warning.strength)}`,
        why: `body weight ${change(warning.weight)}`,
      };
    case "heavierNotStronger":
      return {
        next: `body weight ${change(warning.weight)}`,
        why: `strength ${change(warning.strength)}`,
      };
    case "sideDrift":
      return {
        next: nameOf(warning.movement),
        why: `${SIDE_NAMES[warning.weaker]} ${formatShare(warning.to)} behind`,
      };
    case "limitNoBreak":
      return {
        next: `${warning.sets} sets to failure`,
        why: `${plural(warning.weeks, "week")}, none lighter`,
      };
    case "prioritySkipped":
      return {
        next: muscles.row[warning.region],
        why: `skipped ${warning.times} of ${warning.of} times`,
      };
    case "priorityLate":
      return {
        next: muscles.row[warning.region],
        why: `late ${warning.times} of ${warning.of} times`,
      };
    case "warmUpSkipped":
      return { next: "Warm-up", why: `skipped ${warning.times} of ${warning.of} times` };
    case "skippedAgain":
      return {
        next: nameOf(warning.movement),
        why: `skipped ${warning.times} of ${warning.of} times`,
      };
    case "outOfRange":
      return {
        next: `${muscles.row[warning.region]}, ${formatSets(warning.sets)} sets`,
        why: `${warning.side} ${warning.low}–${warning.high}, ${plural(warning.weeks, "week")}`,
      };
    case "sameForLong":
      return {
        next: nameOf(warning.movement),
        why: `since ${formatDay(warning.since)}`,
      };
    default:
      return assertNever(warning);
  }
}

function slipsBriefly({ week, arrives, chance }: Extract<Warning, { kind: "targetSlips" }>) {
  if (arrives === null) return `slips past week ${week}`;
  if (arrives > week) return `slips to week ${arrives}`;
  return chance === null ? "slips" : `${formatChance(chance)} by week ${week}`;
}

/** "Skipped in 2 of the last 4 sessions." */
export function formatSkipped({ times, of }: { readonly times: number; readonly of: number }) {
  return `Skipped in ${times} of the last ${plural(of, "session")}.`;
}

/** The same in sentences: what was seen, with its numbers, and what a coach would look at. */
export function formatWarning(
  warning: Warning,
  find: FindMovement,
  muscles: MuscleNames,
  approach: string,
): { readonly seen: string; readonly look: string } {
  const nameOf = (movement: Parameters<FindMovement>[0]) => find(movement)?.name ?? movement;
  switch (warning.kind) {
    case "painStays": {
      const { joint, times, of, from, to } = warning;
      return {
        seen: `${JOINT_NAMES[joint]} pain in ${times} of the last ${plural(of, "session")}: ${from === to ? `${to} of 10` : `from ${from} to ${to} of 10`}.`,
        look: "Train around it: write it into the brief, or replan the phase. Pain that stays, or feels like a nerve, goes to a professional.",
      };
    }
    case "targetSlips": {
      const { movement, week, arrives, chance } = warning;
      const way =
        arrives === null
          ? "not within this phase, even if every target is met"
          : arrives > week
            ? `week ${arrives} if every target is met`
            : "in time if every target is met";
      return {
        seen: `${nameOf(movement)} ${formatStated(warning)} by week ${week}: ${way}${chance === null ? "" : `, ${formatChance(chance)} chance`}.`,
        look: "Move the target, add a week, or look at what holds the loads back.",
      };
    }
    case "weakerThanLighter":
      return {
        seen: `Body weight ${change(warning.weight)} in ${plural(warning.weeks, "week")}, strength ${change(warning.strength)}: more was lost than the weight alone explains.`,
        look: "Slow the cut, or drop sets and keep the loads.",
      };
    case "heavierNotStronger":
      return {
        seen: `Body weight ${change(warning.weight)} in ${plural(warning.weeks, "week")}, strength ${change(warning.strength)}.`,
        look: "Look at effort, sleep and what is logged before anything is added.",
      };
    case "sideDrift":
      return {
        seen: `${nameOf(warning.movement)}: the ${SIDE_NAMES[warning.weaker]} does ${formatShare(warning.to)} less, before that ${formatShare(warning.from)}.`,
        look: "Weak side first, the other matches it; and look at the set-up.",
      };
    case "limitNoBreak":
      return {
        seen: `${warning.sets} sets to failure in ${plural(warning.weeks, "week")} without a lighter one.`,
        look: "Plan a lighter week, or leave a rep or two for some weeks.",
      };
    case "prioritySkipped":
      return {
        seen: `${muscles.row[warning.region]} (a priority): skipped in ${warning.times} of the last ${warning.of} sessions that had it.`,
        look: "Put it first next time.",
      };
    case "priorityLate":
      return {
        seen: `${muscles.row[warning.region]} (a priority): late in ${warning.times} of the last ${warning.of} sessions.`,
        look: "Put it first next time.",
      };
    case "warmUpSkipped":
      return {
        seen: `The warm-up was skipped in ${warning.times} of the last ${plural(warning.of, "session")} in which that was logged.`,
        look: "The floor asks for it first. If time is short, plan a shorter one.",
      };
    case "skippedAgain":
      return {
        seen: `${nameOf(warning.movement)} was skipped in ${warning.times} of the last ${warning.of} sessions that had it.`,
        look: "Put it first next time, or drop it.",
      };
    case "outOfRange": {
      const { region, side, weeks, sets, low, high, whose } = warning;
      return {
        seen: `${muscles.row[region]}: ${formatSets(sets)} hard sets a week for ${plural(weeks, "week")}, ${side} the ${low} to ${high} of ${whoseWord(whose, approach)}.`,
        look:
          side === "below"
            ? "Add a set or an exercise, or give this client a range in the brief."
            : "Drop sets, or give this client a range in the brief. Too many is as much an error as too few.",
      };
    }
    case "sameForLong":
      return {
        seen: `${nameOf(warning.movement)} since ${formatDay(warning.since)}, ${plural(warning.sessions, "session")}; ${approach} changes exercises more often.`,
        look: "A variant of it may do more for a while.",
      };
    default:
      return assertNever(warning);
  }
}
