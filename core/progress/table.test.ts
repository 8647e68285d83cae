import { describe, expect, it } from "vitest";
import { addDays, amountOf, count, kg, seconds, share, type Region } from "../kernel/index.ts";
import type { Loading } from "../gym/index.ts";
import {
  PROGRESSION_KINDS,
  type PlannedSet,
  type ProgressionKind,
  type ProgressionRule,
  type Slot,
} from "../plan/index.ts";
import { UNSAID_OBSERVATIONS, type ExposedSet, type Exposure } from "../log/index.ts";
import { PROGRESSION_NAMES } from "~/format/progression.ts";
import {
  RACK,
  sampleCircumstances,
  sampleContext,
  sampleDay,
  sampleExposed,
  sampleExposure,
  sampleId,
  sampleSet,
  sampleSlot,
} from "../../tests/samples/index.ts";
import type { Change } from "./change.ts";
import { proposeFor, type SlotCircumstances } from "./propose.ts";
import type { LineProposal } from "./proposal.ts";

/** Each rule as it would be set for three sets of 8 to 10 at 100 kg. */
const RULES: { readonly [K in ProgressionKind]: Extract<ProgressionRule, { kind: K }> } = {
  doubleProgression: { kind: "doubleProgression", decides: "weakest" },
  smallestStep: { kind: "smallestStep", after: count(1) },
  fixedIncrement: { kind: "fixedIncrement", by: kg(5), counted: "asRead", after: count(1) },
  totalReps: { kind: "totalReps", goal: count(29) },
  beatLast: { kind: "beatLast", by: count(1), from: count(8) },
  effortAnchored: { kind: "effortAnchored", most: share(0.05) },
  addSets: { kind: "addSets", min: count(2), max: count(4), after: count(1) },
  density: { kind: "density", min: seconds(60), max: seconds(120), by: seconds(15) },
  constraintFirst: {
    kind: "constraintFirst",
    what: "lower",
    min: seconds(2),
    max: seconds(4),
    by: seconds(1),
  },
  techniqueFirst: { kind: "techniqueFirst", clean: count(1) },
  taper: {
    kind: "taper",
    min: count(4),
    max: count(8),
    by: count(2),
    steps: count(1),
    lighter: share(0.8),
  },
  limitSets: { kind: "limitSets", every: count(2) },
  hardSets: { kind: "hardSets", goal: count(3) },
  keepLoad: { kind: "keepLoad" },
  byHand: { kind: "byHand" },
};

const PLANNED = [1, 2, 3].map((n) =>
  sampleSet(n, { tempo: { lower: 2, stretch: null, lift: null, squeeze: null } }),
);
const slotWith = (rule: ProgressionRule, sets: readonly PlannedSet[] = PLANNED): Slot =>
  sampleSlot(sets, { progression: rule });

type Sets = readonly (readonly [reps: number | null, rir?: ExposedSet["rir"]])[];
const done = (sets: Sets, over: Partial<ExposedSet> = {}, load = kg(100)) =>
  sets.map(([reps, rir = 2]) =>
    sampleExposed(load, reps, rir, { tempo: PLANNED[0]!.tempo, ...over }),
  );
const session = (sets: readonly ExposedSet[], over: Partial<Exposure> = {}) =>
  sampleExposure(sets, over);
const all = (reps: number, rir: ExposedSet["rir"] = 2): Sets =>
  [1, 2, 3].map(() => [reps, rir] as const);
const looked = (...faults: readonly ("bounce" | "depthCut")[]) => ({
  observed: {
    ...UNSAID_OBSERVATIONS,
    faults: faults.map((fault) => ({ fault, fromRep: null })),
  },
});
const felt = (feltIn: Region) => ({ observed: { ...UNSAID_OBSERVATIONS, feltIn } });
const later = (days: number) => ({ day: addDays(sampleDay(), days) });

interface Situation {
  readonly exposures: readonly Exposure[];
  readonly known?: Partial<SlotCircumstances>;
  readonly sets?: readonly PlannedSet[];
}
const CEILING: Loading = { ...RACK, plates: [{ size: kg(20), count: 4 }] } as Loading;
const PAIR: Loading = {
  kind: "dumbbells",
  unit: "kg",
  counted: "pair",
  present: [160, 200, 240].map(kg),
};
const EACH: Loading = { ...PAIR, counted: "each", present: [80, 100, 120].map(kg) };
const LIGHT = {
  trained: { number: 1, kind: "light", sinceLighter: null },
  next: { number: 2, kind: "normal", sinceLighter: 0 },
} as const;
const FULL = session(done(all(10)));
const SHORT = session(done(all(6, 0)));
const risen = (flat: number) =>
  Array.from({ length: 10 + flat }, (_, i) =>
    session(done([[9], [9], [8]], {}, kg(77.5 + 2.5 * Math.min(i, 9))), later(7 * i)),
  );

const SITUATIONS: Readonly<Record<string, Situation>> = {
  "all at the top": { exposures: [FULL] },
  "all at the top twice running": { exposures: [FULL, FULL] },
  "within the range": { exposures: [session(done([[9], [9], [8]]))] },
  "one rep short in one set": { exposures: [session(done([[9], [8], [7]]))] },
  "clearly short": { exposures: [SHORT] },
  "clearly short twice running": { exposures: [SHORT, SHORT] },
  "a set that failed": { exposures: [session(done([[8], [7], [3, "past"]]))] },
  "at the top, RIR not logged": { exposures: [session(done(all(10, "unknown")))] },
  "at the top, far more in reserve than asked": { exposures: [session(done(all(10, 5)))] },
  "at the top, at the limit": { exposures: [session(done(all(10, 0)))] },
  "reps of one set unknown": { exposures: [session(done([[10], [null], [10]]))] },
  "one set left out": { exposures: [session(done([[10], [10]]), { planned: FULL.planned })] },
  "one set at another load": {
    exposures: [session([...done([[10], [10]]), ...done([[10]], {}, kg(90))])],
  },
  "one side short": {
    exposures: [session(done(all(8), { bySide: { left: 8, right: 10 } }))],
  },
  "pain, at the top": {
    exposures: [
      session(done(all(10)), {
        pains: [
          {
            kind: "pain",
            id: sampleId(1),
            slotId: sampleId(700),
            key: null,
            joint: "knee",
            side: "left",
            score: 3,
            note: "",
          },
        ],
      }),
    ],
  },
  "a low-energy day, clearly short": { exposures: [SHORT, { ...SHORT, readiness: 2 }] },
  "first time back after five weeks, clearly short": {
    exposures: [SHORT, { ...SHORT, ...later(35) }],
  },
  "a light week, clearly short": { exposures: [SHORT, SHORT], known: { weeks: LIGHT } },
  "a week skipped, then at the top": { exposures: [FULL, { ...FULL, ...later(14) }] },
  "at the top, then six weeks away": { exposures: [FULL], known: { on: addDays(sampleDay(), 42) } },
  "under harder conditions, fewer reps": {
    exposures: [
      FULL,
      session(done([[9], [8], [8]]), { context: sampleContext({ restSeconds: seconds(60) }) }),
    ],
  },
  "under easier conditions, at the top": {
    exposures: [
      session(done([[9], [8], [8]])),
      session(done(all(10)), { context: sampleContext({ restSeconds: seconds(240) }) }),
    ],
  },
  "not comparable, at the top": {
    exposures: [
      session(done(all(10)), { context: sampleContext({ setUp: { Stance: "wide" } }) }),
      session(done(all(10)), { context: sampleContext({ setUp: { Stance: "narrow" } }) }),
    ],
  },
  "the equipment reads otherwise since": {
    exposures: [session(done(all(9)), { loading: EACH })],
    known: { loading: PAIR },
  },
  "clean, at the top": { exposures: [session(done(all(10), looked()))] },
  "a new fault, at the top": {
    exposures: [session(done(all(10), looked())), session(done(all(10), looked("bounce")))],
  },
  "a fault that is back, at the top": {
    exposures: [
      session(done(all(10), looked("bounce"))),
      session(done(all(10), looked())),
      session(done(all(10), looked("bounce"))),
    ],
  },
  "a fault that went, at the top": {
    exposures: [session(done(all(10), looked("bounce"))), session(done(all(10), looked()))],
  },
  "grip gave out first, twice running, at the top": {
    exposures: [1, 2].map(() => session(done(all(10), { limiter: "grip" }))),
  },
  "grip gave out first, once, at the top": {
    exposures: [session(done(all(10), { limiter: "grip" }))],
  },
  "felt elsewhere, once, at the top": {
    exposures: [FULL, session(done(all(10), felt("spinalErectors")))],
    known: { feltIn: ["gluteusMaximus"] },
  },
  "felt elsewhere, twice running, at the top": {
    exposures: [1, 2].map(() => session(done(all(10), felt("spinalErectors")))),
    known: { feltIn: ["gluteusMaximus"] },
  },
  "at the top of the heaviest load there is": { exposures: [FULL], known: { loading: CEILING } },
  "at the client's own limit for it": {
    exposures: [FULL],
    sets: PLANNED.map((set) => ({ ...set, loadBounds: { least: null, most: kg(100) } })),
  },
  "stalled for six sessions": { exposures: risen(6) },
  "stalled for six sessions while body weight is cut": {
    exposures: risen(6),
    known: { isHoldingSuccess: true },
  },
  "nothing logged": { exposures: [] },
  skipped: { exposures: [], known: { absence: { kind: "skipped", why: "no time" } } },
  "another exercise instead, once": { exposures: [], known: { absence: { kind: "substituted" } } },
};

function judged(
  rule: ProgressionRule,
  { exposures, known = {}, sets = PLANNED }: Situation,
): LineProposal {
  const [proposal] = proposeFor(slotWith(rule, sets), exposures, sampleCircumstances(known));
  if (proposal === undefined) throw new Error("no proposal");
  return proposal;
}

function changeText(change: Change): string {
  const at = "set" in change && change.set !== null ? `set ${change.set + 1} ` : "";
  switch (change.kind) {
    case "load":
      return `${at}${amountOf(change.to)}`;
    case "target": {
      const { to } = change;
      if (to.kind === "reps")
        return `${at}${to.min === to.max ? to.min : `${to.min}–${to.max}`} reps`;
      return to.kind === "limit" ? `${at}${to.atLeast}+ reps` : `${at}${to.kind}`;
    }
    case "rest":
      return `rest ${change.to} s`;
    case "sets":
      return `${change.to} sets`;
    case "tempo":
      return `lower ${change.to} s`;
    case "hold":
      return `hold ${change.to} s`;
    case "setUp":
    case "range":
      return change.to;
    case "effort":
      return `${at}RIR ${change.to}`;
  }
}
const SIGNS = { raise: "▲", keep: "■", lower: "▼", asPlanned: "·" } as const;

/** "▲ 102.5", "■ 100, rest 75 s ?": the move, the load, what else changes, and whether the coach is asked. */
function text({ move, reading, changes, mustRule }: LineProposal): string {
  const load = reading === null ? "–" : String(amountOf(reading));
  return `${SIGNS[move]} ${[load, ...changes.map(changeText)].join(", ")}${mustRule ? " ?" : ""}`;
}

/** Worked out within each test, so that a mutant of a rule is known to the tests that it runs in. */
const cells = () =>
  Object.entries(SITUATIONS).map(([name, situation]) => ({
    name,
    by: PROGRESSION_KINDS.map((kind) => judged(RULES[kind], situation)),
  }));
const codesOf = (name: string, kind: ProgressionKind) =>
  judged(RULES[kind], SITUATIONS[name]!).because.map(({ code }) => code);

describe("every rule in every situation", () => {
  it("is recorded in docs/progression-table.md", async () => {
    const head = ["situation", ...PROGRESSION_KINDS.map((kind) => PROGRESSION_NAMES[kind])];
    const rows = cells().map(({ name, by }) => [name, ...by.map(text)]);
    const table = [head, head.map(() => "---"), ...rows].map((row) => `| ${row.join(" | ")} |`);
    const intro = `# What each rule proposes in each situation

Written by \`core/progress/table.test.ts\`. Three sets of 8 to 10 reps at 100 kg, RIR 2, two minutes of rest, two seconds of lowering, on a bar with steps of 2.5 kg; the parameters of each rule stand in the test. ▲ more is asked, ■ nothing changes or less is asked of something, ▼ less load or fewer sets, · as planned since nothing was judged; **?** the coach is asked.
`;
    await expect(`${intro}\n${table.join("\n")}\n`).toMatchFileSnapshot(
      "../../docs/progression-table.md",
    );
  });

  it("differs from every other rule in at least one situation", () => {
    const rows = PROGRESSION_KINDS.map((_, i) =>
      cells()
        .map(({ by }) => text(by[i]!))
        .join("|"),
    );
    expect(new Set(rows).size).toBe(rows.length);
  });

  const NEVER_UP = [
    "clearly short",
    "clearly short twice running",
    "a set that failed",
    "pain, at the top",
    "a low-energy day, clearly short",
    "first time back after five weeks, clearly short",
    "a light week, clearly short",
    "at the top, then six weeks away",
    "a new fault, at the top",
    "a fault that is back, at the top",
    "grip gave out first, twice running, at the top",
    "felt elsewhere, twice running, at the top",
    "nothing logged",
    "skipped",
    "another exercise instead, once",
  ];
  it.each(NEVER_UP)("never asks for more load: %s", (name) => {
    for (const proposal of cells().find((cell) => cell.name === name)!.by) {
      expect(proposal.reading === null || amountOf(proposal.reading) <= 100).toBe(true);
    }
  });

  it.each([
    "pain, at the top",
    "at the top, then six weeks away",
    "grip gave out first, twice running, at the top",
    "felt elsewhere, twice running, at the top",
    "a fault that is back, at the top",
    "the equipment reads otherwise since",
  ])("asks the coach, whatever the rule: %s", (name) => {
    for (const { mustRule } of cells().find((cell) => cell.name === name)!.by)
      expect(mustRule).toBe(true);
  });

  it.each(["nothing logged", "skipped", "another exercise instead, once"])(
    "is never called kept as if it had been done: %s",
    (name) => {
      for (const { move, mustRule } of cells().find((cell) => cell.name === name)!.by)
        expect([move, mustRule]).toEqual(["asPlanned", false]);
    },
  );

  it("takes nothing away after a poor day that is no verdict", () => {
    for (const name of [
      "a low-energy day, clearly short",
      "first time back after five weeks, clearly short",
      "a light week, clearly short",
    ]) {
      for (const { move } of cells().find((cell) => cell.name === name)!.by)
        expect(["keep", "raise"]).toContain(move);
    }
    expect(codesOf("a low-energy day, clearly short", "doubleProgression")[0]).toBe("lowEnergy");
    expect(codesOf("first time back after five weeks, clearly short", "doubleProgression")[0]).toBe(
      "firstBack",
    );
    expect(codesOf("a light week, clearly short", "doubleProgression")[0]).toBe("lightWeek");
  });

  it("is the same answer for the same input", () => {
    for (const { name, by } of cells())
      expect(PROGRESSION_KINDS.map((kind) => judged(RULES[kind], SITUATIONS[name]!))).toEqual(by);
  });
});
