import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { sessionDuration, unrollItems } from "~/core/unroll/index.ts";
import { type NewId, count, fail, ok } from "~/core/kernel/index.ts";
import {
  parseItems,
  parseRest,
  writeItems,
  writeRest,
  type NotationContext,
} from "~/core/plan/notation/index.ts";
import { isWithin, type ItemBlock, type ItemsOfBlock } from "~/core/plan/index.ts";
import { formatMinutes } from "~/format/numbers.ts";
import { formatItem } from "~/format/prescription.ts";
import { BLOCK_NAMES } from "~/format/training.ts";
import { useCatalogue } from "../catalogue.ts";
import { readTyped } from "./read-typed.ts";
import { TypedCell, type ReportInvalid } from "./typed-cell.tsx";
import { useMuscles } from "../wording.ts";

/** Preparation, conditioning or restoration: drills and checks as a line, and in words below it. */
export function ItemBlockEditor({
  block,
  notation,
  newId,
  onChange,
  onMove,
  onRemove,
  onInvalid,
}: {
  readonly block: ItemBlock;
  readonly notation: NotationContext;
  readonly newId: NewId;
  readonly onChange: (to: ItemsOfBlock) => void;
  readonly onMove: (by: -1 | 1) => void;
  readonly onRemove: () => void;
  readonly onInvalid: ReportInvalid;
}) {
  const muscles = useMuscles();
  const { find } = useCatalogue();
  const { items, rounds, restAfterRound } = block;
  const name = BLOCK_NAMES[block.kind];
  const duration = sessionDuration(unrollItems(block, find));
  return (
    <Box
      component="section"
      aria-label={name}
      sx={{ borderTop: 2, borderColor: "kravo.ink", pt: 1, mb: 3.5 }}
    >
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", gap: 1.5, mb: 0.5 }}>
        <Typography variant="h2">{name}</Typography>
        <Typography variant="body2" sx={{ color: "text.secondary", flexGrow: 1 }}>
          {formatMinutes(duration.likely)}
        </Typography>
        <Button size="small" onClick={() => onMove(-1)} aria-label={`Move ${name} up`}>
          ↑
        </Button>
        <Button size="small" onClick={() => onMove(1)} aria-label={`Move ${name} down`}>
          ↓
        </Button>
        <Button size="small" onClick={onRemove} aria-label={`Remove ${name}`}>
          Remove
        </Button>
      </Box>
      <TypedCell
        label={`${name}, what is done`}
        value={items}
        show={(value) => writeItems(value, notation)}
        read={(text) => readTyped(parseItems(text, items, notation, newId))}
        onValue={(to) => onChange({ items: to, rounds, restAfterRound })}
        onInvalid={onInvalid}
        width="100%"
        placeholder='pulse-raiser "Bike" 5 min felt 4; mobility "Ankle rocks" 12 left then right'
      />
      <Box component="ol" sx={{ mt: 0.5, mb: 1, pl: 3 }}>
        {items.map((item) => (
          <li key={item.id}>{formatItem(item, find, muscles)}</li>
        ))}
      </Box>
      <Typography variant="body2" component="div">
        Rounds{" "}
        <TypedCell
          label={`${name}, rounds`}
          value={rounds}
          show={String}
          read={(text) => {
            const n = Number(text.trim() === "" ? NaN : text);
            return Number.isInteger(n) && isWithin(n, "repeats")
              ? ok(count(n))
              : fail("Expected 1 to 60 rounds.");
          }}
          onValue={(to) => onChange({ items, rounds: to, restAfterRound })}
          onInvalid={onInvalid}
          width={54}
        />{" "}
        rest after a round{" "}
        <TypedCell
          label={`${name}, rest after a round`}
          value={restAfterRound}
          show={writeRest}
          read={(text) => readTyped(parseRest(text, notation))}
          onValue={(to) => onChange({ items, rounds, restAfterRound: to })}
          onInvalid={onInvalid}
          width={84}
        />
      </Typography>
    </Box>
  );
}
