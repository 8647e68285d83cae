import {
  contentKey,
  fail,
  ok,
  sameReading,
  type Id,
  type Mass,
  type NewId,
  type Result,
} from "../kernel/index.ts";
import { mapSlots, type SessionPlan, type Slot } from "../plan/index.ts";
import type { UnrollContext } from "../unroll/index.ts";
import { accepted } from "./accept.ts";
import type { LineOf, SlotProposal } from "./next-session.ts";
import type { LineProposal, ShownProposal } from "./proposal.ts";

/** What a coach ruled on a line, as far as it matters for what was said later. */
export interface Ruled {
  readonly shown: Pick<ShownProposal, "reading" | "changes">;
  readonly chosen: Mass | null;
}

/** A line for which Kravo proposes something else now than when the coach ruled on it. */
export interface ChangedProposal<R extends Ruled = Ruled> {
  readonly slot: Slot;
  readonly ruling: R;
  readonly now: LineProposal;
}

/** The lines that were ruled on and for which another load is proposed now. */
export function changedProposals<R extends Ruled>(
  proposals: readonly SlotProposal[],
  rulingOn: (slot: Id<"slot">, line: Id<"line">) => R | null,
): readonly ChangedProposal<R>[] {
  return proposals.flatMap(({ slot, lines }) =>
    lines.flatMap((now) => {
      const ruling = rulingOn(slot.id, now.line);
      return !now.isDecided || ruling === null || isSame(ruling.shown, now)
        ? []
        : [{ slot, ruling, now }];
    }),
  );
}

/** The same load and the same changes, whether it was called a rise or not: nothing that was planned would differ. */
function isSame(shown: Ruled["shown"], now: Ruled["shown"]): boolean {
  const [a, b] = [shown.reading, now.reading];
  const isAlike = a === null || b === null ? a === b : sameReading(a, b);
  return isAlike && contentKey(shown.changes) === contentKey(now.changes);
}

/** The coach's word on a changed proposal; `chosen` is what is planned from then on. */
export interface Reconsidered<R extends Ruled = Ruled> {
  readonly change: ChangedProposal<R>;
  readonly takes: boolean;
  readonly chosen: Mass | null;
}

export type ReconsiderError =
  (LineOf & { readonly code: "undecided" }) | { readonly code: "reasonMissing" };

/**
 * Every changed proposal with the coach's word. A new load can be taken while the session that was planned is not
 * begun; leaving things as they are asks for a reason. Fails at the first that has no word or no reason.
 */
export function reconsidered<R extends Ruled>(
  changed: readonly ChangedProposal<R>[],
  choiceOf: (line: LineOf) => "take" | "leave" | null,
  reason: string,
  isOpen: boolean,
): Result<readonly Reconsidered<R>[], ReconsiderError> {
  const decided: Reconsidered<R>[] = [];
  for (const change of changed) {
    const at = { slotId: change.slot.id, line: change.now.line };
    const choice = choiceOf(at);
    if (choice === null) return fail({ code: "undecided", ...at });
    if (choice === "leave" && reason === "") return fail({ code: "reasonMissing" });
    const takes = choice === "take" && isOpen && change.now.reading !== null;
    decided.push({ change, takes, chosen: takes ? change.now.reading : change.ruling.chosen });
  }
  return ok(decided);
}

/** The planned session with the new loads that are taken, on the copies of the exercises that were trained. */
export function withTaken(
  plan: SessionPlan,
  decided: readonly Reconsidered[],
  context: UnrollContext,
  newId: NewId,
): SessionPlan {
  return mapSlots(plan, (slot) => {
    const chosen = decided.flatMap(({ takes, chosen: reading, change }) =>
      takes && change.slot.lineageId === slot.lineageId && reading !== null
        ? [[change.now.line, { reading, changes: change.now.changes }] as const]
        : [],
    );
    return accepted(slot, new Map(chosen), context, newId);
  });
}
