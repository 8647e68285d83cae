import { describe, expect, it } from "vitest";
import { newId } from "~/codec/new-id.ts";
import { comparingFormCodec } from "~/codec/comparing.ts";
import type { Id } from "~/core/kernel/index.ts";
import { comparingOf, sayComparing, withdrawComparing } from "~/server/db/comparing.server.ts";
import { addPerson, erasePerson } from "~/server/db/people.server.ts";
import { inStudio } from "./studio.ts";

const here = inStudio();
const person = (name: string) =>
  addPerson(here.studio.scope, { name, level: "trained", unit: "kg", goal: "", notes: "" });
const REST = {
  movement: "shipped:back-squat",
  condition: "rest",
  parameter: null,
  station: null,
} as const;

describe("a coach's word on comparing", () => {
  it("is kept for one client or for all, and taken back without losing the row", async () => {
    const { scope } = here.studio;
    const [ada, bo] = [await person("Ada"), await person("Bo")];
    await sayComparing(scope, { ...REST, person: ada }, "The gym is crowded");
    await sayComparing(scope, { ...REST, condition: "order", person: null }, "Always last");
    const of = async (id: Id<"person">) =>
      (await comparingOf(scope, id)).map(({ condition, reason }) => [condition, reason]);
    expect(await of(ada)).toEqual([
      ["rest", "The gym is crowded"],
      ["order", "Always last"],
    ]);
    expect(await of(bo)).toEqual([["order", "Always last"]]);
    const [first] = await comparingOf(scope, ada);
    await withdrawComparing(scope, first!.id);
    expect(await of(ada)).toEqual([["order", "Always last"]]);
    const rows = await scope.from("comparing").whereNotNull("withdrawn_at");
    expect(rows).toHaveLength(1);
  });

  it("goes with the client who is erased", async () => {
    const { scope } = here.studio;
    const cy = await person("Cy");
    await sayComparing(scope, { ...REST, person: cy }, "Knees");
    expect(await erasePerson(scope, cy)).toBe(true);
    expect(await scope.from("comparing").where({ reason: "Knees" })).toHaveLength(0);
  });

  it("is read from its form, whatever is sent", () => {
    const form = {
      at: `shipped:back-squat ${newId<"station">()}`,
      equipment: "this",
      who: "all",
      condition: "setUp:Stance",
      reason: "Small change",
    };
    expect(comparingFormCodec.safeParse(form)).toMatchObject({
      success: true,
      data: { condition: "setUp", parameter: "Stance", movement: "shipped:back-squat" },
    });
    for (const wrong of [
      { at: "shipped:back-squat" },
      { at: "nothing at all" },
      { condition: "setUp" },
      { condition: `setUp:${"x".repeat(61)}` },
      { condition: "movement" },
      { reason: " " },
      { reason: "x".repeat(501) },
      { who: "nobody" },
    ])
      expect(comparingFormCodec.safeParse({ ...form, ...wrong }).success).toBe(false);
  });
});
