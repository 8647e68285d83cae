import { syncReplyCodec, type SyncReply } from "~/codec/command.ts";
import { handInReplyCodec } from "~/codec/hand-in.ts";
import { type Id, assertNever } from "~/core/kernel/index.ts";
import { digestOf, sendingOrder, type Command } from "~/core/log/index.ts";
import { FLOOR_PAGES } from "../../workers/floor-pages.ts";
import type { LogStore } from "./log-store.ts";

export type RefusalCode = Extract<SyncReply, { kind: "refused" }>["code"];

/** How a device stands with the server about one session log. A server that cannot be reached throws instead. */
export type SyncOutcome =
  | { readonly kind: "saved"; readonly newestRevision: Id<"revision">; readonly sent: number }
  | { readonly kind: "signedOut" }
  /** The server refuses for good; `otherStudio` is told by itself, for another sign-in can help. */
  | { readonly kind: "refused"; readonly code: RefusalCode | "otherStudio" };

/** Commands in one request, and how many characters of them: a server reads only so much at once. */
const BATCH = 200;
const BATCH_LENGTH = 400_000;
/** Requests in one go: batches, and one more for each thing that turned out to be put right first. */
const ROUNDS = 12;
/** A network that answers nothing for so long is down. */
const PATIENCE_MS = 10_000;

/**
 * Sends what waits and takes what is new. Where the server lost something since (an older backup was restored),
 * which shows by command ids, it is sent again; a session that is gone is handed in first. One tab at a time.
 */
export async function syncSession(
  store: LogStore,
  sessionLogId: Id<"sessionLog">,
): Promise<SyncOutcome> {
  const locks = (navigator as { readonly locks?: LockManager }).locks;
  const go = () => syncUntilSettled(store, sessionLogId);
  return locks === undefined ? go() : await locks.request(`kravo-sync-${sessionLogId}`, go);
}

async function syncUntilSettled(
  store: LogStore,
  sessionLogId: Id<"sessionLog">,
): Promise<SyncOutcome> {
  let isCompared = false;
  let isHandedIn = false;
  let count = 0;
  for (let round = 1; ; round++) {
    const { entries } = await store.load(sessionLogId);
    const waiting = sendingOrder(
      entries.filter(({ position }) => position === null).map(({ command }) => command),
    );
    const sent = entries.filter(({ position }) => position !== null);
    const batch = batchOf(waiting);
    const reply = await post(sessionLogId, {
      commands: batch,
      known: sent.reduce((most, { position }) => Math.max(most, position ?? 0), 0),
      // Once the server has told all it holds, there is nothing left to compare in this go.
      ...(isCompared ? {} : { digest: digestOf(sent.map(({ command }) => command.commandId)) }),
    });
    if (reply === "signedOut") return { kind: "signedOut" };
    switch (reply.kind) {
      case "accepted":
        await store.merge(reply.commands);
        count += batch.length;
        // Whatever still waits then goes with the next look.
        if (waiting.length > batch.length && round < ROUNDS) continue;
        return { kind: "saved", newestRevision: reply.newestRevision, sent: count };
      case "differs":
        isCompared = true;
        await store.unsend(sessionLogId, new Set(reply.ids));
        await store.merge(reply.commands);
        break;
      case "refused": {
        const refusal = await putRight(store, sessionLogId, reply, isHandedIn);
        if (refusal !== null) return refusal;
        isHandedIn ||= reply.code !== "gap";
        break;
      }
      default:
        assertNever(reply);
    }
    if (round >= ROUNDS) throw new Error("device and server do not come to the same log");
  }
}

/** The first of the commands, as many as one request takes; one at least. */
function batchOf(waiting: readonly Command[]): readonly Command[] {
  const batch: Command[] = [];
  let length = 0;
  for (const command of waiting.slice(0, BATCH)) {
    length += JSON.stringify(command).length;
    if (batch.length > 0 && length > BATCH_LENGTH) break;
    batch.push(command);
  }
  return batch;
}

/** Does what a refusal asks for, so that the next request can be accepted; or says why nothing helps. */
async function putRight(
  store: LogStore,
  sessionLogId: Id<"sessionLog">,
  { code, expectedSeq }: Extract<SyncReply, { kind: "refused" }>,
  isHandedIn: boolean,
): Promise<SyncOutcome | null> {
  const refused = { kind: "refused", code } as const;
  switch (code) {
    case "gap":
      return (await store.renumber(sessionLogId, expectedSeq ?? 1)) ? null : refused;
    case "missing":
    case "unknownEquipment": {
      if (isHandedIn) return refused;
      const answer = await handIn(store, sessionLogId);
      if (answer === "erased") return forgetErased(store, sessionLogId);
      if (answer === "nothingHeld") return refused;
      if (answer === "otherStudio") return { kind: "refused", code: "otherStudio" };
      if (code === "missing") await store.unsend(sessionLogId, new Set());
      return null;
    }
    case "erased":
      return forgetErased(store, sessionLogId);
    case "foreignRun":
      return refused;
    default:
      return assertNever(code);
  }
}

/** An erased client leaves nothing on the device either: no entry, no session, no page. */
async function forgetErased(store: LogStore, sessionLogId: Id<"sessionLog">): Promise<SyncOutcome> {
  await store.forget(sessionLogId);
  if ("caches" in globalThis)
    await (await caches.open(FLOOR_PAGES)).delete(`/floor/${sessionLogId}`);
  return { kind: "refused", code: "erased" };
}

async function handIn(
  store: LogStore,
  sessionLogId: Id<"sessionLog">,
): Promise<"handedIn" | "erased" | "otherStudio" | "nothingHeld"> {
  const held = await store.sessionOf(sessionLogId);
  if (held === null) return "nothingHeld";
  const response = await send(`/floor/${sessionLogId}/hand-in`, held);
  if (!response.ok && response.status !== 409) throw answered(response);
  const body: unknown = await response.json();
  return handInReplyCodec.parse(body).kind;
}

async function post(
  sessionLogId: Id<"sessionLog">,
  request: object,
): Promise<SyncReply | "signedOut"> {
  const response = await send(`/floor/${sessionLogId}/sync`, request);
  if (response.status === 401) return "signedOut";
  if (!response.ok && response.status !== 409) throw answered(response);
  const body: unknown = await response.json();
  return syncReplyCodec.parse(body);
}

function send(address: string, body: object): Promise<Response> {
  return fetch(address, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
    signal: AbortSignal.timeout(PATIENCE_MS),
  });
}

function answered({ status }: Response): Error {
  return new Error(`the server answered ${status}`);
}
