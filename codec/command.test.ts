import { describe, expect, it } from "vitest";
import type { CommandBody } from "~/core/log/index.ts";
import {
  sampleCommand,
  sampleContext,
  sampleId,
  sampleLoggedSet,
  sampleSet,
} from "../tests/samples/index.ts";
import { commandCodec } from "./command.ts";

const loggedSet = sampleLoggedSet(sampleSet(1));
const BODIES: readonly CommandBody[] = [
  { kind: "part", part: { ...loggedSet, fullReps: null, rir: "unknown" } },
  { kind: "removePart", key: loggedSet.key },
  { kind: "context", context: sampleContext({ gear: [{ name: "belt", fromSet: 3 }] }) },
  {
    kind: "pain",
    id: sampleId(3),
    slotId: sampleId(700),
    key: loggedSet.key,
    joint: "knee",
    side: "left",
    score: 3,
    note: "",
  },
  { kind: "note", slotId: null, text: "next time: seat 3" },
  { kind: "skip", slotId: sampleId(700), reason: "Station taken" },
  { kind: "items", blockId: sampleId(701), isDone: false },
  { kind: "end", sessionEffort: null },
];

describe("a command", () => {
  it.each(BODIES.map((body) => [body.kind, body] as const))(
    "of kind %s travels as JSON without a change",
    (_, body) => {
      const command = sampleCommand(1, 1, body);
      expect(commandCodec.parse(JSON.parse(JSON.stringify(command)))).toEqual(command);
    },
  );

  it("is refused with a sequence below one, a pain above ten or a broken key", () => {
    const bad = (over: object) =>
      commandCodec.safeParse({ ...sampleCommand(1, 1, BODIES[6]!), ...over }).success;
    expect(bad({})).toBe(true);
    expect(bad({ seq: 0 })).toBe(false);
    expect(bad({ body: { ...BODIES[3], score: 11 } })).toBe(false);
    expect(bad({ body: { kind: "removePart", key: { ...loggedSet.key, side: "middle" } } })).toBe(
      false,
    );
  });
});
