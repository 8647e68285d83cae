import type { SyncReply } from "~/codec/command.ts";
import { syncRequestCodec } from "~/codec/command.ts";
import {
  idParam,
  notFound,
  orNotFound,
  reachingDatabase,
  signedInOrNull,
} from "~/server/auth/session.server.ts";
import { requestOf } from "~/server/context.server.ts";
import { scopeFor } from "~/server/db/scope.server.ts";
import { acceptCommands, commandsAfter, getRun } from "~/server/db/runs.server.ts";
import type { Route } from "./+types/floor-sync.ts";

/** The floor's only way to write: commands in, what the device does not know yet out. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = await signedInOrNull(request, context);
  if (who === null) return new Response("signed out", { status: 401 });
  const { db, now } = requestOf(context);
  const scope = scopeFor(db, {
    studioId: who.studioId,
    actor: { kind: "user", id: who.userId },
    now,
  });
  const run = idParam<"run">(params.runId);
  const parsed = syncRequestCodec.safeParse(await request.json().catch(() => null));
  if (!parsed.success) return new Response("expected commands", { status: 400 });
  const reply = await reachingDatabase(async (): Promise<SyncReply> => {
    const accepted = await acceptCommands(scope, run, parsed.data.commands);
    if (!accepted.ok) {
      if (accepted.error.code === "missing") throw notFound();
      return {
        kind: "refused",
        code: accepted.error.code,
        expectedSeq: accepted.error.code === "gap" ? accepted.error.expectedSeq : null,
      };
    }
    const commands = await commandsAfter(scope, run, parsed.data.known);
    const { newestRevisionId } = orNotFound(await getRun(scope, run));
    return { kind: "accepted", commands: [...commands], newestRevision: newestRevisionId };
  });
  return Response.json(reply, { status: reply.kind === "refused" ? 409 : 200 });
}
