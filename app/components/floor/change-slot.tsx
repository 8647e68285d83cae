import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { newId } from "~/codec/new-id.ts";
import type { Station } from "~/core/gym/index.ts";
import type { CommandBody, SessionChange, SessionLog } from "~/core/log/index.ts";
import { loggedSetsOf } from "~/core/log/index.ts";
import { copiesOf, copySet, copySlot, type Slot } from "~/core/plan/index.ts";
import type { UnrollContext } from "~/core/unroll/index.ts";
import { TOUCH } from "../../theme/tokens.ts";
import { Labelled, Select } from "../field.tsx";

/** Changes one exercise of the session as it is trained: another instead of it, one more set, or back again. */
export function ChangeSlot({
  slot,
  swaps,
  changes,
  log,
  stations,
  context,
  onCommand,
}: {
  readonly slot: Slot;
  /** What can stand in for it, best first. */
  readonly swaps: readonly Slot[];
  readonly changes: readonly SessionChange[];
  readonly log: SessionLog;
  readonly stations: readonly Station[];
  readonly context: UnrollContext;
  readonly onCommand: (body: CommandBody) => void;
}) {
  const [chosen, setChosen] = useState(0);
  const [isForGood, setForGood] = useState(false);
  const nameOf = ({ movement, station }: Slot) =>
    `${context.movement(movement)?.name ?? movement} · ${stations.find((s) => s.id === station)?.name ?? "?"}`;
  const instead = swaps[chosen] ?? null;
  const last = slot.sets.at(-1);
  const back = takenBack(slot, changes, log);
  return (
    <>
      {instead === null ? null : (
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "1fr", sm: "2fr 1fr auto" },
            columnGap: 1,
            alignItems: "end",
          }}
        >
          <Labelled id="swap-for" label="Swap the rest of it for">
            <Select
              id="swap-for"
              value={chosen}
              onChange={(e) => setChosen(Number(e.target.value))}
            >
              {swaps.map((swap, i) => (
                <option key={nameOf(swap)} value={i}>
                  {nameOf(swap)}
                </option>
              ))}
            </Select>
          </Labelled>
          <Labelled id="swap-how-long" label="For how long">
            <Select
              id="swap-how-long"
              value={isForGood ? "forGood" : "once"}
              onChange={(e) => setForGood(e.target.value === "forGood")}
            >
              <option value="once">Only today</option>
              <option value="forGood">For good</option>
            </Select>
          </Labelled>
          <Button
            variant="outlined"
            sx={{ mb: 2, minHeight: TOUCH }}
            onClick={() =>
              onCommand({
                kind: "swap",
                slotId: slot.id,
                slot: copySlot(instead, newId),
                forGood: isForGood,
              })
            }
          >
            Swap exercise
          </Button>
        </Box>
      )}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mb: 2 }}>
        {last === undefined ? null : (
          <Button
            variant="outlined"
            sx={{ minHeight: TOUCH }}
            onClick={() =>
              onCommand({
                kind: "addSet",
                slotId: slot.id,
                set: copySet(last, copiesOf([last], newId), newId),
              })
            }
          >
            Add a set
          </Button>
        )}
        {back.map(({ text, body }) => (
          <Button key={text} sx={{ minHeight: TOUCH }} onClick={() => onCommand(body)}>
            {text}
          </Button>
        ))}
      </Box>
    </>
  );
}

/** What of an exercise can be taken back: changes of which nothing is logged yet. */
function takenBack(
  slot: Slot,
  changes: readonly SessionChange[],
  log: SessionLog,
): readonly { readonly text: string; readonly body: CommandBody }[] {
  const logged = new Set(loggedSetsOf(log).map(({ loggedSet }) => loggedSet.key.setId));
  const isUntouched = slot.sets.every(({ id }) => !logged.has(id));
  const back = (text: string, change: "swap" | "addExercise" | "addSet", id: string) => ({
    text,
    body: { kind: "takeBack" as const, change, id },
  });
  return changes.flatMap((change) => {
    if (change.kind === "swap" && change.slot.id === slot.id && isUntouched)
      return [back("Take the swap back", "swap", change.slotId)];
    if (change.kind === "addExercise" && change.block.slot.id === slot.id && isUntouched)
      return [back("Take the exercise out again", "addExercise", change.block.id)];
    if (change.kind === "addSet" && change.slotId === slot.id && !logged.has(change.set.id))
      return [back("Take the added set out again", "addSet", change.set.id)];
    return [];
  });
}
