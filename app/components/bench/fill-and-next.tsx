import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { SCHEMES, type ProgressionRule, type Scheme } from "~/core/plan/index.ts";
import { SCHEME_NAMES } from "~/format/training.ts";
import { Select } from "../field.tsx";
import { steady } from "../steady.ts";

/** Sets filled by a scheme, and how the exercise moves on. */
export const FillAndNext = steady(function FillAndNext({
  id,
  name,
  rule,
  onFill,
  onRule,
}: {
  readonly id: string;
  readonly name: string;
  readonly rule: ProgressionRule["kind"];
  readonly onFill: (scheme: Scheme) => void;
  readonly onRule: (rule: ProgressionRule["kind"]) => void;
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
        <Box sx={{ width: 180 }}>
          <Select
            id={`${id}-rule`}
            value={rule}
            onChange={(event) =>
              onRule(event.target.value === "keepLoad" ? "keepLoad" : "doubleProgression")
            }
          >
            <option value="doubleProgression">Double progression</option>
            <option value="keepLoad">Keep the load</option>
          </Select>
        </Box>
      </Box>
    </>
  );
});
