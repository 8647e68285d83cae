import { OF_EACH_APPROACH } from "~/demo/of-each-approach.ts";
import { describe, expect, it } from "vitest";
import { z } from "zod";
import { phaseCodec } from "~/codec/phase.ts";
import { jsonColumn } from "~/codec/rows.ts";
import { dateOf } from "~/core/phase/index.ts";
import { toBinary } from "~/server/db/columns.server.ts";
import { addDays, day, type Day, type Id, kg, instant } from "~/core/kernel/index.ts";
import { slotsOf } from "~/core/plan/index.ts";
import { lastKey, before, lastsOf, seriesOf, upTo, type Series } from "~/core/log/index.ts";
import { historyOf } from "~/server/coaching/history.server.ts";
import { USUAL_RULES, strengthRecordsOf, type Decision } from "~/core/progress/index.ts";
import { planNext, proposalsFor } from "~/server/coaching/next-session.server.ts";
import { getPlan } from "~/server/db/plans.server.ts";
import { rulingsOn } from "~/server/db/rulings.server.ts";
import {
  getSessionLog,
  startSession,
  type StoredSessionLog,
} from "~/server/db/session-logs.server.ts";
import { moveForward, seedDemo } from "~/demo/seed.server.ts";
import { trainSquats } from "./sets.ts";
import { addSquats, inStudio } from "./studio.ts";

const here = inStudio();

const DAY = 86_400_000;
const train = (plan: Id<"plan">, reps: readonly number[], daysLater = 0) =>
  trainSquats(here.studio, plan, reps, daysLater);
const slotOf = (sessionLog: StoredSessionLog) => slotsOf(sessionLog.document)[0]!;
const lineOf = (sessionLog: StoredSessionLog) => ({
  slotId: slotOf(sessionLog).id,
  line: slotOf(sessionLog).sets[0]!.line,
});
const accept = (sessionLog: StoredSessionLog): Decision => ({
  ...lineOf(sessionLog),
  kind: "accept",
});
const proposed = async (sessionLog: StoredSessionLog) =>
  (await proposalsFor(here.studio.scope, sessionLog)).slots[0]?.lines[0];
const next = async (
  sessionLog: StoredSessionLog,
  decisions: Decision[],
  on: Day = day("2026-03-09"),
) => {
  const { scope } = here.studio;
  return planNext(scope, sessionLog, await proposalsFor(scope, sessionLog), on, decisions);
};

describe("planning the next session", () => {
  it("raises by the smallest step after every set reached the top, on the same lines with new ids", async () => {
    const sessionLog = await train(await addSquats(here.studio), [12, 12, 12]);
    const planned = await next(sessionLog, [accept(sessionLog)]);
    if (!planned.ok) throw new Error(planned.error.code);
    const plan = await getPlan(here.studio.scope, planned.value);
    const [slot] = slotsOf(plan!.document);
    expect(slot?.sets.map((s) => s.load)).toEqual(
      Array.from({ length: 3 }, () => ({ kind: "absolute", reading: kg(102.5) })),
    );
    expect(slot?.lineageId).toBe(slotOf(sessionLog).lineageId);
    expect(slot?.id).not.toBe(slotOf(sessionLog).id);
    expect(plan).toMatchObject({
      day: "2026-03-09",
      plannedFromSession: sessionLog.id,
      personId: here.studio.person,
    });
  });

  it("keeps an overruling with its reason beside the proposal", async () => {
    const sessionLog = await train(await addSquats(here.studio), [12, 12, 12]);
    const planned = await next(sessionLog, [
      { ...lineOf(sessionLog), kind: "overrule", reading: kg(105), reason: " Strong day. " },
    ]);
    expect(planned.ok).toBe(true);
    expect(await rulingsOn(here.studio.scope, sessionLog.id)).toMatchObject([
      { decision: "overruled", chosen: kg(105), reason: "Strong day." },
    ]);
    const [row] = await here.studio.scope.from("rulings");
    const stored = jsonColumn(z.looseObject({ move: z.string() })).parse(row?.["proposal"]);
    expect(stored).toMatchObject({ move: "raise", reading: { thousandths: 102_500 } });
  });

  it("refuses an overruling without a reason or with a load that cannot be made, and plans nothing", async () => {
    const sessionLog = await train(await addSquats(here.studio), [12, 12, 12]);
    const at = lineOf(sessionLog);
    expect(
      await next(sessionLog, [{ ...at, kind: "overrule", reading: kg(105), reason: " " }]),
    ).toMatchObject({ error: { code: "reasonMissing" } });
    expect(
      await next(sessionLog, [{ ...at, kind: "overrule", reading: kg(101), reason: "x" }]),
    ).toMatchObject({ error: { code: "cannotBeMade", easier: { reading: kg(100) } } });
    expect(await next(sessionLog, [])).toMatchObject({ error: { code: "undecided" } });
    expect((await getSessionLog(here.studio.scope, sessionLog.id))?.settledAt).toBeNull();
    expect(await rulingsOn(here.studio.scope, sessionLog.id)).toEqual([]);
  });

  it("plans once when two coaches press at the same time", async () => {
    const sessionLog = await train(await addSquats(here.studio), [12, 12, 12]);
    const both = await Promise.all([
      next(sessionLog, [accept(sessionLog)]),
      next(sessionLog, [accept(sessionLog)]),
    ]);
    expect(both.filter((r) => r.ok)).toHaveLength(1);
    expect(both.find((r) => !r.ok)).toMatchObject({ error: { code: "settled" } });
    expect(await here.studio.scope.from("plans")).toHaveLength(2);
  });

  it("waits for a running session to end", async () => {
    const started = await startSession(here.studio.scope, await addSquats(here.studio));
    const sessionLog = started.ok ? await getSessionLog(here.studio.scope, started.value) : null;
    expect(await next(sessionLog!, [accept(sessionLog!)])).toMatchObject({
      error: { code: "notEnded" },
    });
  });

  it("judges an old session by what was known then, not by later ones", async () => {
    const first = await train(await addSquats(here.studio), [9, 9, 8]);
    await train(await addSquats(here.studio, "2026-03-09"), [12, 12, 12], 7);
    const proposal = await proposed(first);
    expect(proposal?.move).toBe("keep");
  });

  it("proposes nothing from an earlier session for an exercise that was left out this time", async () => {
    await train(await addSquats(here.studio), [12, 12, 12]);
    const empty = await train(await addSquats(here.studio, "2026-03-09"), [], 7);
    const proposal = await proposed(empty);
    expect(proposal?.because).toEqual([{ code: "noExposure" }]);
  });
});

describe("history", () => {
  it("is read with the same few queries however many sessions there are", async () => {
    const count = async () => {
      let queries = 0;
      const tick = () => {
        queries += 1;
      };
      here.db.on("query", tick);
      await historyOf(here.studio.scope, here.studio.person);
      here.db.removeListener("query", tick);
      return queries;
    };
    await train(await addSquats(here.studio), [10, 10, 10]);
    const one = await count();
    for (let week = 1; week < 6; week++)
      await train(
        await addSquats(here.studio, addDays(day("2026-03-02"), week * 7)),
        [10, 10, 10],
        week * 7,
      );
    expect((await historyOf(here.studio.scope, here.studio.person)).sessions).toHaveLength(6);
    expect(await count()).toBe(one);
    expect(one).toBe(6);
  });
});

describe("what history says of each exercise", () => {
  /** Three sessions, a week apart. */
  async function threeWeeks(): Promise<readonly StoredSessionLog[]> {
    const sessionLogs: StoredSessionLog[] = [];
    for (const [week, reps] of [8, 9, 10].entries()) {
      const on = addDays(day("2026-03-02"), week * 7);
      sessionLogs.push(await train(await addSquats(here.studio, on), [reps, reps, reps], week * 7));
    }
    return sessionLogs;
  }
  const key = () => lastKey("shipped:back-squat", here.studio.station);
  const history = () => historyOf(here.studio.scope, here.studio.person);
  const reps = (series: Series) => series.get(key())?.map((e) => e.sets[0]?.reps);

  it("is by movement and station, oldest session first, and ends where it is asked to", async () => {
    const [, second] = await threeWeeks();
    if (second === undefined) throw new Error("three sessions expected");
    expect([...seriesOf(await history()).keys()]).toEqual([key()]);
    expect(reps(seriesOf(await history()))).toEqual([8, 9, 10]);
    expect(reps(seriesOf(upTo(await history(), second)))).toEqual([8, 9]);
    expect(reps(seriesOf(before(await history(), second)))).toEqual([8]);
    expect(lastsOf(seriesOf(await history()))[key()]?.day).toBe("2026-03-16");
  });

  it("gives the strength that loads by maximum and by effort are worked out from", async () => {
    await threeWeeks();
    const known = strengthRecordsOf(seriesOf(await history()), null, USUAL_RULES)[key()];
    expect(known).toMatchObject({
      movement: "shipped:back-squat",
      lastReading: kg(100),
      lastTotal: kg(100),
      curve: { slope: 1 },
    });
    // The sets were logged with two left; of the last three the one of eight is the most telling: 100 × (1 + 10 ⁄ 30).
    expect(known?.maximum).toMatchObject({ likely: kg(133.333), possibleReps: 10 });
  });

  it("is nothing for somebody who never trained", async () => {
    const series = seriesOf(await history());
    expect(series.size).toBe(0);
    expect(lastsOf(series)).toEqual({});
    expect(strengthRecordsOf(series, null, USUAL_RULES)).toEqual({});
  });
});

describe("the demo", () => {
  const evening = Date.UTC(2026, 10, 25, 18);

  it("is seeded once, with history, somebody training now and decisions waiting", async () => {
    expect(await seedDemo(here.db, instant(evening))).toBe(true);
    expect(await seedDemo(here.db, instant(evening))).toBe(false);
    const one = async (sql: string) =>
      Number(((await here.db.raw(sql)) as [{ n: number }[]])[0][0]?.n);
    const demo = "studio_id = (select studio_id from demo_seed)";
    expect(
      await one(
        `select count(distinct person_id) n from runs where ${demo} and ended_at is not null`,
      ),
    ).toBeGreaterThanOrEqual(3);
    expect(await one(`select count(*) n from runs where ${demo} and ended_at is null`)).toBe(1);
    expect(
      await one(
        `select count(*) n from runs where ${demo} and ended_at is not null and settled_at is null`,
      ),
    ).toBe(3);
    expect(await one(`select count(*) n from plans where ${demo} and day = '2026-11-25'`)).toBe(4);
    // A season: one phase was rolled over, and the one that follows it replanned; and one of every other approach.
    expect(await one(`select count(*) n from phases where ${demo}`)).toBe(
      3 + OF_EACH_APPROACH.length,
    );
    expect(
      await one(`select count(*) n from phase_revisions where ${demo} and event is not null`),
    ).toBe(1);
    expect(await one(`select count(*) n from events where ${demo} and starts > '2026-11-25'`)).toBe(
      4,
    );
    expect(
      await one(`select datediff(max(day), min(day)) n from plans where ${demo}`),
    ).toBeGreaterThanOrEqual(360);
    expect(
      await one(`select count(*) n from performed_parts where ${demo} and full_reps is null`),
    ).toBeGreaterThan(0);
    expect(
      await one(
        `select count(*) n from rulings where ${demo} and decision = 'overruled' and reason <> ''`,
      ),
    ).toBe(3);
  });

  it("moves forward by whole days on a later one, but not what a user touched", async () => {
    const [touched] = (await here
      .db("plans")
      .whereRaw("studio_id = (select studio_id from demo_seed) and day = '2026-11-25'")
      .orderBy("title")
      .limit(1)) as { id: Buffer }[];
    await here.db("plans").where({ id: touched!.id }).update({ actor_kind: "user" });
    expect(await moveForward(here.db, instant(evening + 3 * DAY))).toBe(3);
    expect(await moveForward(here.db, instant(evening + 3 * DAY))).toBe(0);
    const days = (await here
      .db("plans")
      .whereRaw(
        "studio_id = (select studio_id from demo_seed) and day in ('2026-11-25', '2026-11-28')",
      )
      .select("id", "day")) as { id: Buffer; day: string }[];
    expect(days.find((p) => p.id.equals(touched!.id))?.day).toBe("2026-11-25");
    expect(days.some((p) => p.day === "2026-11-28")).toBe(true);
    const [replanned] = (await here
      .db("phase_revisions")
      .whereRaw("studio_id = (select studio_id from demo_seed) and event is not null")
      .select("event")) as { event: string }[];
    expect(JSON.parse(replanned!.event)).toMatchObject({ from: "2026-11-20", to: "2026-11-25" });
    // A phase moves along with its sessions: each still stands on the day that its phase says.
    const placed = (await here
      .db("plans")
      .join("phases", "phases.id", "plans.phase_id")
      .join("phase_revisions", "phase_revisions.phase_id", "phases.id")
      .whereRaw("plans.studio_id = (select studio_id from demo_seed)")
      .select("plans.day", "plans.phase_day", "plans.phase_week", "document")) as {
      day: Day;
      phase_day: Buffer;
      phase_week: number;
      document: string;
    }[];
    expect(placed.length).toBeGreaterThan(8);
    for (const { day: on, phase_day, phase_week, document } of placed) {
      const phase = phaseCodec.parse(JSON.parse(document));
      const own = phase.days.find(({ id }) => toBinary(id).equals(phase_day));
      expect(dateOf(phase, own!, phase_week)).toBe(on);
    }
  });
});
