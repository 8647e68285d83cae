import { compareMass, sameReading, type Mass } from "../kernel/index.ts";
import { howToMake, loadForTotal, measuresAlike, totalMoved, type Loading } from "../gym/index.ts";
import type { SetUpParameter } from "../movement/index.ts";
import {
  followsOf,
  isPreparatory,
  linesOf,
  readingOf,
  type Line,
  type LoadBounds,
  type LoadRule,
  type ProgressionRule,
  type Slot,
} from "../plan/index.ts";
import { judgedSets, onLine, workOf, type ExposedSet, type Exposure } from "../log/index.ts";
import { nextByDoubleProgression, type JudgedLine } from "./double-progression.ts";
import { keep, type LineProposal, type Proposal, type Reason } from "./proposal.ts";

/** What is known where an exercise is judged. */
export interface Circumstances {
  /** The station as it is now. */
  readonly loading: Loading;
  readonly bodyWeight: Mass | null;
  /** While body weight is cut a load that is held is no stall. */
  readonly isHoldingSuccess: boolean;
  /** What is set up on the exercise, of which some may have an order of what is harder. */
  readonly parameters: readonly SetUpParameter[];
}

/** What each rule makes of a line that was trained. */
const RULES: Readonly<Record<ProgressionRule["kind"], (line: JudgedLine) => Proposal>> = {
  doubleProgression: nextByDoubleProgression,
  keepLoad: ({ exposures }) =>
    keep(exposures.at(-1)?.sets[0]?.reading ?? null, [{ code: "heldByRule" }], "high", false),
};

/**
 * What Kravo proposes for each line of an exercise but its preparation, in their order. `exposures` are those of
 * the exercise at its station, oldest first; the last one is judged.
 */
export function proposeFor(
  slot: Slot,
  exposures: readonly Exposure[],
  known: Circumstances,
): readonly LineProposal[] {
  return linesOf(slot).flatMap((line): LineProposal[] => {
    const [first] = line.sets;
    if (isPreparatory(first.role)) return [];
    const follows = followsFrom(first.load);
    if (follows !== null) {
      return [
        { line: line.id, isDecided: false, ...keep(null, [{ code: follows }], "high", false) },
      ];
    }
    return [{ line: line.id, isDecided: true, ...proposeLine(slot, line, exposures, known) }];
  });
}

/** Why a load needs no decision of its own, or null where it does. */
export function followsFrom(load: LoadRule): "followsSet" | "workedOutOnTheDay" | null {
  const from = followsOf(load);
  if (from === "nothing") return null;
  return from === "set" ? "followsSet" : "workedOutOnTheDay";
}

function proposeLine(
  slot: Slot,
  line: Line,
  exposures: readonly Exposure[],
  known: Circumstances,
): Proposal {
  const [first] = line.sets;
  const planned = readingOf(first.load);
  if (judgedSets(line).length === 0) return keep(planned, [{ code: "notInReps" }], "low", false);
  const of = { lineage: slot.lineageId, ...workOf(first) };
  const own = exposures.flatMap((exposure) => {
    const said = onLine(exposure, of);
    return said === null || said.sets.length === 0 ? [] : [said];
  });
  const last = own.at(-1);
  const isToday = last !== undefined && last.sessionLogId === exposures.at(-1)?.sessionLogId;
  if (!isToday) return keep(planned, [{ code: "noExposure" }], "low", false);
  const meant = readAs(own, last, known);
  const judged: JudgedLine = { ...known, exposures: meant.exposures };
  const pains = last.pains.filter((p) => p.score > 0);
  const proposal = RULES[line.rule.kind](judged);
  const because: readonly Reason[] = [
    ...pains.map((p): Reason => ({ code: "pain", joint: p.joint, score: p.score })),
    ...meant.because,
  ];
  const asked =
    pains.length === 0
      ? proposal
      : keep(proposal.from, proposal.because.filter(isDoubt), "low", true);
  return makeable(
    within(first.loadBounds, {
      ...asked,
      because: [...because, ...asked.because],
      mustRule: asked.mustRule || meant.because.length > 0,
    }),
    known.loading,
  );
}

/** A proposal beyond a bound of the set stays at it, and the coach says how to go on. */
function within({ least, most }: LoadBounds, proposal: Proposal): Proposal {
  const { reading: would, from } = proposal;
  if (would === null) return proposal;
  const isOver = most !== null && compareMass(would, most) > 0;
  const isUnder = least !== null && compareMass(would, least) < 0;
  const reading = isOver ? most : isUnder ? least : null;
  if (reading === null) return proposal;
  return {
    ...proposal,
    move: from !== null && sameReading(reading, from) ? "keep" : proposal.move,
    reading,
    because: [{ code: "atBound", reading, would }, ...proposal.because],
    mustRule: true,
  };
}

/** Facts that stand whatever is proposed. */
const isDoubt = ({ code }: Reason) =>
  code !== "allAtTop" && code !== "smallestStep" && code !== "largeStep" && code !== "repsToGain";

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
      ...keep(null, [{ code: "noExposure" }], "low", true),
    }));
}
