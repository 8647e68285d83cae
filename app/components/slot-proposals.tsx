import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import type { NamedLine } from "~/codec/decisions.ts";
import type { Station } from "~/core/gym/index.ts";
import type { Id, Mass } from "~/core/kernel/index.ts";
import { lastKey } from "~/core/log/index.ts";
import { isPreparatory, linesOf, type Slot } from "~/core/plan/index.ts";
import type { LineProposal, LineRecord, Outcome, RuledLine } from "~/core/progress/index.ts";
import { formatMass } from "~/format/numbers.ts";
import { formatLine } from "~/format/prescription.ts";
import { formatReason } from "~/format/reasons.ts";
import { sentence } from "~/format/sentence.ts";
import { ProposalFrame, ProposalRow } from "./proposal-row.tsx";
import { useMuscles } from "./wording.ts";

interface ProposedLine {
  readonly now: LineProposal;
  readonly ruling: RuledLine | null;
}

/** What a line is called: the exercise alone where it has no other, else with what the line asks. */
export function nameOfLine(name: string, slot: Slot, line: Id<"line">): string {
  const text = lineText(slot, line);
  return text === null ? name : `${name}, ${text}`;
}

/** The line in words, where the exercise has others besides its preparation. */
export function lineText(slot: Slot, line: Id<"line">): string | null {
  const lines = linesOf(slot).filter(({ sets: [first] }) => !isPreparatory(first.role));
  const own = lines.find(({ id }) => id === line);
  return own === undefined || lines.length === 1 ? null : formatLine(own.sets);
}

/** What Kravo proposes for the lines of one exercise: those to decide about, and those that follow. */
export function SlotProposals({
  slot,
  personAt,
  name,
  station,
  lines,
  records,
  outcomes,
  written,
  typed,
  problem,
  isSettled,
}: {
  readonly slot: Slot;
  /** Where the client's page is. */
  readonly personAt: string;
  readonly name: string;
  readonly station: Station | null;
  readonly lines: readonly ProposedLine[];
  readonly records: readonly LineRecord[];
  readonly outcomes: readonly Outcome[];
  /** The exercise where everything is accepted, as it is written. */
  readonly written: string;
  readonly typed: Readonly<Record<string, string>> | null;
  readonly problem: (NamedLine & { readonly text: string }) | null;
  readonly isSettled: boolean;
}) {
  const isOne = lines.length === 1;
  const at = encodeURIComponent(lastKey(slot.movement, slot.station));
  return (
    <>
      {isOne ? null : (
        <Typography component="h3" sx={{ fontWeight: 650, pt: 2 }}>
          {name}
        </Typography>
      )}
      {lines.map(({ now, ruling }) => {
        const text = sentence(lineText(slot, now.line) ?? name);
        const [first = null, ...drops] = outcomes.find((o) => o.line === now.line)?.readings ?? [];
        return now.isDecided ? (
          <ProposalRow
            key={now.line}
            at={{ slotId: slot.id, line: now.line }}
            name={nameOfLine(name, slot, now.line)}
            heading={isOne ? name : text}
            station={station}
            proposal={now}
            comparingAt={`${personAt}/comparing?at=${at}`}
            record={records.find(({ line }) => line === now.line) ?? null}
            drops={isSettled ? [] : drops}
            ruling={ruling}
            typed={typed}
            error={problem?.line === now.line ? problem.text : null}
            isSettled={isSettled}
          />
        ) : (
          <Following
            key={now.line}
            name={nameOfLine(name, slot, now.line)}
            heading={isOne ? name : text}
            proposal={now}
            reading={isSettled ? null : first}
            isSettled={isSettled}
          />
        );
      })}
      {isSettled || lines.length === 0 ? null : (
        <Typography
          variant="body2"
          component="p"
          sx={{ py: 0.75, borderBottom: 1, borderColor: "divider" }}
        >
          <Box component="span" sx={{ color: "text.secondary" }}>
            Planned if accepted:{" "}
          </Box>
          <Box component="span" sx={{ fontVariantNumeric: "tabular-nums" }}>
            {written}
          </Box>
          {" · "}
          <Link to={`${personAt}/when?at=${at}`} aria-label={`Project a load of ${name}`}>
            Project a load
          </Link>
        </Typography>
      )}
    </>
  );
}

/** A line whose load follows from something else: there is nothing to decide. */
function Following({
  name,
  heading,
  proposal,
  reading,
  isSettled,
}: {
  readonly name: string;
  readonly heading: string;
  readonly proposal: LineProposal;
  readonly reading: Mass | null;
  readonly isSettled: boolean;
}) {
  const muscles = useMuscles();
  return (
    <ProposalFrame name={name}>
      <div>
        <Typography sx={{ fontWeight: 650 }}>{heading}</Typography>
        <Typography variant="figure" component="p" sx={{ fontSize: "1.4rem" }}>
          {reading === null ? (isSettled ? "Follows" : "On the day") : formatMass(reading)}
        </Typography>
        {reading === null ? null : (
          <Typography variant="body2" sx={{ color: "text.secondary" }}>
            where the proposals above are accepted
          </Typography>
        )}
      </div>
      <Typography sx={{ alignSelf: "center" }}>
        {proposal.because.map((reason) => formatReason(reason, muscles)).join(" ")}
      </Typography>
    </ProposalFrame>
  );
}
