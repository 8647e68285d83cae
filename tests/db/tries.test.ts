import { instant } from "../../core/kernel/index.ts";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { newId } from "~/codec/new-id.ts";
import { isKnownDevice, register, rememberDevice } from "~/server/db/accounts.server.ts";
import type { Database } from "~/server/db/connection.server.ts";
import { countTry, type Limit } from "~/server/db/tries.server.ts";
import { closeTestDatabase, NOW, testDatabase } from "./studio.ts";

let db: Database;
beforeAll(async () => {
  db = await testDatabase();
});
afterAll(closeTestDatabase);

const MINUTE = 60_000;
const limit = (over: Partial<Limit> = {}): Limit => ({
  subject: `test:${newId()}`,
  free: 5,
  then: "doubling",
  ...over,
});
const waits = async (limits: readonly Limit[], at: number) =>
  (await countTry(db, limits, instant(at))).waitSeconds;

describe("tries that are counted", () => {
  it("wait five seconds after five, twice as long after each more, a quarter of an hour at most", async () => {
    const own = limit();
    for (let i = 0; i < 5; i++) expect(await waits([own], NOW)).toBe(0);
    expect(await waits([own], NOW)).toBe(5);
    expect(await waits([own], NOW + 5000)).toBe(0);
    expect(await waits([own], NOW + 5000)).toBe(10);
    for (let i = 0, at = NOW + 15_000; i < 12; i++) {
      const wait = await waits([own], at);
      expect(wait).toBeLessThanOrEqual(15 * 60);
      at += wait * 1000;
    }
  });

  it("do not wait longer for asking again while they have to wait", async () => {
    const own = limit();
    for (let i = 0; i < 5; i++) await countTry(db, [own], NOW);
    for (let i = 0; i < 20; i++) await countTry(db, [own], instant(NOW + 1000));
    expect(await waits([own], NOW + 2000)).toBe(3);
  });

  it("see each other when they come at the same moment", async () => {
    const own = limit({ then: "window" });
    const all = await Promise.all(Array.from({ length: 20 }, () => waits([own], NOW)));
    expect(all.filter((wait) => wait === 0).length).toBeLessThanOrEqual(5);
  });

  it("are told from those of other subjects, and end with the window", async () => {
    const [own, other] = [limit({ then: "window" }), limit({ then: "window" })];
    for (let i = 0; i < 5; i++) await countTry(db, [own], instant(NOW + i));
    expect(await waits([own], NOW + 10)).toBeGreaterThan(800);
    expect(await waits([other], NOW + 10)).toBe(0);
    expect(await waits([own], NOW + 16 * MINUTE)).toBe(0);
  });

  it("count no more once they turned out well", async () => {
    const own = limit();
    for (let i = 0; i < 30; i++) {
      const counted = await countTry(db, [own], NOW);
      expect(counted.waitSeconds).toBe(0);
      await counted.takeBack();
    }
  });
});

describe("devices", () => {
  it("are known to the account that signed in on them, the last twenty of them", async () => {
    const email = `${newId()}@test.example`;
    const form = { email, displayName: "A", studioName: "B", passwordHash: "-" };
    const made = await register(db, form, NOW);
    if (!made.ok) throw new Error("not registered");
    const { userId } = made.value;
    for (let i = 0; i < 25; i++) await rememberDevice(db, userId, `token ${i}`, instant(NOW + i));
    await rememberDevice(db, userId, "token 24", instant(NOW + 30));
    expect(await isKnownDevice(db, email, "token 24")).toBe(true);
    expect(await isKnownDevice(db, email, "token 5")).toBe(true);
    expect(await isKnownDevice(db, email, "token 4")).toBe(false);
    expect(await isKnownDevice(db, "someone@else.example", "token 24")).toBe(false);
  });
});
