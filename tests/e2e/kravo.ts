import { spawn, type ChildProcess } from "node:child_process";
import { readFileSync } from "node:fs";
import {
  expect,
  test as base,
  type Browser,
  type BrowserContext,
  type APIRequestContext,
  type Page,
  type Response,
} from "@playwright/test";
import { newId } from "~/codec/new-id.ts";
import type { Station } from "~/core/gym/index.ts";
import { dayAt, idOf, kg, instant, type Id } from "~/core/kernel/index.ts";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import { newBlock, type SessionPlan } from "~/core/plan/index.ts";
import { MOVEMENT_FORM } from "../arbitrary/movement-form.ts";
import { Device } from "../samples/device.ts";
import { freePort, isListening, sleep } from "../../scripts/database.mjs";

/** Where the gyms of the tests stand; their day is not that of the machine. */
const TIME_ZONE = "Europe/Vienna";

/** The production server as a process of its own, which a test may kill. */
export class KravoServer {
  #process: ChildProcess | null = null;

  private constructor(
    readonly port: number,
    readonly databaseUrl: string,
    readonly nodeArgs: readonly string[],
    /** The address people type, where a proxy stands in front. */
    readonly publicOrigin: string | null,
    readonly environment: Readonly<Record<string, string>>,
  ) {}

  static async start({
    databaseUrl = process.env["KRAVO_E2E_DATABASE"] ?? "",
    nodeArgs = [],
    port,
    publicOrigin = null,
    environment = {},
  }: {
    readonly databaseUrl?: string;
    readonly nodeArgs?: readonly string[];
    readonly port?: number;
    readonly publicOrigin?: string | null;
    readonly environment?: Readonly<Record<string, string>>;
  } = {}): Promise<KravoServer> {
    const server = new KravoServer(
      port ?? (await freePort(0)),
      databaseUrl,
      nodeArgs,
      publicOrigin,
      environment,
    );
    await server.begin();
    return server;
  }

  get origin(): string {
    return this.publicOrigin ?? `http://127.0.0.1:${this.port}`;
  }

  /** Begins to serve; one that serves already is left alone. */
  async begin(): Promise<void> {
    if (this.#process !== null && this.#process.exitCode === null && !this.#process.killed) return;
    this.#process = spawn(process.execPath, [...this.nodeArgs, "scripts/start.mjs"], {
      stdio: ["ignore", "ignore", "inherit"],
      env: {
        ...process.env,
        NODE_ENV: "production",
        DATABASE_URL: this.databaseUrl,
        PUBLIC_ORIGIN: this.origin,
        PORT: String(this.port),
        KRAVO_DEMO: "1",
        LOG_LEVEL: "fatal",
        // Every test registers a studio of its own, all from one address.
        REGISTRATIONS_PER_HOUR: "100000",
        ...this.environment,
      },
    });
    for (let i = 0; !(await isListening(this.port)); i++) {
      if (i > 150) throw new Error("the server did not begin to listen");
      await sleep(100);
    }
  }

  /** The most memory that the process ever held, in megabytes. */
  peakMemoryMb(): number {
    const status = readFileSync(`/proc/${this.#process?.pid}/status`, "utf8");
    return Math.round(Number(/VmHWM:\s+(\d+)/.exec(status)?.[1] ?? Number.NaN) / 1024);
  }

  /** The work of the process so far, in milliseconds of a core: alike on a busy machine and on an idle one. */
  workMs(): number {
    const stat = readFileSync(`/proc/${this.#process?.pid}/stat`, "utf8");
    // User and system time are the 14th and 15th field; the name, the 2nd, may hold blanks. A tick is 10 ms.
    const [user, system] = stat
      .slice(stat.lastIndexOf(")") + 2)
      .split(" ")
      .slice(11, 13);
    return 10 * (Number(user) + Number(system));
  }

  /** Ends the process at once, as a power cut would. */
  async kill(): Promise<void> {
    await this.end("SIGKILL");
  }

  /** Asks the process to end and waits for its exit code. */
  async stop(): Promise<number | null> {
    await this.end("SIGTERM");
    return this.#process?.exitCode ?? null;
  }

  private async end(signal: "SIGKILL" | "SIGTERM"): Promise<void> {
    const child = this.#process;
    if (child === null || child.exitCode !== null || child.signalCode !== null) return;
    const ended = new Promise((resolve) => child.once("exit", resolve));
    child.kill(signal);
    await ended;
  }
}

interface Fixtures {
  /** A page that fails the test on any error in the console, any broken policy, any request to elsewhere. */
  readonly watched: Page;
}

/**
 * Has a page wait, wherever it is opened or loaded anew, until it has come alive: keys pressed before would reach
 * nobody, and a box ticked before would be cleared.
 */
export function comingAlive(page: Page): Page {
  const waiting =
    <A extends readonly unknown[]>(load: (...args: A) => Promise<Response | null>) =>
    async (...args: A) => {
      const response = await load(...args);
      // What stands in for a page without a network has nothing in it that comes alive.
      if ((await page.locator('meta[name="csp-nonce"]').count()) > 0)
        await page.locator("html[data-alive]").waitFor();
      return response;
    };
  page.goto = waiting(page.goto.bind(page));
  page.reload = waiting(page.reload.bind(page));
  return page;
}

export const test = base.extend<Fixtures, { server: KravoServer }>({
  page: async ({ page }, use) => {
    await use(comingAlive(page));
  },
  server: [
    async ({}, use) => {
      const server = await KravoServer.start();
      await use(server);
      await server.stop();
    },
    { scope: "worker" },
  ],
  baseURL: async ({ server }, use) => {
    await use(server.origin);
  },
  watched: async ({ page, server }, use) => {
    const trouble: string[] = [];
    page.on("console", (message) => {
      // The browser notes every answer of 4xx, also those by which a form says what was expected.
      if (/status of (400|409)/.test(message.text())) return;
      if (message.type() === "error" || message.type() === "warning") trouble.push(message.text());
    });
    page.on("pageerror", (error) => trouble.push(error.message));
    page.on("request", (request) => {
      const url = request.url();
      if (!url.startsWith(server.origin) && !url.startsWith("data:"))
        trouble.push(`request to ${url}`);
    });
    await use(page);
    expect(trouble).toEqual([]);
  },
});
export { expect, MOVEMENT_FORM };

/** Signs in as the demo's coach. */
export async function signInToDemo(page: Page): Promise<void> {
  await page.goto("/sign-in");
  await page.getByLabel("E-mail").fill("coach@kravo.example");
  await page.getByLabel("Password").fill("leg day demo");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("heading", { name: "Today", exact: true })).toBeVisible();
}

/** Somebody who asks the server: a page of a browser, or requests alone. */
export interface Visitor {
  readonly request: APIRequestContext;
  readonly url: () => string;
}

/** Sends a form as the page itself would and returns the path that it leads to. */
export async function submit(
  page: Visitor,
  path: string,
  form: Record<string, string>,
): Promise<string> {
  const origin = new URL(page.url()).origin;
  const response = await page.request.post(path, { form, headers: { origin }, maxRedirects: 0 });
  const to = response.headers()["location"];
  if (to === undefined) throw new Error(`POST ${path} answered ${response.status()}`);
  return to;
}

/** A phase of four weeks that begins with a session which was planned. */
export const phaseForm = (person: string, gymId: string, bench: string) => ({
  personId: person.split("/").at(-1) ?? "",
  gymId,
  name: "Strength 1",
  start: "2026-12-07",
  weeks: "4",
  goal: "strength",
  "days[0]": `plan:${bench.split("/").at(-1) ?? ""}`,
  easierBy: "0",
  fewerBy: "0",
});

let registered = 0;
/** Registers a studio of its own, and says with what to sign in and where it leads. */
export async function register(visitor: Visitor) {
  registered += 1;
  const email = `coach${process.pid}-${Date.now()}-${registered}@test.example`;
  const password = "four unrelated words";
  const form = { displayName: "Test Coach", studioName: "Test Room", email, password };
  return { email, password, to: await submit(visitor, "/register", form) };
}

/** Registers a studio of its own by its form, and ends on its empty page of gyms. */
export async function registerStudio(page: Page): Promise<{ email: string; password: string }> {
  await page.goto("/mark.svg");
  const { email, password, to } = await register(page);
  await page.goto(to);
  await expect(page.getByRole("heading", { name: "Gyms" })).toBeVisible();
  return { email, password };
}

/** Chooses a client where one is found by typing, or one more of several. */
export async function chooseClient(page: Page, label: string, name: string): Promise<void> {
  await page.getByRole("combobox", { name: label, exact: true }).fill(name);
  await page.getByRole("option", { name }).click();
}

/** Adds a gym by its form and returns its address; the first gym of a studio leads to Today instead. */
export async function addGym(page: Visitor, form: Record<string, string>): Promise<string> {
  const to = await submit(page, "/gyms", { name: "Test Gym", timeZone: TIME_ZONE, ...form });
  if (to !== "/") return to;
  const html = await (await page.request.get("/gyms")).text();
  const path = /"(\/gyms\/[0-9a-f-]{36})"/.exec(html)?.[1];
  if (path === undefined) throw new Error("the gym was not added");
  return path;
}

export interface GymWithRack {
  readonly gym: string;
  readonly rack: string;
}

/** Adds a gym with a rack (20 kg bar; 20, 10, 5, 2.5, 1.25 in pairs) for squats, by their forms. */
export async function addGymWithRack(page: Visitor): Promise<GymWithRack> {
  const gym = await addGym(page, {});
  await submit(page, `${gym}/stations/new`, {
    name: "Rack",
    kind: "bar",
    unit: "kg",
    baseMass: "20",
    plates: "20x4, 10x4, 5x4, 2.5x4, 1.25x2",
    serves: "shipped:back-squat",
  });
  const html = await (await page.request.get(gym)).text();
  const rack = /\/stations\/([0-9a-f-]{36})"[^>]*>Rack</.exec(html)?.[1];
  if (rack === undefined) throw new Error("the rack was not added");
  return { gym: lastOf(gym), rack };
}

export const lastOf = (path: string) => path.split("/").at(-1) ?? "";

/** Adds a person by their form and returns the address of their page. */
export async function addPerson(page: Visitor, name: string): Promise<string> {
  return submit(page, "/people/new", { name, goal: "", level: "beginner", unit: "kg", notes: "" });
}

function squatBlocks(rack: string, exercises: number) {
  const movement = findMovement("shipped:back-squat");
  if (movement === null) throw new Error("no squat ships");
  return Array.from({ length: exercises }, () => newBlock(newId, movement, idOf(rack), kg(60)));
}

/** Plans three sets of squats at 60 kg, once or several times, for a person and returns the address of the bench, at revision 2. */
export async function planSquats(
  page: Visitor,
  person: string,
  { gym, rack }: GymWithRack,
  exercises = 1,
): Promise<string> {
  const day = dayAt(instant(Date.now()), TIME_ZONE);
  const head = { title: "Leg day", day, startTime: "", gymId: gym };
  const bench = await submit(page, "/plans/new", { ...head, personId: lastOf(person) });
  const blocks = squatBlocks(rack, exercises);
  const response = await page.request.post(bench, {
    data: { baseRevision: 1, head, document: { schemaVersion: 2, blocks } },
    headers: { origin: new URL(page.url()).origin },
  });
  if (!response.ok()) throw new Error(`saving answered ${response.status()}`);
  return bench;
}

/**
 * Trains a session as a device would and ends it, without touching the screen: each set of its first exercise with
 * so many repetitions at the load that is planned, to the limit where none came off.
 */
export async function trainByDevice(
  page: Page,
  floor: string,
  reps: readonly number[],
  pain: number | null = null,
): Promise<void> {
  await page.goto(floor);
  const held = await page.evaluate(
    () =>
      (window as unknown as { readonly __reactRouterDataRouter: OpenPage }).__reactRouterDataRouter
        .state.loaderData["routes/floor"],
  );
  const [station] = held.stations;
  if (station === undefined) throw new Error("no station");
  const device = new Device(held.sessionLog, station.versionId);
  const planned = device.slot.sets[0]?.load;
  const reading = planned?.kind === "absolute" ? planned.reading : kg(60);
  const commands = [
    device.context(),
    ...reps.map((n, i) => device.set(i, n, { reading, rir: n === 0 ? 0 : 2 })),
    ...(pain === null ? [] : [device.pain(pain)]),
    device.end(),
  ];
  const response = await page.request.post(`${floor}/sync`, {
    data: { commands, known: 0 },
    headers: { origin: new URL(page.url()).origin },
  });
  if (!response.ok()) throw new Error(`the floor answered ${response.status()}`);
}

/** What the router of an open page of the floor holds. */
interface OpenPage {
  readonly state: {
    readonly loaderData: {
      readonly "routes/floor": {
        readonly sessionLog: { readonly id: Id<"sessionLog">; readonly document: SessionPlan };
        readonly stations: readonly Station[];
      };
    };
  };
}

/** A studio with somebody whose squats are planned; ends on the bench. */
export async function openBench(page: Page, name = "Ada Test"): Promise<void> {
  await registerStudio(page);
  const where = await addGymWithRack(page);
  await page.goto(await planSquats(page, await addPerson(page, name), where));
  await expect(page.getByText(/saved, revision 2/i)).toBeVisible();
}

/** From nothing to the floor view of a running session of squats. */
export async function startSquats(page: Page): Promise<void> {
  await registerStudio(page);
  const where = await addGymWithRack(page);
  const bench = await planSquats(page, await addPerson(page, "Ada Test"), where);
  await page.goto(await submit(page, `${bench}/start`, {}));
  await expect(page.getByRole("button", { name: /^Log/ })).toBeVisible();
}

/** Logs the current set: reps left and, with the buttons, the number of reps. */
export async function logSet(page: Page, reps: number, left: number): Promise<void> {
  const panel = page.getByRole("region", { name: "Log this set" });
  await expect(panel.getByRole("button", { name: /^Log/ })).toBeEnabled();
  const shown = panel.getByRole("button", { name: /^Reps done/ });
  for (let i = 0; i < 40 && (await shown.innerText()) !== String(reps); i++) {
    const more = Number(await shown.innerText()) < reps;
    await panel.getByRole("button", { name: more ? "One rep more" : "One rep fewer" }).click();
  }
  await panel
    .getByRole("button", { name: left === 0 ? "RIR 0 (failure)" : `RIR ${left}`, exact: true })
    .click();
  await panel.getByRole("button", { name: `Log ${reps} reps` }).click();
  const steps = page.getByRole("navigation", { name: "Steps of this session" });
  await expect(steps.getByText(new RegExp(`(kg|lb) × ${reps}\\b`)).first()).toBeVisible();
}

export async function secondContext(
  browser: Browser,
  from: BrowserContext,
): Promise<BrowserContext> {
  return browser.newContext({
    storageState: await from.storageState(),
    viewport: { width: 390, height: 844 },
  });
}

/** An exercise of the session that is edited; some call it by its number, "3a. Leg press". */
export const exerciseRow = (page: Page, name: string) =>
  page.getByRole("region", { name: new RegExp(`^\\d+[a-z]?\\. ${name}$`) });

/** Opens an exercise of the session that is edited, where it is closed. */
export async function openExercise(page: Page, name: string): Promise<void> {
  const head = exerciseRow(page, name).first().getByRole("heading").getByRole("button").first();
  if ((await head.getAttribute("aria-expanded")) === "false") await head.click();
  await expect(head).toHaveAttribute("aria-expanded", "true");
}

/** Puts the cursor into the search by its key, which answers only once the page has come alive. */
export async function focusSearch(page: Page): Promise<void> {
  const search = page.getByRole("combobox", { name: "Search exercises" });
  await expect(async () => {
    await page.keyboard.press("/");
    await expect(search).toBeFocused({ timeout: 500 });
  }).toPass();
}

/** The button that logs the current set. */
export const logButton = (page: Page) =>
  page.getByRole("region", { name: "Log this set" }).getByRole("button", { name: /^Log/ });

/** Waits until everything that was logged is on the server. */
export const saved = (page: Page) =>
  expect(page.getByText("All saved on the server")).toBeVisible();

/** Waits until this page is kept on the device and its worker serves it. */
export async function keptForOffline(page: Page): Promise<void> {
  await expect
    .poll(() =>
      page.evaluate(
        async () =>
          navigator.serviceWorker.controller !== null &&
          (await (await caches.open("floor-pages")).keys()).length > 0,
      ),
    )
    .toBe(true);
}
