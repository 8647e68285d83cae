import type { SyncReply } from "~/codec/command.ts";
import { syncRequestCodec } from "~/codec/command.ts";
import { digestOf } from "~/core/log/index.ts";
import type { Id } from "~/core/kernel/index.ts";
import {
  idParam,
  orNotFound,
  reachingDatabase,
  scopeIfSignedIn,
} from "~/server/auth/session.server.ts";
import type { Scope } from "~/server/db/scope.server.ts";
import { takeCommands } from "~/server/coaching/waiting.server.ts";
import { commandIds, commandsAfter } from "~/server/db/commands.server.ts";
import { getSessionLog } from "~/server/db/session-logs.server.ts";
import { readJson } from "~/server/http/body.server.ts";
import type { Route } from "./+types/floor-sync.ts";

/** The floor's only way to write: commands in, what the device does not know yet out. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = await scopeIfSignedIn(request, context);
  if (scope === null) return new Response("signed out", { status: 401 });
  const sessionLogId = idParam<"sessionLog">(params.runId);
  const parsed = syncRequestCodec.safeParse(await readJson(request));
  if (!parsed.success) return new Response("expected commands", { status: 400 });
  const reply = await reachingDatabase(() => answer(scope, sessionLogId, parsed.data));
  return Response.json(reply, { status: reply.kind === "refused" ? 409 : 200 });
}

async function answer(
  scope: Scope,
  sessionLogId: Id<"sessionLog">,
  { commands, known, digest }: ReturnType<typeof syncRequestCodec.parse>,
): Promise<SyncReply> {
  // Compared before anything is written: after a restore, positions are given anew to other commands.
  if (digest !== undefined && digest !== digestOf(await commandIds(scope, sessionLogId, known))) {
    const ids = await commandIds(scope, sessionLogId);
    const isHere = ids.length > 0 || (await takeCommands(scope, sessionLogId, [])).ok;
    if (isHere) {
      return {
        kind: "differs",
        ids: [...ids],
        commands: [...(await commandsAfter(scope, sessionLogId, 0))],
      };
    }
  }
  const accepted = await takeCommands(scope, sessionLogId, commands);
  if (!accepted.ok) {
    const { error } = accepted;
    return {
      kind: "refused",
      code: error.code,
      expectedSeq: error.code === "gap" ? error.expectedSeq : null,
    };
  }
  const { newestRevisionId } = orNotFound(await getSessionLog(scope, sessionLogId));
  return {
    kind: "accepted",
    commands: [...(await commandsAfter(scope, sessionLogId, known))],
    newestRevision: newestRevisionId,
  };
}
