import { z } from "zod";
import {
  FAULTS,
  idField,
  kind,
  kindsOf,
  LIMITERS,
  massField,
  massUnitField,
  movementField,
  REGIONS,
  unionOf,
  type FamilyOf,
} from "../kernel/index.ts";
import { isPreparatory, linesOf, SET_ROLES } from "../plan/index.ts";
import { changeField } from "./change.ts";
import type { SlotProposal } from "./next-session.ts";
import { MOVES, shownMark, WAYS, type LineProposal, type Reason } from "./proposal.ts";

const times = z.int().min(0).max(100_000);

/**
 * Why a line waits for the coach, the most urgent first; the only list of them. `progress` is what nobody needs to
 * look at: what its rule proposes, with nothing against it. Source: our rule, docs/today.md.
 */
export const WAITING = {
  pain: { definition: kind("pain", { joint: z.string().max(40), score: z.number() }) },
  missed: { definition: kind("missed", { times }) },
  failed: { definition: kind("failed", { sets: times }) },
  fellBack: { definition: kind("fellBack", { before: z.number(), now: z.number() }) },
  notComparable: { definition: kind("notComparable", {}) },
  stalled: { definition: kind("stalled", { sessions: times }) },
  faultReturns: { definition: kind("faultReturns", { fault: z.enum(FAULTS) }) },
  limiter: { definition: kind("limiter", { limiter: z.enum(LIMITERS) }) },
  feltElsewhere: { definition: kind("feltElsewhere", { felt: z.enum(REGIONS) }) },
  jump: { definition: kind("jump", { share: z.number() }) },
  equipment: { definition: kind("equipment", {}) },
  bound: { definition: kind("bound", {}) },
  unclear: { definition: kind("unclear", {}) },
  progress: { definition: kind("progress", {}) },
} as const;
export type WaitingWhy = FamilyOf<typeof WAITING>;
export type WaitingKind = WaitingWhy["kind"];
export const WAITING_KINDS = kindsOf(WAITING);

const stepField = z.object({
  move: z.enum(MOVES),
  reading: massField.nullable(),
  changes: z.array(changeField).readonly(),
});

/** A line of a trained session that waits for the coach, with what a list says of it. */
export const waitingLineField = stepField
  .extend({
    slot: idField("slot"),
    line: idField("line"),
    movement: movementField,
    /** What the line is, where its exercise has others besides its preparation; else null. */
    role: z.enum(SET_ROLES).nullable(),
    why: unionOf(WAITING),
    from: massField.nullable(),
    /** In which a load is typed. */
    unit: massUnitField,
    /** What was done of it, set by set; null is unknown. */
    done: z
      .array(z.object({ reading: massField.nullable(), amount: z.number().nullable() }).readonly())
      .readonly(),
    /** The other ways on that have a step, best first. */
    ways: z
      .array(z.object({ code: z.enum(WAYS), step: stepField.readonly() }).readonly())
      .readonly(),
    /** Marks what was shown, so that nothing else is accepted. */
    shown: z.string().max(20),
    /** True where the rule leaves the decision to the coach. */
    mustRule: z.boolean(),
  })
  .readonly();
export type WaitingLine = z.output<typeof waitingLineField>;

/** Goes up with every change of what is proposed or of why it waits: rows of another engine are worked out again. */
export const WAITING_ENGINE = 1;

/** Every line of a trained session that is decided by itself, as it waits for the coach. */
export function waitingIn(proposals: readonly SlotProposal[]): readonly WaitingLine[] {
  return proposals.flatMap(({ slot, station, lines, records }) => {
    const own = linesOf(slot).filter(({ sets: [{ role }] }) => !isPreparatory(role));
    return lines
      .filter(({ isDecided }) => isDecided)
      .map((proposal): WaitingLine => {
        const line = own.find(({ id }) => id === proposal.line);
        const done = records.find((record) => record.line === proposal.line)?.now?.sets ?? [];
        const { move, reading, changes, from, mustRule } = proposal;
        return {
          slot: slot.id,
          line: proposal.line,
          movement: slot.movement,
          // A drop with a load of its own is a line within its set's.
          role: line === undefined ? "burnout" : own.length === 1 ? null : line.sets[0].role,
          why: whyOf(proposal),
          move,
          reading,
          changes,
          from,
          unit: station?.loading.unit ?? "kg",
          done: done.map(({ reading: at, amount }) => ({ reading: at, amount })),
          ways: proposal.ways.flatMap(({ code, step }) => (step === null ? [] : [{ code, step }])),
          shown: shownMark(proposal),
          mustRule,
        };
      });
  });
}

/** True for what needs no coach: nothing is against what its rule proposes. */
export function isUnremarkable({ why }: Pick<WaitingLine, "why">): boolean {
  return why.kind === "progress";
}

/** How urgent a reason to wait is, from 0 for the most. */
export function urgencyOf({ kind: name }: Pick<WaitingWhy, "kind">): number {
  return WAITING_KINDS.indexOf(name);
}

/** Of all that speaks against taking a proposal as given the most urgent. */
function whyOf({ because, mustRule }: LineProposal): WaitingWhy {
  const [first] = because.flatMap(against).toSorted((a, b) => urgencyOf(a) - urgencyOf(b));
  return first ?? (mustRule ? { kind: "unclear" } : { kind: "progress" });
}

type Against = {
  readonly [C in Reason["code"]]?: (
    reason: Extract<Reason, { readonly code: C }>,
  ) => WaitingWhy | null;
};

/** What a fact says against taking a proposal as given; the other facts say nothing. A first miss is for the rule. */
const AGAINST: Against = {
  pain: ({ joint, score }) => ({ kind: "pain", joint, score }),
  belowRange: ({ times: n }) => (n >= 2 ? { kind: "missed", times: n } : null),
  failedSets: ({ sets }) => ({ kind: "failed", sets }),
  fellBack: ({ before, now }) => ({ kind: "fellBack", before, now }),
  notComparable: () => ({ kind: "notComparable" }),
  drifted: () => ({ kind: "notComparable" }),
  stalled: ({ sessions }) => ({ kind: "stalled", sessions }),
  faultReturns: ({ fault }) => ({ kind: "faultReturns", fault }),
  otherLimiter: ({ times: n, limiter }) => (n >= 2 ? { kind: "limiter", limiter } : null),
  feltElsewhere: ({ times: n, felt }) => (n >= 2 ? { kind: "feltElsewhere", felt } : null),
  largeStep: ({ stepShare }) => ({ kind: "jump", share: stepShare }),
  cannotBeMadeNow: () => ({ kind: "equipment" }),
  readingChanged: () => ({ kind: "equipment" }),
  atBound: () => ({ kind: "bound" }),
};

function against(reason: Reason): readonly WaitingWhy[] {
  const why = AGAINST[reason.code] as ((reason: Reason) => WaitingWhy | null) | undefined;
  const own = why?.(reason) ?? null;
  return own === null ? [] : [own];
}

/** How many hard weeks in a row ask for a lighter one. Source: our rule, docs/today.md. */
export const HARD_WEEKS_IN_A_ROW = 6;
