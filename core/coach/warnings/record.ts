import {
  addDays,
  idOf,
  weekStart,
  type Day,
  type Id,
  type MovementRef,
  type Region,
} from "../../kernel/index.ts";
import { performedSets, type History, type Series } from "../../log/index.ts";
import type { FindMovement } from "../../movement/index.ts";
import {
  isPreparatory,
  repsLeft,
  slotsOf,
  type PlannedSet,
  type SessionPlan,
  type Slot,
} from "../../plan/index.ts";
import { volumePolicyOf, type Approach, type Brief, type Measurement } from "../../person/index.ts";
import type { TargetOdds, TargetStanding } from "../../phase/index.ts";
import { hardSetsWorth, volumeOf } from "../../unroll/index.ts";

/** What is known of a client over the last weeks. */
export interface ClientRecord {
  readonly today: Day;
  readonly brief: Brief;
  readonly approach: Approach;
  /** With each session as it was planned and changed while trained, so that what was skipped is in it. */
  readonly history: History;
  readonly series: Series;
  readonly measurements: readonly Measurement[];
  readonly find: FindMovement;
  /** True for a session of a light, a lighter or a test week. */
  readonly isEasy: (session: Id<"sessionLog">) => boolean;
  /** Which parts without sets of a session were done, and which left out; of the others nobody said it. */
  readonly itemsDone: (session: Id<"sessionLog">) => ReadonlyMap<Id<"block">, boolean>;
  /** The stated targets of the phase that runs, in weeks that are still to come. */
  readonly targets: readonly StatedNow[];
  /** Since when each exercise is trained, wherever, and in how many sessions. */
  readonly trainedSince: ReadonlyMap<
    MovementRef,
    { readonly since: Day; readonly sessions: number }
  >;
}

/** How a stated target stands, and of which exercise it is. */
export type StatedNow = Pick<TargetStanding, "target" | "metIn" | "arrives"> &
  Pick<TargetOdds, "chance"> & { readonly movement: MovementRef };

/** One exercise in a trained session. */
export interface TrainedSlot {
  readonly movement: MovementRef;
  /** Hard sets done of it, as the approach counts, and before it in the session. */
  readonly hardSets: number;
  readonly before: number;
  readonly isDone: boolean;
  /** Regions that it trains directly. */
  readonly direct: readonly Region[];
}

/** A trained session as warnings see it. */
export interface TrainedOn {
  readonly id: Id<"sessionLog">;
  readonly day: Day;
  readonly isEasy: boolean;
  readonly slots: readonly TrainedSlot[];
  /** Hard sets of each region, direct ones and assisting ones by their share. */
  readonly sets: ReadonlyMap<Region, number>;
  /** True where all that prepares was left out; null where none was planned, or nobody said it of any. */
  readonly isUnprepared: boolean | null;
  /** Sets that were taken to the limit. */
  readonly limitSets: number;
  readonly pains: readonly { readonly joint: string; readonly score: number }[];
}

/** The trained sessions of a client, oldest first. */
export function trainedOn({
  history,
  approach,
  find,
  isEasy,
  itemsDone,
}: ClientRecord): readonly TrainedOn[] {
  const policy = volumePolicyOf(approach.stances);
  return history.sessions.toReversed().flatMap(({ id, day, document }): TrainedOn[] => {
    const done = history.performed.get(id);
    if (done === undefined) return [];
    const counted = performedSets(document, done.loggedSets, find);
    let before = 0;
    const slots = slotsOf(document).map((slot): TrainedSlot => {
      const own = done.loggedSets.filter(({ slotId }) => slotId === slot.id);
      const hardSets = hardSetsWorth(performedSets(only(slot), own, find), policy);
      const at = before;
      before += hardSets;
      const regions = find(slot.movement)?.regions ?? [];
      return {
        movement: slot.movement,
        hardSets,
        before: at,
        isDone: own.length > 0,
        direct: regions.filter(({ share }) => share === 1).map(({ region }) => region),
      };
    });
    return [
      {
        id,
        day,
        isEasy: isEasy(id),
        isUnprepared: isUnprepared(document, itemsDone(id)),
        slots,
        sets: new Map(
          volumeOf(counted, policy).map(({ region, direct, indirect }) => [
            region,
            direct + indirect,
          ]),
        ),
        limitSets: counted.filter(({ role, effort }) => !isPreparatory(role) && isToLimit(effort))
          .length,
        pains: done.pains,
      },
    ];
  });
}

function isUnprepared(
  { blocks }: SessionPlan,
  itemsDone: ReadonlyMap<Id<"block">, boolean>,
): boolean | null {
  const said = blocks.flatMap((block) =>
    block.kind === "prepare" ? (itemsDone.get(block.id) ?? []) : [],
  );
  return said.length === 0 ? null : said.every((isDone) => !isDone);
}

/** A session of one exercise. */
const only = (slot: Slot): SessionPlan => ({
  schemaVersion: 2,
  blocks: [{ kind: "exercise", id: idOf(slot.id), lineageId: slot.lineageId, slot }],
});

const isToLimit = (effort: PlannedSet["effort"]) => {
  const left = repsLeft(effort);
  return left !== null && left < 1;
};

/** A calendar week in which somebody trained. */
export interface TrainedWeek {
  readonly monday: Day;
  readonly sessions: readonly TrainedOn[];
  readonly isEasy: boolean;
}

/** The weeks with sessions, oldest first, up to the last one that is over. */
export function weeksBefore(today: Day, sessions: readonly TrainedOn[]): readonly TrainedWeek[] {
  const thisMonday = weekStart(today);
  const mondays = [...new Set(sessions.map(({ day }) => weekStart(day)))];
  return mondays
    .filter((monday) => monday < thisMonday)
    .map((monday): TrainedWeek => {
      const own = sessions.filter(({ day }) => weekStart(day) === monday);
      return { monday, sessions: own, isEasy: own.every((session) => session.isEasy) };
    });
}

/** The newest weeks that follow each other without one in which nobody trained, oldest first. */
export function unbroken(weeks: readonly TrainedWeek[]): readonly TrainedWeek[] {
  const last: TrainedWeek[] = [];
  for (const week of weeks.toReversed()) {
    const [first] = last;
    if (first !== undefined && addDays(week.monday, 7) !== first.monday) break;
    last.unshift(week);
  }
  return last;
}
