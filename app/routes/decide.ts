import { data } from "react-router";
import { addDays, dayAt } from "~/core/kernel/index.ts";
import { decideCodec, type DecideAction, type DecideReply } from "~/codec/decide.ts";
import { formatPlanNextError } from "~/format/next-session.ts";
import {
  acceptUnremarkable,
  decideOne,
  takeBackOne,
  takeBackPlanned,
  type Word,
} from "~/server/coaching/decide.server.ts";
import { workOutSome } from "~/server/coaching/waiting.server.ts";
import { showMine } from "~/server/db/coaches.server.ts";
import { listGyms } from "~/server/db/gyms.server.ts";
import { dropPlan } from "~/server/db/plans.server.ts";
import { putOff } from "~/server/db/waiting.server.ts";
import { readJson } from "~/server/http/body.server.ts";
import { writing } from "~/server/http/handlers.server.ts";
import type { Scope } from "~/server/db/scope.server.ts";
import type { Route } from "./+types/decide.ts";

/** The coach's word on what waits, as Today and the keys of it send it. */
export const action = writing(async (scope, { request }: Route.ActionArgs) => {
  const asked = decideCodec.safeParse(await readJson(request));
  if (!asked.success)
    return data<DecideReply>(
      { problem: asked.error.issues[0]?.message ?? "This was not understood." },
      { status: 400 },
    );
  const reply = await done(scope, asked.data);
  return data(reply, { status: reply.problem === null ? 200 : 409 });
});

const DONE: DecideReply = { problem: null };
const GONE: DecideReply = { problem: "This is gone; its client was erased perhaps." };

async function done(scope: Scope, asked: DecideAction): Promise<DecideReply> {
  switch (asked.intent) {
    case "accept":
    case "way":
    case "change": {
      const { session, shown, intent: kind, ...word } = asked;
      const decided = await decideOne(scope, session, asked, shown, { kind, ...word } as Word);
      return decided.ok ? DONE : { problem: formatPlanNextError(decided.error) };
    }
    case "takeBack": {
      const isBack = await takeBackOne(scope, asked.session, asked);
      return isBack ? DONE : { problem: "The next session is planned by now; open it instead." };
    }
    case "acceptAll": {
      const accepted = await acceptUnremarkable(scope, asked.sessions, await todayIn(scope));
      const { planned, changed } = accepted;
      return {
        problem:
          changed.length === 0
            ? null
            : `${changed.length} changed in the meantime and were skipped: look again.`,
        planned,
      };
    }
    case "takeBackAll": {
      let left = 0;
      for (const id of asked.sessions) if (!(await takeBackPlanned(scope, id))) left += 1;
      return {
        problem: left === 0 ? null : `${left} next sessions were changed or begun since and stay.`,
      };
    }
    case "putOff": {
      const until = asked.isPutOff ? addDays(await todayIn(scope), asked.days) : null;
      return (await putOff(scope, asked.person, asked.subject, until)) ? DONE : GONE;
    }
    case "drop":
      return (await dropPlan(scope, asked.plan, asked.isDropped)) ? DONE : GONE;
    case "show":
      await showMine(scope, asked.isMine);
      return DONE;
    case "workOut":
      return { problem: null, left: await workOutSome(scope) };
  }
}

async function todayIn(scope: Scope) {
  const [gym] = await listGyms(scope);
  return dayAt(scope.now, gym?.timeZone ?? "UTC");
}
