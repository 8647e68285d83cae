import fc from "fast-check";
import { expect, it } from "vitest";
import { parseLine, type NotationContext } from "~/core/plan/notation/index.ts";
import { seconds } from "~/core/kernel/index.ts";
import { sampleNewId } from "../tests/samples/index.ts";
import { formatNotationError } from "./notation.ts";
import { atMost } from "~/tests/arbitrary/runs.ts";
import { TEMPO_PHASES } from "~/core/plan/index.ts";

const CONTEXT: NotationContext = {
  unit: "kg",
  defaults: { effort: 2, rest: { kind: "fixed", seconds: seconds(90) }, side: { kind: "both" } },
  tempo: TEMPO_PHASES,
  exercises: [[]],
  own: 0,
  nameOf: () => null,
  movementNamed: () => null,
};
const says = (text: string): string => {
  const read = parseLine(text, [], CONTEXT, sampleNewId);
  return read.ok ? "fine" : read.error.map(formatNotationError).join(" ");
};

it.each([
  ["3x8 rst", "“rst” does not fit here; expected"],
  ["3x", "Something is missing at the end; expected warm-up, feeder"],
  ["12-8", "12 to 8 runs backwards; write the lower number first."],
  ["0x8", "Expected 1 to 60 sets of one exercise, not 0."],
  ["8 then drop to 120%", "Expected 0.01 to 99.99 per cent, not 120. A drop gets lighter."],
  ["8 then hold 3600 s stretched", "Expected 1 to 600 seconds of a hold, not 3600."],
  ["8 at 80% of set 1", "Set 1 does not come before this set"],
  ["8 at before minus 1", "There is no set before the first one."],
  ['8 at 80% of "Nothing"', "No exercise is called “Nothing”."],
  ["until pain", "“pain” is not known here; expected hips-lift, depth-cut"],
  ["8 leave 7", "RIR is 0 to 5 by halves, or over 5; 7 is neither."],
])("says of %s: %s", (text, said) => {
  expect(says(text)).toContain(said);
});

it("has words for whatever goes wrong in made-up lines", () => {
  const words = fc.constantFrom(
    ...'3 x 8 - at 80 % of set 1 before then drop to leave rest hold stretched max until ; all : with "a" tempo lower'.split(
      " ",
    ),
  );
  fc.assert(
    fc.property(fc.array(words, { maxLength: 12 }), (line) => {
      expect(says(line.join(" "))).not.toMatch(/undefined|NaN|\[object/);
    }),
    { numRuns: atMost(300) },
  );
});
