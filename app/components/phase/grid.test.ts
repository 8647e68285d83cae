import { describe, expect, it } from "vitest";
import { asTable, filledRight, movedBy, pastedAt, placesOf, single, windowAt } from "./grid.ts";

const SIZE = { rows: 3, columns: 4 };
const at = (row: number, column: number) => ({ row, column });
const key = (name: string, held: { shiftKey?: boolean; ctrlKey?: boolean } = {}) => ({
  key: name,
  shiftKey: false,
  ctrlKey: false,
  ...held,
});
const textAt = ({ row, column }: { row: number; column: number }) => `${row}.${column}`;

describe("keys", () => {
  it.each([
    ["ArrowRight", {}, at(1, 2)],
    ["ArrowLeft", {}, at(1, 0)],
    ["ArrowUp", {}, at(0, 1)],
    ["ArrowDown", {}, at(2, 1)],
    ["ArrowRight", { ctrlKey: true }, at(1, 3)],
    ["ArrowUp", { ctrlKey: true }, at(0, 1)],
    ["Home", {}, at(1, 0)],
    ["End", {}, at(1, 3)],
    ["End", { ctrlKey: true }, at(2, 3)],
    ["Home", { ctrlKey: true }, at(0, 0)],
    ["PageDown", {}, at(2, 1)],
  ])("%s %o moves to %o", (name, held, to) => {
    expect(movedBy(single(at(1, 1)), key(name, held), SIZE)).toEqual(single(to));
  });

  it("stop at the edges, and are none of the grid's otherwise", () => {
    expect(movedBy(single(at(0, 0)), key("ArrowUp"), SIZE)).toEqual(single(at(0, 0)));
    expect(movedBy(single(at(2, 3)), key("ArrowRight"), SIZE)).toEqual(single(at(2, 3)));
    expect(movedBy(single(at(0, 0)), key("a"), SIZE)).toBeNull();
  });

  it("with shift move the far end and keep the near one", () => {
    const grown = movedBy(single(at(1, 1)), key("ArrowRight", { shiftKey: true }), SIZE);
    expect(grown).toEqual({ from: at(1, 1), to: at(1, 2) });
  });
});

describe("a selection", () => {
  const upwards = { from: at(2, 2), to: at(1, 1) };
  it("has the same places whichever way it was made", () => {
    expect(placesOf(upwards)).toEqual([at(1, 1), at(1, 2), at(2, 1), at(2, 2)]);
  });

  it("is copied as a table", () => {
    expect(asTable(upwards, textAt)).toBe("1.1\t1.2\n2.1\t2.2");
  });

  it("is filled to the right from its first column", () => {
    expect(filledRight(upwards, textAt)).toEqual([
      { ...at(1, 2), text: "1.1" },
      { ...at(2, 2), text: "2.1" },
    ]);
  });

  it("takes one pasted value everywhere, and a table from its first place as far as the grid goes", () => {
    expect(pastedAt("110\r\n", upwards, SIZE).map(({ text }) => text)).toEqual([
      "110",
      "110",
      "110",
      "110",
    ]);
    expect(pastedAt("a\tb\tc\n\nd\te", single(at(1, 2)), SIZE)).toEqual([
      { ...at(1, 2), text: "a" },
      { ...at(1, 3), text: "b" },
      { ...at(2, 2), text: "" },
    ]);
  });
});

describe("the columns that are drawn", () => {
  it("stay while the active one is among them, and move no further than it takes", () => {
    const at = (first: number, active: number) => windowAt(first, { active, many: 10, all: 26 });
    expect([0, 9].map((active) => at(0, active))).toEqual([0, 0]);
    expect(at(0, 10)).toBe(1);
    expect(at(12, 3)).toBe(3);
    expect(at(12, 25)).toBe(16);
    expect(at(20, 25)).toBe(16);
    expect(windowAt(3, { active: 1, many: 10, all: 4 })).toBe(0);
  });
});
