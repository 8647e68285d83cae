import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import type { Phase } from "../phase.ts";
import { sameWeek } from "./same-week.ts";

/** The exercises that take turns with one do so no more: all of them are in every week. */
export const definition = kind("endRotation", {
  day: idField("phaseDay"),
  member: idField("lineage"),
});

export const apply = (
  { day, member }: ValueOf<{ definition: typeof definition }>,
  phase: Phase,
): Phase => ({
  ...phase,
  rotations: phase.rotations.filter((own) => own.day !== day || !own.members.includes(member)),
});
export { sameWeek as weekAfter };
