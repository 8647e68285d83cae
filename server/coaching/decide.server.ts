import {
  addDays,
  fail,
  ok,
  parseMass,
  type Day,
  type Id,
  type MassUnit,
  type Result,
} from "~/core/kernel/index.ts";
import {
  decidedLine,
  isUnremarkable,
  shownMark,
  waitingIn,
  type Decision,
  type DecideError,
  type LineOf,
  type WayCode,
} from "~/core/progress/index.ts";
import { toBinary } from "../db/columns.server.ts";
import { takeBackPlan } from "../db/plans.server.ts";
import {
  addRuling,
  rulingOf,
  rulingOn,
  rulingsOn,
  withdrawRulings,
  type Ruling,
} from "../db/rulings.server.ts";
import { getSessionLog, type StoredSessionLog } from "../db/session-logs.server.ts";
import { markRuled } from "../db/waiting.server.ts";
import type { Scope } from "../db/scope.server.ts";
import {
  planNext,
  proposalsFor,
  type PlanNextError,
  type Proposals,
} from "./next-session.server.ts";
import { workOutWaiting } from "./waiting.server.ts";

export type DecideOneError =
  | { readonly code: "missing" }
  | { readonly code: "notALoad"; readonly text: string }
  /** The session was planned on, or goes on again. */
  | { readonly code: "settled" }
  /** What is proposed is no longer what was shown; what waits was worked out anew. */
  | (LineOf & { readonly code: "proposalChanged" })
  | DecideError;

/** The coach's word on one line as it was given, a load as it was typed. */
export type Word =
  | { readonly kind: "accept" }
  | { readonly kind: "way"; readonly way: WayCode }
  | { readonly kind: "change"; readonly load: string; readonly reason: string };

/** The coach's word on one line of an ended session, kept as a ruling before the next session is planned. */
export async function decideOne(
  scope: Scope,
  id: Id<"sessionLog">,
  { slotId, line }: LineOf,
  shown: string,
  word: Word,
): Promise<Result<null, DecideOneError>> {
  const decided = await scope.transaction(async (trx): Promise<Result<null, DecideOneError>> => {
    const sessionLog = await locked(trx, id);
    if (sessionLog === null) return fail({ code: "missing" });
    if (sessionLog.endedAt === null || sessionLog.settledAt !== null)
      return fail({ code: "settled" });
    const { slots } = await proposalsFor(trx, sessionLog);
    const slot = slots.find((one) => one.slot.id === slotId);
    const proposal = slot?.lines.find((one) => one.line === line && one.isDecided);
    if (slot === undefined || proposal === undefined || shownMark(proposal) !== shown)
      return fail({ code: "proposalChanged", slotId, line });
    const decision = decisionFrom(word, { slotId, line }, slot.station?.loading.unit ?? "kg");
    if (!decision.ok) return decision;
    const own = decidedLine(slot, proposal, decision.value);
    if (!own.ok) return own;
    const { personId, lastPosition } = sessionLog;
    const said = rulingOf(own.value, lastPosition);
    const ruling = await addRuling(trx, id, personId, own.value.proposal, said);
    await markRuled(trx, id, { slotId, line }, ruling);
    return ok(null);
  });
  // So that the next look shows what is proposed now.
  if (!decided.ok && decided.error.code === "proposalChanged") await workOutWaiting(scope, id);
  return decided;
}

function decisionFrom(
  word: Word,
  at: LineOf,
  unit: MassUnit,
): Result<Decision, Extract<DecideOneError, { code: "notALoad" }>> {
  if (word.kind !== "change") return ok({ ...at, ...word });
  const reading = parseMass(word.load, unit);
  return reading.ok
    ? ok({ ...at, kind: "overrule", reading: reading.value, reason: word.reason })
    : fail({ code: "notALoad", text: reading.error.text });
}

/** Takes the coach's word on a line back; nothing happens where the session was planned on since. */
export async function takeBackOne(
  scope: Scope,
  id: Id<"sessionLog">,
  at: LineOf,
): Promise<boolean> {
  return scope.transaction(async (trx) => {
    const sessionLog = await locked(trx, id);
    if (sessionLog === null || sessionLog.settledAt !== null) return false;
    await withdrawRulings(trx, id, { line: at.line });
    await markRuled(trx, id, at, null);
    return true;
  });
}

async function locked(trx: Scope, id: Id<"sessionLog">): Promise<StoredSessionLog | null> {
  await trx
    .from("runs")
    .where({ id: toBinary(id) })
    .forUpdate()
    .first("id");
  return getSessionLog(trx, id);
}

/** A session whose unremarkable lines are accepted as they were shown, each with its mark. */
export interface ShownSession {
  readonly id: Id<"sessionLog">;
  readonly lines: readonly (LineOf & { readonly shown: string })[];
}

/** What became of sessions that were accepted: those that were planned on, and those that were not as shown. */
export interface AcceptedSessions {
  readonly planned: readonly Id<"sessionLog">[];
  readonly changed: readonly Id<"sessionLog">[];
}

/**
 * Accepts every unremarkable line of sessions and plans their next ones, with what was decided before. A session of
 * which something still waits, or that is no longer as it was shown, is left as it is.
 */
export async function acceptUnremarkable(
  scope: Scope,
  sessions: readonly ShownSession[],
  today: Day,
): Promise<AcceptedSessions> {
  const planned: Id<"sessionLog">[] = [];
  const changed: Id<"sessionLog">[] = [];
  for (const shown of sessions) {
    const done = await settle(scope, shown, today);
    (done.ok ? planned : changed).push(shown.id);
    if (!done.ok) await workOutWaiting(scope, shown.id);
  }
  return { planned, changed };
}

async function settle(
  scope: Scope,
  { id, lines }: ShownSession,
  today: Day,
): Promise<Result<Id<"plan">, PlanNextError | { readonly code: "missing" | "proposalChanged" }>> {
  return scope.transaction(async (trx) => {
    const sessionLog = await locked(trx, id);
    if (sessionLog === null) return fail({ code: "missing" });
    const proposals = await proposalsFor(trx, sessionLog);
    const rulings = (await rulingsOn(trx, id)).filter(
      ({ logPosition }) => logPosition === sessionLog.lastPosition,
    );
    const waiting = new Map(waitingIn(proposals.slots).map((own) => [own.line, own]));
    const decisions: Decision[] = rulings.map(decisionOf);
    for (const { slotId, line, shown } of lines) {
      if (rulingOn(rulings, slotId, line) !== null) continue;
      const own = waiting.get(line);
      if (own?.shown !== shown || !isUnremarkable(own)) return fail({ code: "proposalChanged" });
      decisions.push({ kind: "accept", slotId, line });
    }
    return planNext(trx, sessionLog, proposals, nextDay(sessionLog, proposals, today), decisions);
  });
}

/** The day of the next session: its week's in a phase, else the same weekday, a week later or as soon as one comes. */
export function nextDay(
  { day }: Pick<StoredSessionLog, "day">,
  { next }: Pick<Proposals, "next">,
  today: Day,
): Day {
  if (next !== null) return next.on;
  let on = addDays(day, 7);
  while (on < today) on = addDays(on, 7);
  return on;
}

/** What the coach decided, as it is decided again when the next session is planned. */
function decisionOf({ slotId, line, decision, way, chosen, reason }: Ruling): Decision {
  const at = { slotId, line: line as Id<"line"> };
  if (decision === "overruled" && chosen !== null)
    return { ...at, kind: "overrule", reading: chosen, reason };
  return way === null ? { ...at, kind: "accept" } : { ...at, kind: "way", way };
}

/**
 * Takes back that a session was planned on: the plan that came of it goes, and the rulings that were made with it are
 * withdrawn. False where somebody has changed or begun that plan since.
 */
export async function takeBackPlanned(scope: Scope, id: Id<"sessionLog">): Promise<boolean> {
  return scope.transaction(async (trx) => {
    const sessionLog = await locked(trx, id);
    if (sessionLog === null || sessionLog.settledAt === null) return false;
    if (!(await takeBackPlan(trx, id))) return false;
    await withdrawRulings(trx, id, { madeAt: sessionLog.settledAt });
    await trx
      .from("runs")
      .where({ id: toBinary(id) })
      .update({ settled_at: null, settled_position: null });
    await workOutWaiting(trx, id);
    return true;
  });
}
