import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Id } from "~/core/kernel/index.ts";
import type { CommandBody } from "~/core/log/index.ts";
import type { FindMovement } from "~/core/movement/index.ts";
import { isItemBlock, slotsOfBlock, type ItemBlock, type SessionPlan } from "~/core/plan/index.ts";
import { formatSkipped } from "~/format/warnings.ts";
import { formatItem } from "~/format/prescription.ts";
import { BLOCK_NAMES } from "~/format/training.ts";
import { TOUCH } from "../../theme/tokens.ts";
import { useMuscles } from "../wording.ts";

/** What comes next without sets: whatever stands before the exercise that is due, and was neither done nor skipped. */
export function dueItems(
  { blocks }: SessionPlan,
  said: ReadonlyMap<Id<"block">, boolean>,
  current: Id<"slot"> | null,
): readonly ItemBlock[] {
  const at = blocks.findIndex((block) => slotsOfBlock(block).some(({ id }) => id === current));
  return blocks
    .slice(0, at < 0 ? blocks.length : at)
    .filter(isItemBlock)
    .filter(({ id }) => !said.has(id));
}

/** What comes next without sets, before the set that is due; `warmUpSkipped` is how often preparing was skipped lately. */
export function DueItems({
  blocks,
  find,
  warmUpSkipped,
  onCommand,
}: {
  readonly blocks: readonly ItemBlock[];
  readonly find: FindMovement;
  readonly warmUpSkipped: { readonly times: number; readonly of: number } | null;
  readonly onCommand: (body: CommandBody) => void;
}) {
  return blocks.map((block) => (
    <ItemsPart
      key={block.id}
      block={block}
      isDone={null}
      find={find}
      note={
        block.kind === "prepare" && warmUpSkipped !== null ? formatSkipped(warmUpSkipped) : null
      }
      onCommand={onCommand}
    />
  ));
}

/** A part of the session without sets, item by item; done or skipped with one press, and the other way round later. */
export function ItemsPart({
  block,
  isDone,
  find,
  note,
  onCommand,
}: {
  readonly block: ItemBlock;
  /** Null while nobody said it. */
  readonly isDone: boolean | null;
  readonly find: FindMovement;
  /** What the weeks before say of it; null where they say nothing. */
  readonly note: string | null;
  readonly onCommand: (body: CommandBody) => void;
}) {
  const muscles = useMuscles();
  const say = (done: boolean) => onCommand({ kind: "items", blockId: block.id, isDone: done });
  return (
    <Box component="section" aria-label={BLOCK_NAMES[block.kind]} sx={{ mb: 2 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1 }}>
        <Typography variant="h3" component="h2" sx={{ flexGrow: 1 }}>
          {BLOCK_NAMES[block.kind]}
        </Typography>
        {isDone === null ? null : (
          <Typography variant="body2">{isDone ? "done" : "skipped"}</Typography>
        )}
      </Box>
      {note === null ? null : (
        <Typography variant="body2" sx={{ fontWeight: 650 }}>
          {note}
        </Typography>
      )}
      <Box component="ul" sx={{ my: 0.5, pl: 2.5 }}>
        {block.items.map((item) => (
          <li key={item.id}>{formatItem(item, find, muscles)}</li>
        ))}
      </Box>
      {block.rounds > 1 ? <Typography variant="body2">{block.rounds} rounds</Typography> : null}
      <Box sx={{ display: "flex", gap: 1 }}>
        {isDone === true ? null : (
          <Button
            variant={isDone === null ? "contained" : "text"}
            sx={{ minHeight: TOUCH, flexGrow: isDone === null ? 1 : 0 }}
            onClick={() => say(true)}
          >
            {isDone === null ? "Done" : "Mark as done"}
          </Button>
        )}
        {isDone === false ? null : (
          <Button sx={{ minHeight: TOUCH }} onClick={() => say(false)}>
            {isDone === null ? "Skip" : "Mark as skipped"}
          </Button>
        )}
      </Box>
    </Box>
  );
}
