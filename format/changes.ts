import { assertNever } from "~/core/kernel/index.ts";
import type { MeasuredKind } from "~/core/person/index.ts";
import { MEASURED_NAMES } from "./brief.ts";

/** What of a change is worded; `about` is a name, a title, or a kind of its own. */
export interface ToldChange {
  readonly kind:
    "session" | "phase" | "brief" | "measurement" | "training" | "decision" | "equipment" | "link";
  readonly about: string;
  readonly number: number | null;
}

/** "Saved the session “Leg day”, revision 3", what somebody did, without who. */
export function formatChange({ kind, about, number }: ToldChange): string {
  const revision = number === null ? "" : `, revision ${number}`;
  const isFirst = number === 1;
  switch (kind) {
    case "session":
      return isFirst ? `Planned the session “${about}”` : `Saved the session “${about}”${revision}`;
    case "phase":
      return isFirst ? `Planned the phase “${about}”` : `Changed the phase “${about}”${revision}`;
    case "brief":
      return `Saved the brief${revision}`;
    case "measurement":
      return `Entered ${measured(about)}`;
    case "training":
      return `Started training “${about}”`;
    case "decision":
      return about === "accepted" ? "Accepted a proposal" : "Changed a proposal";
    case "equipment":
      return isFirst
        ? `Added the equipment “${about}”`
        : `Changed the equipment “${about}”, version ${number ?? "?"}`;
    case "link":
      return about === "invitation" ? "Made an invitation" : "Made a link for a new password";
    default:
      return assertNever(kind);
  }
}

const measured = (kind: string) =>
  kind in MEASURED_NAMES ? MEASURED_NAMES[kind as MeasuredKind].toLowerCase() : "a measurement";
