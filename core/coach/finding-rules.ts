import {
  MUSCLE_LENGTHS,
  SPEAKING_REGIONS,
  TRAINABLE_LENGTHS,
  wholeMinutes,
  type Region,
} from "../kernel/index.ts";
import { nextHarder } from "../gym/index.ts";
import { answerTo, shareOf, type SetUpNeed } from "../movement/index.ts";
import {
  repsAsked,
  type PlannedSet,
  readingOf,
  repsLeft,
  servesMovement,
  slotsOfBlock,
  workSetsOf,
  type Block,
  type SessionPlan,
  type Slot,
} from "../plan/index.ts";
import {
  orderRank,
  wantedLength,
  equipmentExclusion,
  exclusionsOf,
  hasStraps,
  isNewToThis,
  needsClearing,
  spokenRegions,
} from "../person/index.ts";
import { sessionDuration, unroll } from "../unroll/index.ts";
import { isSameAgain } from "./alike.ts";
import { setsTowardsBand, type CoveredSlot } from "./coverage.ts";
import { bySeverity, finding, type Finding } from "./finding.ts";
import { MORE_REPS, SLOW_LOWERING } from "./fix.ts";
import { judge, type Judged, type Judging } from "./judged.ts";
import type { Neglect } from "./warnings/index.ts";
import { WEEK_RULES } from "./week-rules.ts";

/** So many direct hard sets at one length only are worth a word. Source: our rule. */
const SETS_AT_ONE_LENGTH = 4;
/** From so many hard sets on, all on two legs, a single-leg exercise is missed. Source: our rule. */
const SETS_ON_TWO_LEGS = 6;
/** A priority after more hard sets than this is late. Source: our rule. */
const PRIORITY_BY = 6;
/** A heavy free lift after more hard sets than this is done tired. Source: our rule. */
const TECHNICAL_BY = 9;
/** Direct hard sets of a week that are growth work. Source: our rule. */
export const GROWTH_SETS = 4;
/** Hard sets that a new or returning person gets in one session at most. Source: our rule, PRACTICE.md §10. */
export const NEW_SESSION_SETS = 10;

/** Everything found about a session, most serious first. Pure and fast: fixes are worked out apart. */
export function findingsOf(judging: Judging): readonly Finding[] {
  return findingsIn(judge(judging));
}

/** The same of a session whose coverage is worked out already. */
export function findingsIn(judged: Judged): readonly Finding[] {
  return RULES.flatMap((rule) => rule(judged)).sort(bySeverity);
}

type Rule = (judged: Judged) => readonly Finding[];

/** The regions that are judged: a head of the quads by itself only where something about it is unlike all of them. */
function regionsIn(
  { brief, approach, week }: Judged,
  isUnlike: (head: Region, quads: Region) => boolean,
): readonly Region[] {
  return spokenRegions(brief, approach).filter(
    (region) =>
      SPEAKING_REGIONS.includes(region) ||
      week[region].direct !== week.vastusLateralis.direct ||
      isUnlike(region, "vastusLateralis"),
  );
}

const trains = (slot: CoveredSlot, region: Region) => shareOf(slot.movement, region) === 1;

const bands: Rule = (judged) => {
  const { week, bands: all, fraction, sessions, slots } = judged;
  if (slots.length === 0) return [];
  const isUnlike = (head: Region, quads: Region) =>
    all[head].low !== all[quads].low ||
    all[head].high !== all[quads].high ||
    setsTowardsBand(week[head]) !== setsTowardsBand(week[quads]);
  return regionsIn(judged, isUnlike).flatMap((region): Finding[] => {
    const covered = week[region];
    const { low, high } = all[region];
    const sets = setsTowardsBand(covered);
    const own = slots.filter((s) => trains(s, region)).map((s) => s.slot.id);
    const asked = low * fraction;
    if (covered.direct === 0 && sets < asked) {
      return [finding("warning", { code: "regionMissing", region, low, sessions }, [], region)];
    }
    if (sets < asked) {
      return [
        finding("note", { code: "belowBand", region, sets, low, high, sessions }, own, region),
      ];
    }
    if (sets > high) {
      return [
        finding("warning", { code: "aboveBand", region, sets, low, high, sessions }, own, region),
      ];
    }
    return [];
  });
};

const lengths: Rule = (judged) => {
  const { week, approach, slots } = judged;
  const wanted = wantedLength(approach.stances);
  return regionsIn(judged, () => false).flatMap((region): Finding[] => {
    const covered = week[region];
    const possible = TRAINABLE_LENGTHS[region];
    if (covered.direct < SETS_AT_ONE_LENGTH || possible.length < 2) return [];
    const met = MUSCLE_LENGTHS.filter((length) => covered.lengths[length] > 0);
    const [only] = met;
    const isHole = wanted === null ? met.length === 1 : !met.includes(wanted);
    if (only === undefined || !isHole) return [];
    const own = slots.filter((s) => trains(s, region)).map((s) => s.slot.id);
    const fact = { code: "oneLength", region, sets: covered.direct, only, wanted } as const;
    return [finding("note", fact, own, region)];
  });
};

const singleLeg: Rule = ({ slots }) => {
  const legs = slots.filter((s) => s.movement.pattern !== "trunk");
  const sets = legs.reduce((sum, s) => sum + s.hardSets, 0);
  return sets >= SETS_ON_TWO_LEGS && legs.every((s) => s.movement.laterality === "twoLegs")
    ? [finding("note", { code: "noSingleLeg", sets })]
    : [];
};

/** What a rotation takes up again is repeated on purpose. */
const redundancy: Rule = ({ plan, slots }) =>
  slots.flatMap((second, i) => {
    const first = slots
      .slice(0, i)
      .find(
        (s) =>
          s.hardSets > 0 &&
          second.hardSets > 0 &&
          isSameAgain(s, second) &&
          !areInOneRotation(plan, s.slot, second.slot),
      );
    if (first === undefined) return [];
    const fact = {
      code: "sameAgain",
      first: first.slot.movement,
      second: second.slot.movement,
      isKnown: first.isCurveKnown && second.isCurveKnown,
    } as const;
    const ids = [first.slot.id, second.slot.id];
    return [finding("note", fact, ids, second.slot.lineageId)];
  });

function areInOneRotation(plan: SessionPlan, a: Slot, b: Slot): boolean {
  const holds = (block: Block, { id }: Slot) => slotsOfBlock(block).some((slot) => slot.id === id);
  return plan.blocks.some((block) => holds(block, a) && holds(block, b));
}

const schoolOrder: Rule = ({ slots, approach, brief }) => {
  const isPriority = (s: CoveredSlot) => brief.priorities.some((r) => trains(s, r));
  const judgedSlots = slots.filter((s) => !isPriority(s));
  for (const [i, early] of judgedSlots.entries()) {
    const rank = orderRank(early.movement, approach.stances);
    const late = judgedSlots
      .slice(i + 1)
      .find((s) => orderRank(s.movement, approach.stances) < rank);
    if (late === undefined) continue;
    const fact = {
      code: "schoolOrder",
      early: early.slot.movement,
      late: late.slot.movement,
    } as const;
    return [finding("note", fact, [early.slot.id, late.slot.id])];
  }
  return [];
};

/** A priority that was neglected over the last sessions is told by `putFirst` instead. */
const priorityLate: Rule = ({ slots, brief, setsBefore, neglected }) =>
  brief.priorities.flatMap((region): Finding[] => {
    if (neglected.some((own) => own.kind !== "skippedAgain" && own.region === region)) return [];
    const at = slots.findIndex((s) => trains(s, region) && s.hardSets > 0);
    const [slot, before] = [slots[at], setsBefore[at]];
    if (slot === undefined || before === undefined || before <= PRIORITY_BY) return [];
    const fact = { code: "priorityLate", region, setsBefore: before } as const;
    return [finding("warning", fact, [slot.slot.id], region)];
  });

const isOf = (neglect: Neglect, slot: CoveredSlot) =>
  neglect.kind === "skippedAgain"
    ? slot.slot.movement === neglect.movement
    : trains(slot, neglect.region);

/** What was skipped or late again and again is offered first; before it is only what was neglected as well. */
const putFirst: Rule = ({ slots, neglected }) => {
  const counted = slots.filter(({ hardSets }) => hardSets > 0);
  return neglected.flatMap((neglect): Finding[] => {
    const at = counted.findIndex((slot) => isOf(neglect, slot));
    const slot = counted[at];
    const isBehind = counted.slice(0, at).some((own) => !neglected.some((n) => isOf(n, own)));
    if (slot === undefined || !isBehind) return [];
    const about = neglect.kind === "skippedAgain" ? neglect.movement : neglect.region;
    return [finding("warning", { code: "putFirst", neglect }, [slot.slot.id], about)];
  });
};

const technicalLate: Rule = ({ slots, setsBefore }) =>
  slots.flatMap(({ movement, slot }, i): Finding[] => {
    const before = setsBefore[i] ?? 0;
    const isTechnical = movement.spinalLoad === "high" && movement.stability === "free";
    if (!isTechnical || before <= TECHNICAL_BY) return [];
    const fact = { code: "technicalLate", movement: movement.ref, setsBefore: before } as const;
    return [finding("warning", fact, [slot.id], slot.lineageId)];
  });

const growthUnwanted: Rule = ({ week, brief, slots }) =>
  brief.notToGrow.flatMap((region): Finding[] => {
    const sets = week[region].direct;
    if (sets <= GROWTH_SETS) return [];
    const own = slots.filter((s) => trains(s, region)).map((s) => s.slot.id);
    return [finding("warning", { code: "growthUnwanted", region, sets }, own, region)];
  });

const newcomers: Rule = ({ slots, brief }) => {
  const sets = slots.reduce((sum, s) => sum + s.hardSets, 0);
  return isNewToThis(brief) && sets > NEW_SESSION_SETS
    ? [finding("serious", { code: "tooMuchForNew", sets, limit: NEW_SESSION_SETS })]
    : [];
};

const time: Rule = ({ plan, unrollContext: context, brief }) => {
  if (brief.minutesCap === null) return [];
  const minutes = wholeMinutes(sessionDuration(unroll(plan, context)).likely);
  return minutes > brief.minutesCap
    ? [finding("warning", { code: "overCap", minutes, cap: brief.minutesCap })]
    : [];
};

/** A readiness of so many out of five asks for less. Source: our rule. */
const LOW_READINESS = 2;

const readiness: Rule = ({ readiness: outOfFive, slots }) => {
  const isFull = slots.some((s) => s.hardSets > 2);
  return outOfFive !== null && outOfFive <= LOW_READINESS && isFull
    ? [finding("note", { code: "lowReadiness", outOfFive })]
    : [];
};

const stations: Rule = ({ slots, stations: here }) =>
  slots.flatMap(({ movement, slot, station }): Finding[] => {
    const local = here.find((s) => s.id === slot.station);
    if (station === null || local === undefined || !servesMovement(local, movement)) {
      const fact = { code: "notHere", movement: movement.ref } as const;
      return [finding("warning", fact, [slot.id], slot.lineageId)];
    }
    const found: Finding[] = [];
    if (local.usuallyBusy) {
      const fact = { code: "busyStation", station: local.name } as const;
      found.push(finding("note", fact, [slot.id], slot.lineageId));
    }
    const readings = slot.sets.map((set) => readingOf(set.load)).filter((r) => r !== null);
    const top = readings.find((reading) => nextHarder(local.loading, reading) === null);
    if (top !== undefined && canBeLoaded(local.loading.kind) && !hasAnotherWayOn(slot)) {
      const fact = { code: "atCeiling", station: local.name, reading: top } as const;
      found.push(finding("note", fact, [slot.id], slot.lineageId));
    }
    return found;
  });

/** True where the work is already made harder by something else than load: many reps, or slow lowering. */
function hasAnotherWayOn(slot: Slot): boolean {
  const work = workSetsOf(slot);
  return work.every(
    ({ target, tempo }) =>
      (repsAsked(target)?.min ?? 0) >= MORE_REPS.min ||
      (typeof tempo.lower === "number" && tempo.lower >= SLOW_LOWERING),
  );
}

const canBeLoaded = (kind: string) => kind !== "unloaded" && kind !== "bodyweight";

const excluded: Rule = ({ slots, brief }) =>
  slots.flatMap(({ movement, slot, station }) =>
    [
      ...exclusionsOf(brief, movement, slot.setUp),
      ...[station && equipmentExclusion(brief, station)].filter((why) => why !== null),
    ].map((why) =>
      finding(
        why.code === "limit" || why.code === "forbidden"
          ? "serious"
          : why.code === "level" || why.code === "equipment"
            ? "warning"
            : "note",
        { code: "excluded", movement: movement.ref, why },
        [slot.id],
        `${slot.lineageId}/${why.code}${why.code === "limit" ? `/${why.joint}/${why.provokedBy}` : ""}`,
      ),
    ),
  );

const limitAlone: Rule = ({ slots, brief }) => {
  if (brief.helper === "spotter") return [];
  return slots.flatMap(({ movement, slot }): Finding[] => {
    const hard = slot.sets.filter(isToTheLimit);
    const [first] = hard;
    if (movement.safeAlone.toTheLimit || first === undefined) return [];
    const fact = {
      code: "limitAlone",
      movement: movement.ref,
      sets: hard.length,
      effort: first.effort,
    } as const;
    return [finding("serious", fact, [slot.id], slot.lineageId)];
  });
};

/** No rep is left, or the set goes past it with forced reps. */
function isToTheLimit(set: PlannedSet): boolean {
  const left = repsLeft(set.effort);
  return (left !== null && left < 1) || set.extensions.some((e) => e.kind === "forced");
}

const clearing: Rule = ({ brief, year, slots }) => {
  const why = needsClearing(brief, year);
  return why === null || slots.length === 0
    ? []
    : [finding("serious", { code: "needsClearing", why })];
};

const bodyFit: Rule = ({ slots, brief }) =>
  slots.flatMap(({ movement, slot }): Finding[] => {
    const found: Finding[] = [];
    const lacks = (need: SetUpNeed) => {
      const answer = answerTo(movement, need);
      return answer !== null && slot.setUp[answer.name] !== answer.choice;
    };
    if (brief.tight.includes("ankle") && lacks("tightAnkle")) {
      const fact = { code: "tightRange", movement: movement.ref, spot: "ankle" } as const;
      found.push(finding("note", fact, [slot.id], slot.lineageId));
    }
    const isFreeSquat =
      movement.pattern === "squat" &&
      movement.stability === "free" &&
      movement.laterality === "twoLegs" &&
      movement.spinalLoad === "high";
    if (brief.limbs === "longThighs" && isFreeSquat) {
      const fact = { code: "longThighs", movement: movement.ref } as const;
      found.push(finding("note", fact, [slot.id], slot.lineageId));
    }
    if (movement.givesOutFirst === "grip" && hasStraps(brief) && lacks("failingGrip")) {
      const fact = { code: "gripEndsFirst", movement: movement.ref } as const;
      found.push(finding("note", fact, [slot.id], slot.lineageId));
    }
    return found;
  });

const weakSide: Rule = ({ slots, brief: { weakerSide } }) =>
  weakerSide === null
    ? []
    : slots.flatMap(({ movement, slot }): Finding[] => {
        const isSecond = slot.sets.some(
          ({ side }) => side.kind === "each" && side.first !== weakerSide,
        );
        if (!isSecond) return [];
        const fact = {
          code: "weakSideSecond",
          movement: movement.ref,
          weaker: weakerSide,
        } as const;
        return [finding("note", fact, [slot.id], slot.lineageId)];
      });

const RULES: readonly Rule[] = [
  excluded,
  limitAlone,
  clearing,
  newcomers,
  stations,
  bands,
  lengths,
  singleLeg,
  priorityLate,
  putFirst,
  technicalLate,
  growthUnwanted,
  readiness,
  time,
  schoolOrder,
  redundancy,
  bodyFit,
  weakSide,
  ...WEEK_RULES,
];
