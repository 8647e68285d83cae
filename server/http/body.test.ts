import { describe, expect, it } from "vitest";
import { BODY_BOUNDS, readForm, readJson } from "./body.server.ts";

const form = (body: string, type = "application/x-www-form-urlencoded") =>
  new Request("http://kravo.example/", { method: "POST", body, headers: { "content-type": type } });
const json = (body: string) => form(body, "application/json; charset=utf-8");
const status = async (read: Promise<unknown>) =>
  read.then(
    () => 200,
    (thrown: unknown) => (thrown as { init: { status: number } }).init.status,
  );

describe("a form", () => {
  it("is read with its members, places and repeated fields", async () => {
    const read = await readForm(form("name=Ada&limits[0].joint=knee&limits[11].joint=hip&a=1&a=2"));
    expect([...read]).toEqual([
      ["name", "Ada"],
      ["limits[0].joint", "knee"],
      ["limits[11].joint", "hip"],
      ["a", "1"],
      ["a", "2"],
    ]);
  });

  it("takes the names that Kravo's forms use for one thing of many", async () => {
    const id = "0198c0de-0000-7000-8000-000000000000";
    expect(await status(readForm(form(`choice:${id}=accept&stance-order=compoundFirst`)))).toBe(
      200,
    );
  });

  it.each([
    ["a place beyond any list", "email[10000000]=x", 400],
    ["names within names", `a${".b".repeat(5)}=x`, 400],
    ["a long name", `${"n".repeat(121)}=x`, 400],
    ["a name of a prototype", "__proto__=x", 400],
    ["too many fields", "a=1&".repeat(2001), 400],
    ["too long a body", `a=${"x".repeat(BODY_BOUNDS.formBytes)}`, 413],
  ])("with %s is refused", async (_, body, expected) => {
    expect(await status(readForm(form(body)))).toBe(expected);
  });

  it("of another type is refused", async () => {
    expect(await status(readForm(form("{}", "application/json")))).toBe(415);
    expect(await status(readForm(form("a=b", "multipart/form-data; boundary=x")))).toBe(415);
  });

  it("whose length was not announced is read no further than its bound", async () => {
    let pulled = 0;
    const endless = new ReadableStream<Uint8Array>({
      pull: (controller) => {
        pulled += 1;
        controller.enqueue(new Uint8Array(50_000).fill(97));
      },
    });
    const request = new Request("http://kravo.example/", {
      method: "POST",
      body: endless,
      headers: { "content-type": "application/x-www-form-urlencoded" },
      duplex: "half",
    } as RequestInit);
    expect(await status(readForm(request))).toBe(413);
    expect(pulled).toBeLessThan(10);
  });
});

describe("JSON", () => {
  it("is read as it is, brackets inside texts not counted as nesting", async () => {
    const value = { text: `${"[{".repeat(50)} \\" ]`, list: [[1]] };
    expect(await readJson(json(JSON.stringify(value)))).toEqual(value);
  });

  it("nested deeper than anything that is kept is refused before it is built", async () => {
    const nested = (depth: number) => "[".repeat(depth) + "]".repeat(depth);
    expect(await status(readJson(json(nested(BODY_BOUNDS.jsonDepth))))).toBe(200);
    expect(await status(readJson(json(nested(BODY_BOUNDS.jsonDepth + 1))))).toBe(400);
  });

  it("that is none, of another type or too long is refused", async () => {
    expect(await status(readJson(json("{")))).toBe(400);
    expect(await status(readJson(form("a=b")))).toBe(415);
    expect(await status(readJson(json(`"${"x".repeat(BODY_BOUNDS.bytes)}"`)))).toBe(413);
  });
});
