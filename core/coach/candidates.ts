import { type Region, type Id, assertNever } from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import {
  answerTo,
  directRegions,
  skillOf,
  shareOf,
  type Movement,
  type SetUpNeed,
} from "../movement/index.ts";
import { stationFor } from "../plan/index.ts";
import { equipmentFor, exclusionsOf } from "../person/index.ts";
import { countsForVolume } from "../unroll/index.ts";
import { bringsOf } from "./brings.ts";
import type { CoveredSlot } from "./coverage.ts";
import type { Finding } from "./finding.ts";
import type { Fix } from "./fix.ts";
import type { Judged } from "./judged.ts";

export function candidates({ fact, slots }: Finding, judged: Judged): readonly Fix[] {
  const [slot] = slots;
  switch (fact.code) {
    case "regionMissing":
      return additions(judged, (m) => trainsDirectly(m, fact.region));
    case "belowBand":
      return [
        ...slots.map((id): Fix => ({ kind: "addSet", slot: id })),
        ...additions(judged, (m) => trainsDirectly(m, fact.region)),
      ];
    case "aboveBand":
    case "growthUnwanted":
      return [
        ...slots.toReversed().map((id): Fix => ({ kind: "dropSet", slot: id })),
        ...slots.toReversed().map((id): Fix => ({ kind: "remove", slot: id })),
      ];
    case "oneLength": {
      const isOther = (m: Movement) =>
        fact.wanted === null ? m.length !== fact.only : m.length === fact.wanted;
      return [
        ...setUpShifts(judged, slots, fact.region, fact.only, fact.wanted),
        // The first lift is what the session is built on, so the last one is swapped first.
        ...slots
          .toReversed()
          .flatMap((id) => swaps(judged, id, (m) => trainsDirectly(m, fact.region) && isOther(m))),
        ...additions(judged, (m) => trainsDirectly(m, fact.region) && isOther(m)),
      ];
    }
    case "noSingleLeg":
      return additions(judged, (m) => m.laterality !== "twoLegs" && m.pattern !== "trunk");
    case "sameAgain": {
      const second = slots[1];
      if (second === undefined) return [];
      return [...swaps(judged, second, sharesTarget), { kind: "remove", slot: second }];
    }
    case "schoolOrder":
      return [{ kind: "arrange" }];
    case "priorityLate":
    case "technicalLate":
      return slot === undefined ? [] : [{ kind: "toFront", slot }, { kind: "arrange" }];
    case "putFirst":
      return slot === undefined
        ? []
        : [
            { kind: "toFront", slot },
            { kind: "remove", slot },
          ];
    case "tooMuchForNew":
      return [
        { kind: "trimSets", to: 2 },
        ...movesToOtherDay(judged).slice(0, 1),
        { kind: "trimSets", to: 1 },
      ];
    case "lowReadiness":
      return [2, 1].map((to): Fix => ({ kind: "trimSets", to }));
    case "overCap":
      return shorteners(judged).flat();
    case "notHere":
    case "excluded":
      return slot === undefined
        ? []
        : [
            // Another set-up keeps the exercise, so that it goes before another exercise.
            ...(fact.code === "excluded" && fact.why.code === "limit"
              ? answers(judged, slot, "achingKnee")
              : []),
            ...swaps(judged, slot, sharesTarget),
            { kind: "remove", slot },
          ];
    case "atCeiling": {
      if (slot === undefined) return [];
      const others = swaps(judged, slot, sharesTarget);
      const here = judged.slots.find((s) => s.slot.id === slot)?.slot.station;
      const isOneLeg = (fix: Fix) =>
        fix.kind === "swap" && fix.station.id === here && fix.movement.laterality === "oneLeg";
      return [
        ...others.filter(isOneLeg),
        { kind: "moreReps", slot },
        { kind: "lowerSlowly", slot },
        ...others.filter((fix) => !isOneLeg(fix)),
      ];
    }
    case "busyStation":
    case "longThighs":
      return slot === undefined ? [] : swaps(judged, slot, sharesTarget);
    case "limitAlone":
      return slot === undefined
        ? []
        : [
            { kind: "leaveReserve", slot },
            ...swaps(judged, slot, (m, from) => sharesTarget(m, from) && m.safeAlone.toTheLimit),
          ];
    case "tightRange":
      return answers(judged, slot, "tightAnkle");
    case "gripEndsFirst":
      return answers(judged, slot, "failingGrip");
    case "weakSideSecond":
      return slot === undefined ? [] : [{ kind: "firstSide", slot, first: fact.weaker }];
    case "manySets":
      return [
        ...movesToOtherDay(judged).slice(0, TRIED),
        ...[3, 2].map((to): Fix => ({ kind: "trimSets", to })),
        ...removals(judged),
      ];
    case "manyOfOne":
      return slot === undefined ? [] : [{ kind: "keepSets", slot, to: fact.most }];
    case "sameOtherDay":
      return slot === undefined
        ? []
        : [
            { kind: "moreReps", slot },
            ...otherSetUps(judged, slot),
            ...swaps(judged, slot, sharesTarget),
          ];
    case "sameSticking": {
      const second = slots[1];
      return second === undefined ? [] : swaps(judged, second, sharesTarget);
    }
    case "limitTooNear":
      return slot === undefined ? [] : [{ kind: "leaveReserve", slot }];
    case "roomsApart":
    case "bothBusy":
      return slot === undefined ? [] : [{ kind: "split", slot }];
    case "unlikelyMultiple":
      return slot === undefined ? [] : [{ kind: "evenLoads", slot }];
    case "feltElsewhere":
      return slot === undefined
        ? []
        : [...otherSetUps(judged, slot), ...swaps(judged, slot, sharesTarget)];
    case "againstView":
      return slot === undefined
        ? []
        : [
            ...(fact.question === "kneeExtensionEffort"
              ? [{ kind: "leaveReserve", slot } as const]
              : []),
            ...swaps(judged, slot, sharesTarget),
            { kind: "remove", slot },
          ];
    case "needsClearing":
      return [];
    default:
      return assertNever(fact);
  }
}

/** What makes a session shorter, by kind, what changes least first. */
export function shorteners(judged: Judged): readonly (readonly Fix[])[] {
  return [
    pairs(judged),
    [{ kind: "trimRest", share: 0.75 }],
    setsLess(judged),
    movesToOtherDay(judged).slice(0, TRIED),
    [3, 2, 1].map((to): Fix => ({ kind: "trimSets", to })),
    removals(judged),
  ];
}

/** Exercises behind each other that train nothing in common directly: each can rest while the other works. */
function pairs(judged: Judged): readonly Fix[] {
  const { blocks } = judged.plan;
  return blocks.flatMap((block, i): Fix[] => {
    const next = blocks[i + 1];
    if (block.kind !== "exercise" || next?.kind !== "exercise") return [];
    const [a, b] = [block.slot, next.slot].map((slot) =>
      judged.unrollContext.movement(slot.movement),
    );
    if (a == null || b == null) return [];
    const shared = directRegions(a).some((region) => directRegions(b).includes(region));
    return shared ? [] : [{ kind: "pair", slot: block.slot.id, with: next.slot.id }];
  });
}

/** A set less of every exercise that keeps one, the last first. */
function setsLess(judged: Judged): readonly Fix[] {
  return judged.slots
    .toReversed()
    .flatMap(({ slot }): Fix[] =>
      slot.sets.length > 1 ? [{ kind: "dropSet", slot: slot.id }] : [],
    );
}

/** Every exercise left out, the last first; the only one stays. */
function removals(judged: Judged): readonly Fix[] {
  if (judged.slots.length < 2) return [];
  return judged.slots.toReversed().map(({ slot }): Fix => ({ kind: "remove", slot: slot.id }));
}

/** Every exercise, the last first, to every other session that nobody has begun. */
function movesToOtherDay(judged: Judged): readonly Fix[] {
  return judged.slots
    .toReversed()
    .flatMap(({ slot }) =>
      judged.others
        .filter((other) => other.isOpen)
        .map(({ id, day }): Fix => ({ kind: "moveToOtherDay", slot: slot.id, to: id, day })),
    );
}

const trainsDirectly = (movement: Movement, region: Region) =>
  countsForVolume(movement) && shareOf(movement, region) === 1;

/** So many additions and swaps are tried at most; trying each costs a whole judgement. */
const TRIED = 8;

function open(judged: Judged, movement: Movement): Station | null {
  if (exclusionsOf(judged.brief, movement).length > 0) return null;
  if (judged.slots.some((s) => s.slot.movement === movement.ref)) return null;
  const stations = equipmentFor(judged.brief, judged.stations);
  return stationFor(stations, movement, judged.unrollContext.lastStation(movement.ref));
}

function additions(judged: Judged, fits: (movement: Movement) => boolean): readonly Fix[] {
  return judged.catalogue
    .filter(fits)
    .flatMap((movement) => {
      const station = open(judged, movement);
      if (station === null) return [];
      return [{ movement, station, score: bringsOf(movement, station, judged).score }];
    })
    .toSorted((a, b) => b.score - a.score)
    .slice(0, TRIED)
    .map(({ movement, station }): Fix => ({ kind: "add", movement, station }));
}

function swaps(
  judged: Judged,
  id: Id<"slot">,
  fits: (movement: Movement, from: CoveredSlot) => boolean,
): readonly Fix[] {
  const from = judged.slots.find((s) => s.slot.id === id);
  if (from === undefined) return [];
  const named = new Set(from.movement.substitutes.map((s) => s.movement));
  return judged.catalogue
    .filter((movement) => movement.ref !== from.movement.ref && fits(movement, from))
    .toSorted((a, b) => likeness(b, from, named) - likeness(a, from, named))
    .flatMap((movement): Fix[] => {
      const station = open(judged, movement);
      return station === null ? [] : [{ kind: "swap", slot: id, movement, station }];
    })
    .slice(0, TRIED);
}

/** What stands in asks for about as much skill: what an exercise loses in likeness for each step apart. */
const SKILL_STEP = 0.2;

function likeness(movement: Movement, from: CoveredSlot, named: ReadonlySet<string>): number {
  const direct = directRegions(from.movement);
  const shared = direct.filter((r) => trainsDirectly(movement, r)).length / direct.length;
  return (
    shared * 3 +
    (movement.pattern === from.movement.pattern ? 1 : 0) +
    (movement.length === from.stimulus.length ? 1 : 0) +
    (named.has(movement.ref) ? 1 : 0) -
    SKILL_STEP * Math.abs(skillOf(movement) - skillOf(from.movement))
  );
}

function sharesTarget(movement: Movement, from: CoveredSlot): boolean {
  return directRegions(from.movement).some((r) => trainsDirectly(movement, r));
}

/** Set-up choices of the exercises that bring another length. */
function setUpShifts(
  judged: Judged,
  slots: readonly Id<"slot">[],
  region: Region,
  only: string,
  wanted: string | null,
): readonly Fix[] {
  return judged.slots
    .filter((s) => slots.includes(s.slot.id) && trainsDirectly(s.movement, region))
    .flatMap(({ movement, slot }) =>
      movement.setUp.flatMap(({ name, shifts }) =>
        Object.entries(shifts ?? {})
          .filter(([, to]) => to.length !== undefined && to.length !== only)
          .filter(([, to]) => wanted === null || to.length === wanted)
          .map(([choice]): Fix => ({ kind: "setUp", slot: slot.id, name, choice })),
      ),
    );
}

/** Every other choice of the set-up of an exercise, one at a time. */
function otherSetUps({ slots }: Judged, id: Id<"slot">): readonly Fix[] {
  const own = slots.find(({ slot }) => slot.id === id);
  return (own?.movement.setUp ?? []).flatMap(({ name, choices, usual }) =>
    choices
      .filter((choice) => choice !== (own?.slot.setUp[name] ?? usual))
      .map((choice): Fix => ({ kind: "setUp", slot: id, name, choice })),
  );
}

/** The set-up of an exercise that answers a need, where it has one. */
function answers({ slots }: Judged, slot: Id<"slot"> | undefined, need: SetUpNeed): Fix[] {
  const movement = slots.find((covered) => covered.slot.id === slot)?.movement;
  const answer = movement === undefined ? null : answerTo(movement, need);
  return slot === undefined || answer === null ? [] : [{ kind: "setUp", slot, ...answer }];
}
