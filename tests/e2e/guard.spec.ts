import { createConnection, createServer, type Server, type Socket } from "node:net";
import type { APIRequestContext, Page, PlaywrightWorkerArgs } from "@playwright/test";
import { freePort } from "../../scripts/database.mjs";
import {
  addGymWithRack,
  addPerson,
  expect,
  KravoServer,
  MOVEMENT_FORM,
  phaseForm,
  planSquats,
  register,
  registerStudio,
  signInToDemo,
  submit,
  test,
  type Visitor,
} from "./kravo.ts";

/** The routes of the build with the pattern of their full address. */
async function routesOfBuild(): Promise<Map<string, string>> {
  process.env["NODE_ENV"] ??= "production";
  // The build is made before the tests; there are no types for it.
  const built = (await import(String(new URL("../../build/server/index.js", import.meta.url)))) as {
    build: {
      routes: Record<string, { id: string; parentId?: string; path?: string; index?: boolean }>;
    };
  };
  const { routes } = built.build;
  const addressOf = (id: string): string => {
    const route = routes[id];
    if (route === undefined) return "";
    const parent = route.parentId === undefined ? "" : addressOf(route.parentId);
    return route.path === undefined || route.path === "" ? parent : `${parent}/${route.path}`;
  };
  return new Map(Object.keys(routes).map((id) => [id, addressOf(id) || "/"]));
}

/** How each route treats another studio: hidden behind its ids, showing only one's own, or without any studio. */
const EXPECTED: Readonly<Record<string, "hidden" | "own" | "open">> = {
  root: "open",
  "routes/sign-in": "open",
  "routes/register": "open",
  "routes/sign-out": "open",
  "routes/join": "open",
  "routes/new-password": "open",
  "routes/account": "own",
  "routes/coaches": "own",
  "routes/changes": "own",
  "routes/not-found": "open",
  "routes/studio": "own",
  "routes/today": "own",
  "routes/decide": "own",
  "routes/session-why": "hidden",
  "routes/today-clashes": "own",
  "routes/people": "own",
  "routes/person-new": "own",
  "routes/person": "hidden",
  "routes/person-edit": "hidden",
  "routes/brief": "hidden",
  "routes/approaches": "own",
  "routes/strength": "hidden",
  "routes/when": "hidden",
  "routes/comparing": "hidden",
  "routes/settings": "own",
  "routes/strength-rules": "own",
  "routes/templates": "own",
  "routes/template": "hidden",
  "routes/phase-template": "hidden",
  "routes/writing-sets": "own",
  "routes/approach": "hidden",
  "routes/plan-set-aside": "hidden",
  "routes/plan-move-slot": "hidden",
  "routes/gyms": "own",
  "routes/gym": "hidden",
  "routes/station-new": "hidden",
  "routes/station": "hidden",
  "routes/movements": "own",
  "routes/movement-new": "own",
  "routes/movement": "hidden",
  "routes/own-set-up": "hidden",
  "routes/season": "own",
  "routes/phase-new": "own",
  "routes/phase": "hidden",
  "routes/phase-assign": "hidden",
  "routes/phase-change": "hidden",
  "routes/phase-replan": "hidden",
  "routes/plan-new": "own",
  "routes/bench": "hidden",
  "routes/plan-sheet": "hidden",
  "routes/plan-start": "hidden",
  "routes/plan-delete": "hidden",
  "routes/plan-discard": "hidden",
  "routes/review": "hidden",
  "routes/floor": "hidden",
  "routes/floor-sync": "hidden",
  "routes/floor-hand-in": "hidden",
};

async function idsOfOtherStudio(page: Visitor): Promise<Record<string, string>> {
  await register(page);
  const where = await addGymWithRack(page);
  const person = await addPerson(page, "Ada Test");
  const bench = await planSquats(page, person, where);
  const floor = await submit(page, `${bench}/start`, {});
  const phase = await submit(page, "/phases/new", phaseForm(person, where.gym, bench));
  const last = (path: string) => path.split("/").at(-1) ?? "";
  await submit(page, "/movements/new", MOVEMENT_FORM);
  const own = /studio:([0-9a-f-]{36})/.exec(await (await page.request.get("/movements")).text());
  return {
    movementId: own?.[1] ?? "none",
    movementRef: `studio:${own?.[1] ?? "none"}`,
    runId: last(floor),
    personId: last(person),
    planId: last(bench),
    phaseId: last(phase),
    phaseTemplateId: last(await submit(page, phase, { intent: "keep" })),
    gymId: where.gym,
    templateId: last(await submit(page, "/templates", { planId: last(bench), name: "Squats" })),
    stationId: where.rack,
    approach: last(await submit(page, "/approaches/shipped-of-even-ground", { intent: "copy" })),
  };
}

/** Routes that answer only to a post. */
const ONLY_ACTIONS = [
  "routes/floor-sync",
  "routes/floor-hand-in",
  "routes/plan-start",
  "routes/plan-delete",
  "routes/plan-discard",
  "routes/plan-set-aside",
  "routes/plan-move-slot",
];

const forScripts = ["routes/floor-sync", "routes/floor-hand-in"];

const fill = (pattern: string, ids: Record<string, string>) =>
  pattern.replace(/:(\w+)/g, (_, name: string) => ids[name] ?? "missing").replace("/*", "/nowhere");

async function post(
  request: APIRequestContext,
  origin: string,
  path: string,
  body: object | string,
): Promise<number> {
  const isJson = typeof body === "object";
  const response = await request.post(path, {
    headers: {
      origin,
      "content-type": isJson ? "application/json" : "application/x-www-form-urlencoded",
    },
    data: body,
    maxRedirects: 0,
  });
  return response.status();
}

/** Somebody with a session of their own and no browser. */
async function visitor(playwright: PlaywrightWorkerArgs["playwright"], origin: string) {
  return { request: await playwright.request.newContext({ baseURL: origin }), url: () => origin };
}

test("no route and no action reaches another studio", async ({ playwright, server }) => {
  test.slow();
  const page = await visitor(playwright, server.origin);
  const ids = await idsOfOtherStudio(page);
  expect(Object.values(ids).every((id) => /^(studio-of-|studio:)?[0-9a-f-]{36}$/.test(id))).toBe(
    true,
  );
  const before = await page.request.get(`/people/${ids["personId"]}`);
  const intruder = await visitor(playwright, server.origin);
  await register(intruder);
  const routes = await routesOfBuild();
  expect([...routes.keys()].sort(), "every route says how it treats another studio").toEqual(
    Object.keys(EXPECTED).sort(),
  );

  for (const [id, pattern] of routes) {
    const path = fill(pattern, ids);
    const seen = await intruder.request.get(path);
    const text = await seen.text();
    for (const foreign of [...Object.values(ids), "Ada Test", "Test Gym"]) {
      if (!path.includes(foreign)) expect(text, `${id} shows ${foreign}`).not.toContain(foreign);
    }
    if (EXPECTED[id] !== "hidden") continue;
    if (!ONLY_ACTIONS.includes(id)) expect(seen.status(), `GET ${id}`).toBe(404);
    const data = await intruder.request.get(`${path}.data`);
    expect(await data.text(), `${id}.data`).not.toContain("Ada Test");
    const forms = [
      "intent=save&name=Taken&goal=&level=beginner&unit=kg&notes=&revision=1",
      "intent=erase&confirm=erase",
      "name=Taken&kind=bar&unit=kg&baseMass=20&plates=20x4&version=1",
      "day=2026-03-02",
      "intent=measure&kind=bodyWeight&value=80&day=2026-03-02",
      "intent=copy",
      "intent=putAway",
      "intent=archive",
      "intent=approve&week=1",
    ];
    for (const body of [
      ...forms,
      { commands: [], known: 0 },
      { baseRevision: 1, head: {}, document: {} },
      { baseRevision: 1, name: "Taken", document: { schemaVersion: 2, blocks: [] } },
      { kind: "setAside", key: "x", fact: { code: "noSingleLeg", sets: 1 }, reason: "x" },
    ]) {
      const status = await post(intruder.request, server.origin, path, body);
      // Addresses of scripts refuse what they do not read before they look for the session, which they then miss.
      const refusals = forScripts.includes(id) ? [400, 409, 415] : [404, 405, 415];
      expect(refusals, `POST ${id} with ${JSON.stringify(body)} answered ${status}`).toContain(
        status,
      );
    }
  }
  const after = await page.request.get(`/people/${ids["personId"]}`);
  expect(after.status()).toBe(before.status());
  expect(await after.text()).toContain("Ada Test");
});

test("ids of another studio inside one's own forms are refused", async ({ playwright, server }) => {
  const ids = await idsOfOtherStudio(await visitor(playwright, server.origin));
  const intruder = await visitor(playwright, server.origin);
  await register(intruder);
  const form = `title=Legs&day=2026-03-02&startTime=&personId=${ids["personId"]}&gymId=${ids["gymId"]}`;
  const response = await intruder.request.post("/plans/new", {
    headers: { origin: server.origin, "content-type": "application/x-www-form-urlencoded" },
    data: form,
  });
  expect(await response.text()).toContain("Expected a client of this studio.");
});

test("nothing behind the sign-in is shown without one", async ({ request }) => {
  for (const [id, pattern] of await routesOfBuild()) {
    if (EXPECTED[id] === "open") continue;
    const response = await request.get(
      fill(pattern, {}).replaceAll("missing", "0198c0de-0000-7000-8000-000000000000"),
      { maxRedirects: 0 },
    );
    if (forScripts.includes(id)) continue; // they only take JSON, and answer that with 401
    expect([302, 404], id).toContain(response.status());
    if (response.status() === 302)
      expect(response.headers()["location"], id).toMatch(/^\/(sign-in|plans)/);
  }
});

test("answers carry the security headers, and the cookie is strict", async ({ page, request }) => {
  const response = await request.get("/sign-in");
  const policy = response.headers()["content-security-policy"] ?? "";
  const script = /script-src ([^;]*)/.exec(policy)?.[1] ?? "";
  expect(script).toMatch(/^'self' 'nonce-[^']+'$/);
  expect(policy).toContain("frame-ancestors 'none'");
  expect(policy).toContain("default-src 'self'");
  expect(response.headers()).toMatchObject({
    "x-content-type-options": "nosniff",
    "referrer-policy": "same-origin",
  });
  expect(response.headers()["x-powered-by"]).toBeUndefined();
  expect(response.headers()["x-request-id"]).toMatch(/^[0-9a-f-]{36}$/);
  const other = await request.get("/sign-in");
  expect(other.headers()["content-security-policy"]).not.toBe(policy);
  await signInToDemo(page);
  const [cookie] = await page.context().cookies();
  expect(cookie).toMatchObject({ name: "kravo", httpOnly: true, sameSite: "Strict" });
});

test("writes from another origin are refused on every route", async ({ page, server }) => {
  await signInToDemo(page);
  for (const [id, pattern] of await routesOfBuild()) {
    const path = fill(pattern, {}).replaceAll("missing", "0198c0de-0000-7000-8000-000000000000");
    for (const origin of [
      "https://elsewhere.example",
      "null",
      `${server.origin}.elsewhere.example`,
    ]) {
      expect(await post(page.request, origin, path, "a=b"), `${id} from ${origin}`).toBe(403);
    }
    const bare = await page.request.post(path, { data: "a=b", maxRedirects: 0 });
    expect(bare.status(), `${id} without an origin`).toBe(403);
  }
});

test("a stranger who guesses a password has to wait, and does not keep the owner out", async ({
  page,
  browser,
  server,
}) => {
  const { email, password } = await registerStudio(page);
  await page.getByRole("button", { name: "Sign out" }).click();
  await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
  const tryAs = async (who: Page, word: string) => {
    await who.getByLabel("E-mail").fill(email);
    await who.getByLabel("Password").fill(word);
    const answered = who.waitForResponse((r) => r.request().method() === "POST");
    await who.getByRole("button", { name: "Sign in" }).click();
    await answered;
  };
  const stranger = await (await browser.newContext({ baseURL: server.origin })).newPage();
  await stranger.goto("/sign-in");
  for (let i = 0; i < 5; i++) {
    await tryAs(stranger, `wrong ${i}`);
    await expect(
      stranger.getByText("No account has this e-mail address with this password."),
    ).toBeVisible();
    await expect(stranger.getByLabel("E-mail")).toHaveValue(email);
  }
  await tryAs(stranger, password);
  await expect(
    stranger.getByText(/Too many failed tries from here\. Try again in 0:0\d minutes/),
  ).toBeVisible();
  await tryAs(page, password);
  await expect(page.getByRole("heading", { name: "Today", exact: true })).toBeVisible();
});

test("the commonest passwords are refused, and a place to go to stays inside Kravo", async ({
  page,
}) => {
  await page.goto("/register");
  for (const word of ["1q2w3e4r5t6y", "1q2w-3e4r-5t6y", "aaaaaaaaaaab"]) {
    await page.getByLabel("Your name").fill("Test Coach");
    await page.getByLabel("Studio", { exact: true }).fill("Test Room");
    await page.getByLabel("E-mail").fill("common@test.example");
    await page.getByLabel("Password").fill(word);
    await page.getByRole("button", { name: "Register" }).click();
    await expect(page.getByText(/among the first that are guessed/)).toBeVisible();
    await page.reload();
  }
  const { email, password } = await registerStudio(page);
  for (const to of ["/people\r\nset-cookie: a=b", "//elsewhere.example", "/\\elsewhere.example"]) {
    const answer = await page.request.post("/sign-in", {
      form: { email, password, to },
      headers: { origin: new URL(page.url()).origin },
      maxRedirects: 0,
    });
    expect([202, 302]).toContain(answer.status());
    expect(answer.headers()["location"]).toMatch(/^\/(people)?/);
    expect(answer.headers()["location"]).not.toMatch(/elsewhere|[\r\n]/);
  }
});

test("the health addresses tell a running server from a ready one", async ({ request }) => {
  expect(await (await request.get("/healthz")).text()).toBe("ok");
  expect((await request.get("/readyz")).status()).toBe(200);
});

test("told to end, the server finishes and ends without an error", async () => {
  const server = await KravoServer.start();
  expect((await fetch(`${server.origin}/healthz`)).status).toBe(200);
  expect(await server.stop()).toBe(0);
  await expect(fetch(`${server.origin}/healthz`)).rejects.toThrow();
});

/** A way to the database that a test can cut and mend. */
class Wire {
  #sockets = new Set<Socket>();
  #server: Server | null = null;

  constructor(
    readonly port: number,
    readonly to: number,
  ) {}

  async mend(): Promise<void> {
    const server = createServer((near) => {
      const far = createConnection(this.to, "127.0.0.1");
      for (const socket of [near, far]) {
        this.#sockets.add(socket);
        socket.on("error", () => socket.destroy());
        socket.on("close", () => this.#sockets.delete(socket));
      }
      near.pipe(far).pipe(near);
    });
    this.#server = server;
    await new Promise<void>((resolve) => server.listen(this.port, "127.0.0.1", resolve));
  }

  async cut(): Promise<void> {
    for (const socket of this.#sockets) socket.destroy();
    await new Promise((resolve) => this.#server?.close(resolve));
  }
}

test("a database that is gone gets a page that says so, and Kravo recovers without a restart", async ({
  browser,
}) => {
  const url = new URL(process.env["KRAVO_E2E_DATABASE"] ?? "");
  const wire = new Wire(await freePort(7300), Number(url.port));
  await wire.mend();
  url.port = String(wire.port);
  const server = await KravoServer.start({ databaseUrl: url.toString() });
  const page = await (await browser.newContext({ baseURL: server.origin })).newPage();
  await signInToDemo(page);

  await wire.cut();
  expect((await page.goto("/people"))?.status()).toBe(503);
  await expect(
    page.getByRole("heading", { name: "The record store does not answer" }),
  ).toBeVisible();
  expect((await page.request.get("/healthz")).status()).toBe(200);
  expect((await page.request.get("/readyz")).status()).toBe(503);

  await wire.mend();
  await page.getByRole("link", { name: "Try again" }).click();
  await expect(page.getByRole("heading", { name: "Clients" })).toBeVisible();
  expect((await page.request.get("/readyz")).status()).toBe(200);
  await server.stop();
  await wire.cut();
});

test("a page that is not there is a page of Kravo's", async ({ page }) => {
  expect((await page.goto("/no/such/page"))?.status()).toBe(404);
  await expect(page.getByRole("heading", { name: "Nothing is filed here" })).toBeVisible();
});
