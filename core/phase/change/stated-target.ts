import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import { statedField, type Phase } from "../phase.ts";
import { sameWeek } from "./same-week.ts";

/** What a line is to come to by a week, in place of what was stated of it before; null for nothing. */
export const definition = kind("statedTarget", {
  day: idField("phaseDay"),
  line: idField("line"),
  to: statedField.nullable(),
});

export const apply = (
  { day, line, to }: ValueOf<{ definition: typeof definition }>,
  phase: Phase,
): Phase => ({
  ...phase,
  targets: [
    ...phase.targets.filter((own) => own.day !== day || own.line !== line),
    ...(to === null ? [] : [to]),
  ],
});
export { sameWeek as weekAfter };
