import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Phase } from "~/core/phase/index.ts";
import { isPreparatory, linesOf, type Slot } from "~/core/plan/index.ts";
import { formatAmount } from "~/format/numbers.ts";
import { PlainInput } from "../../field.tsx";
import { Deed, type Of } from "./deed.tsx";

/** What the first work line of an exercise is to come to, and by which week. */
export function StatedTarget({
  document,
  slot,
  name,
  hidden,
  of,
}: {
  readonly document: Phase;
  readonly slot: Slot;
  readonly name: string;
  readonly hidden: Readonly<Record<string, string>>;
  readonly of: Of;
}) {
  const line = linesOf(slot).find(({ sets: [{ role }] }) => !isPreparatory(role));
  if (line === undefined) return <span />;
  const [{ target }] = line.sets;
  const stated = document.targets.find((own) => own.day === hidden["day"] && own.line === line.id);
  return (
    <Deed
      intent="target"
      of={of}
      hidden={{ ...hidden, line: line.id }}
      sx={{ display: "flex", gap: 0.75, alignItems: "center" }}
    >
      Target
      <Box sx={{ width: 66 }}>
        <PlainInput
          name="load"
          aria-label={`Target load of ${name}`}
          inputMode="decimal"
          placeholder="load"
          defaultValue={stated === undefined ? "" : formatAmount(stated.reading)}
          maxLength={10}
        />
      </Box>
      ×
      <Box sx={{ width: 46 }}>
        <PlainInput
          name="reps"
          aria-label={`Target reps of ${name}`}
          inputMode="numeric"
          defaultValue={stated?.reps ?? (target.kind === "reps" ? target.min : 8)}
          maxLength={3}
        />
      </Box>
      <span style={{ whiteSpace: "nowrap" }}>by week</span>
      <Box sx={{ width: 46 }}>
        <PlainInput
          name="week"
          aria-label={`Target week of ${name}`}
          inputMode="numeric"
          defaultValue={stated?.week ?? document.weeks.length}
          maxLength={2}
        />
      </Box>
      <Button type="submit" size="small" disabled={of.isBusy}>
        Set
      </Button>
    </Deed>
  );
}
