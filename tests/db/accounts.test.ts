import { beforeEach, describe, expect, it } from "vitest";
import { newId } from "~/codec/new-id.ts";
import { instant } from "~/core/kernel/index.ts";
import {
  changePassword,
  closeSignIns,
  findCredentials,
  findSignIn,
  joinByInvitation,
  openSignIn,
  openSignIns,
  resetPassword,
} from "~/server/db/accounts.server.ts";
import { toBinary } from "~/server/db/columns.server.ts";
import { listCoaches, listMembers, setMembership } from "~/server/db/coaches.server.ts";
import { deleteStudio } from "~/server/db/delete-studio.server.ts";
import { GRANT_HOURS, makeGrant, openInvitations, revokeGrant } from "~/server/db/grants.server.ts";
import { addPerson, getPerson } from "~/server/db/people.server.ts";
import { ADA, addSquats, inStudio, NOW, testStudio } from "./studio.ts";

const here = inStudio();
const HOUR = 3_600_000;
const later = (hours: number) => instant(NOW + hours * HOUR);
const mate = () => ({ email: `${newId()}@test.example`, displayName: "Mate", passwordHash: "-" });

async function joined() {
  const { db, studio } = here;
  const token = await makeGrant(studio.scope, "invitation", null);
  const user = mate();
  const made = await joinByInvitation(db, token, user, NOW);
  if (!made.ok) throw new Error("not joined");
  return { ...made.value, email: user.email };
}

describe("an invitation", () => {
  it("makes a coach of the studio once, and only a hash of it is stored", async () => {
    const { db, studio } = here;
    const token = await makeGrant(studio.scope, "invitation", null);
    expect(JSON.stringify(await db("grants"))).not.toContain(token);
    expect(await openInvitations(studio.scope)).toHaveLength(1);
    expect(await joinByInvitation(db, token, mate(), NOW)).toMatchObject({
      ok: true,
      value: { studioId: studio.scope.studioId },
    });
    expect(await joinByInvitation(db, token, mate(), NOW)).toEqual({
      ok: false,
      error: { code: "closed" },
    });
    expect(await openInvitations(studio.scope)).toEqual([]);
    const roles = (await listMembers(studio.scope)).map(({ role }) => role);
    expect(roles.toSorted()).toEqual(["coach", "owner"]);
  });

  it("ends after a week, when it is revoked, and opens nothing of another kind", async () => {
    const { db, studio } = here;
    const token = await makeGrant(studio.scope, "invitation", null);
    const old = later(GRANT_HOURS.invitation);
    expect(await joinByInvitation(db, token, mate(), old)).toMatchObject({ ok: false });
    expect(await resetPassword(db, token, "-", NOW)).toBe(false);
    const [open] = await openInvitations(studio.scope);
    if (open === undefined) throw new Error("no invitation");
    await revokeGrant((await testStudio(db)).scope, open.id);
    expect(await openInvitations(studio.scope)).toHaveLength(1);
    await revokeGrant(studio.scope, open.id);
    expect(await joinByInvitation(db, token, mate(), NOW)).toMatchObject({ ok: false });
  });

  it("stays open where the address has an account already", async () => {
    const { db, studio } = here;
    const { email } = await joined();
    const token = await makeGrant(studio.scope, "invitation", null);
    expect(await joinByInvitation(db, token, { ...mate(), email }, NOW)).toEqual({
      ok: false,
      error: { code: "emailTaken" },
    });
    expect(await joinByInvitation(db, token, mate(), NOW)).toMatchObject({ ok: true });
  });

  it("makes one coach of two who use it at once", async () => {
    const { db, studio } = here;
    const token = await makeGrant(studio.scope, "invitation", null);
    const both = await Promise.all([1, 2].map(() => joinByInvitation(db, token, mate(), NOW)));
    expect(both.filter(({ ok }) => ok)).toHaveLength(1);
  });
});

describe("a new password", () => {
  it("by a link ends every sign-in and works once, for an hour", async () => {
    const { db, studio } = here;
    const { userId, studioId, email } = await joined();
    const signIn = await openSignIn(db, { userId, studioId }, "Firefox on Linux", NOW);
    const token = await makeGrant(studio.scope, "password", userId);
    expect(await resetPassword(db, token, "late", later(GRANT_HOURS.password))).toBe(false);
    expect(await joinByInvitation(db, token, mate(), NOW)).toMatchObject({ ok: false });
    expect(await resetPassword(db, token, "new", NOW)).toBe(true);
    expect(await resetPassword(db, token, "again", NOW)).toBe(false);
    expect(await findCredentials(db, email)).toMatchObject({ passwordHash: "new" });
    expect(await findSignIn(db, signIn, NOW)).toBeNull();
  });

  it("by its owner ends every other sign-in of theirs, and nobody else's", async () => {
    const { db } = here;
    const [me, other] = [await joined(), await joined()];
    const own = await openSignIn(db, me, "Chrome on Windows", NOW);
    const phone = await openSignIn(db, me, "Safari on iPhone", NOW);
    const theirs = await openSignIn(db, other, "", NOW);
    await changePassword(db, me.userId, "mine", own);
    expect(await findSignIn(db, own, NOW)).not.toBeNull();
    expect(await findSignIn(db, phone, NOW)).toBeNull();
    expect(await findSignIn(db, theirs, NOW)).not.toBeNull();
    expect(await findCredentials(db, me.email)).toMatchObject({ passwordHash: "mine" });
  });
});

it("a sign-in is listed with its device and ended by itself, not by another user", async () => {
  const { db } = here;
  const [me, other] = [await joined(), await joined()];
  const own = await openSignIn(db, me, "Chrome on Windows", NOW);
  const phone = await openSignIn(db, me, "Safari on iPhone", NOW);
  const listed = await openSignIns(db, me.userId, own, NOW);
  expect(listed.map(({ device, isThis }) => [device, isThis])).toEqual(
    expect.arrayContaining([
      ["Chrome on Windows", true],
      ["Safari on iPhone", false],
    ]),
  );
  const key = listed.find(({ isThis }) => !isThis)?.key ?? "";
  await closeSignIns(db, other.userId, { key });
  expect(await findSignIn(db, phone, NOW)).not.toBeNull();
  await closeSignIns(db, me.userId, { key });
  expect(await findSignIn(db, phone, NOW)).toBeNull();
  expect(await findSignIn(db, own, NOW)).not.toBeNull();
});

it("a coach who is removed is out at once and can be taken back; the owner stays", async () => {
  const { db, studio } = here;
  const { scope } = studio;
  const coach = await joined();
  const signIn = await openSignIn(db, coach, "", NOW);
  const client = await addPerson(scope, { ...ADA, coach: coach.userId });
  await setMembership(scope, coach.userId, false);
  expect(await findSignIn(db, signIn, NOW)).toBeNull();
  expect(await findCredentials(db, coach.email)).toBeNull();
  expect((await listCoaches(scope)).map(({ id }) => id)).toEqual([studio.userId]);
  expect(await getPerson(scope, client)).toMatchObject({ coach: null });
  await setMembership(scope, coach.userId, true);
  expect(await findCredentials(db, coach.email)).not.toBeNull();
  await setMembership(scope, studio.userId, false);
  expect(await listCoaches(scope)).toHaveLength(2);
});

describe("deleting a studio", () => {
  beforeEach(async () => {
    await addSquats(here.studio, "2026-02-23");
  });

  it("leaves nothing of it in any table, and another studio as it was", async () => {
    const { db, studio } = here;
    const coach = await joined();
    await openSignIn(db, coach, "", NOW);
    const other = await testStudio(db);
    await addSquats(other, "2026-02-23");
    await deleteStudio(db, studio.scope.studioId);
    const tables = (await db("information_schema.columns")
      .where({ table_schema: db.raw("database()"), column_name: "studio_id" })
      .select({ name: "table_name" })) as { readonly name: string }[];
    expect(tables.length).toBeGreaterThan(30);
    for (const { name } of tables) {
      const left: unknown = await db(name)
        .where({ studio_id: toBinary(studio.scope.studioId) })
        .first();
      expect(left, name).toBeUndefined();
    }
    expect(await findCredentials(db, coach.email)).toBeNull();
    expect(await db("users").where({ email: coach.email })).toEqual([]);
    expect(await other.scope.from("plans")).not.toEqual([]);
    expect(await listCoaches(other.scope)).toHaveLength(1);
  });
});
