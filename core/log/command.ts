import { z } from "zod";
import { applied, idField, instantField, unionOf, type FamilyOf } from "../kernel/index.ts";
import * as addExercise from "./command/add-exercise.ts";
import * as addSet from "./command/add-set.ts";
import * as checkIn from "./command/check-in.ts";
import * as context from "./command/context.ts";
import * as end from "./command/end.ts";
import * as items from "./command/items.ts";
import * as note from "./command/note.ts";
import * as pain from "./command/pain.ts";
import * as loggedSet from "./command/logged-set.ts";
import * as removeLoggedSet from "./command/remove-logged-set.ts";
import * as reopen from "./command/reopen.ts";
import * as reorder from "./command/reorder.ts";
import * as skip from "./command/skip.ts";
import * as swap from "./command/swap.ts";
import * as takeBack from "./command/take-back.ts";
import * as unskip from "./command/unskip.ts";

export { COMMAND_BOUNDS, HELPERS, type Helper } from "./command-fields.ts";

/** The kinds of commands; the only list of them. */
export const COMMANDS = {
  part: loggedSet,
  removePart: removeLoggedSet,
  checkIn,
  context,
  pain,
  note,
  skip,
  unskip,
  items,
  swap,
  addExercise,
  addSet,
  reorder,
  takeBack,
  end,
  reopen,
} as const;

/** What a device says happened. Nothing is ever changed in place: a later command supersedes its parent. */
export type CommandBody = FamilyOf<typeof COMMANDS>;

export const commandBodyField = unionOf(COMMANDS);

export const commandField = z
  .object({
    commandId: idField("command"),
    runId: idField("sessionLog"),
    device: idField("device"),
    seq: z.number().int().min(1).max(1_000_000),
    parent: idField("command").nullable(),
    at: instantField,
    body: commandBodyField,
  })
  .readonly();
/**
 * An append-only command of a session log. `seq` counts a device's commands for that session log from 1 without gaps.
 * `parent` is the command about the same subject that this one supersedes, null for the first.
 * `at` is the device's clock: shown, never used to order.
 */
export type Command = z.output<typeof commandField>;

/** A command in the order of the server: its position, or null while it has only reached the device. */
export interface OrderedCommand {
  readonly command: Command;
  readonly position: number | null;
}

/** What a command is about. Two commands about one subject, neither knowing the other, are a conflict. */
export function subjectOf(body: CommandBody): string {
  return applied(COMMANDS, "subject", body);
}
