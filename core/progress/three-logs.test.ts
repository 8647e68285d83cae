import { describe, expect, it } from "vitest";
import { kg } from "../kernel/index.ts";
import { howToMake } from "../gym/index.ts";
import { amountAsked, withLines, type Slot } from "../plan/index.ts";
import { parseLine, writeLine } from "../plan/notation/index.ts";
import type { Exposure } from "../log/index.ts";
import type { SetStep } from "../unroll/index.ts";
import { formatStep } from "~/format/progression.ts";
import { formatReason } from "~/format/reasons.ts";
import {
  NOTATION,
  RACK,
  sampleCircumstances,
  sampleNewId,
  sampleSlot,
  sampleStation,
  sampleUnrollContext,
} from "../../tests/samples/index.ts";
import { trainedOr, trainedSlot } from "../../tests/samples/trained.ts";
import { accepted } from "./accept.ts";
import { proposeFor } from "./propose.ts";
import { MUSCLES } from "~/format/muscles.ts";

/** Sessions of ours with every structure of PRACTICE.md §4 that holds work sets, each as one written line. */
const SESSIONS: readonly (readonly [name: string, line: string])[] = [
  ["Straight sets, the last one short-range", "2 x 8-10 at 100; 8-12 at 100 range stretched"],
  ["Top set and back-offs", "warm-up 5 at 60; top 5 at 120; 2 x back-off 8 at 80% of set 2"],
  ["Rising ramp with falling reps, and down again", "12 at 60; 8 at 80; 5 at 100; 8 at 80"],
  ["Density block", "6 x 6 at 70 rest 45 RIR 1"],
  ["Holds in every rep, a hold at the end", "3 x 10-12 at 40 squeeze 2 then hold 20s stretched"],
  ["Slow lowering and a dead stop", "3 x 6-8 at 60 lower 5 stretch 1"],
  [
    "Rest-pause and clusters",
    "8-10 at 80 then rest-pause 2 after 15 s for 4; 6 at 90 then cluster 3 after 20 s for 2",
  ],
  ["Drop chain by share and by load", "10 at 80 then drop to 80% for 8 then drop to 40 for 10"],
  [
    "Burnout, and a total over as many sets as it takes",
    "burnout 25-30 at 40; total 50 reps in 4 sets pause 30 s at 50",
  ],
  [
    "A position change with a minimum, partials, forced reps",
    '8-10 at 60 then position "Stance" "narrow" for 6; 8 at 60 then partials stretched for 5; 8 at 60 then forced partner for 2 then breaths 5 for 4',
  ],
  [
    "One side after the other, strides, a distance",
    "2 x 10 at 30 left then right; 20 steps each at 30; 40 m at 40",
  ],
  [
    "Time, intervals, and an open end with a least",
    "30-40 s at 20; intervals 6 x 20 s pause 40 s at 20; max least 12 about 15 at 40",
  ],
];

const KINDS = ["better", "worse", "mixed"] as const;
type Kind = (typeof KINDS)[number];

/** How much of what was asked was done: the top or a little over, clearly short, or the first half better than the second. */
function doneOf(step: SetStep, kind: Kind, place: number, of: number): number {
  const { max, min } = amountAsked(step.target);
  if (kind === "better") return max;
  if (kind === "worse") return Math.max(1, Math.floor(min * 0.7));
  return place * 2 < of ? max : Math.max(1, min - 1);
}

function logged(slot: Slot, kind: Kind): Exposure {
  const rir = kind === "worse" ? 0 : 2;
  return trainedOr(
    trainedSlot(slot, (step, i, of) => ({ amount: doneOf(step, kind, i, of), rir })),
  );
}

const written = SESSIONS.map(([name, line]) => {
  const read = parseLine(line, [], NOTATION, sampleNewId);
  return { name, line, read };
});

describe("twelve sessions with every structure, logged three times each", () => {
  it.each(written)("$name can be written", ({ read }) => {
    expect(read.ok ? "" : JSON.stringify(read.error)).toBe("");
  });

  const toldOf = ({ name, line, read }: (typeof written)[number]) => {
    if (!read.ok) throw new Error(JSON.stringify(read.error));
    const slot = withLines(sampleSlot(read.value));
    const logs = KINDS.map((kind) => {
      const exposure = logged(slot, kind);
      const proposals = proposeFor(slot, [exposure], sampleCircumstances());
      const context = sampleUnrollContext([sampleStation(RACK)], { lastReading: () => kg(80) });
      const next = accepted(
        slot,
        new Map(proposals.filter((p) => p.isDecided).map((p) => [p.line, p])),
        context,
        sampleNewId,
      );
      return { kind, exposure, proposals, planned: writeLine(next.sets, NOTATION) };
    });
    return { name, line, logs };
  };

  it.each(written)("$name: nothing goes up that was short, and all can be loaded", (one) => {
    const { logs } = toldOf(one);
    for (const { kind, proposals } of logs) {
      for (const { move, reading } of proposals) {
        if (reading !== null) expect(howToMake(RACK, reading).ok).toBe(true);
        if (kind === "worse") expect(move).not.toBe("raise");
      }
    }
    const raised = (kind: Kind) =>
      logs.find((log) => log.kind === kind)!.proposals.filter(({ move }) => move === "raise")
        .length;
    expect(raised("better")).toBeGreaterThanOrEqual(raised("mixed"));
    expect(raised("better")).toBeGreaterThan(0);
  });

  it("are recorded in docs/three-logs.md", async () => {
    const parts = written.map(toldOf).map(({ name, line, logs }) => {
      const each = logs.map(({ kind, exposure, proposals, planned }) => {
        const done = exposure.sets
          .map(({ amount, bursts }) =>
            [amount ?? "?", ...bursts.map(({ reps }) => reps ?? "?")].join(" + "),
          )
          .join(", ");
        const said = proposals.map((p) => {
          const asks = p.mustRule ? " **The coach decides.**" : "";
          return `  - ${p.isDecided ? formatStep(p) : "Follows"}: ${p.because.map((reason) => formatReason(reason, MUSCLES.coach)).join(" ")}${asks}`;
        });
        return `- **${kind}**, done ${done}\n${said.join("\n")}\n  - Planned next: \`${planned}\``;
      });
      return `## ${name}\n\nPlanned \`${line}\`.\n\n${each.join("\n")}\n`;
    });
    const text = `# Twelve sessions, logged three times each\n\nEvery structure of PRACTICE.md §4 that holds work sets, made up by us, on a bar with steps of 2.5 kg, by reps first, then load. Better: all at the top with RIR 2; worse: about a third short, RIR 0; mixed: the first half at the top, the rest one short. Written by \`core/progress/three-logs.test.ts\` and read as a coach would.\n\n${parts.join("\n")}`;
    await expect(text).toMatchFileSnapshot("../../docs/three-logs.md");
  });
});
