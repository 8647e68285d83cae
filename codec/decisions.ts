import { z } from "zod";
import {
  fail,
  ok,
  parseMass,
  type Id,
  idField,
  type MassUnit,
  type Result,
} from "~/core/kernel/index.ts";
import { shownMark, WAYS, type Decision, type LineProposal } from "~/core/progress/index.ts";

/** A line of an exercise, as forms name it. */
export interface NamedLine {
  readonly slotId: Id<"slot">;
  readonly line: Id<"line">;
}

/** How the fields of a line's decision are told from those of the others. */
export const fieldOf = (
  name: "choice" | "load" | "reason" | "shown",
  { slotId, line }: NamedLine,
) => `${name}:${slotId}:${line}`;

const one = z.object({
  slotId: idField("slot"),
  line: idField("line"),
  choice: z.enum(["accept", "overrule", ...WAYS]).nullable(),
  shown: z.string().max(20).nullable(),
  load: z.string().max(20),
  reason: z.string().max(500),
});

/** What reading a decision has to know of a proposal. */
interface Proposed {
  readonly slot: { readonly id: Id<"slot"> };
  readonly station: { readonly loading: { readonly unit: MassUnit } } | null;
  readonly lines: readonly LineProposal[];
}

export type DecisionsError =
  | { readonly code: "malformed" }
  /** What is proposed is no longer what was shown. */
  | (NamedLine & { readonly code: "proposalChanged" })
  /** Another load was typed that is none. */
  | (NamedLine & { readonly code: "notALoad"; readonly text: string });

/**
 * The coach's word on each line that is decided by itself, a typed load in the unit of its station; a line of
 * which nothing was chosen yet is left out. Fails where a field is malformed, a load cannot be read, or a proposal
 * is accepted that is not the one that was shown.
 */
export function readDecisions(
  form: FormData,
  proposals: readonly Proposed[],
): Result<readonly Decision[], DecisionsError> {
  const decisions: Decision[] = [];
  for (const { slot, station, lines } of proposals) {
    for (const proposal of lines.filter(({ isDecided }) => isDecided)) {
      const at = { slotId: slot.id, line: proposal.line };
      const parsed = one.safeParse({
        ...at,
        choice: form.get(fieldOf("choice", at)),
        shown: form.get(fieldOf("shown", at)),
        load: form.get(fieldOf("load", at)) ?? "",
        reason: form.get(fieldOf("reason", at)) ?? "",
      });
      if (!parsed.success) return fail({ code: "malformed" });
      const { choice, shown, load, reason } = parsed.data;
      if (choice === null) continue;
      if (choice !== "overrule") {
        if (shown !== shownMark(proposal)) return fail({ code: "proposalChanged", ...at });
        decisions.push(
          choice === "accept" ? { ...at, kind: "accept" } : { ...at, kind: "way", way: choice },
        );
        continue;
      }
      const reading = parseMass(load, station?.loading.unit ?? "kg");
      if (!reading.ok) return fail({ code: "notALoad", ...at, text: reading.error.text });
      decisions.push({ ...at, kind: "overrule", reading: reading.value, reason });
    }
  }
  return ok(decisions);
}
