import { describe, expect, it } from "vitest";
import { allLoads } from "~/core/gym/index.ts";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import { STARTING_GYM_KINDS } from "~/codec/station-form.ts";
import { STARTING_GYMS } from "~/server/coaching/starting-gyms.server.ts";
import { addGymWith, changeStation, listStations } from "~/server/db/gyms.server.ts";
import { inStudio } from "./studio.ts";

const here = inStudio();
const served = (kind: (typeof STARTING_GYM_KINDS)[number]) =>
  new Set(STARTING_GYMS[kind].flatMap(({ serves }) => serves));

describe("a gym to begin with", () => {
  it.each(STARTING_GYM_KINDS)("%s has loads for everything that it serves", (kind) => {
    for (const { name, loading, serves } of STARTING_GYMS[kind]) {
      expect(serves.length, name).toBeGreaterThan(0);
      expect(allLoads(loading).length, name).toBeGreaterThan(0);
      const wrong = serves.filter(
        (ref) => findMovement(ref)?.loadings.includes(loading.kind) !== true,
      );
      expect(wrong, name).toEqual([]);
    }
  });

  it("always has body weight and floor, and no machine where only the body is moved", () => {
    for (const kind of STARTING_GYM_KINDS) {
      expect(served(kind)).toContain("shipped:body-weight-squat");
      expect(served(kind)).toContain("shipped:glute-bridge");
    }
    expect(served("empty")).not.toContain("shipped:back-extension");
    expect(served("home")).not.toContain("shipped:stationary-cycling");
  });

  it("does no guided-bar exercise in the free rack", () => {
    const rack = STARTING_GYMS.commercial.find(({ name }) => name === "Rack");
    expect(rack?.serves).toContain("shipped:back-squat");
    expect(rack?.serves.filter((ref) => /guided|angled|hexagonal|safety/.test(ref))).toEqual([]);
    expect(served("commercial")).toContain("shipped:guided-bar-squat");
  });

  it("says that its loads are assumed until somebody saves what stands there", async () => {
    const { scope } = here.studio;
    const gym = await addGymWith(
      scope,
      { name: "Begun", timeZone: "UTC", houseRules: "" },
      STARTING_GYMS.small,
    );
    const stations = await listStations(scope, gym);
    const assumed = stations.filter(({ isAssumed }) => isAssumed).map(({ name }) => name);
    expect(assumed).toEqual(expect.arrayContaining(["Rack", "Leg press", "Dumbbells"]));
    expect(assumed).not.toContain("Body weight");
    expect(assumed).not.toContain("Bike");
    const rack = stations.find(({ name }) => name === "Rack");
    if (rack === undefined) throw new Error("no rack");
    const looked = { ...rack, isAssumed: false };
    expect(await changeStation(scope, rack.id, rack.version, looked)).toEqual({
      ok: true,
      value: null,
    });
    const after = (await listStations(scope, gym)).find(({ id }) => id === rack.id);
    expect(after?.isAssumed).toBe(false);
  });
});
