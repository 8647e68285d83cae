import { type Id, assertNever } from "../kernel/index.ts";
import type { Command, CommandBody, OrderedCommand } from "./command.ts";
import type { LoggedSet } from "./logged-set.ts";

/** What was said of a session after it had ended. */
export type Correction = {
  readonly commandId: Id<"command">;
  /** Why, where it was asked for. */
  readonly why: string | null;
} & (
  | { readonly kind: "changed"; readonly before: LoggedSet; readonly after: LoggedSet }
  | { readonly kind: "removed"; readonly before: LoggedSet }
  /** Logged after the end: by a device that came back late, or in the session when it was reopened. */
  | { readonly kind: "added"; readonly after: LoggedSet }
  | { readonly kind: "reopened" }
  | { readonly kind: "endedAgain" }
  | { readonly kind: "other"; readonly about: OtherKind }
);

/** What else can be said of a session, beside its sets and its end. */
type OtherKind = Exclude<CommandBody["kind"], "part" | "removePart" | "end" | "reopen">;

/** Every correction in the order of the server: all commands behind the first that ended the session. */
export function correctionsIn(commands: readonly OrderedCommand[]): readonly Correction[] {
  const ordered = commands
    .filter(({ position }) => position !== null)
    .toSorted((a, b) => (a.position ?? 0) - (b.position ?? 0))
    .map(({ command }) => command);
  const end = ordered.findIndex(({ body }) => body.kind === "end");
  if (end < 0) return [];
  const byId = new Map(ordered.map((command) => [command.commandId, command]));
  return ordered.slice(end + 1).flatMap((command) => correctionOf(command, byId));
}

function correctionOf(
  { commandId, parent, body }: Command,
  byId: ReadonlyMap<Id<"command">, Command>,
): readonly Correction[] {
  const superseded = parent === null ? undefined : byId.get(parent)?.body;
  const before = superseded?.kind === "part" ? superseded.part : null;
  const why = "why" in body ? (body.why ?? null) : null;
  switch (body.kind) {
    case "part":
      return before === null
        ? [{ commandId, why, kind: "added", after: body.part }]
        : [{ commandId, why, kind: "changed", before, after: body.part }];
    case "removePart":
      return before === null ? [] : [{ commandId, why, kind: "removed", before }];
    case "reopen":
      return [{ commandId, why, kind: "reopened" }];
    case "end":
      return [{ commandId, why, kind: "endedAgain" }];
    case "pain":
    case "note":
    case "skip":
    case "unskip":
    case "items":
    case "checkIn":
    case "context":
    case "swap":
    case "addExercise":
    case "addSet":
    case "reorder":
    case "takeBack":
      return [{ commandId, why, kind: "other", about: body.kind }];
    default:
      return assertNever(body);
  }
}
