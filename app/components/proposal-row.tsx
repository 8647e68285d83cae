import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { fieldOf, type NamedLine } from "~/codec/decisions.ts";
import type { Mass } from "~/core/kernel/index.ts";
import {
  shownMark,
  type LineRecord,
  type Proposal,
  type RuledLine,
} from "~/core/progress/index.ts";
import { howToMake, nextEasier, nextHarder, type Station } from "~/core/gym/index.ts";
import { formatAmount, formatMass } from "~/format/numbers.ts";
import { formatChange, formatProposal, formatRuling, formatWay } from "~/format/progression.ts";
import { sentence } from "~/format/sentence.ts";
import { formatRecipe } from "~/format/training.ts";
import { FieldErrors, PlainInput } from "./field.tsx";
import { LineWhy } from "./line-why.tsx";
import { Tag } from "./page.tsx";

const ARROWS = { raise: "▲", keep: "■", lower: "▼", asPlanned: "·" } as const;

interface ProposalRowProps {
  /** The line that is decided about, as the form names it. */
  readonly at: NamedLine;
  /** What it is called, where it is one of several: "Back squat, top set 5". */
  readonly name: string;
  /** What stands above it: the exercise, or the line alone below an exercise that is named already. */
  readonly heading: string;
  readonly station: Station | null;
  readonly proposal: Proposal;
  /** Where it is said what does not matter when its sessions are compared. */
  readonly comparingAt: string;
  /** What was done now and last time; null for a drop. */
  readonly record: LineRecord | null;
  /** The loads that its drops come to. */
  readonly drops: readonly (Mass | null)[];
  readonly ruling: RuledLine | null;
  /** What was typed before a refusal, so that it stays. */
  readonly typed: Readonly<Record<string, string>> | null;
  readonly error: string | null;
  readonly isSettled: boolean;
}

/** What can be said to a proposal: yes, one of its other ways, or another load. */
function choicesOf({
  ways,
}: Proposal): readonly { readonly value: string; readonly text: string }[] {
  return [
    { value: "accept", text: "Accept" },
    ...ways.flatMap((way) =>
      way.step === null ? [] : [{ value: way.code, text: formatWay(way) }],
    ),
    { value: "overrule", text: "Change" },
  ];
}

/** What the coach said of a line before the next session is planned, as its choice; null where nothing was said. */
function saidOf(ruling: RuledLine | null): string | null {
  if (ruling === null) return null;
  return ruling.decision === "overruled" ? "overrule" : (ruling.way ?? "accept");
}

/** One line of an exercise next time: what, why, and the decision beside each other. */
export function ProposalFrame({
  name,
  children,
}: {
  readonly name: string;
  readonly children: React.ReactNode;
}) {
  return (
    <Box
      component="section"
      aria-label={`Next time: ${name}`}
      sx={{
        display: "grid",
        gridTemplateColumns: { md: "minmax(0,1.1fr) minmax(0,2fr) minmax(0,1.2fr)" },
        columnGap: 3,
        rowGap: 1,
        pt: 1.75,
        pb: 0.75,
      }}
    >
      {children}
    </Box>
  );
}

/** The load that comes next and what else changes, large. */
export function ProposedStep({
  proposal,
  size,
}: {
  readonly proposal: Proposal;
  readonly size: string;
}) {
  return (
    <>
      <Typography variant="figure" component="p" sx={{ fontSize: size }}>
        <Box
          component="span"
          aria-hidden
          sx={{ fontSize: "0.6em", mr: 0.75, verticalAlign: "0.12em" }}
        >
          {ARROWS[proposal.move]}
        </Box>
        {formatProposal(proposal)}
      </Typography>
      {proposal.changes.map((change, i) => (
        <Typography key={i} sx={{ fontWeight: 550 }}>
          {sentence(formatChange(change))}
        </Typography>
      ))}
    </>
  );
}

/** What Kravo proposes for one exercise, why, and the coach's word on it. */
export function ProposalRow({
  at,
  name,
  heading,
  station,
  proposal,
  comparingAt,
  record,
  drops,
  ruling,
  typed,
  error,
  isSettled,
}: ProposalRowProps) {
  const [choice, setChoice] = useState<string | null>(
    typed?.[fieldOf("choice", at)] ?? saidOf(ruling) ?? (proposal.mustRule ? null : "accept"),
  );
  const isLong = choicesOf(proposal).length > 2;
  const made = station && proposal.reading && howToMake(station.loading, proposal.reading);
  return (
    <ProposalFrame name={name}>
      <div>
        <Typography sx={{ fontWeight: 650 }}>{heading}</Typography>
        <ProposedStep proposal={proposal} size="1.9rem" />
        {made?.ok === true ? (
          <Typography variant="body2" sx={{ color: "text.secondary" }}>
            {formatRecipe(made.value.recipe)}
          </Typography>
        ) : null}
        {drops.length === 0 ? null : (
          <Typography variant="body2" sx={{ color: "text.secondary" }}>
            {`drops to ${drops.map((drop) => (drop === null ? "open" : formatMass(drop))).join(", then ")}`}
          </Typography>
        )}
      </div>
      <LineWhy
        proposal={proposal}
        record={record}
        comparingAt={comparingAt}
        unit={station?.loading.unit ?? "kg"}
      />
      <div>
        {isSettled ? (
          <RulingText ruling={ruling} />
        ) : (
          <>
            {proposal.mustRule ? <Tag tone="strong">your decision</Tag> : null}
            <input type="hidden" name={fieldOf("shown", at)} value={shownMark(proposal)} />
            <Box
              role="radiogroup"
              aria-label={`Decision for ${name}`}
              sx={{
                display: "flex",
                columnGap: 2,
                minHeight: 36,
                flexDirection: isLong ? "column" : "row",
              }}
            >
              {choicesOf(proposal).map(({ value, text }) => (
                <Box
                  component="label"
                  key={value}
                  sx={{
                    display: "flex",
                    gap: 0.75,
                    alignItems: "start",
                    minHeight: 32,
                    "& input": { flexShrink: 0, mt: "4px" },
                  }}
                >
                  <input
                    type="radio"
                    name={fieldOf("choice", at)}
                    value={value}
                    checked={choice === value}
                    onChange={() => setChoice(value)}
                  />
                  {text}
                </Box>
              ))}
            </Box>
            {choice === "overrule" ? (
              <Overruling
                at={at}
                station={station}
                proposal={proposal}
                typed={typed}
                name={name}
                ruling={ruling}
              />
            ) : null}
            <FieldErrors id={`${at.line}-error`} errors={error === null ? undefined : [error]} />
          </>
        )}
      </div>
    </ProposalFrame>
  );
}

export function RulingText({ ruling }: { readonly ruling: ProposalRowProps["ruling"] }) {
  return ruling === null ? null : <Typography>{formatRuling(ruling)}</Typography>;
}

function Overruling({
  at,
  station,
  proposal,
  typed,
  name,
  ruling,
}: Pick<ProposalRowProps, "at" | "station" | "proposal" | "typed" | "name" | "ruling">) {
  const said = ruling?.decision === "overruled" ? ruling : null;
  const base = proposal.from ?? proposal.reading;
  const load = said?.chosen ?? base;
  const near =
    base === null || station === null
      ? []
      : [
          nextEasier(station.loading, base),
          { reading: base },
          nextHarder(station.loading, base),
        ].flatMap((l) => (l === null ? [] : [l.reading]));
  return (
    <Box sx={{ display: "grid", gap: 0.75 }}>
      <PlainInput
        name={fieldOf("load", at)}
        aria-label={`Load for ${name}, ${station?.loading.unit ?? "kg"}`}
        list={`near-${at.line}`}
        inputMode="decimal"
        defaultValue={typed?.[fieldOf("load", at)] ?? (load === null ? "" : formatAmount(load))}
      />
      <datalist id={`near-${at.line}`}>
        {near.map((reading) => (
          <option key={reading.thousandths} value={formatAmount(reading)} />
        ))}
      </datalist>
      <PlainInput
        name={fieldOf("reason", at)}
        aria-label={`Reason for ${name}`}
        placeholder="Reason, kept with the decision"
        maxLength={500}
        defaultValue={typed?.[fieldOf("reason", at)] ?? said?.reason ?? ""}
      />
    </Box>
  );
}
