import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import {
  SCHEMES,
  type ProgressionRule,
  type RuleBeginning,
  type Scheme,
} from "~/core/plan/index.ts";
import { SCHEME_NAMES } from "~/format/training.ts";
import { Select } from "../field.tsx";
import { steady } from "../steady.ts";
import type { ReportInvalid } from "./typed-cell.tsx";
import { RuleFields } from "./rule-fields.tsx";

/** Sets filled by a scheme, and how the exercise moves on. */
export const FillAndNext = steady(function FillAndNext({
  id,
  name,
  rule,
  from,
  onInvalid,
  onFill,
  onRule,
}: {
  readonly id: string;
  readonly name: string;
  readonly rule: ProgressionRule;
  /** What another rule begins from. */
  readonly from: RuleBeginning;
  readonly onInvalid: ReportInvalid;
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
      <Box sx={{ display: "flex", alignItems: "end", flexWrap: "wrap", gap: 0.75 }}>
        <Typography variant="overline" component="label" htmlFor={`${id}-rule`} sx={{ pb: 1.25 }}>
          Next time
        </Typography>
        <RuleFields
          id={`${id}-rule`}
          of={`next time for ${name}`}
          onInvalid={onInvalid}
          rule={rule}
          fallback={null}
          from={from}
          onRule={(change) => onRule((now) => change(now) ?? now)}
        />
      </Box>
    </>
  );
});
