import type { Id } from "../kernel/index.ts";
import type { Command } from "./command.ts";

const DIGITS = 32;

/**
 * One number over a set of command ids, the same in whatever order: their exclusive or, 32 hexadecimal digits.
 * Device and server compare it to see that they hold the same commands. Ids are random, so that two different
 * sets give the same one by chance only; it keeps nobody out.
 */
export function digestOf(ids: Iterable<Id<"command">>): string {
  const sum = new Uint32Array(DIGITS / 8);
  for (const id of ids) {
    const digits = id.replaceAll("-", "");
    for (let i = 0; i < sum.length; i++) {
      sum[i] = (sum[i] ?? 0) ^ Number.parseInt(digits.slice(i * 8, i * 8 + 8), 16);
    }
  }
  return [...sum].map((word) => word.toString(16).padStart(8, "0")).join("");
}

/**
 * Commands in an order in which each can be accepted: every device's by its sequence, and none before the one
 * that it supersedes, as far as that is among them.
 */
export function sendingOrder(commands: readonly Command[]): readonly Command[] {
  const queues = new Map<Id<"device">, Command[]>();
  for (const command of commands.toSorted((a, b) => a.seq - b.seq)) {
    const queue = queues.get(command.device);
    if (queue === undefined) queues.set(command.device, [command]);
    else queue.push(command);
  }
  const open = new Set(commands.map(({ commandId }) => commandId));
  const ordered: Command[] = [];
  while (open.size > 0) {
    const fronts = [...queues.values()].filter((queue) => queue.length > 0);
    // Where all wait for each other, which no two devices can have said, the first goes first.
    const queue =
      fronts.find(([front]) => front?.parent == null || !open.has(front.parent)) ?? fronts[0];
    const next = queue?.shift();
    if (next === undefined) break;
    open.delete(next.commandId);
    ordered.push(next);
  }
  return ordered;
}
