import { describe, expect, it } from "vitest";
import { kg } from "../kernel/index.ts";
import { sampleNewId } from "~/tests/samples/index.ts";
import { writtenSlot } from "~/tests/samples/trained.ts";
import type { SlotProposal } from "./next-session.ts";
import { keep, type LineProposal, type Reason } from "./proposal.ts";
import { urgencyOf, WAITING_KINDS, waitingIn } from "./waiting.ts";

const SLOT = writtenSlot("3 x 8-12 at 100 RIR 2");

function proposalFor(because: readonly Reason[], mustRule = false): SlotProposal {
  const { line } = SLOT.sets[0]!;
  const own: LineProposal = {
    ...keep(kg(100), because, "high", mustRule),
    line,
    isDecided: true,
  };
  return {
    slot: SLOT,
    station: null,
    lines: [own, { ...own, line: sampleNewId(), isDecided: false }],
    records: [],
    outcomes: [],
    accepted: SLOT,
  };
}

const whyOf = (because: readonly Reason[], mustRule = false) =>
  waitingIn([proposalFor(because, mustRule)])[0]!.why;

const MISSED = (times: number): Reason => ({
  code: "belowRange",
  isOnlySet: false,
  lowest: 6,
  bottom: 8,
  measure: "reps",
  times,
});
const PAIN: Reason = { code: "pain", joint: "knee", score: 4 };

describe("why a line waits", () => {
  it.each<[string, readonly Reason[], boolean, unknown]>([
    ["nothing against it", [{ code: "heldByRule" }], false, { kind: "progress" }],
    ["a first miss is for its rule", [MISSED(1)], false, { kind: "progress" }],
    ["a second is not", [MISSED(2)], false, { kind: "missed", times: 2 }],
    [
      "pain goes before a miss",
      [MISSED(3), PAIN],
      false,
      { kind: "pain", joint: "knee", score: 4 },
    ],
    [
      "an unknown reason to ask is said to be one",
      [{ code: "noExposure" }],
      true,
      { kind: "unclear" },
    ],
    [
      "a step too large",
      [{ code: "largeStep", from: kg(45), to: kg(50), stepShare: 0.11, limit: 0.1 }],
      true,
      { kind: "jump", share: 0.11 },
    ],
    [
      "another part gave out once",
      [{ code: "otherLimiter", limiter: "grip", times: 1 }],
      false,
      { kind: "progress" },
    ],
    [
      "and again",
      [{ code: "otherLimiter", limiter: "grip", times: 2 }],
      false,
      { kind: "limiter", limiter: "grip" },
    ],
  ])("%s", (_, because, mustRule, why) => {
    expect(whyOf(because, mustRule)).toEqual(why);
  });

  it("leaves out what follows from something else", () => {
    expect(waitingIn([proposalFor([])])).toHaveLength(1);
  });

  it("has its list in the order of urgency, unremarkable last", () => {
    expect(WAITING_KINDS[0]).toBe("pain");
    expect(urgencyOf({ kind: "progress" })).toBe(WAITING_KINDS.length - 1);
  });
});
