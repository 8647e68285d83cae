import type { Id } from "~/core/kernel/index.ts";
import {
  loggedSetsAt,
  type Moment,
  type OrderedCommand,
  type SessionLog,
} from "~/core/log/index.ts";
import { stepKeyText, type SetStep } from "~/core/unroll/index.ts";

/** The rest that runs now: from when the latest set was logged, for what its step asks. */
export function restOf(
  latest: OrderedCommand | null,
  steps: readonly SetStep[],
  seenAt: (command: Id<"command">) => Moment | null,
): { command: Id<"command">; from: Moment; seconds: number } | null {
  if (latest?.command.body.kind !== "part") return null;
  const { commandId, body } = latest.command;
  const step = steps.find((s) => stepKeyText(s.key) === stepKeyText(body.part.key));
  const from = seenAt(commandId);
  if (step === undefined || from === null) return null;
  return { command: commandId, from, seconds: step.restAfter.likely };
}

/** The load last logged in the same exercise, for a set whose load was left open. */
export function loadBefore(steps: readonly SetStep[], current: SetStep, log: SessionLog) {
  const before = steps
    .slice(0, steps.indexOf(current))
    .filter((s) => s.slotId === current.slotId && s.kind === "set");
  return before.flatMap((s) => loggedSetsAt(log, s.key)).at(-1)?.loggedSet.reading ?? null;
}
