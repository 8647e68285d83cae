import { z } from "zod";
import { type Id, idField } from "~/core/kernel/index.ts";

/** A line of an exercise, as forms name it. */
export interface NamedLine {
  readonly slotId: Id<"slot">;
  readonly line: Id<"line">;
}

/** How the fields of a line's decision are told from those of the others. */
export const fieldOf = (name: "choice" | "load" | "reason", { slotId, line }: NamedLine) =>
  `${name}:${slotId}:${line}`;

/** One line's decision as the form sends it. */
export interface TypedDecision extends NamedLine {
  /** Null where nothing was chosen yet. */
  readonly choice: "accept" | "overrule" | null;
  readonly load: string;
  readonly reason: string;
}

const one = z.object({
  slotId: idField("slot"),
  line: idField("line"),
  choice: z.enum(["accept", "overrule"]).nullable(),
  load: z.string().max(20),
  reason: z.string().max(500),
});

/** Reads choice, load and reason for each line. Null where one is malformed. */
export function readDecisions(
  form: FormData,
  lines: readonly NamedLine[],
): readonly TypedDecision[] | null {
  const parsed = lines.map((at) =>
    one.safeParse({
      ...at,
      choice: form.get(fieldOf("choice", at)),
      load: form.get(fieldOf("load", at)) ?? "",
      reason: form.get(fieldOf("reason", at)) ?? "",
    }),
  );
  return parsed.every((p) => p.success) ? parsed.map((p) => p.data) : null;
}
