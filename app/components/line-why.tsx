import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import type { MassUnit } from "~/core/kernel/index.ts";
import type { LineRecord, Proposal } from "~/core/progress/index.ts";
import { formatExposure, formatGained, formatSeries } from "~/format/exposure.ts";
import { formatWay, PROGRESSION_NAMES } from "~/format/progression.ts";
import { CONFIDENCE_NAMES, formatDifference, formatReason } from "~/format/reasons.ts";
import { sentence } from "~/format/sentence.ts";
import { Disclosure } from "./disclosure.tsx";
import { useMuscles } from "./wording.ts";

/** Why: now against last time, the first reason, and on request the others, the rule and what is sure of it. */
export function LineWhy({
  proposal,
  record,
  comparingAt,
  unit,
}: {
  readonly proposal: Proposal;
  readonly comparingAt: string;
  readonly record: LineRecord | null;
  readonly unit: MassUnit;
}) {
  const muscles = useMuscles();
  const rule = record === null ? [] : [`Rule: ${PROGRESSION_NAMES[record.rule.kind]}.`];
  const sure = `${sentence(CONFIDENCE_NAMES[proposal.confidence])}.`;
  const told = [...proposal.because.map((reason) => formatReason(reason, muscles)), ...rule, sure];
  const [first, ...others] = told;
  const arranged = proposal.ways.filter(({ step }) => step === null).map(formatWay);
  return (
    <Box>
      {record === null ? null : <LineFacts record={record} comparingAt={comparingAt} unit={unit} />}
      {proposal.mustRule ? (
        <Box component="ul" sx={{ m: 0, pl: 2.25 }}>
          {told.map((text, i) => (
            <li key={i}>{text}</li>
          ))}
        </Box>
      ) : (
        <>
          <Typography>{first}</Typography>
          <Disclosure summary="Why" dense>
            <Box component="ul" sx={{ m: 0, pl: 2.25 }}>
              {others.map((text, i) => (
                <li key={i}>{text}</li>
              ))}
            </Box>
          </Disclosure>
        </>
      )}
      {arranged.length === 0 ? null : (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          Also: {arranged.join(" · ")}
        </Typography>
      )}
    </Box>
  );
}

/** What a line was done with now and last time, what differed, and how it has come in its series. */
export function LineFacts({
  record,
  comparingAt,
  unit,
}: {
  readonly record: LineRecord;
  readonly comparingAt: string;
  readonly unit: MassUnit;
}) {
  if (record.now === null) return null;
  return (
    <Box
      component="dl"
      sx={{
        m: 0,
        mb: 0.75,
        display: "grid",
        gridTemplateColumns: "auto 1fr",
        columnGap: 1.25,
        "& dt": { color: "text.secondary" },
        "& dd": { m: 0, fontVariantNumeric: "tabular-nums" },
      }}
    >
      <dt>Now</dt>
      <dd>{formatExposure(record.now)}</dd>
      <dt>Last</dt>
      <dd>
        {record.before === null
          ? record.differences.length === 0
            ? "first time here"
            : "nothing that compares"
          : formatExposure(record.before)}
      </dd>
      {record.differences.length === 0 ? null : (
        <>
          <dt>Other</dt>
          <dd>
            {record.differences.map(formatDifference).join(", ")} ·{" "}
            <Link to={comparingAt}>does not matter?</Link>
          </dd>
        </>
      )}
      {record.gained === null ? null : (
        <>
          <dt>Change</dt>
          <dd>{formatGained(record.gained, unit)}</dd>
        </>
      )}
      {record.series === null ? null : (
        <>
          <dt>Series</dt>
          <dd>{formatSeries(record.series, unit)}</dd>
        </>
      )}
    </Box>
  );
}
