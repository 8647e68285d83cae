import { assertNever } from "~/core/kernel/index.ts";
import Typography from "@mui/material/Typography";
import type { SaveState } from "./use-session-log.ts";

const REFUSALS: Readonly<Record<Extract<SaveState, { kind: "refused" }>["code"], string>> = {
  erased:
    "This client was erased. Nothing of this session is kept on the server or on this device.",
  missing:
    "The server lost this session, and this device does not hold all of it. Keep this page and tell the studio.",
  unknownEquipment:
    "The server does not know the equipment of these sets. Keep this page and tell the studio.",
  gap: "The server misses earlier sets of this device. Keep this page and tell the studio.",
  foreignRun: "These sets belong to another session. Keep this page and tell the studio.",
  otherStudio:
    "This session belongs to another studio than the one signed in. Its sets stay on this device; sign in to that studio to send them.",
};

function sets(count: number): string {
  return `${count} ${count === 1 ? "entry" : "entries"}`;
}

/** Where what was logged is, always in words. */
export function SaveLine({ state }: { readonly state: SaveState }) {
  const [text, isUrgent] = wording(state);
  return (
    <Typography
      role="status"
      variant="body2"
      sx={{ color: isUrgent ? "kravo.signal" : "text.secondary", fontWeight: isUrgent ? 700 : 500 }}
    >
      {text}
    </Typography>
  );
}

function wording(state: SaveState): readonly [string, boolean] {
  switch (state.kind) {
    case "opening":
      return ["Opening this device's log …", false];
    case "saved":
      return ["All saved on the server", false];
    case "kept":
      if (state.why === "sending")
        return [`${sets(state.count)} kept on this device, sending …`, false];
      return state.why === "offline"
        ? [`No connection: ${sets(state.count)} kept on this device, not yet on the server`, true]
        : [`Signed out: ${sets(state.count)} kept on this device. Sign in again to send.`, true];
    case "refused":
      return [REFUSALS[state.code], true];
    case "notSaved":
      return [
        `Not saved: this device's store failed (${state.message}). Write the set down and reload.`,
        true,
      ];
    default:
      return assertNever(state);
  }
}
