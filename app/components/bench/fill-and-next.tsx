import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import {
  PROGRESSION_KINDS,
  PROGRESSIONS,
  ruleOfKind,
  SCHEMES,
  type ProgressionRule,
  type RuleBeginning,
  type Scheme,
} from "~/core/plan/index.ts";
import type { MassUnit } from "~/core/kernel/index.ts";
import { PROGRESSION_FIELDS } from "~/format/fields.ts";
import { PROGRESSION_NAMES } from "~/format/progression.ts";
import { SCHEME_NAMES } from "~/format/training.ts";
import { Select } from "../field.tsx";
import { steady } from "../steady.ts";
import { KindFields } from "./set-form/kind-fields.tsx";

/** Sets filled by a scheme, and how the exercise moves on. */
export const FillAndNext = steady(function FillAndNext({
  id,
  name,
  rule,
  from,
  unit,
  onFill,
  onRule,
}: {
  readonly id: string;
  readonly name: string;
  readonly rule: ProgressionRule;
  /** What another rule begins from. */
  readonly from: RuleBeginning;
  readonly unit: MassUnit;
  readonly onFill: (scheme: Scheme) => void;
  readonly onRule: (change: (now: ProgressionRule) => ProgressionRule) => void;
}) {
  return (
    <>
      <Box sx={{ width: 150 }}>
        <Select
          aria-label={`Fill ${name} with`}
          value=""
          onChange={(event) => {
            const scheme = SCHEMES.find((known) => known === event.target.value);
            if (scheme !== undefined) onFill(scheme);
          }}
        >
          <option value="">Fill with …</option>
          {SCHEMES.map((scheme) => (
            <option key={scheme} value={scheme}>
              {SCHEME_NAMES[scheme]}
            </option>
          ))}
        </Select>
      </Box>
      <Box sx={{ display: "flex", alignItems: "center", gap: 0.75 }}>
        <Typography variant="overline" component="label" htmlFor={`${id}-rule`}>
          Next time
        </Typography>
        <Box sx={{ width: 210 }}>
          <Select
            id={`${id}-rule`}
            value={rule.kind}
            onChange={(event) => {
              const kind = PROGRESSION_KINDS.find((known) => known === event.target.value);
              if (kind !== undefined) onRule(() => ruleOfKind(kind, from));
            }}
          >
            {PROGRESSION_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {PROGRESSION_NAMES[kind]}
              </option>
            ))}
          </Select>
        </Box>
        <KindFields
          definition={PROGRESSIONS[rule.kind].definition}
          names={PROGRESSION_FIELDS[rule.kind]}
          value={rule}
          place={{ unit }}
          onChange={onRule}
        />
      </Box>
    </>
  );
});
