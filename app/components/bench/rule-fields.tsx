import Box from "@mui/material/Box";
import { useMemo } from "react";
import {
  PROGRESSION_KINDS,
  PROGRESSIONS,
  ruleOfKind,
  type ProgressionRule,
  type RuleBeginning,
} from "~/core/plan/index.ts";
import { PROGRESSION_FIELDS } from "~/format/fields.ts";
import { PROGRESSION_NAMES } from "~/format/progression.ts";
import { Select } from "../field.tsx";
import type { ReportInvalid } from "./typed-cell.tsx";
import { FormPlaceContext } from "./set-form/form-fields.tsx";
import { KindFields } from "./set-form/kind-fields.tsx";

/** A way to progress with its parameters; where there is one to fall back on, that can be chosen too. */
export function RuleFields({
  id,
  of,
  label,
  onInvalid,
  rule,
  fallback,
  from,
  onRule,
}: {
  readonly id: string;
  /** What its fields are of: "next time for back squat". */
  readonly of: string;
  readonly onInvalid: ReportInvalid;
  /** The name of the choice, where no label stands beside it. */
  readonly label?: string;
  /** Null where it goes by the fallback. */
  readonly rule: ProgressionRule | null;
  /** What it is called to have no rule of its own; null where there has to be one. */
  readonly fallback: string | null;
  /** What another rule begins from. */
  readonly from: RuleBeginning;
  readonly onRule: (change: (now: ProgressionRule | null) => ProgressionRule | null) => void;
}) {
  const place = useMemo(() => ({ of, onInvalid }), [of, onInvalid]);
  return (
    <FormPlaceContext value={place}>
      <Box sx={{ width: 210 }}>
        <Select
          id={id}
          aria-label={label}
          value={rule?.kind ?? ""}
          onChange={(event) => {
            const kind = PROGRESSION_KINDS.find((known) => known === event.target.value) ?? null;
            onRule(() => kind && ruleOfKind(kind, from));
          }}
        >
          {fallback === null ? null : <option value="">{fallback}</option>}
          {PROGRESSION_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {PROGRESSION_NAMES[kind]}
            </option>
          ))}
        </Select>
      </Box>
      {rule === null ? null : (
        <KindFields
          definition={PROGRESSIONS[rule.kind].definition}
          names={PROGRESSION_FIELDS[rule.kind]}
          value={rule}
          place={{ unit: from.unit }}
          onChange={(change) => onRule((now) => (now === null ? now : change(now)))}
        />
      )}
    </FormPlaceContext>
  );
}
