import type { Id } from "../kernel/index.ts";
import { stepKeyText, type StepKey } from "../unroll/index.ts";
import { subjectOf, type Command, type CommandBody, type OrderedCommand } from "./command.ts";
import type { LogContext, LoggedSet } from "./logged-set.ts";

/** The state of a session log: for each subject the commands that nothing has superseded, oldest first. */
export type SessionLog = ReadonlyMap<string, readonly Command[]>;

/**
 * The session log after its commands. Acknowledged ones come in the server's order, then those still on the device by
 * sequence. A repeated command id counts once. A command removes its parent from the heads of its subject
 * and becomes a head itself, so that whatever two devices said without knowing of each other is both kept.
 */
export function foldCommands(commands: readonly OrderedCommand[]): SessionLog {
  const ordered = [...commands].sort(
    (a, b) => (a.position ?? Infinity) - (b.position ?? Infinity) || a.command.seq - b.command.seq,
  );
  const heads = new Map<string, readonly Command[]>();
  const seen = new Set<string>();
  const superseded = new Set<string>();
  for (const { command } of ordered) {
    if (seen.has(command.commandId)) continue;
    seen.add(command.commandId);
    if (command.parent !== null) superseded.add(command.parent);
    const subject = subjectOf(command.body);
    const before = heads.get(subject) ?? [];
    const kept = before.filter((head) => !superseded.has(head.commandId));
    heads.set(subject, superseded.has(command.commandId) ? kept : [...kept, command]);
  }
  return heads;
}

function bodies<K extends CommandBody["kind"]>(
  log: SessionLog,
  kind: K,
): readonly { command: Command; body: Extract<CommandBody, { kind: K }> }[] {
  const found: { command: Command; body: Extract<CommandBody, { kind: K }> }[] = [];
  for (const heads of log.values()) {
    for (const command of heads) {
      const { body } = command;
      if (isOf(kind, body)) found.push({ command, body });
    }
  }
  return found;
}

function isOf<K extends CommandBody["kind"]>(
  kind: K,
  body: CommandBody,
): body is Extract<CommandBody, { kind: K }> {
  return body.kind === kind;
}

/** A logged set with the command that said so, which an edit or removal names as its parent. */
export interface SaidSet {
  readonly loggedSet: LoggedSet;
  readonly commandId: Id<"command">;
  readonly device: Id<"device">;
}

/** Every logged set that stands; a place in the plan with two of them is a conflict. */
export function loggedSetsOf(log: SessionLog): readonly SaidSet[] {
  return bodies(log, "part").map(({ command, body }) => ({
    loggedSet: body.part,
    commandId: command.commandId,
    device: command.device,
  }));
}

/** What stands at one place in the plan: nothing, one logged set, or the sides of a conflict. */
export function loggedSetsAt(log: SessionLog, key: StepKey): readonly SaidSet[] {
  return (log.get(`part:${stepKeyText(key)}`) ?? []).flatMap((command) =>
    command.body.kind === "part"
      ? [{ loggedSet: command.body.part, commandId: command.commandId, device: command.device }]
      : [],
  );
}

/** The command that the next one about this subject supersedes: the newest head, or null. */
export function parentFor(log: SessionLog, body: CommandBody): Id<"command"> | null {
  return log.get(subjectOf(body))?.at(-1)?.commandId ?? null;
}

/** Two or more logged sets at one place, said by devices that did not know of each other. */
export interface Conflict {
  readonly key: StepKey;
  readonly sides: readonly SaidSet[];
}

/** Every unresolved conflict. Removing all sides but one resolves it. */
export function conflictsOf(log: SessionLog): readonly Conflict[] {
  return [...log.values()].flatMap((heads) => {
    const first = heads[0]?.body;
    if (first?.kind !== "part") return [];
    const sides = loggedSetsAt(log, first.part.key);
    return sides.length > 1 ? [{ key: first.part.key, sides }] : [];
  });
}

/** The log contexts of the exercises begun. */
export function contextsOf(log: SessionLog): readonly LogContext[] {
  return bodies(log, "context").map(({ body }) => body.context);
}

export type PainRecord = Extract<CommandBody, { kind: "pain" }>;

/** Every pain recorded. */
export function painsOf(log: SessionLog): readonly PainRecord[] {
  return bodies(log, "pain").map(({ body }) => body);
}

/** The note of an exercise, or of the session for null; several where devices disagreed. */
export function notesOf(log: SessionLog, slotId: Id<"slot"> | null): readonly string[] {
  return (log.get(`note:${slotId ?? "session"}`) ?? []).flatMap((command) =>
    command.body.kind === "note" && command.body.text !== "" ? [command.body.text] : [],
  );
}

export type CheckIn = Extract<CommandBody, { kind: "checkIn" }>;

/** What was said of the trainee's day: the last that was said, or null. */
export function checkInOf(log: SessionLog): CheckIn | null {
  return bodies(log, "checkIn").at(-1)?.body ?? null;
}

/** Why an exercise was skipped, or null when it was not. */
export function skipReason(log: SessionLog, slotId: Id<"slot">): string | null {
  const head = log.get(`skip:${slotId}`)?.at(-1)?.body;
  return head?.kind === "skip" ? head.reason : null;
}

/** Why exercises were skipped, by exercise; none that was taken up again. */
export function skipsIn(log: SessionLog): ReadonlyMap<Id<"slot">, string> {
  return new Map(bodies(log, "skip").map(({ body }) => [body.slotId, body.reason]));
}

/** Which parts without sets were done, and which left out; of the others nobody said it. */
export function itemsDoneIn(log: SessionLog): ReadonlyMap<Id<"block">, boolean> {
  return new Map(bodies(log, "items").map(({ body }) => [body.blockId, body.isDone]));
}

/** True while the session is ended: what was said last about its end is that it ended. */
export function isEnded(log: SessionLog): boolean {
  return log.get("end")?.at(-1)?.body.kind === "end";
}

/** What stands of a session log, without how it came to be: what history keeps as rows and comparison reads. */
export interface Performed {
  readonly loggedSets: readonly LoggedSet[];
  readonly contexts: readonly LogContext[];
  readonly pains: readonly PainRecord[];
}

/** What stands of a session log after its commands. */
export function performedOf(log: SessionLog): Performed {
  return {
    loggedSets: loggedSetsOf(log).map(({ loggedSet }) => loggedSet),
    contexts: contextsOf(log),
    pains: painsOf(log),
  };
}
