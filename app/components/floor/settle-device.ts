import { openLogStore, type DeviceLog } from "./log-store.ts";
import { syncSession } from "./sync.ts";

/** Backups that are older than this are not restored any more; until then a device can fill their gaps. */
const KEPT_MS = 30 * 86_400_000;

/** True where everything was sent, and that long ago. */
function isOld({ entries, unreadable }: DeviceLog): boolean {
  const newest = entries.reduce((last, { command }) => Math.max(last, command.at), 0);
  const isSent = unreadable.length === 0 && entries.every(({ position }) => position !== null);
  return isSent && Date.now() - newest > KEPT_MS;
}

/**
 * Settles every session that this device holds with the server: what was never sent is sent, what the server
 * lost is handed in, what was erased is forgotten here too. Without a network it changes nothing. True where the
 * server learnt something, so that a page shown meanwhile is out of date.
 */
export async function settleDevice(): Promise<boolean> {
  if (!("indexedDB" in globalThis)) return false;
  const store = await openLogStore();
  let isChanged = false;
  try {
    for (const sessionLogId of await store.sessionLogIds()) {
      if (isOld(await store.load(sessionLogId))) {
        await store.forget(sessionLogId);
        continue;
      }
      const outcome = await syncSession(store, sessionLogId);
      if (outcome.kind === "signedOut") break;
      isChanged ||= outcome.kind === "saved" && outcome.sent > 0;
    }
  } finally {
    store.close();
  }
  return isChanged;
}
