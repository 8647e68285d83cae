import { describe, expect, it } from "vitest";
import { writtenParts } from "./written-line.ts";

const read = (line: string) => writtenParts(line).map(({ text }) => text);

describe("a written line to be read", () => {
  it.each([
    ["3 x 8-12 at 60 kg RIR 2 rest 2:00", ["3 × 8–12 at 60 kg RIR 2 rest 2:00"]],
    ["3 x 8 at 60 kg tempo 3-1-X-0", ["3 × 8 at 60 kg tempo 3-1-X-0"]],
    ["8 at 60 kg; 2 x 12-15 at 40 kg", ["8 at 60 kg", "2 × 12–15 at 40 kg"]],
    ['8 at 80% of "Squat 3 x 5-7"', ['8 at 80% of "Squat 3 x 5-7"']],
    ["", []],
  ])("%s", (line, parts) => {
    expect(read(line)).toEqual(parts);
  });

  it("says softly what prepares, and nothing else", () => {
    const parts = writtenParts("warm-up 8 at 40 kg; feeder 3 at 60 kg; 3 x 8 at 70 kg; work-up 8");
    expect(parts.map(({ isSoft }) => isSoft)).toEqual([true, true, false, false]);
  });
});
