import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { parseRest, writeRest, type NotationContext } from "~/core/plan/notation/index.ts";
import { roundsOf, type RotationBlock, type RotationRests } from "~/core/plan/index.ts";
import { formatRotation } from "~/format/training.ts";
import { readTyped } from "./read-typed.ts";
import { TypedCell, type ReportInvalid } from "./typed-cell.tsx";

/** Exercises taken in turn, framed together, with the rests that stand in for the sets' own. */
export function RotationFrame({
  block,
  notation,
  onRests,
  onSplit,
  onInvalid,
  children,
}: {
  readonly block: RotationBlock;
  readonly notation: NotationContext;
  readonly onRests: (rests: RotationRests) => void;
  readonly onSplit: () => void;
  readonly onInvalid: ReportInvalid;
  readonly children: React.ReactNode;
}) {
  const rounds = roundsOf(block);
  const name = formatRotation(block.members.length);
  const { restBetween, restAfterRound } = block;
  const read = (text: string) => readTyped(parseRest(text, notation));
  return (
    <Box
      component="section"
      aria-label={name}
      sx={{ borderLeft: 6, borderColor: "kravo.iron", pl: { xs: 1, md: 2 }, mb: 3.5 }}
    >
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center", mb: 1 }}>
        <Typography variant="overline" component="h2">
          {name}, {rounds} {rounds === 1 ? "round" : "rounds"}
        </Typography>
        <Typography variant="body2" component="span">
          rest between{" "}
          <TypedCell
            label="Rest between members"
            value={restBetween}
            show={writeRest}
            read={read}
            onValue={(to) => onRests({ restBetween: to, restAfterRound })}
            onInvalid={onInvalid}
            width={84}
          />
        </Typography>
        <Typography variant="body2" component="span">
          after a round{" "}
          <TypedCell
            label="Rest after a round"
            value={restAfterRound}
            show={writeRest}
            read={read}
            onValue={(to) => onRests({ restBetween, restAfterRound: to })}
            onInvalid={onInvalid}
            width={84}
          />
        </Typography>
        <Button size="small" onClick={onSplit}>
          Take apart
        </Button>
      </Box>
      {children}
    </Box>
  );
}
