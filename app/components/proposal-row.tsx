import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Id, Mass } from "~/core/kernel/index.ts";
import type { Proposal } from "~/core/progress/index.ts";
import { howToMake, nextEasier, nextHarder, type Station } from "~/core/gym/index.ts";
import { formatAmount, formatMass } from "~/format/numbers.ts";
import { CONFIDENCE_NAMES, formatMove, formatReason } from "~/format/reasons.ts";
import { formatRecipe } from "~/format/training.ts";
import { FieldErrors, PlainInput } from "./field.tsx";
import { Tag } from "./page.tsx";

const ARROWS = { raise: "▲", keep: "■", lower: "▼" } as const;

interface ProposalRowProps {
  readonly slotId: Id<"slot">;
  readonly name: string;
  readonly station: Station | null;
  readonly proposal: Proposal;
  readonly ruling: {
    readonly decision: "accepted" | "overruled";
    readonly chosen: Mass | null;
    readonly reason: string;
    readonly shown: Pick<Proposal, "move" | "reading">;
  } | null;
  /** What was typed before a refusal, so that it stays. */
  readonly typed: Readonly<Record<string, string>> | null;
  readonly error: string | null;
  readonly isSettled: boolean;
}

/** What Kravo proposes for one exercise, why, and the coach's word on it. */
export function ProposalRow({
  slotId,
  name,
  station,
  proposal,
  ruling,
  typed,
  error,
  isSettled,
}: ProposalRowProps) {
  const [choice, setChoice] = useState<string | null>(
    typed?.[`choice:${slotId}`] ?? (proposal.mustRule ? null : "accept"),
  );
  const made = station && proposal.reading && howToMake(station.loading, proposal.reading);
  return (
    <Box
      component="section"
      aria-label={`Next time: ${name}`}
      sx={{
        display: "grid",
        gridTemplateColumns: { md: "minmax(0,1.1fr) minmax(0,2fr) minmax(0,1.2fr)" },
        columnGap: 3,
        rowGap: 1,
        py: 1.75,
        borderBottom: 1,
        borderColor: "divider",
      }}
    >
      <div>
        <Typography sx={{ fontWeight: 650 }}>{name}</Typography>
        <Typography variant="figure" component="p" sx={{ fontSize: "1.9rem" }}>
          <Box
            component="span"
            aria-hidden
            sx={{ fontSize: "0.6em", mr: 0.75, verticalAlign: "0.12em" }}
          >
            {ARROWS[proposal.move]}
          </Box>
          {formatMove(proposal)}
        </Typography>
        {made?.ok === true ? (
          <Typography variant="body2" sx={{ color: "text.secondary" }}>
            {formatRecipe(made.value.recipe)}
          </Typography>
        ) : null}
      </div>
      <Box>
        <Box component="ul" sx={{ m: 0, pl: 2.25 }}>
          {proposal.because.map((reason, i) => (
            <li key={i}>{formatReason(reason)}</li>
          ))}
        </Box>
        <Typography variant="body2" sx={{ color: "text.secondary", mt: 0.5 }}>
          {CONFIDENCE_NAMES[proposal.confidence]}
        </Typography>
      </Box>
      <div>
        {isSettled ? (
          <RulingText ruling={ruling} />
        ) : (
          <>
            {proposal.mustRule ? <Tag tone="strong">your word is needed</Tag> : null}
            <Box
              role="radiogroup"
              aria-label={`Decision for ${name}`}
              sx={{ display: "flex", gap: 2, minHeight: 36, alignItems: "center" }}
            >
              {(["accept", "overrule"] as const).map((value) => (
                <Box
                  component="label"
                  key={value}
                  sx={{ display: "flex", gap: 0.75, alignItems: "center", minHeight: 32 }}
                >
                  <input
                    type="radio"
                    name={`choice:${slotId}`}
                    value={value}
                    checked={choice === value}
                    onChange={() => setChoice(value)}
                  />
                  {value === "accept" ? "Take it" : "Overrule"}
                </Box>
              ))}
            </Box>
            {choice === "overrule" ? (
              <Overruling
                slotId={slotId}
                station={station}
                proposal={proposal}
                typed={typed}
                name={name}
              />
            ) : null}
            <FieldErrors id={`${slotId}-error`} errors={error === null ? undefined : [error]} />
          </>
        )}
      </div>
    </Box>
  );
}

function RulingText({ ruling }: { readonly ruling: ProposalRowProps["ruling"] }) {
  if (ruling === null) return null;
  // What was taken is what was shown then, whatever the log says since.
  if (ruling.decision === "accepted")
    return <Typography>Taken as proposed: {formatMove(ruling.shown)}.</Typography>;
  return (
    <Typography>
      Overruled{ruling.chosen === null ? "" : `: ${formatMass(ruling.chosen)}`}. “{ruling.reason}”
    </Typography>
  );
}

function Overruling({
  slotId,
  station,
  proposal,
  typed,
  name,
}: Pick<ProposalRowProps, "slotId" | "station" | "proposal" | "typed" | "name">) {
  const base = proposal.from ?? proposal.reading;
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
        name={`load:${slotId}`}
        aria-label={`Load for ${name}, ${station?.loading.unit ?? "kg"}`}
        list={`near-${slotId}`}
        inputMode="decimal"
        defaultValue={typed?.[`load:${slotId}`] ?? (base === null ? "" : formatAmount(base))}
      />
      <datalist id={`near-${slotId}`}>
        {near.map((reading) => (
          <option key={reading.thousandths} value={formatAmount(reading)} />
        ))}
      </datalist>
      <PlainInput
        name={`reason:${slotId}`}
        aria-label={`Reason for ${name}`}
        placeholder="Reason, kept with the decision"
        maxLength={500}
        defaultValue={typed?.[`reason:${slotId}`] ?? ""}
      />
    </Box>
  );
}
