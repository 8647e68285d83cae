import { describe, expect, it } from "vitest";
import { addDays, kg } from "../kernel/index.ts";
import { lastKey, type Series } from "../log/index.ts";
import { slotsOf, withLines, type PlannedSet, type Slot } from "../plan/index.ts";
import { USUAL_RULES } from "./strength-rules.ts";
import {
  decidedOf,
  nextDocument,
  proposalsAfter,
  type Decision,
  type SessionCircumstances,
} from "./next-session.ts";
import {
  RACK,
  sampleUnrollContext,
  sampleContext,
  sampleExposed,
  sampleExposure,
  sampleId,
  sampleNewId,
  samplePlan,
  sampleSet,
  sampleSlot,
  sampleStation,
} from "../../tests/samples/index.ts";

const at = (n: number, amount: number, over: Partial<PlannedSet> = {}) =>
  sampleSet(n, { load: { kind: "absolute", reading: kg(amount) }, ...over });
const SLOT = withLines(
  sampleSlot([
    at(1, 60, { role: "ramp" }),
    at(2, 100, { role: "top" }),
    at(3, 80, { role: "backOff" }),
  ]),
);
const OTHER: Slot = { ...sampleSlot([at(9, 40)]), id: sampleId(750), station: sampleId(2) };
const RUN = { id: sampleId<"sessionLog">(600), document: samplePlan(SLOT, OTHER) };
const STATION = sampleStation(RACK, 1);
const context = sampleUnrollContext([STATION]);

/** Ten reps in every set of both lines: the top of the range. */
const TRAINED = sampleExposure(
  SLOT.sets.slice(1).map((set) =>
    sampleExposed(set.load.kind === "absolute" ? set.load.reading : null, 10, 2, {
      line: set.line,
      role: set.role,
    }),
  ),
  { context: sampleContext({ lineageId: SLOT.lineageId }) },
);
const series = (sessionLogId = RUN.id): Series =>
  new Map([[lastKey(SLOT.movement, SLOT.station), [{ ...TRAINED, sessionLogId }]]]);
const KNOWN = {
  isHoldingSuccess: false,
  strength: USUAL_RULES,
  weeks: null,
  on: null,
  comparing: [],
  absences: new Map(),
  trainedSince: new Set<string>(),
};
const after = (session: typeof RUN, of: Series, over: Partial<SessionCircumstances> = {}) =>
  proposalsAfter(session, of, [STATION], context, { ...KNOWN, ...over }, sampleNewId);
const proposed = () => after(RUN, series());
const [top, backOff] = SLOT.sets.slice(1).map(({ line }) => line);

const decide = (...over: readonly Decision[]): readonly Decision[] =>
  proposed().flatMap(({ slot, lines }) =>
    lines.map(
      ({ line }): Decision =>
        over.find((d) => d.slotId === slot.id && d.line === line) ?? {
          kind: "accept",
          slotId: slot.id,
          line,
        },
    ),
  );

describe("what is proposed after a session", () => {
  it("is a line each but for the preparation, with what accepting comes to", () => {
    const [slot] = proposed();
    expect(slot?.lines.map(({ line, move, reading }) => [line, move, reading])).toEqual([
      [top, "raise", kg(102.5)],
      [backOff, "raise", kg(82.5)],
    ]);
    expect(slot?.outcomes.map(({ readings }) => readings[0])).toEqual([
      kg(60),
      kg(102.5),
      kg(82.5),
    ]);
  });

  it("is nothing of an exercise that was left out, whatever another one did on the same station", () => {
    const again: Slot = { ...SLOT, id: sampleId(751), lineageId: sampleId(752) };
    const both = { ...RUN, document: samplePlan(SLOT, again) };
    const [own, other] = after(both, series());
    expect(own?.lines.map(({ move }) => move)).toEqual(["raise", "raise"]);
    expect(other?.lines.map(({ because }) => because[0]?.code)).toEqual([
      "noExposure",
      "noExposure",
    ]);
  });

  it("is nothing where the equipment is gone, or the exercise was not trained in it", () => {
    const [, gone] = proposed();
    expect(gone).toMatchObject({ station: null, lines: [{ reading: null, mustRule: true }] });
    const before = after(RUN, series(sampleId(601)));
    expect(before[0]?.lines.map(({ because }) => because[0]?.code)).toEqual([
      "noExposure",
      "noExposure",
    ]);
  });
});

describe("time away", () => {
  const long = { on: addDays(TRAINED.day, 60) };
  const moves = (over: Partial<SessionCircumstances>) =>
    after(RUN, series(), over)[0]?.lines.map(({ move }) => move);

  it("lowers what was not trained since, and nothing that was, however late it is decided", () => {
    expect(moves(long)).toEqual(["lower", "lower"]);
    const trainedSince = new Set([lastKey(SLOT.movement, SLOT.station)]);
    expect(moves({ ...long, trainedSince })).toEqual(["raise", "raise"]);
  });
});

describe("the coach's decisions", () => {
  const overrule = (reading = kg(105), reason = "felt easy"): Decision => ({
    kind: "overrule",
    slotId: SLOT.id,
    line: top!,
    reading,
    reason,
  });

  it("are one for each line, and plan what was chosen in that line of that exercise alone", () => {
    const decided = decidedOf(proposed(), decide(overrule()));
    if (!decided.ok) throw new Error(decided.error.code);
    expect(decided.value.map(({ chosen }) => chosen.reading)).toEqual([kg(105), kg(82.5), null]);
    const next = nextDocument(RUN.document, decided.value, context, sampleNewId);
    const loads = slotsOf(next).map((slot) =>
      slot.sets.map(({ load }) => (load.kind === "absolute" ? load.reading : load.kind)),
    );
    expect(loads).toEqual([[kg(60), kg(105), kg(82.5)], [kg(40)]]);
    expect(slotsOf(next)[0]?.id).not.toBe(SLOT.id);
  });

  it("leave a line as it was where no load was proposed and that was accepted", () => {
    const [own] = proposed();
    if (own === undefined) throw new Error("nothing proposed");
    const open = { ...own, lines: own.lines.map((line) => ({ ...line, reading: null })) };
    const decided = decidedOf([open], decide());
    if (!decided.ok) throw new Error(decided.error.code);
    const next = nextDocument(RUN.document, decided.value, context, sampleNewId);
    expect(slotsOf(next)[0]?.sets.map(({ load }) => load)).toEqual(
      SLOT.sets.map(({ load }) => load),
    );
  });

  it("are refused where one is missing, has no reason, or cannot be made", () => {
    const error = (decisions: readonly Decision[]) => {
      const decided = decidedOf(proposed(), decisions);
      return decided.ok ? null : decided.error;
    };
    expect(error(decide().slice(1))).toEqual({ code: "undecided", slotId: SLOT.id, line: top });
    expect(error(decide(overrule(kg(105), "  ")))).toMatchObject({ code: "reasonMissing" });
    expect(error(decide(overrule(kg(101))))).toMatchObject({
      code: "cannotBeMade",
      line: top,
      easier: { reading: kg(100) },
    });
    const gone: Decision = { slotId: SLOT.id, line: top!, kind: "way", way: "oneLeg" };
    expect(error(decide(gone))).toMatchObject({ code: "undecided", line: top });
    const elsewhere = decide().map((d) => ({ ...d, slotId: sampleId<"slot">(999) }));
    expect(error(elsewhere)).toMatchObject({ code: "undecided" });
  });
});
