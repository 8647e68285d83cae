import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { MassUnit } from "~/core/kernel/index.ts";
import { beginningOf, isPreparatory, linesOf, withRule, type Slot } from "~/core/plan/index.ts";
import { formatLine } from "~/format/prescription.ts";
import { PROGRESSION_NAMES } from "~/format/progression.ts";
import { Disclosure } from "../disclosure.tsx";
import type { ReportInvalid } from "./typed-cell.tsx";
import { RuleFields } from "./rule-fields.tsx";

/** A rule of its own for each line of an exercise that has several: the top set by RIR, the back-offs by reps. */
export function LineRules({
  slot,
  name,
  unit,
  onInvalid,
  onChange,
}: {
  readonly slot: Slot;
  readonly name: string;
  readonly unit: MassUnit;
  readonly onInvalid: ReportInvalid;
  readonly onChange: (change: (now: Slot) => Slot) => void;
}) {
  const lines = linesOf(slot).filter(({ sets: [first] }) => !isPreparatory(first.role));
  if (lines.length < 2) return null;
  const own = lines.filter(({ id }) => slot.lines.some((line) => line.id === id)).length;
  return (
    <Disclosure
      summary={`Next time, line by line${own === 0 ? "" : ` · ${own} of ${lines.length} with a rule of their own`}`}
      dense
    >
      {lines.map(({ id, sets }) => (
        <Box
          key={id}
          sx={{ display: "flex", alignItems: "end", flexWrap: "wrap", gap: 1, py: 0.5 }}
        >
          <Typography sx={{ minWidth: 220, alignSelf: "center" }}>{formatLine(sets)}</Typography>
          <RuleFields
            id={`${id}-rule`}
            of={`next time for ${name}, ${formatLine(sets)}`}
            onInvalid={onInvalid}
            label={`Next time for ${name}, ${formatLine(sets)}`}
            rule={slot.lines.find((line) => line.id === id)?.rule ?? null}
            fallback={`As the exercise: ${PROGRESSION_NAMES[slot.progression.kind].toLowerCase()}`}
            from={beginningOf(sets, unit)}
            onRule={(change) =>
              onChange((now) =>
                withRule(now, id, change(now.lines.find((line) => line.id === id)?.rule ?? null)),
              )
            }
          />
        </Box>
      ))}
    </Disclosure>
  );
}
