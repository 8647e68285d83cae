import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { lastKey, type Exposure } from "~/core/log/index.ts";
import type { Standing, StandingLine } from "~/core/progress/index.ts";
import { formatBest, formatHowSet, formatSetsDone } from "~/format/exposure.ts";
import { formatShortDay } from "~/format/numbers.ts";
import { formatStep } from "~/format/progression.ts";
import { sentence } from "~/format/sentence.ts";

import { Disclosure } from "./disclosure.tsx";
import { LineFacts, LineWhy } from "./line-why.tsx";
import { Tag } from "./page.tsx";
import { lineText, nameOfLine } from "./slot-proposals.tsx";
import { ProposalFrame, ProposedStep, RulingText } from "./proposal-row.tsx";

/** How an exercise of a client stands: each line now, last time and next, with why; its bests and latest sessions. */
export function ExerciseStanding({
  of: { slot, station, session, lines, bests, latest },
  name,
  personAt,
}: {
  readonly of: Standing;
  readonly name: string;
  /** Where the client's page is. */
  readonly personAt: string;
}) {
  const at = encodeURIComponent(lastKey(slot.movement, slot.station));
  const comparingAt = `${personAt}/comparing?at=${at}`;
  const unit = station.loading.unit;
  return (
    <Box
      component="article"
      aria-label={name}
      sx={{ borderBottom: 1, borderColor: "divider", pb: 1.5 }}
    >
      {lines.map((line, i) => {
        const isLast = i === lines.length - 1;
        return (
          <ProposalFrame key={line.proposal.line} name={nameOfLine(name, slot, line.proposal.line)}>
            <div>
              {i > 0 ? null : <Heading name={name} station={station.name} bests={bests} />}
              {lines.length === 1 ? null : (
                <Typography sx={{ mt: i > 0 ? 0 : 0.5 }}>
                  {sentence(lineText(slot, line.proposal.line) ?? "")}
                </Typography>
              )}
            </div>
            <div>
              {line.ruling === null && line.proposal.isDecided ? (
                <LineWhy
                  proposal={line.proposal}
                  record={line.record}
                  comparingAt={comparingAt}
                  unit={unit}
                />
              ) : (
                <LineFacts record={line.record} comparingAt={comparingAt} unit={unit} />
              )}
              {isLast ? <Latest exposures={latest} /> : null}
            </div>
            <div>
              <Next line={line} at={`/runs/${session}`} />
              {isLast ? (
                <Link to={`${personAt}/when?at=${at}`} aria-label={`Project a load of ${name}`}>
                  Project a load
                </Link>
              ) : null}
            </div>
          </ProposalFrame>
        );
      })}
    </Box>
  );
}

function Heading({
  name,
  station,
  bests,
}: Pick<Standing, "bests"> & { readonly name: string; readonly station: string }) {
  return (
    <>
      <Typography component="h3" sx={{ fontWeight: 650 }}>
        {name}
      </Typography>
      <Typography variant="body2" sx={{ color: "text.secondary" }}>
        {station}
      </Typography>
      {bests.map((best, i) => (
        <Typography
          key={`${best.counted} ${best.reading.thousandths} ${best.amount}`}
          variant="body2"
          sx={{ mt: i === 0 ? 0.75 : 0 }}
        >
          {i === 0 ? "Best " : ""}
          <b className="figure">{formatBest(best)}</b>{" "}
          <Box component="span" sx={{ color: "text.secondary" }}>
            {formatHowSet(best)}
          </Box>
        </Typography>
      ))}
    </>
  );
}

function Latest({ exposures }: { readonly exposures: readonly Exposure[] }) {
  if (exposures.length < 2) return null;
  return (
    <Disclosure summary={`Latest ${exposures.length} sessions`} dense>
      <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 3, rowGap: 0.5 }}>
        {exposures.map((exposure) => (
          <div key={exposure.sessionLogId}>
            <Typography
              component="span"
              variant="overline"
              sx={{ color: "text.secondary", display: "block" }}
            >
              {formatShortDay(exposure.day)}
            </Typography>
            <span className="figure">{formatSetsDone(exposure.sets)}</span>
          </div>
        ))}
      </Box>
    </Disclosure>
  );
}

/** What comes next: what was ruled, or what is proposed with the way to where it is decided. */
function Next({
  line: { proposal, ruling },
  at,
}: {
  readonly line: StandingLine;
  readonly at: string;
}) {
  if (!proposal.isDecided) return <Typography>Next: follows from another line.</Typography>;
  if (ruling !== null)
    return (
      <div>
        <Typography sx={{ color: "text.secondary" }}>Next</Typography>
        <RulingText ruling={ruling} />
      </div>
    );
  return (
    <div>
      <Typography sx={{ color: "text.secondary" }}>Next</Typography>
      <ProposedStep proposal={proposal} size="1.6rem" />
      {proposal.mustRule ? <Tag tone="strong">your decision</Tag> : null}{" "}
      <Link to={at} aria-label={`Decide: ${formatStep(proposal)}`}>
        Decide
      </Link>
    </div>
  );
}
