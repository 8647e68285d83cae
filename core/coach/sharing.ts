import type { Id } from "../kernel/index.ts";
import { applyEdit, referredBy, slotsOf, slotsOfBlock, type SessionPlan } from "../plan/index.ts";
import { isSetStep, stepDurations, unroll, type UnrollContext } from "../unroll/index.ts";

/** A session of a day that begins at a known time, in minutes from midnight on its gym's clock. */
export interface TimedSession {
  readonly plan: Id<"plan">;
  readonly gym: Id<"gym">;
  readonly begins: number;
  readonly document: SessionPlan;
  /** False for one that is being trained, or was: its order stays. */
  readonly canMove: boolean;
}

/** An exercise on its equipment, in minutes from midnight. */
interface Use {
  readonly slot: Id<"slot">;
  readonly station: Id<"station">;
  readonly from: number;
  readonly to: number;
}

/** What takes a piece of equipment from the second who wants it: another exercise first, or a later start. */
export type WayAround =
  | { readonly kind: "reorder"; readonly first: Id<"slot">; readonly document: SessionPlan }
  | { readonly kind: "later"; readonly begins: number };

/** Equipment that two sessions want at the same time. */
export interface WantedTwice {
  readonly station: Id<"station">;
  /** Who has it first, and until when. */
  readonly has: Id<"plan">;
  readonly until: number;
  readonly wants: Id<"plan">;
  readonly way: WayAround | null;
}

/** Two sessions may share a moment at the change-over. Source: our rule. */
const CHANGE_OVER = 2;
/** A later start is looked for within this many minutes. Source: our rule. */
const LATEST = 60;
const STEP = 5;
const MIDNIGHT = 24 * 60;

/** When each exercise of a session stands on its equipment: from its first step to its last, as is likely. */
function usesOf({ document, begins }: TimedSession, context: UnrollContext): readonly Use[] {
  const steps = unroll(document, context);
  const durations = stepDurations(steps);
  const stations = new Map(slotsOf(document).map((slot) => [slot.id, slot.station]));
  const uses = new Map<Id<"slot">, Use>();
  let clock = begins;
  steps.forEach((step, i) => {
    const ends = clock + (durations[i]?.likely ?? 0) / 60;
    if (isSetStep(step)) {
      const station = stations.get(step.slotId);
      const before = uses.get(step.slotId);
      if (station !== undefined)
        uses.set(step.slotId, {
          slot: step.slotId,
          station,
          from: before?.from ?? clock,
          to: ends,
        });
    }
    clock = ends;
  });
  return [...uses.values()];
}

const meets = (a: Use, b: Use) =>
  a.station === b.station && Math.min(a.to, b.to) - Math.max(a.from, b.from) > CHANGE_OVER;

/**
 * Equipment that sessions of one gym want at the same time, for each session that comes second the first such, with the
 * way around all of it that costs least: another order, else the first later start within an hour that meets nobody
 * else's.
 */
export function wantedTwice(
  sessions: readonly TimedSession[],
  context: UnrollContext,
): readonly WantedTwice[] {
  const known = sessions.map((session) => ({ session, uses: usesOf(session, context) }));
  const sorted = known.toSorted((a, b) => a.session.begins - b.session.begins);
  return sorted.flatMap((second, i): readonly WantedTwice[] => {
    const inGym = sorted.filter(({ session }) => session.gym === second.session.gym);
    const before = inGym.filter((own) => sorted.indexOf(own) < i);
    const [clash] = before.flatMap(({ session, uses }) =>
      second.uses.flatMap((use) => {
        const other = uses.find((own) => meets(own, use));
        return other === undefined ? [] : [{ has: session.plan, use, until: other.to }];
      }),
    );
    if (clash === undefined) return [];
    const others = inGym.filter((own) => own !== second).flatMap(({ uses }) => uses);
    return [
      {
        station: clash.use.station,
        has: clash.has,
        until: Math.ceil(clash.until),
        wants: second.session.plan,
        way: second.session.canMove ? wayAround(second, others, context) : null,
      },
    ];
  });
}

function wayAround(
  { session, uses: planned }: { readonly session: TimedSession; readonly uses: readonly Use[] },
  others: readonly Use[],
  context: UnrollContext,
): WayAround | null {
  const isFree = (uses: readonly Use[]) =>
    !uses.some((use) => others.some((other) => meets(other, use)));
  for (const document of ordersOf(session.document)) {
    const [first] = slotsOf(document);
    if (first !== undefined && isFree(usesOf({ ...session, document }, context)))
      return { kind: "reorder", first: first.id, document };
  }
  for (let by = STEP; by <= LATEST; by += STEP) {
    const begins = session.begins + by;
    const later = planned.map((use) => ({ ...use, from: use.from + by, to: use.to + by }));
    if (Math.max(begins, ...later.map(({ to }) => to)) >= MIDNIGHT) return null;
    if (isFree(later)) return { kind: "later", begins };
  }
  return null;
}

/** The session with one of its exercises, or supersets, before the others: those nearest the front first. */
function ordersOf(document: SessionPlan): readonly SessionPlan[] {
  const places = document.blocks.flatMap((block, at) => {
    const slots = slotsOfBlock(block);
    // What takes its load from another exercise comes after it.
    const isFree = slots.every((slot) => referredBy(slot, document) === "");
    return slots.length === 0 ? [] : [{ id: block.id, at, isFree }];
  });
  const [front] = places;
  if (front === undefined) return [];
  return places
    .slice(1)
    .filter(({ isFree }) => isFree)
    .map(({ id }) => applyEdit(document, { kind: "placeBlock", block: id, at: front.at }));
}
