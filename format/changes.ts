import { assertNever } from "~/core/kernel/index.ts";
import type { MeasuredKind } from "~/core/person/index.ts";
import { MEASURED_NAMES } from "./brief.ts";

/** What is told of who changed what; the only list. */
export const CHANGE_KINDS = [
  "session",
  "phase",
  "brief",
  "measurement",
  "training",
  "decision",
  "equipment",
  "link",
] as const;

/** What of a change is worded; `about` is a name, a title, or a kind of its own. */
export interface ToldChange {
  readonly kind: (typeof CHANGE_KINDS)[number];
  readonly about: string;
  /** The revision or version that it became; null where it has none. */
  readonly number: number | null;
}

/** "Saved the session “Leg day”, revision 3", what somebody did, without who. */
export function formatChange({ kind, about, number }: ToldChange): string {
  const became = (what: string) => (number === null ? "" : `, ${what} ${number}`);
  const isFirst = number === 1;
  switch (kind) {
    case "session":
      return isFirst
        ? `Planned the session “${about}”`
        : `Saved the session “${about}”${became("revision")}`;
    case "phase":
      return isFirst
        ? `Planned the phase “${about}”`
        : `Changed the phase “${about}”${became("revision")}`;
    case "brief":
      return `Saved the brief${became("revision")}`;
    case "measurement":
      return `Entered ${measured(about)}`;
    case "training":
      return `Started training “${about}”`;
    case "decision":
      return about === "accepted" ? "Accepted a proposal" : "Changed a proposal";
    case "equipment":
      return isFirst
        ? `Added the equipment “${about}”`
        : `Changed the equipment “${about}”${became("version")}`;
    case "link":
      return about === "invitation" ? "Made an invitation" : "Made a link for a new password";
    default:
      return assertNever(kind);
  }
}

const measured = (kind: string) =>
  kind in MEASURED_NAMES ? MEASURED_NAMES[kind as MeasuredKind].toLowerCase() : "a measurement";
