import { connect } from "node:net";
import {
  addGymWithRack,
  expect,
  KravoServer,
  registerStudio,
  signInToDemo,
  startSquats,
  test,
} from "./kravo.ts";

/** Sends a request as bytes, for what no client library would send, and gives the first line of the answer. */
function raw(port: number, head: string): Promise<string> {
  return new Promise((resolve, reject) => {
    const socket = connect(port, "127.0.0.1", () => socket.write(head));
    let text = "";
    socket.on("data", (chunk) => {
      text += chunk.toString("utf8");
      if (!text.includes("\r\n")) return;
      socket.destroy();
      resolve(text.split("\r\n")[0] ?? "");
    });
    socket.on("error", reject);
    socket.setTimeout(5000, () => reject(new Error("no answer")));
  });
}

test("answers are one studio's own, compressed, with one doctype and a length that says what they are", async ({
  page,
  request,
}) => {
  await signInToDemo(page);
  for (const address of ["/people", "/people.data", "/no/such/page", "/sign-in"]) {
    const answer = await page.request.get(address, { headers: { "accept-encoding": "gzip" } });
    expect(answer.headers()["cache-control"], address).toBe("private, no-store");
  }
  const posted = await page.request.post("/people/new.data", {
    form: { name: "" },
    headers: { origin: new URL(page.url()).origin },
  });
  expect(posted.status()).toBe(400);
  expect(posted.headers()["cache-control"]).toBe("private, no-store");
  const html = await (await request.get("/sign-in")).text();
  expect(html.match(/<!doctype/gi)).toHaveLength(1);
  const packed = await page.request.get("/people", { headers: { "accept-encoding": "gzip" } });
  expect(packed.headers()["content-encoding"]).toBe("gzip");
});

test("what cannot be read is the client's fault and said so: methods, hosts, addresses", async ({
  server,
}) => {
  const host = `127.0.0.1:${server.port}`;
  const status = async (line: string, name = host) =>
    Number((await raw(server.port, `${line} HTTP/1.1\r\nHost: ${name}\r\n\r\n`)).split(" ")[1]);
  expect(await status("GET /sign-in")).toBe(200);
  expect(await status("GET /sign-in", "a b")).toBe(400);
  expect(await status("GET /sign-in", "[::1")).toBe(400);
  expect(await status("GET /sign-in", "")).toBe(400);
  expect(await status("GET /%E0%A4%A")).toBe(400);
  expect(await status("GET /people/%FF")).toBe(400);
  expect(await status("PUT /sign-in")).toBe(405);
  expect(await status("DELETE /people/x")).toBe(405);
  expect(await status("TRACE /")).toBe(405);
});

test("registering can be closed, and one address registers only so many studios in an hour", async ({
  browser,
}) => {
  const closed = await KravoServer.start({ environment: { REGISTERING: "closed" } });
  const visitor = await (await browser.newContext({ baseURL: closed.origin })).newPage();
  await visitor.goto("/sign-in");
  await expect(visitor.getByRole("link", { name: "Register a studio" })).toHaveCount(0);
  await visitor.goto("/register");
  await expect(visitor.getByText(/^Registering is closed on this server/)).toBeVisible();
  const form = {
    displayName: "A",
    studioName: "B",
    email: `closed-${Date.now()}@test.example`,
    password: "four unrelated words",
  };
  const headers = { origin: closed.origin };
  expect((await visitor.request.post("/register", { form, headers })).status()).toBe(400);
  await closed.stop();

  // Of its own address, so that the other tests' studios do not count.
  const open = await KravoServer.start({
    environment: { REGISTRATIONS_PER_HOUR: "2", TRUSTED_PROXIES: "1" },
  });
  const address = `203.0.113.${Date.now() % 250}`;
  const statuses: number[] = [];
  for (let i = 0; i < 4; i++) {
    const answer = await visitor.request.post(`${open.origin}/register`, {
      form: { ...form, email: `open-${i}-${Date.now()}@test.example` },
      headers: { origin: open.origin, "x-forwarded-for": address },
      maxRedirects: 0,
    });
    statuses.push(answer.status());
    await visitor.context().clearCookies();
  }
  expect(statuses).toEqual([302, 302, 400, 400]);
  await open.stop();
});

test("a list that is too long is refused at its field, and equipment that cannot be read stops no page", async ({
  page,
}) => {
  await registerStudio(page);
  const { gym } = await addGymWithRack(page);
  await page.goto(`/gyms/${gym}/stations/new`);
  await page.getByLabel("Equipment name").fill("Dumbbells");
  await page.getByLabel("How it is loaded").selectOption("dumbbells");
  await page.getByLabel("Present, mass of one").fill("1 to 100 by 1, 102 to 204 by 2");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.getByText("At most 150 can be kept; this list holds more.")).toBeVisible();
  await page.getByLabel("Present, mass of one").fill("1 to 50 by 1, 52 to 114 by 2");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.getByText("82 pairs, 1 to 114 kg")).toBeVisible();
  await page.goto("/gyms");
  await expect(page.getByText(/Body weight, Dumbbells, Floor, Rack/)).toBeVisible();
});

test("fields inside what is opened keep to their width, on the phone floor too", async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await startSquats(page);
  await page.getByText("Check-in: body weight").click();
  await page.getByText("More about this set").click();
  await page.getByText("Pain, note, spotter, swap, skip").click();
  await expect(page.locator("details[open]")).toHaveCount(3);
  const wide = await page.evaluate(() => {
    const most = document.documentElement.clientWidth;
    const fields = [...document.querySelectorAll("details :is(input, select, textarea, button)")];
    return {
      scrolls: document.documentElement.scrollWidth > most,
      over: fields.filter((field) => {
        const box = field.getBoundingClientRect();
        const frame = field.closest("details")?.getBoundingClientRect();
        return frame !== undefined && (box.right > frame.right + 1 || box.left < frame.left - 1);
      }).length,
      overlapping: fields.filter((field, i) =>
        fields.slice(i + 1).some((other) => {
          const [a, b] = [field.getBoundingClientRect(), other.getBoundingClientRect()];
          return (
            a.left < b.right - 1 &&
            b.left < a.right - 1 &&
            a.top < b.bottom - 1 &&
            b.top < a.bottom - 1
          );
        }),
      ).length,
    };
  });
  expect(wide).toEqual({ scrolls: false, over: 0, overlapping: 0 });
});
