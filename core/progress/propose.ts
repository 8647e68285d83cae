import { compareMass, sameReading, type Day, type Id, type Mass } from "../kernel/index.ts";
import { howToMake, loadForTotal, measuresAlike, totalMoved, type Loading } from "../gym/index.ts";
import {
  followsOf,
  isPreparatory,
  linesOf,
  readingOf,
  repsAsked,
  type Line,
  type LoadBounds,
  type LoadRule,
  type Slot,
} from "../plan/index.ts";
import { onLine, type Absence, type ExposedSet, type Exposure } from "../log/index.ts";
import { dropExposures, dropLinesOf } from "./drop-lines.ts";
import type { Circumstances } from "./circumstances.ts";
import { factsOf, type Facts, type JudgedLine } from "./judged-line.ts";
import { asPlanned, keep, type LineProposal, type Proposal, type Reason } from "./proposal.ts";
import { nextBy } from "./rules.ts";
import { afterBeingAway, inSituation, situationOf } from "./situations.ts";

/** What is known where the lines of an exercise are judged. */
export interface SlotCircumstances extends Circumstances {
  readonly absence: Absence | null;
  /** The day on which the next session is planned; null where length away does not matter. */
  readonly on: Day | null;
}

/** A line of an exercise as it was judged: what is known of it, and what is proposed for it and its own drops. */
export interface Judgement {
  readonly line: Line;
  /** Null where nothing of it was ever logged. */
  readonly facts: Facts | null;
  readonly proposals: readonly [LineProposal, ...LineProposal[]];
}

/**
 * What Kravo makes of each line of an exercise but its preparation, in their order. `exposures` are those of the
 * exercise at its station, oldest first; the last one is judged.
 */
export function judgeLines(
  slot: Slot,
  exposures: readonly Exposure[],
  known: SlotCircumstances,
): readonly Judgement[] {
  const session = exposures.at(-1)?.sessionLogId ?? null;
  return linesOf(slot).flatMap((line): readonly Judgement[] => {
    const [first] = line.sets;
    if (isPreparatory(first.role)) return [];
    const drops = dropLinesOf(slot, line).map((drop): LineProposal => {
      const meant = meantOn(slot, drop, dropExposures(exposures, drop.id), known);
      const own = proposeLine(drop, meant, session, known);
      // A drop has a load and what it asks for; everything else is its set's.
      const move = own.changes.length > 0 && own.move === "raise" ? "keep" : own.move;
      return { line: drop.id, isDecided: true, ...own, move, changes: [], ways: [] };
    });
    const meant = meantOn(slot, line, exposures, known);
    const facts = meant?.facts ?? null;
    const follows = followsFrom(first.load);
    const own =
      follows === null
        ? proposeLine(line, meant, session, known)
        : keep(null, [{ code: follows }], "high", false);
    const proposal = { line: line.id, isDecided: follows === null, ...own };
    return [{ line, facts, proposals: [proposal, ...drops] }];
  });
}

/** What Kravo proposes for each line of an exercise but its preparation, and for each drop that has a load of its own. */
export function proposeFor(
  slot: Slot,
  exposures: readonly Exposure[],
  known: SlotCircumstances,
): readonly LineProposal[] {
  return judgeLines(slot, exposures, known).flatMap(({ proposals }) => proposals);
}

/** Why a load needs no decision of its own, or null where it does. */
export function followsFrom(load: LoadRule): "followsSet" | "workedOutOnTheDay" | null {
  const from = followsOf(load);
  if (from === "nothing") return null;
  return from === "set" ? "followsSet" : "workedOutOnTheDay";
}

/** The exposures of an exercise as one of its lines sees them; those that had nothing of it are left out. */
function exposuresOf(slot: Slot, line: Line, exposures: readonly Exposure[]): readonly Exposure[] {
  const [{ role, range: within, target }] = line.sets;
  const of = { lineage: slot.lineageId, line: line.id, role, range: repsAsked(target), within };
  return exposures.flatMap((exposure) => {
    const said = onLine(exposure, of);
    return said === null || said.sets.length === 0 ? [] : [said];
  });
}

/** What is known of a line, with what its readings came to where they mean something else by now. */
interface Meant {
  readonly facts: Facts;
  readonly because: readonly Reason[];
}

function meantOn(
  slot: Slot,
  line: Line,
  exposures: readonly Exposure[],
  known: Circumstances,
): Meant | null {
  const own = exposuresOf(slot, line, exposures);
  const last = own.at(-1);
  if (last === undefined) return null;
  const { exposures: read, because } = readAs(own, last, known);
  return { facts: factsOf({ ...known, line, exposures: read }), because };
}

/** What is known of a line from all its exposures, whenever the last one was; null where there are none. */
export function factsOn(
  slot: Slot,
  line: Line,
  exposures: readonly Exposure[],
  known: Circumstances,
): Facts | null {
  return meantOn(slot, line, exposures, known)?.facts ?? null;
}

function proposeLine(
  line: Line,
  meant: Meant | null,
  session: Id<"sessionLog"> | null,
  known: SlotCircumstances,
): Proposal {
  const [first] = line.sets;
  if (meant === null || meant.facts.last.sessionLogId !== session)
    return unlogged(readingOf(first.load), known.absence);
  const { facts, because } = meant;
  const situation = [...situationOf(facts), ...because];
  const ruled = inSituation(nextBy(line.rule, facts), facts, situation);
  const proposal = afterBeingAway(ruled, facts, known.on);
  return makeable(
    isWithin(first.loadBounds, {
      ...proposal,
      mustRule: proposal.mustRule || because.length > 0,
    }),
    known.loading,
  );
}

/** Nothing was logged: what was planned stands, and is not called kept as if it had been done. */
function unlogged(planned: Mass | null, absence: Absence | null): Proposal {
  if (absence === null) return asPlanned(planned, [{ code: "noExposure" }], false);
  return asPlanned(
    planned,
    [absence.kind === "skipped" ? { code: "skipped", why: absence.why } : { code: "substituted" }],
    false,
  );
}

/** A proposal beyond a bound of the set stays at it, and the coach says how to go on. */
function isWithin({ least, most }: LoadBounds, proposal: Proposal): Proposal {
  const { reading: would, from } = proposal;
  if (would === null) return proposal;
  const isOver = most !== null && compareMass(would, most) > 0;
  const isUnder = least !== null && compareMass(would, least) < 0;
  const reading = isOver ? most : isUnder ? least : null;
  if (reading === null) return proposal;
  const isSame = from !== null && sameReading(reading, from);
  return {
    ...proposal,
    move: isSame ? "keep" : proposal.move,
    // What was to change with the load stays with it.
    changes: isSame ? [] : proposal.changes,
    ways: [],
    reading,
    because: [{ code: "atBound", reading, would }, ...proposal.because],
    mustRule: true,
  };
}

/** The exposures with their readings as the station has them now, where what they mean has changed since. */
function readAs(
  own: readonly Exposure[],
  last: Exposure,
  { loading, bodyWeight }: Circumstances,
): { readonly exposures: JudgedLine["exposures"]; readonly because: readonly Reason[] } {
  const before = own.slice(0, -1);
  if (measuresAlike(last.loading, loading)) return { exposures: [...before, last], because: [] };
  const read = (reading: Mass) => {
    const total = totalMoved(last.loading, reading, last.context.bodyWeight ?? bodyWeight);
    return total && (loadForTotal(loading, total, bodyWeight)?.reading ?? null);
  };
  const sets = last.sets.map((set): ExposedSet => ({
    ...set,
    reading: set.reading && read(set.reading),
  }));
  const [from, to] = [last.sets[0]?.reading ?? null, sets[0]?.reading ?? null];
  return {
    exposures: [{ ...last, loading, sets }],
    because: from === null ? [] : [{ code: "readingChanged", from, to }],
  };
}

/** A load that the station no longer makes becomes the nearest that is no harder, and the coach is asked. */
function makeable(proposal: Proposal, loading: Loading): Proposal {
  const { reading } = proposal;
  if (reading === null) return proposal;
  const made = howToMake(loading, reading);
  if (made.ok) return proposal;
  const near = made.error.easier ?? made.error.harder;
  return {
    ...proposal,
    reading: near?.reading ?? null,
    because: [{ code: "cannotBeMadeNow", reading }, ...proposal.because],
    confidence: "low",
    mustRule: true,
  };
}

/** The station is gone from the gym: nothing can be proposed there. */
export function unplaced(slot: Slot): readonly LineProposal[] {
  return linesOf(slot)
    .filter(({ sets: [first] }) => !isPreparatory(first.role))
    .map(({ id }) => ({
      line: id,
      isDecided: true,
      ...asPlanned(null, [{ code: "noExposure" }], true),
    }));
}
