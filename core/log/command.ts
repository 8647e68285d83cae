import { type Instant, type Id, type Joint, assertNever } from "../kernel/index.ts";
import type { Side } from "../plan/index.ts";
import { partKeyText, type PartKey } from "../unroll/index.ts";
import type { LogContext, PerformedPart } from "./part.ts";

/** What a device says happened. Nothing is ever changed in place: a later command supersedes its parent. */
export type CommandBody =
  /** `why` is given where an ended session is corrected. */
  | { readonly kind: "part"; readonly part: PerformedPart; readonly why?: string }
  | { readonly kind: "removePart"; readonly key: PartKey; readonly why?: string }
  | { readonly kind: "context"; readonly context: LogContext }
  | {
      readonly kind: "pain";
      readonly id: Id<"pain">;
      readonly slotId: Id<"slot">;
      readonly key: PartKey | null;
      readonly joint: Joint;
      readonly side: Side;
      /** 0 (gone) to 10. */
      readonly score: number;
      readonly note: string;
    }
  | { readonly kind: "note"; readonly slotId: Id<"slot"> | null; readonly text: string }
  | { readonly kind: "skip"; readonly slotId: Id<"slot">; readonly reason: string }
  | { readonly kind: "end"; readonly sessionEffort: number | null }
  /** The session goes on after it was ended. */
  | { readonly kind: "reopen"; readonly why: string };

/**
 * An append-only command of a run. `seq` counts a device's commands for that run from 1 without gaps.
 * `parent` is the command about the same subject that this one supersedes, null for the first.
 * `at` is the device's clock: shown, never used to order.
 */
export interface Command {
  readonly commandId: Id<"command">;
  readonly runId: Id<"run">;
  readonly device: Id<"device">;
  readonly seq: number;
  readonly parent: Id<"command"> | null;
  readonly at: Instant;
  readonly body: CommandBody;
}

/** A command in the order of the server: its position, or null while it has only reached the device. */
export interface OrderedCommand {
  readonly command: Command;
  readonly position: number | null;
}

/** What a command is about. Two commands about one subject, neither knowing the other, are a conflict. */
export function subjectOf(body: CommandBody): string {
  switch (body.kind) {
    case "part":
      return `part:${partKeyText(body.part.key)}`;
    case "removePart":
      return `part:${partKeyText(body.key)}`;
    case "context":
      return `context:${body.context.slotId}`;
    case "pain":
      return `pain:${body.id}`;
    case "note":
      return `note:${body.slotId ?? "session"}`;
    case "skip":
      return `skip:${body.slotId}`;
    case "end":
    case "reopen":
      return "end";
    default:
      return assertNever(body);
  }
}
