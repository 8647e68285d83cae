import { describe, expect, it } from "vitest";
import { kg, type Mass } from "../kernel/index.ts";
import { slotsOf, withLines } from "../plan/index.ts";
import type { SlotProposal } from "./next-session.ts";
import { keep, type LineProposal } from "./proposal.ts";
import { changedProposals, reconsidered, withTaken, type Ruled } from "./reconsider.ts";
import {
  RACK,
  sampleId,
  sampleNewId,
  samplePlan,
  sampleSet,
  sampleSlot,
  sampleStation,
  sampleUnrollContext,
} from "../../tests/samples/index.ts";

const set = (n: number, amount: number, role: "top" | "backOff") =>
  sampleSet(n, { role, load: { kind: "absolute", reading: kg(amount) } });
const SLOT = withLines(sampleSlot([set(1, 100, "top"), set(2, 80, "backOff")]));
const [TOP, BACK_OFF] = SLOT.sets.map(({ line }) => line);
const STATION = sampleStation(RACK, 1);
const CONTEXT = sampleUnrollContext([STATION]);

const proposed = (n: 0 | 1, reading: Mass | null, isDecided = true): LineProposal => ({
  line: SLOT.sets[n]!.line,
  isDecided,
  ...keep(reading, [], "high", false),
});
const now = (top: Mass | null, backOff: Mass | null, isDecided = true): SlotProposal => ({
  slot: SLOT,
  station: STATION,
  lines: [proposed(0, top, isDecided), proposed(1, backOff, isDecided)],
  outcomes: [],
  records: [],
  accepted: SLOT,
});
const ruled = (shown: Mass | null, chosen = shown): Ruled => ({
  shown: { reading: shown, changes: [] },
  chosen,
});
const changed = (slot: SlotProposal, top: Ruled | null, backOff: Ruled | null) =>
  changedProposals([slot], (_, line) => (line === TOP ? top : backOff));

describe("what a correction changes of what was decided", () => {
  it("is each line whose load differs from the one that was shown", () => {
    const found = changed(now(kg(105), kg(80)), ruled(kg(102.5)), ruled(kg(80)));
    expect(found.map(({ now: { line, reading } }) => [line, reading])).toEqual([[TOP, kg(105)]]);
  });

  it("counts a load that was unknown and is known now, and one that no longer is", () => {
    expect(changed(now(kg(105), null), ruled(null), ruled(kg(80)))).toHaveLength(2);
    expect(changed(now(null, null), ruled(null), ruled(null))).toEqual([]);
  });

  it("counts what else changes beside the same load", () => {
    const [one, other] = [3, 4].map((to) => [{ kind: "sets", from: 2, to }] as const);
    const slot = now(kg(105), kg(80));
    const proposals = { ...slot, lines: slot.lines.map((own) => ({ ...own, changes: one! })) };
    const shown = (changes: Ruled["shown"]["changes"], reading: Mass): Ruled => ({
      shown: { reading, changes },
      chosen: reading,
    });
    expect(changed(proposals, shown(one!, kg(105)), shown(other!, kg(80)))).toHaveLength(1);
    expect(changed(proposals, shown(one!, kg(105)), shown([], kg(80)))).toHaveLength(1);
    expect(changed(proposals, shown(one!, kg(105)), shown(one!, kg(80)))).toEqual([]);
  });

  it("leaves out what nobody ruled on, and what is not decided by itself", () => {
    expect(changed(now(kg(105), kg(85)), null, null)).toEqual([]);
    expect(changed(now(kg(105), kg(85), false), ruled(kg(1)), ruled(kg(1)))).toEqual([]);
  });
});

const both = () => changed(now(kg(105), kg(85)), ruled(kg(102.5), kg(101)), ruled(kg(80)));

describe("the coach's word on it", () => {
  it("takes the new load, or leaves the one that was chosen", () => {
    const word = reconsidered(
      both(),
      ({ line }) => (line === TOP ? "leave" : "take"),
      "Tired",
      true,
    );
    expect(word.ok && word.value.map(({ takes, chosen }) => [takes, chosen])).toEqual([
      [false, kg(101)],
      [true, kg(85)],
    ]);
  });

  it("is asked for each line, and for a reason where anything is left", () => {
    expect(reconsidered(both(), ({ line }) => (line === TOP ? "take" : null), "x", true)).toEqual({
      ok: false,
      error: { code: "undecided", slotId: SLOT.id, line: BACK_OFF },
    });
    const without = reconsidered(both(), () => "leave", "", true);
    expect(without).toEqual({ ok: false, error: { code: "reasonMissing" } });
    expect(reconsidered(both(), () => "take", "", true).ok).toBe(true);
  });

  it("takes nothing once the planned session is begun, nor a load that is unknown", () => {
    const begun = reconsidered(both(), () => "take", "", false);
    expect(begun.ok && begun.value.map(({ takes, chosen }) => [takes, chosen])).toEqual([
      [false, kg(101)],
      [false, kg(80)],
    ]);
    const unknown = changed(now(null, kg(80)), ruled(kg(100)), ruled(kg(80)));
    const word = reconsidered(unknown, () => "take", "", true);
    expect(word.ok && word.value).toMatchObject([{ takes: false, chosen: kg(100) }]);
  });

  it("is written on the copy of the exercise, whichever it is, and on nothing else", () => {
    const copy = { ...SLOT, id: sampleId<"slot">(701) };
    const other = { ...SLOT, id: sampleId<"slot">(702), lineageId: sampleId<"lineage">(703) };
    const word = reconsidered(
      both(),
      ({ line }) => (line === TOP ? "take" : "leave"),
      "Tired",
      true,
    );
    const plan = withTaken(
      samplePlan(copy, other),
      word.ok ? word.value : [],
      CONTEXT,
      sampleNewId,
    );
    expect(slotsOf(plan).map((slot) => slot.sets.map(({ load }) => load))).toEqual([
      [
        { kind: "absolute", reading: kg(105) },
        { kind: "absolute", reading: kg(80) },
      ],
      other.sets.map(({ load }) => load),
    ]);
  });
});
