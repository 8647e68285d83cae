import { describe, expect, it } from "vitest";
import { count, kg, seconds, share } from "../kernel/index.ts";
import type { Loading } from "../gym/index.ts";
import type { ProgressionRule } from "../plan/index.ts";
import { writeLine } from "../plan/notation/index.ts";
import { UNSAID_OBSERVATIONS, type Exposure, type Observations } from "../log/index.ts";
import { formatStep, PROGRESSION_NAMES } from "~/format/progression.ts";
import { formatReason } from "~/format/reasons.ts";
import {
  NOTATION,
  RACK,
  sampleCircumstances,
  sampleNewId,
  sampleStation,
  sampleUnrollContext,
} from "../../tests/samples/index.ts";
import { trainedAs, writtenSlot } from "../../tests/samples/trained.ts";
import { accepted } from "./accept.ts";
import { proposeFor } from "./propose.ts";
import { MUSCLES } from "~/format/muscles.ts";

const SLED: Loading = {
  kind: "plateMachine",
  unit: "kg",
  carriage: kg(40),
  points: 2,
  plates: [20, 10, 5, 2.5].map((size) => ({ size: kg(size), count: 8 })),
};

/** Reps set by set, those of what follows a set behind a plus; the reserve of all where it is not 2. */
interface Done {
  readonly reps: string;
  readonly rir?: 0 | 1 | 2 | 3 | 4 | 5;
  readonly faults?: Observations["faults"];
  /** What is planned from it, and how it was worked out by hand. */
  readonly then: string;
  readonly byHand: string;
}

interface Example {
  readonly name: string;
  readonly rule: ProgressionRule;
  readonly line: string;
  readonly loading?: Loading;
  readonly sessions: readonly Done[];
}

const EXAMPLES: readonly Example[] = [
  {
    name: "Reps first, then load: the weakest set decides",
    rule: { kind: "doubleProgression", decides: "weakest" },
    line: "3 x 8-10 at 100",
    sessions: [
      { reps: "10 9 8", then: "3 x 8-10 at 100 kg", byHand: "8 of 10 in the last set: stay." },
      { reps: "10 10 10", then: "3 x 8-10 at 102.5 kg", byHand: "All at 10: the next load." },
    ],
  },
  {
    name: "Reps first, then load: each set by itself",
    rule: { kind: "doubleProgression", decides: "eachSet" },
    line: "3 x 8-10 at 100",
    sessions: [
      {
        reps: "10 10 8",
        then: "2 x 8-10 at 102.5 kg; 8-10 at 100 kg",
        byHand: "The first two are at the top and go up, the third stays.",
      },
      {
        reps: "9 8 10",
        then: "3 x 8-10 at 102.5 kg",
        byHand: "Only the third is at the top: 100 to 102.5.",
      },
    ],
  },
  {
    name: "Next load when reached, after two sessions",
    rule: { kind: "smallestStep", after: count(2) },
    line: "3 x 5 at 100",
    sessions: [
      { reps: "5 5 5", then: "3 x 5 at 100 kg", byHand: "Once of twice: stay." },
      { reps: "5 5 5", then: "3 x 5 at 102.5 kg", byHand: "Twice running: up." },
      {
        reps: "5 5 4",
        then: "3 x 5 at 102.5 kg",
        byHand: "One rep short is no reason to go down.",
      },
    ],
  },
  {
    name: "Fixed step: a 5 kg plate a side on a sled",
    rule: { kind: "fixedIncrement", by: kg(5), counted: "perSide", after: count(1) },
    line: "2 x 10-12 at 120",
    loading: SLED,
    sessions: [
      {
        reps: "12 12",
        rir: 3,
        then: "2 x 10-12 at 130 kg",
        byHand: "10 more in all, 6 % of the 160 moved; with three left that still leaves 11.",
      },
    ],
  },
  {
    name: "Total reps over a drop set",
    rule: { kind: "totalReps", goal: count(40) },
    line: "2 x 10-12 at 100 then drop to 80% for 6-10",
    sessions: [
      {
        reps: "12+7 11+7",
        then: "2 x 10-12 at 100 kg then drop to 80% of last for 6-10",
        byHand: "12 + 7 + 11 + 7 are 37 of 40: the loads stay.",
      },
      {
        reps: "12+8 12+8",
        then: "2 x 10-12 at 102.5 kg then drop to 80% of last for 6-10",
        byHand: "40: up; the drop follows, 82 nearest 82.5.",
      },
    ],
  },
  {
    name: "Beat last time, set by set",
    rule: { kind: "beatLast", by: count(1), from: count(8) },
    line: "3 x 8-12 at 80",
    sessions: [
      {
        reps: "10 9 8",
        then: "11-12 at 80 kg; 10-12 at 80 kg; 9-12 at 80 kg",
        byHand: "One more each: 11, 10, 9.",
      },
      {
        reps: "12 12 12",
        then: "3 x 8-12 at 82.5 kg",
        byHand: "All at 12: the next load, from 8 again.",
      },
    ],
  },
  {
    name: "Load by RIR",
    rule: { kind: "effortAnchored", most: share(0.05) },
    line: "3 x 6 at 100",
    sessions: [
      {
        reps: "6 6 6",
        rir: 4,
        then: "3 x 6 at 105 kg",
        byHand:
          "6 with 4 left are 10 possible, 8 are asked (6 and 2): 1.333 over 1.267 is 1.053; 5 % are the most, 105.",
      },
      {
        reps: "6 6 6",
        rir: 1,
        then: "3 x 6 at 102.5 kg",
        byHand: "7 possible: 1.233 over 1.267 is 0.974; 105 times that is 102.2, nearest 102.5.",
      },
    ],
  },
  {
    name: "Add sets, two to three",
    rule: { kind: "addSets", min: count(2), max: count(3), after: count(1) },
    line: "2 x 8 at 100",
    sessions: [
      { reps: "8 8", then: "3 x 8 at 100 kg", byHand: "Reached: a third set." },
      {
        reps: "8 8 8",
        then: "2 x 8 at 102.5 kg",
        byHand: "Three are the most: up, with two again.",
      },
    ],
  },
  {
    name: "Less rest, 90 to 60 seconds",
    rule: { kind: "density", min: seconds(60), max: seconds(90), by: seconds(15) },
    line: "3 x 8 at 60 rest 75",
    sessions: [
      { reps: "8 8 8", then: "3 x 8 at 60 kg rest 1:00", byHand: "15 seconds less." },
      {
        reps: "8 8 8",
        then: "3 x 8 at 62.5 kg rest 1:30",
        byHand: "60 is the least: the next load, with 90 again.",
      },
    ],
  },
  {
    name: "Stricter first: lowering two to three seconds",
    rule: {
      kind: "constraintFirst",
      what: "lower",
      min: seconds(2),
      max: seconds(3),
      by: seconds(1),
    },
    line: "2 x 8 at 60 lower 2s",
    sessions: [
      { reps: "8 8", then: "2 x 8 at 60 kg tempo lower 3", byHand: "A second slower." },
      {
        reps: "8 8",
        then: "2 x 8 at 62.5 kg tempo lower 2",
        byHand: "Slow enough: the next load, two seconds again.",
      },
    ],
  },
  {
    name: "Technique first",
    rule: { kind: "techniqueFirst", clean: count(2) },
    line: "2 x 8 at 60",
    sessions: [
      {
        reps: "8 8",
        faults: [{ fault: "bounce", fromRep: 6 }],
        then: "2 x 8 at 60 kg",
        byHand: "A fault: stay.",
      },
      { reps: "8 8", faults: [], then: "2 x 8 at 60 kg", byHand: "Clean once of twice: stay." },
      { reps: "8 8", faults: [], then: "2 x 8 at 62.5 kg", byHand: "Clean twice: up." },
    ],
  },
  {
    name: "Taper: 8, 6, 4, a test, a lighter session, and again",
    rule: {
      kind: "taper",
      min: count(4),
      max: count(8),
      by: count(2),
      steps: count(2),
      lighter: share(0.8),
    },
    line: "3 x 8 at 100",
    sessions: [
      { reps: "8 8 8", then: "3 x 6 at 105 kg", byHand: "Two reps less, two steps up." },
      { reps: "6 6 6", then: "3 x 4 at 110 kg", byHand: "And again." },
      {
        reps: "4 4 4",
        then: "max least 4 about 4 at 115 kg",
        byHand: "Four is the last: the test, one set.",
      },
      {
        reps: "6",
        rir: 0,
        then: "3 x 8 at 90 kg",
        byHand: "80 % of 115 is 92; 90 is the next below.",
      },
      {
        reps: "8 8 8",
        then: "3 x 8 at 105 kg",
        byHand: "It began with 100: two steps up from there.",
      },
    ],
  },
  {
    name: "Limit set every second session",
    rule: { kind: "limitSets", every: count(2) },
    line: "3 x 8 at 100",
    sessions: [
      {
        reps: "8 8 8",
        then: "2 x 8 at 100 kg; max least 8 about 8 at 100 kg RIR 0",
        byHand: "It is due: the last set goes to the limit.",
      },
      {
        reps: "8 8 11",
        rir: 2,
        then: "3 x 8 at 102.5 kg",
        byHand: "11 where 10 (8 and the 2 that are left) show room: up.",
      },
    ],
  },
  {
    name: "Count hard sets",
    rule: { kind: "hardSets", goal: count(3) },
    line: "2 x 10 at 50",
    sessions: [
      {
        reps: "10 10",
        then: "3 x 10 at 50 kg",
        byHand: "Both were hard, three are meant: a set more, and the coach is asked.",
      },
    ],
  },
  {
    name: "Keep everything",
    rule: { kind: "keepLoad" },
    line: "2 x 10 at 50",
    sessions: [{ reps: "10 10", then: "2 x 10 at 50 kg", byHand: "Nothing changes." }],
  },
  {
    name: "By hand",
    rule: { kind: "byHand" },
    line: "2 x 10 at 50",
    sessions: [{ reps: "10 10", then: "2 x 10 at 50 kg", byHand: "The coach is asked." }],
  },
];

function told({ rule, line, loading = RACK, sessions }: Example) {
  let slot = writtenSlot(line, { progression: rule });
  const exposures: Exposure[] = [];
  return sessions.map((done, n) => {
    const observed = { ...UNSAID_OBSERVATIONS, faults: done.faults ?? null };
    const logged = { rir: done.rir ?? 2, observed } as const;
    exposures.push(trainedAs(slot, done.reps, logged, { loading, week: n }));
    const proposals = proposeFor(slot, exposures, sampleCircumstances({ loading }));
    const context = sampleUnrollContext([sampleStation(loading)]);
    slot = accepted(slot, new Map(proposals.map((p) => [p.line, p])), context, sampleNewId);
    return { done, proposals, planned: writeLine(slot.sets, NOTATION) };
  });
}

describe("an example of each rule, worked by hand", () => {
  it.each(EXAMPLES)("$name", (example) => {
    const sessions = told(example);
    expect(sessions.map(({ planned }) => planned)).toEqual(sessions.map(({ done }) => done.then));
  });

  it("is there for every rule", () => {
    const kinds = new Set(EXAMPLES.map(({ rule }) => PROGRESSION_NAMES[rule.kind]));
    expect([...kinds].sort()).toEqual(Object.values(PROGRESSION_NAMES).sort());
  });

  it("is recorded in docs/progression-examples.md", async () => {
    const parts = EXAMPLES.map((example) => {
      const sessions = told(example);
      const steps = sessions.map(({ done, proposals, planned }) => {
        const [proposal] = proposals;
        if (proposal === undefined) return "";
        const asks = proposal.mustRule ? " **The coach decides.**" : "";
        const left = done.rir === undefined ? "" : `, RIR ${done.rir}`;
        const seen =
          done.faults === undefined ? "" : done.faults?.length === 0 ? ", clean" : ", a bounce";
        return `- Done ${done.reps}${left}${seen}. By hand: ${done.byHand}\n  ${formatStep(proposal)}. ${proposal.because.map((reason) => formatReason(reason, MUSCLES.coach)).join(" ")}${asks}\n  Planned next: \`${planned}\``;
      });
      return `## ${example.name}\n\nPlanned \`${example.line}\`.\n\n${steps.join("\n")}\n`;
    });
    const text = `# An example of each way to progress\n\nWorked by hand first and held against it by \`core/progress/examples.test.ts\`, which writes this page. Two reps in reserve asked and left unless said otherwise; a bar with steps of 2.5 kg unless said otherwise. The rules themselves: progression.md.\n\n${parts.join("\n")}`;
    await expect(text).toMatchFileSnapshot("../../docs/progression-examples.md");
  });
});
