import { z } from "zod";
import { type Id, idField } from "~/core/kernel/index.ts";

/** One exercise's decision as the form sends it. */
export interface TypedDecision {
  readonly slotId: Id<"slot">;
  /** Null where nothing was chosen yet. */
  readonly choice: "accept" | "overrule" | null;
  readonly load: string;
  readonly reason: string;
}

const one = z.object({
  slotId: idField("slot"),
  choice: z.enum(["accept", "overrule"]).nullable(),
  load: z.string().max(20),
  reason: z.string().max(500),
});

/** Reads `choice:<slot>`, `load:<slot>` and `reason:<slot>` for each slot. Null where one is malformed. */
export function readDecisions(
  form: FormData,
  slots: readonly Id<"slot">[],
): readonly TypedDecision[] | null {
  const parsed = slots.map((slotId) =>
    one.safeParse({
      slotId,
      choice: form.get(`choice:${slotId}`),
      load: form.get(`load:${slotId}`) ?? "",
      reason: form.get(`reason:${slotId}`) ?? "",
    }),
  );
  return parsed.every((p) => p.success) ? parsed.map((p) => p.data) : null;
}
