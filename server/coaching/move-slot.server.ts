import { receiving } from "~/core/coach/index.ts";
import type { Id } from "~/core/kernel/index.ts";
import { applyEdit, findSlot } from "~/core/plan/index.ts";
import { getPlan, savePlan, type StoredPlan } from "../db/plans.server.ts";
import type { Scope } from "../db/scope.server.ts";

/**
 * Moves an exercise from one session to another of the same person, both as their next revision in one
 * transaction. False, with nothing changed, where one of them is trained, gone, somebody else's, or where the
 * exercise is not there any more.
 */
export async function moveSlotToOtherDay(
  scope: Scope,
  from: Id<"plan">,
  slot: Id<"slot">,
  to: Id<"plan">,
): Promise<boolean> {
  return scope.transaction(async (trx) => {
    const [here, there] = [await getPlan(trx, from), await getPlan(trx, to)];
    if (here === null || there === null || here.id === there.id) return false;
    if (here.personId !== there.personId || findSlot(here.document, slot) === null) return false;
    if (here.sessionState.kind !== "none" || there.sessionState.kind !== "none") return false;
    const without = applyEdit(here.document, { kind: "removeSlot", slot });
    const saved = [
      await savePlan(trx, here.id, here.revision, headOf(here), without),
      await savePlan(
        trx,
        there.id,
        there.revision,
        headOf(there),
        receiving(there.document, here.document, slot),
      ),
    ];
    if (saved.every((result) => result.ok)) return true;
    throw new Error("a plan changed within the transaction that read it");
  });
}

function headOf({ title, day, startTime, gymId }: StoredPlan) {
  return { title, day, startTime, gymId };
}
