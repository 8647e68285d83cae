import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { day, cleanText } from "~/core/kernel/index.ts";
import { pastDayField, plannedDayField } from "./days.ts";
import { beginningOf, optionalTextField, textField } from "./text.ts";

describe("text", () => {
  it("loses what cannot be seen and turns nothing round", () => {
    expect(cleanText("a\u0000b\u202Ec\u200Bd\uFEFF")).toBe("abcd");
    expect(cleanText("one\r\ntwo\rthree")).toBe("one\ntwo\nthree");
    expect(cleanText("e\u0301")).toBe("é");
    expect(cleanText("\uD800x")).toBe("x");
  });

  it("keeps what people write: other scripts, joined signs, tabs", () => {
    for (const text of ["Ζωή", "می‌روم", "👩🏽‍🦽", "a\tb"]) expect(cleanText(text)).toBe(text);
  });

  it("is the same when it is cleaned again", () => {
    fc.assert(
      fc.property(fc.string({ unit: "binary" }), (text) => {
        expect(cleanText(cleanText(text))).toBe(cleanText(text));
        expect(Buffer.from(cleanText(text)).toString()).toBe(cleanText(text));
      }),
    );
  });

  it.each(["", "   ", "\u200B\u200B", "\u3164", "\u2800\u2800", "\u00AD", "\u0301", "\u202E"])(
    "of nothing to see (%j) is no name",
    (name) => {
      expect(textField("a name", 80).safeParse(name).success).toBe(false);
      expect(optionalTextField(80).safeParse(name).success).toBe(true);
    },
  );

  it("is measured after it was cleaned and trimmed", () => {
    expect(textField("a name", 3).parse("  a\u200Bbc  ")).toBe("abc");
    expect(textField("a name", 3).safeParse("abcd").success).toBe(false);
  });

  it("begins without half a character", () => {
    expect(beginningOf("ab💪c", 3)).toBe("ab");
    expect(beginningOf("ab💪c", 4)).toBe("ab💪");
    expect(beginningOf("abc", 9)).toBe("abc");
  });
});

describe("a day that is typed", () => {
  const today = day("2026-11-26");
  it.each([
    ["2026-11-26", true],
    ["2026-11-27", true],
    ["2026-11-28", false],
    ["2062-01-01", false],
    ["1949-12-31", false],
    ["1000-01-01", false],
    ["2026-02-30", false],
    ["", false],
  ])("as what happened: %s is %s", (typed, isTaken) => {
    expect(pastDayField(today).safeParse(typed).success).toBe(isTaken);
  });

  it.each([
    ["2026-11-26", true],
    ["2028-11-26", true],
    ["2028-11-28", false],
    ["9999-12-31", false],
    ["2000-01-01", true],
    ["1999-12-31", false],
  ])("as what is planned: %s is %s", (typed, isTaken) => {
    expect(plannedDayField(today).safeParse(typed).success).toBe(isTaken);
  });
});
