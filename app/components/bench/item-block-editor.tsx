import Box from "@mui/material/Box";
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
import { formatMinutes, plural } from "~/format/numbers.ts";
import { formatItem } from "~/format/prescription.ts";
import { BLOCK_NAMES } from "~/format/training.ts";
import { useCatalogue } from "../catalogue.ts";
import { readTyped } from "./read-typed.ts";
import { TypedCell, type ReportInvalid } from "./typed-cell.tsx";
import { useMuscles } from "../wording.ts";
import { Row } from "./row.tsx";
import { RowButtons } from "./row-buttons.tsx";
import { useKeptOpen } from "./use-kept-open.ts";

/** Preparation, conditioning or restoration: drills and checks as a line, and in words below it. */
export function ItemBlockEditor({
  block,
  notation,
  newId,
  isOpen,
  onOpen,
  onChange,
  onMove,
  onRemove,
  onInvalid: report,
}: {
  readonly block: ItemBlock;
  readonly notation: NotationContext;
  readonly newId: NewId;
  readonly isOpen: boolean;
  readonly onOpen: (isOpen: boolean) => void;
  readonly onChange: (to: ItemsOfBlock) => void;
  readonly onMove: (by: -1 | 1) => void;
  readonly onRemove: () => void;
  readonly onInvalid: ReportInvalid;
}) {
  const muscles = useMuscles();
  const { find } = useCatalogue();
  const { isShown, onInvalid } = useKeptOpen(isOpen, report);
  const { items, rounds, restAfterRound } = block;
  const name = BLOCK_NAMES[block.kind];
  const duration = sessionDuration(unrollItems(block, find));
  return (
    <Row
      id={block.id}
      label={name}
      head={{
        number: null,
        name,
        about: plural(items.length, "part"),
        line: isShown ? null : items.map((item) => formatItem(item, find, muscles)).join(" · "),
        minutes: formatMinutes(duration.likely),
        sets: "",
      }}
      trouble={null}
      isOpen={isShown}
      onOpen={() => onOpen(!isOpen)}
      onClose={() => (isOpen ? onOpen(false) : undefined)}
      onRemove={onRemove}
    >
      <RowButtons name={name} onMove={onMove} onRemove={onRemove} />
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
    </Row>
  );
}
