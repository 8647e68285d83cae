import { describe, expect, it } from "vitest";
import { DARK, LIGHT, type Palette } from "./tokens.ts";

/** Relative luminance of a colour written as #rrggbb. Source: WCAG 2.2, relative luminance. */
function luminance(colour: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => {
    const c = Number.parseInt(colour.slice(at, at + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

/** How far two colours stand apart, 1 to 21. Source: WCAG 2.2, contrast ratio. */
function contrast(a: string, b: string): number {
  const [x, y] = [luminance(a), luminance(b)];
  return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
}

const TEXT = 4.5;
const PARTS = 3;
type Pair = readonly [over: keyof Palette, under: keyof Palette, least: number];
const PAIRS: readonly Pair[] = [
  ["ink", "paper", TEXT],
  ["ink", "sheet", TEXT],
  ["inkSoft", "paper", TEXT],
  ["inkSoft", "sheet", TEXT],
  ["signal", "paper", TEXT],
  ["signal", "sheet", TEXT],
  ["onSignal", "signal", TEXT],
  ["warn", "paper", TEXT],
  ["warn", "sheet", TEXT],
  ["edge", "paper", PARTS],
  ["edge", "sheet", PARTS],
  ["iron", "paper", PARTS],
  ["ironLight", "paper", PARTS],
];

describe.each([
  ["light", LIGHT],
  ["dark", DARK],
])("the %s scheme", (_, palette) => {
  it.each(PAIRS)("sets %s apart from %s by at least %d", (over, under, least) => {
    expect(contrast(palette[over], palette[under])).toBeGreaterThanOrEqual(least);
  });
});

it("contrast is 21 between black and white and 1 between alike", () => {
  expect(contrast("#000000", "#ffffff")).toBeCloseTo(21, 5);
  expect(contrast("#4d5558", "#4d5558")).toBe(1);
});
