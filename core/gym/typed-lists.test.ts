import { describe, expect, it } from "vitest";
import { kg, lb } from "../kernel/index.ts";
import { STATION_BOUNDS } from "./station-bounds.ts";
import { parseBandList, parseMassList, parsePlateList } from "./typed-lists.ts";

describe("a typed list of masses", () => {
  it("takes commas, semicolons or spaces between and a comma inside a number", () => {
    expect(parseMassList("10, 20; 35 50", "lb")).toEqual({
      ok: true,
      value: [10, 20, 35, 50].map(lb),
    });
    expect(parseMassList("7,5, 10", "kg")).toEqual({ ok: true, value: [kg(7.5), kg(10)] });
  });

  it("is sorted, however it was typed", () => {
    expect(parseMassList("35 10 20", "lb")).toEqual({ ok: true, value: [10, 20, 35].map(lb) });
  });

  it("refuses nothing, a repeated entry and what is no number, each with the entry", () => {
    expect(parseMassList("  ", "kg")).toEqual({ ok: false, error: { code: "empty" } });
    expect(parseMassList("10, 20, 10", "kg")).toEqual({
      ok: false,
      error: { code: "repeated", reading: kg(10) },
    });
    expect(parseMassList("10, ten", "kg")).toMatchObject({
      ok: false,
      error: { code: "notAMass", error: { text: "ten" } },
    });
  });
});

describe("a typed run", () => {
  it("gives every entry from the first to the last, among others, with the unit at the end", () => {
    expect(parseMassList("10, 20, 35 to 80 by 15 lb", "lb")).toEqual({
      ok: true,
      value: [10, 20, 35, 50, 65, 80].map(lb),
    });
    expect(parseMassList("2,5 to 10 by 2,5", "kg")).toEqual({
      ok: true,
      value: [2.5, 5, 7.5, 10].map(kg),
    });
  });

  it.each(["10 to 95 by 10", "50 to 10 by 10", "1 to 500 by 1", "10 to 20 by 0"])(
    "refuses %j, which does not arrive",
    (text) => {
      expect(parseMassList(text, "kg")).toEqual({
        ok: false,
        error: { code: "runDoesNotArrive", text },
      });
    },
  );

  it("refuses an entry that stands in the run as well", () => {
    expect(parseMassList("10, 10 to 30 by 10", "kg")).toMatchObject({
      ok: false,
      error: { code: "repeated", reading: kg(10) },
    });
  });
});

describe("a typed list of bands", () => {
  it("takes a name of several words and sorts by tension", () => {
    expect(parseBandList("long black 25; light 8", "kg")).toEqual({
      ok: true,
      value: [
        { name: "light", tension: kg(8) },
        { name: "long black", tension: kg(25) },
      ],
    });
  });

  it("refuses a band without a name, without a tension, and two of one tension", () => {
    expect(parseBandList("8", "kg")).toMatchObject({ ok: false, error: { code: "notAMass" } });
    expect(parseBandList("light", "kg")).toMatchObject({ ok: false, error: { code: "notAMass" } });
    expect(parseBandList("a 8, c 20, b 8", "kg")).toEqual({
      ok: false,
      error: { code: "repeated", reading: kg(8) },
    });
    expect(parseBandList(" ; ,", "kg")).toEqual({ ok: false, error: { code: "empty" } });
  });

  it("holds as many as a station may have, and no more", () => {
    const many = (n: number) => Array.from({ length: n }, (_, i) => `band ${i + 1}`).join("; ");
    expect(parseBandList(many(STATION_BOUNDS.bands), "kg")).toMatchObject({ ok: true });
    expect(parseBandList(many(STATION_BOUNDS.bands + 1), "kg")).toEqual({
      ok: false,
      error: { code: "tooMany", most: STATION_BOUNDS.bands },
    });
  });
});

describe("a typed list of plates", () => {
  it("takes size and count with x, × or *", () => {
    expect(parsePlateList("25x4, 20×2, 1.25*2", "kg")).toEqual({
      ok: true,
      value: [
        { size: kg(25), count: 4 },
        { size: kg(20), count: 2 },
        { size: kg(1.25), count: 2 },
      ],
    });
  });

  it("is sorted with the largest first, however it was typed, empty entries left out", () => {
    const sizes = [25, 20, 1.25].map((size) => ({ size: kg(size), count: 2 }));
    expect(parsePlateList("1.25x2; 25x2,\n20x2, ", "kg")).toEqual({ ok: true, value: sizes });
    expect(parsePlateList(" ;, ", "kg")).toEqual({ ok: false, error: { code: "empty" } });
  });

  it("has one plate of a size at least, and so many sizes and plates of a size at most", () => {
    const { platesOfSize, plateSizes } = STATION_BOUNDS;
    expect(parsePlateList(`20x1, 10x${platesOfSize}`, "kg")).toMatchObject({ ok: true });
    expect(parsePlateList(`20x${platesOfSize + 1}`, "kg")).toMatchObject({ ok: false });
    const many = (n: number) => Array.from({ length: n }, (_, i) => `${i + 1}x2`).join(", ");
    expect(parsePlateList(many(plateSizes), "kg")).toMatchObject({ ok: true });
    expect(parsePlateList(many(plateSizes + 1), "kg")).toEqual({
      ok: false,
      error: { code: "tooMany", most: plateSizes },
    });
  });

  it("says which size is no mass", () => {
    expect(parsePlateList("20x2, tenx4", "kg")).toMatchObject({
      ok: false,
      error: { code: "notAMass", error: { text: "ten" } },
    });
  });

  it.each(["25", "25x", "x4", "25x0", "0x4", "25x99"])(
    "refuses %j with the word itself",
    (text) => {
      expect(parsePlateList(text, "kg")).toMatchObject({ ok: false, error: { error: { text } } });
    },
  );

  it("refuses a size that stands twice", () => {
    expect(parsePlateList("20x2, 10x2, 5x2, 20x4", "kg")).toEqual({
      ok: false,
      error: { code: "repeated", reading: kg(20) },
    });
  });
});
