import {
  isToldTogether,
  MORE_REPS,
  SLOW_LOWERING,
  type Brings,
  type Fact,
  type FactOf,
  type Family,
  type Fix,
  type Severity,
  type Shortening,
  type Told,
  type ToldTogether,
} from "~/core/coach/index.ts";
import type { FirstLoad, OutReason } from "~/core/coach/search/index.ts";
import { type MovementRef, type Region, assertNever } from "~/core/kernel/index.ts";
import type { FindMovement } from "~/core/movement/index.ts";
import { QUESTIONS, sideSays } from "~/core/person/index.ts";
import { CAUTION_NAMES, formatExclusion } from "./brief.ts";
import { formatMass, formatSets, formatShare, formatShortDay } from "./numbers.ts";
import { sentence } from "./sentence.ts";
import { formatRir, LENGTH_NAMES, PROFILE_PLACES, SIDE_NAMES } from "./training.ts";
import { whoseWord } from "./volume.ts";
import { muscleInline, type MuscleNames } from "./muscles.ts";

export const FAMILY_NAMES: Readonly<Record<Family, string>> = {
  safety: "Safety",
  station: "Equipment",
  hole: "Gap",
  volume: "Volume",
  order: "Order",
  redundancy: "Redundant",
  time: "Time",
};

export const SEVERITY_NAMES: Readonly<Record<Severity, string>> = {
  serious: "Serious",
  warning: "Warning",
  note: "Note",
};

const sets = (n: number) => `${formatSets(n)} ${n === 1 ? "set" : "sets"}`;
const week = (sessions: number) =>
  sessions === 1 ? "this session" : `the week's ${sessions} sessions`;

/** What was found, in one sentence with its numbers. `approach` is who holds what is contested. */
export function formatFact(
  fact: Fact,
  approach: string,
  find: FindMovement,
  muscles: MuscleNames,
): string {
  const regionOf = (region: Region) => muscleInline(muscles, region);
  const nameOf = (ref: MovementRef) => find(ref)?.name ?? ref;
  switch (fact.code) {
    case "regionMissing":
      return `Nothing trains ${regionOf(fact.region)} directly in ${week(fact.sessions)}; ${approach} asks for ${sets(fact.low)} a week.`;
    case "belowBand":
      return `${sentence(regionOf(fact.region))}: ${sets(fact.sets)} in ${week(fact.sessions)}; ${approach} asks for ${fact.low} to ${fact.high} a week.`;
    case "aboveBand":
      return `${sentence(regionOf(fact.region))}: ${sets(fact.sets)} in ${week(fact.sessions)}, above the ${fact.low} to ${fact.high} of ${approach}. Too many is as much an error as too few.`;
    case "oneLength":
      return fact.wanted === null
        ? `All ${fact.sets} sets for ${regionOf(fact.region)} are hardest at one length, ${LENGTH_NAMES[fact.only]}; ${approach} wants more than one.`
        : `None of the ${fact.sets} sets for ${regionOf(fact.region)} is hardest ${LENGTH_NAMES[fact.wanted]}, which ${approach} wants first.`;
    case "noSingleLeg":
      return `All ${fact.sets} hard sets are on two legs: a strong side can carry a weak one unseen.`;
    case "sameAgain":
      return `${nameOf(fact.second)} ${fact.isKnown ? "fails" : "is usually hardest"} at the same point as ${nameOf(fact.first)}: same target, same length, same leg work. An unlike one usually adds more.${fact.isKnown ? "" : " Machines differ: log where reps stick, and Kravo learns it."}`;
    case "schoolOrder":
      return `${nameOf(fact.late)} comes after ${nameOf(fact.early)}; ${approach} would have it before. Order is a preference, not a rule.`;
    case "priorityLate":
      return `${sentence(regionOf(fact.region))}: a priority, and it comes after ${fact.setsBefore} hard sets.`;
    case "putFirst": {
      const { neglect } = fact;
      const name =
        neglect.kind === "skippedAgain"
          ? nameOf(neglect.movement)
          : `${sentence(regionOf(neglect.region))} (a priority)`;
      const how = neglect.kind === "priorityLate" ? "late" : "skipped";
      return `${name}: ${how} in ${neglect.times} of the last ${neglect.of} sessions, and not first here.`;
    }
    case "technicalLate":
      return `${nameOf(fact.movement)} loads the back freely and comes after ${fact.setsBefore} hard sets, when form goes first.`;
    case "growthUnwanted":
      return `${sentence(regionOf(fact.region))}: to be kept from growing, yet ${fact.sets} direct sets this week.`;
    case "tooMuchForNew":
      return `${fact.sets} hard sets for a new or returning client; ${fact.limit} are plenty. Severe soreness can be dangerous.`;
    case "lowReadiness":
      return `Readiness ${fact.outOfFive} of 5: a low-energy day is no step back. Fewer sets, or a higher RIR, keep it useful.`;
    case "overCap":
      return `About ${fact.minutes} minutes; there are ${fact.cap}.`;
    case "notHere":
      return `${nameOf(fact.movement)} has no equipment in this gym.`;
    case "busyStation":
      return `${fact.station} is usually busy at the hours of training.`;
    case "atCeiling":
      return `${formatMass(fact.reading)} is the heaviest load of ${fact.station}. Ways on: an add-on weight if the gym has one, one leg, more reps, slower lowering, other equipment.`;
    case "excluded":
      return `${nameOf(fact.movement)}: ${formatExclusion(fact.why)}.`;
    case "limitAlone":
      return `${nameOf(fact.movement)}: ${sets(fact.sets)} with ${formatRir(fact.effort)}, and it is not safe at failure without a spotter. ${find(fact.movement)?.safeAlone.how ?? ""}`.trim();
    case "needsClearing":
      return `${fact.why === "minor" ? "Under eighteen" : fact.why === "older" ? "Sixty-five or older" : CAUTION_NAMES[fact.why]}: a qualified professional clears this client first. Write down who did, and when.`;
    case "tightRange":
      return `${nameOf(fact.movement)} with tight ankles: raised heels let the trunk stay upright.`;
    case "longThighs":
      return `${nameOf(fact.movement)} with long thighs: the trunk may do most of the work. A supported squat can reach the quads better.`;
    case "gripEndsFirst":
      return `${nameOf(fact.movement)}: grip gives out first, and there are straps.`;
    case "manySets":
      return `${sets(fact.sets)} in one session; at most ${fact.most} by ${whoseWord(fact.whose, approach)}. What comes late is done tired.`;
    case "manyOfOne":
      return `${nameOf(fact.movement)}: ${sets(fact.sets)}; at most ${fact.most} of one exercise by ${whoseWord(fact.whose, approach)}.`;
    case "sameOtherDay":
      return `${nameOf(fact.movement)} as on ${formatShortDay(fact.day)}: same variant, same reps. ${approach} has the days of a week differ.`;
    case "sameSticking":
      return `${nameOf(fact.second)} sticks where ${nameOf(fact.first)} does: ${PROFILE_PLACES[fact.at]}, ${regionOf(fact.region)} at the same length. One that is hard elsewhere usually adds more.`;
    case "limitTooNear":
      return `${nameOf(fact.movement)} goes ${fact.isPast ? "past failure" : "to failure"}, with more sets for ${regionOf(fact.region)} ${fact.days === 1 ? "the next day" : `${fact.days} days later`}, on ${formatShortDay(fact.day)}.`;
    case "roomsApart":
      return `${fact.first} stands in ${fact.rooms[0]}, ${fact.second} in ${fact.rooms[1]}: too far apart for a superset.`;
    case "bothBusy":
      return `${fact.first} and ${fact.second} are both usually busy: they can hardly be held at once.`;
    case "unlikelyMultiple":
      return `${nameOf(fact.movement)}: one set is ${formatSets(Math.round(10 * fact.times) / 10)} times as heavy as another of its line. Is that meant?`;
    case "feltElsewhere":
      return `${nameOf(fact.movement)} was felt in ${regionOf(fact.region)} the last two times, in this set-up.`;
    case "againstView":
      return `${nameOf(fact.movement)}: ${approach} holds “${sideSays(fact.question, fact.side) ?? ""}” on “${QUESTIONS[fact.question].asks}”`;
    case "weakSideSecond":
      return `${nameOf(fact.movement)} begins with the stronger side; usually the ${SIDE_NAMES[fact.weaker]} begins and the other matches it.`;
    default:
      return assertNever(fact);
  }
}

/** What a press on a fix does. `nameOfSlot` names the exercise that it changes. */
export function formatFix(fix: Fix, nameOfSlot: (slot: string) => string): string {
  switch (fix.kind) {
    case "add":
      return `Add ${fix.movement.name}`;
    case "swap":
      return `Swap ${nameOfSlot(fix.slot)} for ${fix.movement.name}`;
    case "remove":
      return `Remove ${nameOfSlot(fix.slot)}`;
    case "toFront":
      return `Move ${nameOfSlot(fix.slot)} to the front`;
    case "arrange":
      return "Reorder by the approach";
    case "addSet":
      return `One more set of ${nameOfSlot(fix.slot)}`;
    case "dropSet":
      return `One set less of ${nameOfSlot(fix.slot)}`;
    case "moveToOtherDay":
      return `Move ${nameOfSlot(fix.slot)} to ${formatShortDay(fix.day)}`;
    case "trimSets":
      return `At most ${fix.to} work ${fix.to === 1 ? "set" : "sets"} of each`;
    case "trimRest":
      return `Rest ${formatShare(1 - fix.share)} less; reps may fall`;
    case "pair":
      return `Superset ${nameOfSlot(fix.slot)} with ${nameOfSlot(fix.with)}; both machines at once`;
    case "setUp":
      return `${fix.name}: ${fix.choice}`;
    case "moreReps":
      return `Stay at this load for ${MORE_REPS.min} to ${MORE_REPS.max} reps`;
    case "lowerSlowly":
      return `Stay at this load and lower it in ${SLOW_LOWERING} s`;
    case "keepSets":
      return `Keep ${fix.to} work ${fix.to === 1 ? "set" : "sets"}`;
    case "split":
      return "Split the superset";
    case "evenLoads":
      return "Use the easiest load for all of them";
    case "leaveReserve":
      return "Leave RIR 2";
    case "firstSide":
      return `Begin with the ${fix.first} side`;
    default:
      return assertNever(fix);
  }
}

/** "Saves 9 min, enough; costs no hard set.", and what is then found: what a way to shorten saves and costs. */
export function formatShortening(
  { minutes, isEnough, hardSets, brings }: Shortening,
  approach: string,
  find: FindMovement,
  muscles: MuscleNames,
): string {
  const [first] = brings;
  const cost =
    hardSets > 0
      ? `${formatSets(hardSets)} hard ${hardSets === 1 ? "set" : "sets"}`
      : "no hard set";
  return [
    `Saves ${Math.round(minutes)} min${isEnough ? ", enough" : ""}; costs ${cost}.`,
    ...(first === undefined ? [] : [`Then: ${formatFact(first.fact, approach, find, muscles)}`]),
    ...(brings.length > 1 ? [`And ${brings.length - 1} more found.`] : []),
  ].join(" ");
}

/** "hamstrings, hip extension: 4 sets short", as half a sentence. */
export function formatBrings(brings: Brings, muscles: MuscleNames): string {
  const regionOf = (region: Region) => muscleInline(muscles, region);
  switch (brings.kind) {
    case "region":
      return `${regionOf(brings.region)}, ${sets(brings.lacking)} short`;
    case "priority":
      return `priority: ${regionOf(brings.region)}`;
    case "length":
      return `${regionOf(brings.region)} ${LENGTH_NAMES[brings.length]}, not met yet`;
    case "singleLeg":
      return "one leg at a time";
    case "liked":
      return "liked";
    default:
      return assertNever(brings);
  }
}

/** Why a movement is out, as half a sentence. */
export function formatOutReason(reason: OutReason): string {
  return reason.code === "notInGym" ? "no equipment for it in this gym" : formatExclusion(reason);
}

/** "Starts with 42.5 kg, about 45% of what both legs moved." */
export function formatFirstLoad(load: FirstLoad): string {
  switch (load.kind) {
    case "logged":
      return `Starts with ${formatMass(load.reading)}, as last logged.`;
    case "related":
      return `Starts with ${formatMass(load.reading)}, about ${formatShare(load.share)} of what both legs moved.`;
    case "calibrate":
      return "The first set finds the load.";
    default:
      return assertNever(load);
  }
}

/** Findings with one cause in one sentence; what a single one says where it is alone. */
export function formatTold(
  told: Told,
  approach: string,
  find: FindMovement,
  muscles: MuscleNames,
): string {
  const [{ fact: first }, ...others] = told;
  if (others.length === 0 || !isToldTogether(first)) {
    return formatFact(first, approach, find, muscles);
  }
  const facts = told.map(({ fact }) => fact).filter(isToldTogether);
  const list = facts.map((fact) => ofRegion(fact, muscles)).join("; ");
  switch (first.code) {
    case "regionMissing":
      return `Not trained directly in ${week(first.sessions)}, asked for by ${approach}: ${list}.`;
    case "belowBand":
      return `Under ${approach}’s weekly range: ${list}.`;
    case "aboveBand":
      return `Over ${approach}’s weekly range: ${list}. Too many is as much an error as too few.`;
    case "oneLength":
      return first.wanted === null
        ? `All sets hardest at one length, where ${approach} wants more than one: ${list}.`
        : `Not hardest where ${approach} wants it first: ${list}.`;
    default:
      return assertNever(first);
  }
}

/** "quads 6 of 8–16" */
function ofRegion(fact: FactOf<ToldTogether>, muscles: MuscleNames): string {
  const region = muscleInline(muscles, fact.region);
  switch (fact.code) {
    case "regionMissing":
      return `${region}, ${sets(fact.low)} a week`;
    case "belowBand":
    case "aboveBand":
      return `${region} ${formatSets(fact.sets)} of ${fact.low}–${fact.high}`;
    case "oneLength":
      return `${region} ${LENGTH_NAMES[fact.wanted ?? fact.only]}`;
    default:
      return assertNever(fact);
  }
}
