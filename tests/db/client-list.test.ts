import { beforeEach, describe, expect, it } from "vitest";
import { CLIENTS_A_PAGE, clientListCodec } from "~/codec/client-list.ts";
import { day, type Id } from "~/core/kernel/index.ts";
import { clientPage } from "~/server/db/client-list.server.ts";
import { addPerson, archivePerson, getPerson, keepTrend } from "~/server/db/people.server.ts";
import { addPlan, dropPlan, getPlan, nextPlanOf } from "~/server/db/plans.server.ts";
import { discardSession, startSession } from "~/server/db/session-logs.server.ts";
import { ADA, addSquats, inStudio, testStudio } from "./studio.ts";

const here = inStudio();
const TODAY = day("2026-03-02");
const asked = (query: Record<string, string> = {}) => clientListCodec.parse(query);
const listed = async (query: Record<string, string> = {}) =>
  clientPage(here.studio.scope, asked(query), TODAY);
const names = async (query: Record<string, string> = {}) =>
  (await listed(query)).clients.map(({ person }) => person.name);
const add = (name: string, more: { readonly goal?: string } = {}) =>
  addPerson(here.studio.scope, { ...ADA, ...more, name });

async function plan(person: Id<"person">, on: string): Promise<Id<"plan">> {
  const { scope, gym } = here.studio;
  const document = (await getPlan(scope, await addSquats(here.studio)))!.document;
  const head = { personId: person, gymId: gym, day: day(on), startTime: null, title: "Legs" };
  return addPlan(scope, head, document);
}

async function train(person: Id<"person">, on: string) {
  const started = await startSession(here.studio.scope, await plan(person, on));
  if (!started.ok) throw new Error("not started");
  return started.value;
}

describe("the list of clients", () => {
  beforeEach(async () => {
    // The studio begins with one client, who would stand in every list.
    await archivePerson(here.studio.scope, here.studio.person, true);
  });

  it("tells the last session, the next one, and how strength goes", async () => {
    const cleo = await add("Cleo");
    await train(cleo, "2026-02-20");
    await train(cleo, "2026-02-26");
    await plan(cleo, "2026-03-09");
    const next = await plan(cleo, "2026-03-05");
    await keepTrend(here.studio.scope, cleo, { share: 0.04, exercises: 3, weeks: 7 });
    const { clients, found, all } = await listed();
    expect([found, all]).toEqual([1, 1]);
    expect(clients[0]).toMatchObject({
      last: "2026-02-26",
      next: "2026-03-05",
      overdue: null,
      trend: { share: 0.04, exercises: 3, weeks: 7 },
    });
    expect(await nextPlanOf(here.studio.scope, cleo, TODAY)).toBe(next);
    await dropPlan(here.studio.scope, next, true);
    expect(await nextPlanOf(here.studio.scope, cleo, TODAY)).not.toBe(next);
    expect(await nextPlanOf(here.studio.scope, cleo, day("2026-03-10"))).toBeNull();
    // What is worked out is no edit, over which somebody else's would be refused.
    expect((await getPerson(here.studio.scope, cleo))?.revision).toBe(1);
  });

  it("calls overdue who missed a session since the last, or is long away with nothing planned", async () => {
    const missed = await add("Missed");
    await train(missed, "2026-02-20");
    await plan(missed, "2026-02-27");
    const caughtUp = await add("Caught up");
    await plan(caughtUp, "2026-02-26");
    await train(caughtUp, "2026-02-27");
    await train(await add("Away"), "2026-02-19");
    await train(await add("Lately"), "2026-02-20");
    const planned = await add("Away, but planned");
    await train(planned, "2026-02-01");
    await plan(planned, "2026-03-03");
    await plan(await add("Missed long ago"), "2026-02-01");
    await add("New");
    const all = (await listed()).clients;
    expect(
      all.flatMap(({ person, overdue }) => (overdue === null ? [] : [[person.name, overdue]])),
    ).toEqual([
      ["Away", "2026-02-19"],
      ["Missed", "2026-02-27"],
    ]);
    expect(await names({ show: "overdue" })).toEqual(["Away", "Missed"]);
    expect((await listed({ show: "overdue" })).found).toBe(2);
  });

  it("counts neither a deleted session nor a discarded one", async () => {
    const dora = await add("Dora");
    await dropPlan(here.studio.scope, await plan(dora, "2026-02-27"), true);
    await dropPlan(here.studio.scope, await plan(dora, "2026-03-04"), true);
    await discardSession(here.studio.scope, await train(dora, "2026-02-25"), true);
    const [row] = (await listed()).clients;
    expect(row).toMatchObject({ last: null, next: null });
  });

  it("is searched by name and goal, whatever the accents, and takes signs as they are", async () => {
    await add("Zoë Lind", { goal: "Bigger quads" });
    await add("Bea", { goal: "Squat 100 %" });
    expect(await names({ search: "zoe" })).toEqual(["Zoë Lind"]);
    expect(await names({ search: "QUADS" })).toEqual(["Zoë Lind"]);
    expect(await names({ search: "100 %" })).toEqual(["Bea"]);
    expect(await names({ search: "%" })).toEqual(["Bea"]);
    expect(await names({ search: "_" })).toEqual([]);
    expect((await listed({ search: "nobody" })).found).toBe(0);
  });

  it("is put in order, what is unknown last", async () => {
    const [a, b] = [await add("Abel"), await add("Bo")];
    await add("Cy");
    await train(a, "2026-02-27");
    await train(b, "2026-02-25");
    await plan(a, "2026-03-10");
    await plan(b, "2026-03-20");
    await keepTrend(here.studio.scope, a, { share: 0.03, exercises: 2, weeks: 8 });
    await keepTrend(here.studio.scope, b, { share: -0.05, exercises: 2, weeks: 8 });
    expect(await names({ order: "name" })).toEqual(["Abel", "Bo", "Cy"]);
    expect(await names({ order: "last" })).toEqual(["Bo", "Abel", "Cy"]);
    expect(await names({ order: "next" })).toEqual(["Abel", "Bo", "Cy"]);
    expect(await names({ order: "trend" })).toEqual(["Bo", "Abel", "Cy"]);
  });

  it("stands on pages, whose number may be nonsense", async () => {
    const number = (i: number) => String(i).padStart(2, "0");
    for (let i = 0; i < CLIENTS_A_PAGE + 3; i += 1) await add(`Client ${number(i)}`);
    const second = await listed({ page: "2" });
    expect(second.clients.map(({ person }) => person.name)).toEqual(
      [0, 1, 2].map((i) => `Client ${number(CLIENTS_A_PAGE + i)}`),
    );
    expect([second.found, second.page]).toEqual([CLIENTS_A_PAGE + 3, 2]);
    for (const page of ["9", "0", "-1", "x"]) {
      const first = await listed({ page });
      expect([first.page, first.clients.length]).toEqual([1, CLIENTS_A_PAGE]);
    }
  });

  it("shows whose clients one's own are, and none of another studio", async () => {
    const { scope } = here.studio;
    if (scope.actor.kind !== "user") throw new Error("no user");
    await addPerson(scope, { ...ADA, name: "Mine", coach: scope.actor.id });
    await add("Everybody's");
    const other = await testStudio(here.db);
    await addPerson(other.scope, { ...ADA, name: "Foreign" });
    expect(await names({ show: "mine" })).toEqual(["Mine"]);
    expect(await names()).toEqual(["Everybody's", "Mine"]);
  });
});
