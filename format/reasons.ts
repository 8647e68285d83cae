import type { Difference, KnownCondition, WornGear } from "~/core/log/index.ts";
import { isOpenTempo, type Tempo } from "~/core/plan/index.ts";
import type { PlanIssue } from "~/core/unroll/index.ts";
import type { FindMovement } from "~/core/movement/index.ts";
import { type Joint, assertNever } from "~/core/kernel/index.ts";
import type { Reason } from "~/core/progress/index.ts";
import { formatOpenBecause } from "./load.ts";
import { CONDITION_NAMES } from "./comparing.ts";
import { formatMass, formatShare, formatShortDay, plural } from "./numbers.ts";
import { rounded } from "./strength.ts";
import { sentence } from "./sentence.ts";
import { CONSTRAINT_NAMES, formatAmountOf } from "./progression.ts";
import { EXTENSION_NAMES } from "./prescription.ts";
import {
  FAULT_NAMES,
  formatTempo,
  HELPER_NAMES,
  JOINT_NAMES,
  LIMITER_NAMES,
  RANGE_NAMES,
} from "./training.ts";
import { muscleInline, type MuscleNames } from "./muscles.ts";

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

/** What was done in all after last time, under conditions that let only one thing be concluded. */
function oneWay(
  { differences, inAll }: Extract<Reason, { code: "harderConditions" | "easierConditions" }>,
  how: "harder" | "easier",
): string {
  const what = `${sentence(differences.map(differenceText).join("; "))}: ${how} than last time.`;
  if (inAll === null)
    return how === "harder"
      ? `${what} An equal or better result is progress; a worse one proves nothing.`
      : `${what} A worse result is a loss; a better one proves nothing.`;
  const { before, now, measure } = inAll;
  const counted = `${formatAmountOf(now, measure)} in all after ${before}`;
  if (how === "harder")
    return now >= before
      ? `${what} ${counted}: progress.`
      : `${what} ${counted}: no loss; ${before} would have been progress.`;
  return now >= before
    ? `${what} ${counted}: no proof of progress.`
    : `${what} ${counted}: a loss.`;
}

/** One sentence for one reason, with its numbers. */
export function formatReason(reason: Reason, muscles: MuscleNames): string {
  switch (reason.code) {
    case "allAtTop":
      return `${allSets(reason.sets)} at ${formatMass(reason.reading)} reached ${formatAmountOf(reason.top, reason.measure)}.`;
    case "repsToGain":
      return `${theWeakest(reason.isOnlySet)} ${formatAmountOf(reason.lowest, reason.measure)}, target ${formatAmountOf(reason.top, reason.measure)}: stay at ${formatMass(reason.reading)} until ${reason.isOnlySet ? "it reaches" : "all sets reach"} ${formatAmountOf(reason.top, reason.measure)}.`;
    case "reachedInARow":
      return `Reached in ${plural(reason.times, "session")} running of the ${reason.after} needed.`;
    case "smallestStep":
      return `The next load available from ${formatMass(reason.from)} is ${formatMass(reason.to)}, ${ofLoadMoved(reason.stepShare)}.`;
    case "ownStep":
      return `The step set is ${formatMass(reason.by)}${reason.isPerSide ? " per side" : ""}; ${reason.isExact ? `that makes ${formatMass(reason.to)}` : `the nearest load that is no heavier is ${formatMass(reason.to)}`}, ${ofLoadMoved(reason.stepShare)}.`;
    case "largeStep":
      return `That step is ${formatShare(reason.stepShare)}, more than the ${formatShare(reason.limit)} taken without asking.`;
    case "reserveAllows":
      return `The step is large, but the RIR logged allows about ${plural(reason.expected, "rep")} there; ${reason.least} are asked.`;
    case "fewLeft":
      return `By the RIR logged about ${plural(reason.expected, "rep")} are left there; ${reason.least} are asked.`;
    case "aheadOfRate":
      return `The step is ${formatShare(reason.stepShare)}; this client has gained about ${formatShare(reason.rate)} a session here. Expect fewer reps at first.`;
    case "atCeiling":
      return `${formatMass(reason.reading)} is the heaviest load available here.`;
    case "noLoads":
      return "There is no load to add here, so the target goes up.";
    case "atBound":
      return `The limit for this set is ${formatMass(reason.reading)}; the rule gives ${formatMass(reason.would)}. Change the limit, or progress by reps, tempo or range.`;
    case "harderThanAsked":
      return `RIR ${reason.asked} was asked, RIR ${reason.lowest} was left. Repeat until it comes with the RIR asked.`;
    case "belowRange":
      return `${theWeakest(reason.isOnlySet)} ${formatAmountOf(reason.lowest, reason.measure)}, below the ${formatAmountOf(reason.bottom, reason.measure)} asked${reason.times > 1 ? ", the second time running" : ""}.`;
    case "nearlyThere":
      return "That is close enough to repeat, not to go down.";
    case "failedSets":
      return `${plural(reason.sets, "set")} went to failure or past it.`;
    case "burstShort":
      return `${sentence(EXTENSION_NAMES[reason.burst])}: ${reason.done} of ${plural(reason.asked, "rep")}.`;
    case "oneSideShort":
      return `Only the ${reason.side} side is short: left ${reason.left}, right ${reason.right}, target ${reason.asked}. The weaker side decides.`;
    case "fellBack":
      return `${formatAmountOf(reason.now, reason.measure)} in all at ${formatMass(reason.reading)} after ${reason.before} last time: too far back to call it progress.`;
    case "stalled":
      return `No progress in the last ${plural(reason.sessions, "session")}${reason.rate > 0 ? ` after about ${formatShare(reason.rate)} a session before` : ""}. One sign among several.`;
    case "heldWhileCutting":
      return `${formatMass(reason.reading)} held over ${plural(reason.sessions, "session")}: while body weight is being cut, that is success.`;
    case "pain":
      return `Pain was recorded: ${JOINT_NAMES[reason.joint as Joint]}, ${reason.score} of 10. Nothing is raised over pain; lasting or sharp pain is for a qualified professional.`;
    case "lowEnergy":
      return `A low-energy day, readiness ${reason.readiness} of 5: no verdict.`;
    case "firstBack":
      return `First time back after ${plural(reason.days, "day")}: usually clumsy, no verdict.`;
    case "lightWeek":
      return "A lighter week: no verdict.";
    case "away":
      return `${plural(reason.days, "day")} since it was last trained: start again at about ${formatShare(reason.share)} of the load.`;
    case "otherLimiter":
      return `${sentence(LIMITER_NAMES[reason.limiter])} gave out first${timesRunning(reason.times)}: the sets say little of the target muscle.`;
    case "feltElsewhere":
      return `Felt most in ${muscleInline(muscles, reason.felt)}${timesRunning(reason.times)}; meant for ${reason.meant.map((region) => muscleInline(muscles, region)).join("; ")}.`;
    case "faultReturns":
      return `A fault is back: ${FAULT_NAMES[reason.fault]}. It was gone before.`;
    case "unknownReps":
      return `The reps of ${plural(reason.sets, "set")} are unknown.`;
    case "unknownEffort":
      return `RIR was not logged for ${plural(reason.sets, "set")}.`;
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
    case "newFaults":
      return `New fault: ${reason.faults.map((fault) => FAULT_NAMES[fault]).join(", ")}. Nothing goes up until it is gone.`;
    case "unknownConditions":
      return `Not logged this time: ${reason.conditions.map(conditionText).join(", ")}. The session is kept and left out of the trend.`;
    case "drifted":
      return `Compared with ${formatShortDay(reason.since)}, when this series began: ${reason.differences.map(formatDifference).join(", ")}. Small changes have added up, so a new series begins.`;
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
      return "Nothing was logged, so nothing is judged.";
    case "skipped":
      return `Skipped${reason.why === "" ? "" : `: ${reason.why}`}. Nothing is judged.`;
    case "substituted":
      return "Another exercise was done instead this once. The plan stays.";
    case "openEnd":
      return "No number is asked for, so there is nothing to reach. Write at least so many reps to have it progress.";
    case "needsReps":
      return "This rule needs a number of reps for every set. Write one, or choose another rule.";
    case "heldByRule":
      return "Everything is set to stay as it is.";
    case "byHand":
      return "This exercise is progressed by hand.";
    case "totalReached":
      return `${formatAmountOf(reason.total, reason.measure)} in all, target ${reason.goal}.`;
    case "totalToGain":
      return `${formatAmountOf(reason.total, reason.measure)} in all, target ${reason.goal}: keep the loads until it is reached.`;
    case "unknownTotal":
      return "Some reps are unknown, so there is no total.";
    case "setsBeaten":
      return `${reason.beaten} of ${plural(reason.of, "set")} reached the target.`;
    case "lessRest":
      return `Reached: the same load with ${reason.to} s of rest, was ${reason.from} s.`;
    case "restAtLeast":
      return `Rest is down to ${reason.seconds} s.`;
    case "restNotTimed":
      return "The rest is not set in seconds, so it cannot be made shorter. Write it in seconds.";
    case "restShared":
      return "In a superset or circuit the rests are the round's, so this rule cannot shorten them. Change them there, or choose another rule.";
    case "restLonger":
      return `Rest ran to ${reason.taken} s; ${reason.asked} s was planned. Repeat with the planned rest.`;
    case "setAdded":
      return `Reached: ${plural(reason.to, "set")}, up to ${reason.most}.`;
    case "setsAtMost":
      return `${plural(reason.most, "set")} are the most set here.`;
    case "setTaken":
      return `A set less before the load: ${plural(reason.to, "set")}.`;
    case "stricter":
      return `Reached: ${CONSTRAINT_NAMES[reason.what]} gets harder at the same load.`;
    case "strictEnough":
      return `${sentence(CONSTRAINT_NAMES[reason.what])} is as hard as it is meant to get.`;
    case "notStrict":
      return `Not as strict as planned in at least one set: ${CONSTRAINT_NAMES[reason.what]}. Repeat until every set keeps it.`;
    case "nothingStricter":
      return `There is nothing to make harder: ${CONSTRAINT_NAMES[reason.what]}. Add it, or choose another rule.`;
    case "cleanSessions":
      return `${plural(reason.clean, "clean session")} running of ${reason.of}.`;
    case "faultsSeen":
      return `Faults: ${reason.faults.map((fault) => FAULT_NAMES[fault]).join(", ")}. Everything stays until they are gone.`;
    case "nobodyLooked":
      return "Nobody noted whether there were faults, so it does not count as clean.";
    case "byEstimate":
      return `By the reps and RIR logged, ${plural(reason.reps, "rep")} at RIR ${reason.left} allow about ${formatMass(reason.allows)}.`;
    case "noEstimate":
      return "No estimate from these sets: reps and RIR are needed, and no more than 15 reps possible.";
    case "heldBack":
      return `No session moves the load by more than ${formatShare(reason.most)}.`;
    case "hardSets":
      return `${plural(reason.done, "hard set")} of ${reason.goal}${reason.unknown > 0 ? `, ${reason.unknown} more without RIR` : ""}. Loads are not compared.`;
    case "limitSetDue":
      return `Every ${plural(reason.every, "session")} the last set goes to failure: next time.`;
    case "limitSetIn":
      return `Set to failure in ${plural(reason.sessions, "session")}.`;
    case "limitSet":
      return `Set to failure: ${plural(reason.done, "rep")}; ${reason.top} show that there is room.`;
    case "taperOn":
      return `Taper: ${plural(reason.reps, "rep")} next, down to ${reason.last}, with more load.`;
    case "taperTest":
      return "Taper: the test is next, one set with as many reps as come at the RIR asked.";
    case "taperLighter":
      return `After the test a lighter session, ${formatShare(reason.share)} of it.`;
    case "taperAgain":
      return "Begins again where the last round began, a step heavier.";
    default:
      return assertNever(reason);
  }
}

/** "rest", "spotter or partner", "foot height" */
function conditionText(condition: KnownCondition): string {
  switch (condition) {
    case "range":
    case "gear":
    case "helper":
    case "bodyWeight":
    case "rest":
      return CONDITION_NAMES[condition].toLowerCase();
    default:
      return condition.slice("setUp:".length).toLowerCase();
  }
}

const theWeakest = (isOnly: boolean) => (isOnly ? "The set had" : "Weakest set");
const allSets = (n: number) => (n === 1 ? "The set" : n === 2 ? "Both sets" : `All ${n} sets`);
const ofLoadMoved = (share: number | null) =>
  share === null ? "an unknown share of the load moved" : `${formatShare(share)} of the load moved`;
const timesRunning = (times: number) => (times > 1 ? `, ${times} sessions running` : "");

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
      return "This exercise or its equipment is not in this gym; choose another.";
    case "noSets":
      return "No sets are written; add one or remove the exercise.";
    case "idleDrop":
      return issue.asked === null
        ? `The drop comes out at ${formatMass(issue.reading)}, not easier. Go down further.`
        : `The drop to ${formatShare(issue.asked)} comes out at ${formatMass(issue.reading)}, not easier: the steps here are too coarse. Choose a smaller percentage.`;
    case "harderDrop":
      return `A drop gets easier: ${formatMass(issue.reading)} is not easier than the ${formatMass(issue.before)} before it.`;
    case "setUpUnknown":
      return issue.choices.length === 0
        ? `This exercise has no set-up called “${issue.name}”.`
        : `“${issue.choice}” is no choice of ${issue.name} here; there are ${issue.choices.join(", ")}.`;
    case "loadUnknown":
      return formatOpenBecause(issue.because, find);
    case "beyondReach":
      return `${formatMass(issue.total)} in all for ${plural(issue.possible, "possible rep")}: ${issue.by === "estimate" ? "the estimate" : "the set it follows"} allows about ${formatMass(rounded(issue.reach))}. Right only if ${issue.by === "estimate" ? "the estimate is too low" : "that set is far from failure"}.`;
    case "tempoMissing":
      return "The set whose tempo this one has is gone or comes later: its tempo counts as open. Choose another set, or give it its own.";
    case "primerTooHard":
      return "A feeder set is for feel and blood flow, never a hard set: stop above RIR 5, or make it a warm-up or work set.";
    case "openLoad":
      return `${plural(issue.sets, "set")} without a load: found on the day.`;
    default:
      return assertNever(issue);
  }
}
