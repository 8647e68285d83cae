import { kind, type ValueOf } from "../../kernel/index.ts";
import { rotationField, type Phase } from "../phase.ts";
import { sameWeek } from "./same-week.ts";

/** Exercises of a day take turns; what was said of any of them before gives way. */
export const definition = kind("rotation", { to: rotationField });

export function apply({ to }: ValueOf<{ definition: typeof definition }>, phase: Phase): Phase {
  const isOf = (lineage: (typeof to.members)[number]) => to.members.includes(lineage);
  return {
    ...phase,
    rotations: [
      ...phase.rotations.filter(
        ({ day, members }) => day !== to.day || !members.some((own) => isOf(own)),
      ),
      to,
    ],
    spans: phase.spans.filter(({ day, lineage }) => day !== to.day || !isOf(lineage)),
  };
}
export { sameWeek as weekAfter };
