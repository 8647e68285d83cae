import { heldSessionCodec } from "~/codec/hand-in.ts";
import { idParam, reachingDatabase, scopeIfSignedIn } from "~/server/auth/session.server.ts";
import { handIn } from "~/server/coaching/hand-in.server.ts";
import { readJson } from "~/server/http/body.server.ts";
import type { Route } from "./+types/floor-hand-in.ts";

/** Takes a session from a device that holds it where the server lost it, so that its sets find their place. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = await scopeIfSignedIn(request, context);
  if (scope === null) return new Response("signed out", { status: 401 });
  const parsed = heldSessionCodec.safeParse(await readJson(request));
  if (!parsed.success || parsed.data.run.id !== idParam<"sessionLog">(params.runId)) {
    return new Response("expected a session", { status: 400 });
  }
  const kind = await reachingDatabase(() => handIn(scope, parsed.data));
  return Response.json({ kind }, { status: kind === "handedIn" ? 200 : 409 });
}
