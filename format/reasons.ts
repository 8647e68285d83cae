import type { Difference, WornGear } from "~/core/log/index.ts";
import { isOpenTempo, type Tempo } from "~/core/plan/index.ts";
import type { PlanIssue } from "~/core/unroll/index.ts";
import type { FindMovement } from "~/core/movement/index.ts";
import { type Joint, assertNever } from "~/core/kernel/index.ts";
import type { Proposal, Reason } from "~/core/progress/index.ts";
import { formatOpenBecause } from "./load.ts";
import { formatMass, formatShare, plural } from "./numbers.ts";
import { rounded } from "./strength.ts";
import { sentence } from "./sentence.ts";
import { FAULT_NAMES, formatTempo, HELPER_NAMES, JOINT_NAMES, RANGE_NAMES } from "./training.ts";

const DIRECTION_NAMES = { harder: "harder", easier: "easier", other: "different" } as const;

/** "foot height high, was low (harder)", "rest 60 s, was 120 s (harder)" */
export function formatDifference(d: Difference): string {
  return `${differenceText(d)} (${DIRECTION_NAMES[d.direction]})`;
}

function differenceText(d: Difference): string {
  switch (d.aspect) {
    case "movement":
      return "another exercise";
    case "station":
      return "other equipment";
    case "loading":
      return "the equipment changed since";
    case "setUp":
      return `${d.name.toLowerCase()} ${d.to}, was ${d.from}`;
    case "range":
      return `${RANGE_NAMES[d.to]}, was ${RANGE_NAMES[d.from]}`;
    case "tempo":
      return `${tempoText(d.to)}, was ${tempoText(d.from)}`;
    case "rest":
      return `rest ${d.to} s, was ${d.from} s`;
    case "order":
      return `${plural(d.to, "hard set")} before it, ${d.from === 1 ? "was" : "were"} ${d.from}`;
    case "gear":
      return `${gearText(d.to)}, was ${gearText(d.from)}`;
    case "helper":
      return `${HELPER_NAMES[d.to].toLowerCase()}, was ${HELPER_NAMES[d.from].toLowerCase()}`;
    case "bodyWeight":
      return `body weight ${formatMass(d.to)}, was ${formatMass(d.from)}`;
    case "faults":
      return [
        ...d.came.map((fault) => `new fault: ${FAULT_NAMES[fault]}`),
        ...d.went.map((fault) => `fault gone: ${FAULT_NAMES[fault]}`),
      ].join(", ");
    case "held":
      return `held ${d.to} s in all, was ${d.from} s`;
    default:
      return assertNever(d);
  }
}

const tempoText = (tempo: Tempo) =>
  isOpenTempo(tempo) ? "no set tempo" : `tempo ${formatTempo(tempo, "lower")}`;

function gearText(worn: readonly WornGear[]): string {
  if (worn.length === 0) return "without gear";
  const names = worn.map(({ name, fromSet }) =>
    fromSet === 1 ? name : `${name} from set ${fromSet}`,
  );
  return `with ${names.join(" and ")}`;
}

/** What reps in all come to after those of last time, under conditions that let only one thing be concluded. */
function oneWay(
  { differences, before, now }: Extract<Reason, { code: "harderConditions" | "easierConditions" }>,
  how: "harder" | "easier",
): string {
  const what = `${sentence(differences.map(differenceText).join("; "))}: ${how} than last time.`;
  if (before === null || now === null)
    return how === "harder"
      ? `${what} An equal or better result is progress; a worse one proves nothing.`
      : `${what} A worse result is a loss; a better one proves nothing.`;
  const counted = `${plural(now, "rep")} in all after ${before}`;
  if (how === "harder")
    return now >= before
      ? `${what} ${counted}: progress.`
      : `${what} ${counted}: no loss; ${before} would have been progress.`;
  return now >= before
    ? `${what} ${counted}: no proof of progress.`
    : `${what} ${counted}: a loss.`;
}

/** One sentence for one reason, with its numbers. */
export function formatReason(reason: Reason): string {
  switch (reason.code) {
    case "allAtTop":
      return `${plural(reason.sets, "work set")} at ${formatMass(reason.reading)} reached the top of the range, ${reason.top} reps.`;
    case "repsToGain":
      return `The lowest set had ${reason.lowest} reps; the range ends at ${reason.top}. Gain reps at ${formatMass(reason.reading)} first.`;
    case "smallestStep":
      return `The next load available from ${formatMass(reason.from)} is ${formatMass(reason.to)}, ${reason.stepShare === null ? "an unknown share of the load moved" : `${formatShare(reason.stepShare)} of the load moved`}.`;
    case "largeStep":
      return `That step is ${formatShare(reason.stepShare)}, more than the ${formatShare(reason.limit)} taken without asking. Going past the top of the range first is the usual way round it.`;
    case "atCeiling":
      return `${formatMass(reason.reading)} is the heaviest this station makes. Ways on: an add-on weight, one leg, more reps, slower tempo, another station.`;
    case "atBound":
      return `The limit for this set is ${formatMass(reason.reading)}; the rule gives ${formatMass(reason.would)}. Change the limit, or progress by reps, tempo or range.`;
    case "harderThanAsked":
      return `${reason.asked} reps were to be left and ${reason.lowest === 0 ? "none was" : `${reason.lowest} were`}. Repeat until it comes with the reserve asked.`;
    case "belowRange":
      return `The lowest set had ${reason.lowest} reps, below the ${reason.bottom} asked${reason.times > 1 ? `, the ${reason.times === 2 ? "second" : `${reason.times}th`} time running` : ""}.`;
    case "fellBack":
      return `${plural(reason.now, "rep")} in all at ${formatMass(reason.reading)} after ${reason.before} last time: too far back to call it gaining reps.`;
    case "stalled":
      return `${reason.sessions} comparable sessions at ${formatMass(reason.reading)} without more reps in total. One indicator among several: sleep, food and stress come first.`;
    case "heldWhileCutting":
      return `${formatMass(reason.reading)} held over ${reason.sessions} sessions: while body weight is being cut, that is success.`;
    case "pain":
      return `Pain was recorded: ${JOINT_NAMES[reason.joint as Joint]}, ${reason.score} of 10. Nothing is raised over pain; lasting or sharp pain is for a qualified professional.`;
    case "unknownReps":
      return `The reps of ${plural(reason.sets, "set")} are unknown.`;
    case "unknownEffort":
      return `The effort of ${plural(reason.sets, "set")} is unknown.`;
    case "unknownReading":
      return `The load of ${plural(reason.sets, "set")} is unknown.`;
    case "setsMissing":
      return `${reason.done} of ${reason.planned} work sets were done.`;
    case "mixedLoads":
      return `Work sets ran from ${formatMass(reason.lightest)} to ${formatMass(reason.heaviest)}.`;
    case "notComparable":
      return `Not comparable with the session before: ${reason.differences.map(formatDifference).join(", ")}. A new series starts here.`;
    case "harderConditions":
      return oneWay(reason, "harder");
    case "easierConditions":
      return oneWay(reason, "easier");
    case "readingChanged":
      return reason.to === null
        ? `What ${formatMass(reason.from)} means on this equipment changed since, and its total is unknown: say what to load.`
        : `What is read on this equipment changed since: ${formatMass(reason.from)} then is ${formatMass(reason.to)} now.`;
    case "cannotBeMadeNow":
      return `${formatMass(reason.reading)} cannot be made here any more.`;
    case "followsSet":
      return "It follows from another set and moves when that one does.";
    case "workedOutOnTheDay":
      return "The load is worked out on the day from what is logged by then.";
    case "firstExposure":
      return "First logged session of this exercise here.";
    case "noExposure":
      return "Nothing was logged for this exercise.";
    case "notInReps":
      return "Its sets ask for no range of reps, so double progression has nothing to judge.";
    case "heldByRule":
      return "The load is set to stay as it is.";
    default:
      return assertNever(reason);
  }
}

/** "Raise to 82.5 kg", "Keep 80 kg", "Load still to be found". */
export function formatMove(proposal: Pick<Proposal, "move" | "reading">): string {
  if (proposal.reading === null) return "Load still to be found";
  const reading = formatMass(proposal.reading);
  switch (proposal.move) {
    case "raise":
      return `Raise to ${reading}`;
    case "keep":
      return `Keep ${reading}`;
    case "lower":
      return `Lower to ${reading}`;
    default:
      return assertNever(proposal.move);
  }
}

export const CONFIDENCE_NAMES = {
  high: "high confidence",
  medium: "medium confidence",
  low: "low confidence",
} as const;

/** "Set 3: …", "Sets 1, 2 and 4: …"; the text alone where it is of no set. */
export function formatAtSets(numbers: readonly number[], text: string): string {
  const sorted = [...new Set(numbers)].sort((a, b) => a - b);
  const last = sorted.pop();
  if (last === undefined) return text;
  return sorted.length === 0
    ? `Set ${last}: ${text}`
    : `Sets ${sorted.join(", ")} and ${last}: ${text}`;
}

/** What an issue of a plan says at its place. */
export function formatPlanIssue(issue: PlanIssue, find: FindMovement): string {
  switch (issue.code) {
    case "cannotBeMade":
      return `${formatMass(issue.reading)} cannot be made here.`;
    case "stationMissing":
      return "The station or movement is not to be had in this gym; choose another.";
    case "noSets":
      return "No sets are written; add one or remove the exercise.";
    case "idleDrop":
      return issue.asked === null
        ? `The drop comes out at ${formatMass(issue.reading)}, not easier. Go down further.`
        : `The drop to ${formatShare(issue.asked)} comes out at ${formatMass(issue.reading)}, not easier: the steps here are too coarse. Choose a smaller share.`;
    case "harderDrop":
      return `A drop gets easier: ${formatMass(issue.reading)} is not easier than the ${formatMass(issue.before)} before it.`;
    case "setUpUnknown":
      return issue.choices.length === 0
        ? `This movement has no set-up called “${issue.name}”.`
        : `“${issue.choice}” is no choice of ${issue.name} here; there are ${issue.choices.join(", ")}.`;
    case "loadUnknown":
      return formatOpenBecause(issue.because, find);
    case "beyondReach":
      return `${formatMass(issue.total)} in all for ${plural(issue.possible, "possible rep")}: ${issue.by === "estimate" ? "the estimate" : "the set it follows"} allows about ${formatMass(rounded(issue.reach))}. Right only if ${issue.by === "estimate" ? "the estimate is too low" : "that set is far from the limit"}.`;
    case "tempoMissing":
      return "The set whose tempo this one has is gone or comes later: its tempo counts as open. Choose another set, or give it its own.";
    case "primerTooHard":
      return "A primer is for feel and blood flow, never a hard set: leave more than five reps in reserve, or call it a ramp or work set.";
    case "openLoad":
      return `${plural(issue.sets, "set")} without a load: found on the day.`;
    default:
      return assertNever(issue);
  }
}
