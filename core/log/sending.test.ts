import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Id } from "../kernel/index.ts";
import type { Command } from "./command.ts";
import { digestOf, sendingOrder } from "./sending.ts";
import { sampleCommand, sampleId } from "../../tests/samples/index.ts";

const ids = (...numbers: number[]) => numbers.map((n) => sampleId<"command">(n));
const note = (device: number, seq: number, parent: Id<"command"> | null = null): Command =>
  sampleCommand(device, seq, { kind: "note", slotId: null, text: `${device}.${seq}` }, parent);

describe("a digest", () => {
  it("is the same for the same commands in any order, and other with one more or one else", () => {
    expect(digestOf(ids(1, 2, 3))).toBe(digestOf(ids(3, 1, 2)));
    expect(digestOf(ids(1, 2, 3))).not.toBe(digestOf(ids(1, 2)));
    expect(digestOf(ids(1, 2, 3))).not.toBe(digestOf(ids(1, 2, 4)));
    expect(digestOf([])).toBe("0".repeat(32));
  });

  it("looks at every digit of an id", () => {
    const id = "ffffffff-ffff-7fff-8fff-ffffffffffff" as Id<"command">;
    expect(digestOf([id])).toBe("ffffffffffff7fff8fffffffffffffff");
  });
});

describe("the order in which commands are sent", () => {
  it("keeps every device's sequence, and what is superseded before what supersedes it", () => {
    const mine = note(1, 1);
    const theirs = note(2, 1, mine.commandId);
    const again = note(1, 2, theirs.commandId);
    expect(sendingOrder([again, theirs, mine])).toEqual([mine, theirs, again]);
  });

  it("does not wait for a parent that is not among them", () => {
    const late = note(1, 7, sampleId<"command">(999));
    expect(sendingOrder([late])).toEqual([late]);
  });

  it("loses and doubles none, whatever refers to whatever", () => {
    const said = fc.array(fc.record({ device: fc.integer({ min: 1, max: 3 }), to: fc.nat(20) }), {
      maxLength: 20,
    });
    fc.assert(
      fc.property(said, fc.infiniteStream(fc.nat()), (steps, random) => {
        const seqs = new Map<number, number>();
        const commands: Command[] = [];
        for (const { device, to } of steps) {
          const seq = (seqs.get(device) ?? 0) + 1;
          seqs.set(device, seq);
          commands.push(note(device, seq, commands[to]?.commandId ?? null));
        }
        const shuffled = commands
          .map((command) => [random.next().value, command] as const)
          .toSorted(([a], [b]) => a - b)
          .map(([, command]) => command);
        const ordered = sendingOrder(shuffled);
        expect(new Set(ordered)).toEqual(new Set(commands));
        expect(ordered).toHaveLength(commands.length);
        const at = new Map(ordered.map((command, i) => [command.commandId, i]));
        ordered.forEach((command, i) => {
          if (command.parent !== null) expect(at.get(command.parent) ?? -1).toBeLessThan(i);
          for (const other of ordered.slice(i))
            if (other.device === command.device)
              expect(other.seq).toBeGreaterThanOrEqual(command.seq);
        });
      }),
    );
  });
});
