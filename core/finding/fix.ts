import type { Region } from "../anatomy/index.ts";
import { defaultsFor, orderRank } from "../approach/index.ts";
import type { Day } from "../calendar/index.ts";
import type { CoveredSlot } from "../coverage/index.ts";
import { sessionDuration } from "../duration/index.ts";
import type { Id, MintId } from "../identity/index.ts";
import { directRegions, shareOf, type Movement } from "../movement/index.ts";
import {
  applyEdit,
  duplicateSet,
  isPreparatory,
  mapSlots,
  newBlock,
  slotsOfBlock,
  stationFor,
  unroll,
  type ExerciseBlock,
  type Rest,
  type SessionPlan,
  type Slot,
} from "../prescription/index.ts";
import { assertNever } from "../result/index.ts";
import { seconds, type Mass } from "../quantity/index.ts";
import type { Station } from "../station/index.ts";
import { countsForVolume } from "../volume/index.ts";
import { exclusionsOf } from "../brief/index.ts";
import { bringsOf } from "./brings.ts";
import { judge, type Judged, type Judging } from "./context.ts";
import { findingsOf } from "./find.ts";
import { SEVERITIES, type Finding } from "./finding.ts";

/** A change of the plan that answers a finding; each is applied in one go and undone in one. */
export type Fix =
  | { readonly kind: "add"; readonly movement: Movement; readonly station: Station }
  | {
      readonly kind: "swap";
      readonly slot: Id<"slot">;
      readonly movement: Movement;
      readonly station: Station;
    }
  | { readonly kind: "remove"; readonly slot: Id<"slot"> }
  /** Before every other exercise, behind what prepares for them. */
  | { readonly kind: "toFront"; readonly slot: Id<"slot"> }
  | { readonly kind: "arrange" }
  | { readonly kind: "addSet"; readonly slot: Id<"slot"> }
  | { readonly kind: "dropSet"; readonly slot: Id<"slot"> }
  | { readonly kind: "trimSets"; readonly to: number }
  /** Every rest that is timed becomes this share of itself; reps may fall with it. */
  | { readonly kind: "trimRest"; readonly share: number }
  /** Two exercises behind each other are taken in turn, so that one rests while the other works. */
  | { readonly kind: "pair"; readonly slot: Id<"slot">; readonly with: Id<"slot"> }
  /** To another session of the week, which changes with this one. */
  | {
      readonly kind: "spread";
      readonly slot: Id<"slot">;
      readonly to: Id<"plan">;
      readonly day: Day;
    }
  | {
      readonly kind: "setUp";
      readonly slot: Id<"slot">;
      readonly name: string;
      readonly choice: string;
    }
  | { readonly kind: "leaveReserve"; readonly slot: Id<"slot"> }
  | { readonly kind: "firstSide"; readonly slot: Id<"slot">; readonly first: "left" | "right" };

/** A new exercise as the approach begins it, with the person's weaker side first. */
export function newExercise(
  { approach, brief }: Judging,
  movement: Movement,
  station: Station,
  reading: Mass | null,
  mint: MintId,
): ExerciseBlock {
  const defaults = defaultsFor(movement, approach);
  return newBlock(mint, movement, station.id, reading, defaults, brief.weakerSide ?? "left");
}

/** The plan with a fix applied. */
export function applyFix(fix: Fix, judging: Judging, mint: MintId): SessionPlan {
  const { plan } = judging;
  const onSlot = (id: Id<"slot">, change: (slot: Slot) => Slot) =>
    mapSlots(plan, (slot) => (slot.id === id ? change(slot) : slot));
  switch (fix.kind) {
    case "add": {
      const block = newExercise(judging, fix.movement, fix.station, null, mint);
      return arranged({ ...plan, blocks: [...plan.blocks, block] }, judging, block.id);
    }
    case "swap": {
      const { slot: fresh } = newExercise(judging, fix.movement, fix.station, null, mint);
      return onSlot(fix.slot, (slot) => ({ ...fresh, id: slot.id, lineId: slot.lineId }));
    }
    case "remove":
    case "spread":
      return applyEdit(plan, { kind: "removeSlot", slot: fix.slot });
    case "toFront": {
      const block = plan.blocks.find((b) => slotsOfBlock(b).some((s) => s.id === fix.slot));
      if (block === undefined) return plan;
      const others = plan.blocks.filter((b) => b !== block);
      const place = others.findIndex((b) => slotsOfBlock(b).length > 0);
      return place < 0 ? plan : { ...plan, blocks: insertedAt(others, place, block) };
    }
    case "arrange":
      return arrangedByApproach(plan, judging);
    case "addSet":
      return onSlot(fix.slot, (slot) => {
        const last = slot.sets.at(-1);
        return last === undefined ? slot : duplicateSet(slot, last.id, mint);
      });
    case "dropSet":
      return onSlot(fix.slot, (slot) => ({ ...slot, sets: slot.sets.slice(0, -1) }));
    case "trimRest":
      return mapSlots(plan, (slot) => ({
        ...slot,
        sets: slot.sets.map((set) => ({
          ...set,
          restAfter: trimmedRest(set.restAfter, fix.share),
        })),
      }));
    case "pair": {
      const block = plan.blocks.find((b) => slotsOfBlock(b).some((s) => s.id === fix.slot));
      const rest = block === undefined ? undefined : slotsOfBlock(block)[0]?.sets[0]?.restAfter;
      if (block === undefined || rest === undefined) return plan;
      const rests = { restBetween: BETWEEN_PAIRED, restAfterRound: trimmedRest(rest, 0.5) };
      return applyEdit(plan, { kind: "join", block: block.id, rests });
    }
    case "trimSets":
      return mapSlots(plan, (slot) => ({ ...slot, sets: trimmed(slot, fix.to) }));
    case "setUp":
      return onSlot(fix.slot, (slot) => ({
        ...slot,
        setUp: { ...slot.setUp, [fix.name]: fix.choice },
      }));
    case "leaveReserve":
      return onSlot(fix.slot, (slot) => ({
        ...slot,
        sets: slot.sets.map((set) => ({
          ...set,
          effort: isPreparatory(set.role) ? set.effort : 2,
          extensions: set.extensions.filter((e) => e.kind !== "forced"),
        })),
      }));
    case "firstSide":
      return onSlot(fix.slot, (slot) => ({
        ...slot,
        sets: slot.sets.map((set) =>
          set.side.kind === "each" ? { ...set, side: { ...set.side, first: fix.first } } : set,
        ),
      }));
    default:
      return assertNever(fix);
  }
}

/** From one of a pair to the other: only the way. Source: our rule, docs/arithmetic.md § Findings. */
const BETWEEN_PAIRED: Rest = { kind: "fixed", seconds: seconds(20) };

/** A timed rest as a share of itself, to five seconds; one that ends by recovery or a partner stays. */
function trimmedRest(rest: Rest, share: number): Rest {
  const less = (n: number) => seconds(5 * Math.round((n * share) / 5));
  switch (rest.kind) {
    case "fixed":
    case "atMost":
      return { ...rest, seconds: less(rest.seconds) };
    case "range":
      return { ...rest, min: less(rest.min), max: less(rest.max) };
    case "breath":
    case "heartRate":
    case "partner":
      return rest;
    default:
      return assertNever(rest);
  }
}

/** Exercises behind each other that train nothing in common directly: each can rest while the other works. */
function pairs(judged: Judged): readonly Fix[] {
  const { blocks } = judged.plan;
  return blocks.flatMap((block, i): Fix[] => {
    const next = blocks[i + 1];
    if (block.kind !== "exercise" || next?.kind !== "exercise") return [];
    const [a, b] = [block.slot, next.slot].map((slot) => judged.around.movement(slot.movement));
    if (a == null || b == null) return [];
    const shared = directRegions(a).some((region) => directRegions(b).includes(region));
    return shared ? [] : [{ kind: "pair", slot: block.slot.id, with: next.slot.id }];
  });
}

/** Keeps so many work sets and all that prepare them. */
function trimmed(slot: Slot, to: number): Slot["sets"] {
  let left = to;
  return slot.sets.filter((set) => isPreparatory(set.role) || left-- > 0);
}

/** The blocks in the order of the approach; a tie stays as it is, blocks of items keep their place. */
export function arrangedByApproach(plan: SessionPlan, judging: Judging): SessionPlan {
  const rank = (block: SessionPlan["blocks"][number]) => {
    const ranks = slotsOfBlock(block).flatMap((slot) => {
      const movement = judging.around.movement(slot.movement);
      if (movement === null) return [];
      const isPriority = judging.brief.priorities.some((r) => shareOf(movement, r) === 1);
      return [isPriority ? -1 : orderRank(movement, judging.approach.stances)];
    });
    return Math.min(...ranks);
  };
  const training = plan.blocks.filter((b) => slotsOfBlock(b).length > 0);
  const sorted = training.toSorted((a, b) => rank(a) - rank(b));
  let next = 0;
  return {
    ...plan,
    blocks: plan.blocks.map((b) => (slotsOfBlock(b).length > 0 ? (sorted[next++] ?? b) : b)),
  };
}

/** A new block is put where the approach has it, the others stay in their order. */
function arranged(plan: SessionPlan, judging: Judging, added: Id<"block">): SessionPlan {
  const sorted = arrangedByApproach(plan, judging).blocks;
  const block = plan.blocks.find((b) => b.id === added);
  const others = plan.blocks.filter((b) => b.id !== added);
  const after = sorted.slice(sorted.findIndex((b) => b.id === added) + 1);
  const place = others.findIndex((b) => after.includes(b));
  if (block === undefined || place < 0) return plan;
  return { ...plan, blocks: insertedAt(others, place, block) };
}

function insertedAt<T>(list: readonly T[], place: number, entry: T): readonly T[] {
  return [...list.slice(0, place), entry, ...list.slice(place)];
}

/**
 * The fixes for a finding, best first, at most `limit`. Each was tried: the finding is gone afterwards, and
 * nothing graver than it has come up. Those that bring up nothing as grave go before those that do.
 */
export function fixesFor(
  found: Finding,
  judging: Judging,
  mint: MintId,
  limit = 3,
): readonly Fix[] {
  const judged = judge(judging);
  const before = new Set(findingsOf(judging).map((f) => f.key));
  const grave = SEVERITIES.indexOf(found.severity);
  const clean: Fix[] = [];
  const trading: Fix[] = [];
  for (const fix of candidates(found, judged)) {
    if (clean.length === limit) break;
    const after = findingsOf(fixed(fix, judging, mint));
    if (after.some((f) => f.key === found.key)) continue;
    const fresh = after.filter((f) => !before.has(f.key) && f.severity !== "note");
    const worst = Math.min(...fresh.map((f) => SEVERITIES.indexOf(f.severity)));
    if (worst > grave) clean.push(fix);
    else if (worst === grave) trading.push(fix);
  }
  return [...clean, ...trading].slice(0, limit);
}

/** Minutes that the session is likely to get shorter by a fix; below zero where it gets longer. */
export function minutesSaved(fix: Fix, judging: Judging, mint: MintId): number {
  const minutes = (plan: SessionPlan) => sessionDuration(unroll(plan, judging.around)).likely / 60;
  return minutes(judging.plan) - minutes(applyFix(fix, judging, mint));
}

/** The week after a fix: this session changed, and the other one too where an exercise goes there. */
function fixed(fix: Fix, judging: Judging, mint: MintId): Judging {
  const plan = applyFix(fix, judging, mint);
  if (fix.kind !== "spread") return { ...judging, plan };
  const others = judging.others.map((other) =>
    other.id === fix.to ? { ...other, plan: receiving(other.plan, judging.plan, fix.slot) } : other,
  );
  return { ...judging, plan, others };
}

/** A session that takes an exercise over from another one, at its end; the same where it is not to be found. */
export function receiving(into: SessionPlan, from: SessionPlan, id: Id<"slot">): SessionPlan {
  for (const block of from.blocks) {
    const slot = slotsOfBlock(block).find((s) => s.id === id);
    if (slot === undefined) continue;
    const { id: blockId, lineId } = block;
    return { ...into, blocks: [...into.blocks, { kind: "exercise", id: blockId, lineId, slot }] };
  }
  return into;
}

/** Every exercise, the last first, to every other session that nobody has begun. */
function spreads(judged: Judged): readonly Fix[] {
  return judged.slots
    .toReversed()
    .flatMap(({ slot }) =>
      judged.others
        .filter((other) => other.isOpen)
        .map(({ id, day }): Fix => ({ kind: "spread", slot: slot.id, to: id, day })),
    );
}

function candidates({ fact, slots }: Finding, judged: Judged): readonly Fix[] {
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
      return [
        ...swaps(judged, second, (m, from) => sharesTarget(m, from)),
        { kind: "remove", slot: second },
      ];
    }
    case "schoolOrder":
      return [{ kind: "arrange" }];
    case "priorityLate":
    case "technicalLate":
      return slot === undefined ? [] : [{ kind: "toFront", slot }, { kind: "arrange" }];
    case "tooMuchForNew":
      return [
        { kind: "trimSets", to: 2 },
        ...spreads(judged).slice(0, 1),
        { kind: "trimSets", to: 1 },
      ];
    case "lowReadiness":
      return [2, 1].map((to): Fix => ({ kind: "trimSets", to }));
    case "overCap":
      return [
        ...pairs(judged),
        { kind: "trimRest", share: 0.75 },
        ...judged.slots.toReversed().map(({ slot: s }): Fix => ({ kind: "dropSet", slot: s.id })),
        ...spreads(judged).slice(0, TRIED),
        ...[3, 2, 1].map((to): Fix => ({ kind: "trimSets", to })),
        ...judged.slots.toReversed().map(({ slot: s }): Fix => ({ kind: "remove", slot: s.id })),
      ];
    case "notHere":
    case "excluded":
      return slot === undefined
        ? []
        : [...swaps(judged, slot, (m, from) => sharesTarget(m, from)), { kind: "remove", slot }];
    case "busyStation":
    case "atCeiling":
    case "longThighs":
      return slot === undefined ? [] : swaps(judged, slot, (m, from) => sharesTarget(m, from));
    case "limitAlone":
      return slot === undefined
        ? []
        : [
            { kind: "leaveReserve", slot },
            ...swaps(judged, slot, (m, from) => sharesTarget(m, from) && m.safeAlone.toTheLimit),
          ];
    case "tightRange":
      return slot === undefined ? [] : [{ kind: "setUp", slot, name: "Heels", choice: "raised" }];
    case "gripEndsFirst":
      return slot === undefined ? [] : [{ kind: "setUp", slot, name: "Grip", choice: "straps" }];
    case "weakSideSecond":
      return slot === undefined ? [] : [{ kind: "firstSide", slot, first: fact.weaker }];
    case "needsClearing":
      return [];
    default:
      return assertNever(fact);
  }
}

const trainsDirectly = (movement: Movement, region: Region) =>
  countsForVolume(movement) && shareOf(movement, region) === 1;

/** So many additions and swaps are tried at most; trying each costs a whole judgement. */
const TRIED = 8;

function open(judged: Judged, movement: Movement): Station | null {
  if (exclusionsOf(judged.brief, movement).length > 0) return null;
  if (judged.slots.some((s) => s.slot.movement === movement.ref)) return null;
  return stationFor(judged.stations, movement);
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

function likeness(movement: Movement, from: CoveredSlot, named: ReadonlySet<string>): number {
  const direct = directRegions(from.movement);
  const shared = direct.filter((r) => trainsDirectly(movement, r)).length / direct.length;
  return (
    shared * 3 +
    (movement.pattern === from.movement.pattern ? 1 : 0) +
    (movement.length === from.stimulus.length ? 1 : 0) +
    (named.has(movement.ref) ? 1 : 0)
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
