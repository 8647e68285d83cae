import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { newId } from "~/codec/new-id.ts";
import type { Id } from "~/core/kernel/index.ts";
import {
  loggedSetsAt,
  movedTo,
  skipReason,
  type CommandBody,
  type OrderedCommand,
  type SessionLog,
} from "~/core/log/index.ts";
import {
  stepKeyText,
  type StepKey,
  type SetStep,
  type UnrollContext,
} from "~/core/unroll/index.ts";
import {
  copySlot,
  isItemBlock,
  slotsOf,
  slotsOfBlock,
  type Block,
  type ExerciseBlock,
  type ItemBlock,
  type SessionPlan,
  type Slot,
} from "~/core/plan/index.ts";
import { formatLoggedSet } from "~/format/exposure.ts";
import { formatAmount } from "~/format/numbers.ts";
import { EXTENSION_NAMES } from "~/format/prescription.ts";
import { formatTargetShort } from "~/format/target.ts";
import { formatRir } from "~/format/training.ts";
import { TOUCH } from "../../theme/tokens.ts";
import { Labelled, Select } from "../field.tsx";
import { ItemsPart } from "./items-part.tsx";

/** The whole session beside the step: what is done, what is next; a press opens any step. */
export function StepList({
  plan,
  steps,
  log,
  entries,
  current,
  itemsDone,
  due,
  context,
  additions,
  onCommand,
  onUnskip,
  onPick,
}: {
  readonly plan: SessionPlan;
  readonly steps: readonly SetStep[];
  readonly log: SessionLog;
  readonly entries: readonly OrderedCommand[];
  readonly current: SetStep | null;
  readonly itemsDone: ReadonlyMap<Id<"block">, boolean>;
  /** What has no sets and comes before the next one. */
  readonly due: readonly ItemBlock[];
  readonly context: UnrollContext;
  /** Exercises that can be added. */
  readonly additions: readonly ExerciseBlock[];
  readonly onCommand: (body: CommandBody) => void;
  readonly onUnskip: (slotId: Id<"slot">) => void;
  readonly onPick: (key: StepKey) => void;
}) {
  const openSteps = steps.filter(
    (step) => loggedSetsAt(log, step.key).length === 0 && skipReason(log, step.slotId) === null,
  );
  const blockOf = (slotId: Id<"slot">) =>
    plan.blocks.find((block) => slotsOfBlock(block).some(({ id }) => id === slotId)) ?? null;
  const now = current && blockOf(current.slotId);
  /** Behind what was begun, before what was not. */
  const doNext = (block: Block) => {
    if (now === null) return;
    const isBegun = steps.some(
      (step) => blockOf(step.slotId) === now && loggedSetsAt(log, step.key).length > 0,
    );
    const order = movedTo(plan, block.id, isBegun ? "behind" : "before", now.id);
    onCommand({ kind: "reorder", order });
  };
  const unsent = new Set(
    entries.filter((e) => e.position === null).map((e) => e.command.commandId),
  );
  const slots = slotsOf(plan);
  const exercise = (slot: Slot) => {
    const skipped = skipReason(log, slot.id);
    const block = blockOf(slot.id);
    const canBeNext =
      now !== null &&
      block !== null &&
      block !== now &&
      openSteps.some((step) => step.slotId === slot.id) &&
      plan.blocks.indexOf(block) > plan.blocks.indexOf(now) + 1;
    return (
      <Box key={slot.id} sx={{ mb: 2 }}>
        <Box
          sx={{
            display: "flex",
            alignItems: "end",
            gap: 1,
            minHeight: TOUCH,
            borderBottom: 2,
            borderColor: "kravo.ink",
          }}
        >
          <Typography variant="h3" component="h2" sx={{ flexGrow: 1, pb: 0.25 }}>
            <Box component="span" sx={{ color: "text.secondary" }}>
              {slots.indexOf(slot) + 1}{" "}
            </Box>
            {context.movement(slot.movement)?.name ?? slot.movement}
          </Typography>
          {canBeNext ? (
            <Button
              sx={{ minHeight: TOUCH, flexShrink: 0 }}
              aria-label={`Do ${context.movement(slot.movement)?.name ?? "it"} next`}
              onClick={() => doNext(block)}
            >
              Do next
            </Button>
          ) : null}
        </Box>
        {skipped === null ? null : (
          <Box sx={{ display: "flex", alignItems: "center", justifyContent: "space-between" }}>
            <Typography variant="body2">Skipped: {skipped}</Typography>
            <Button sx={{ minHeight: TOUCH }} onClick={() => onUnskip(slot.id)}>
              Train it after all
            </Button>
          </Box>
        )}
        {steps
          .filter((step) => step.slotId === slot.id)
          .map((step) => {
            const logged = loggedSetsAt(log, step.key);
            const isCurrent =
              current !== null && stepKeyText(current.key) === stepKeyText(step.key);
            const text = stepKeyText(step.key);
            return (
              <Box
                key={text}
                component="button"
                type="button"
                aria-current={isCurrent ? "step" : undefined}
                onClick={() => onPick(step.key)}
                sx={{
                  display: "grid",
                  gridTemplateColumns: "72px 1fr auto",
                  gap: 1,
                  width: "100%",
                  minHeight: TOUCH - 4,
                  alignItems: "center",
                  textAlign: "left",
                  font: "inherit",
                  color: "text.primary",
                  background: "none",
                  border: 0,
                  borderBottom: 1,
                  borderLeft: 5,
                  pl: 1,
                  cursor: "pointer",
                  borderColor: "divider",
                  borderLeftColor: isCurrent ? "kravo.signal" : "transparent",
                }}
              >
                <Typography component="span" variant="body2" sx={{ color: "text.secondary" }}>
                  {step.kind === "set" ? `set ${step.setNumber}` : EXTENSION_NAMES[step.kind]}
                  {step.repeat.of > 1 ? ` ${step.repeat.number}` : ""}
                  {step.key.side === "both" ? "" : ` ${step.key.side}`}
                </Typography>
                <Typography
                  component="span"
                  variant="figure"
                  sx={{
                    color: logged.length > 0 ? "text.primary" : "text.secondary",
                    fontWeight: logged.length > 0 ? 750 : 500,
                  }}
                >
                  {logged.length > 0
                    ? logged.map(({ loggedSet }) => formatLoggedSet(loggedSet)).join(" / ")
                    : `${loadText(step)} × ${formatTargetShort(step.target)}`}
                </Typography>
                <Typography component="span" variant="body2" sx={{ color: "text.secondary" }}>
                  {logged.length === 0
                    ? ""
                    : logged.some((l) => unsent.has(l.commandId))
                      ? "on device"
                      : logged[0] === undefined || logged[0].loggedSet.rir === "unknown"
                        ? "done"
                        : formatRir(logged[0].loggedSet.rir)}
                </Typography>
              </Box>
            );
          })}
      </Box>
    );
  };
  return (
    <Box component="nav" aria-label="Steps of this session" sx={{ mt: { xs: 3, md: 0 } }}>
      {plan.blocks.map((own) => {
        if (!isItemBlock(own)) return slotsOfBlock(own).map(exercise);
        // What is due stands before the set.
        return due.includes(own) ? null : (
          <ItemsPart
            key={own.id}
            block={own}
            isDone={itemsDone.get(own.id) ?? null}
            find={context.movement}
            note={null}
            onCommand={onCommand}
          />
        );
      })}
      <AddExercise
        additions={additions.filter(
          ({ slot }) => !slotsOf(plan).some(({ movement }) => movement === slot.movement),
        )}
        nameOf={({ movement }) => context.movement(movement)?.name ?? movement}
        onAdd={(block) => onCommand({ kind: "addExercise", block, after: null })}
      />
    </Box>
  );
}

function loadText({ load }: SetStep): string {
  return load.kind === "made"
    ? formatAmount(load.reading)
    : load.kind === "bodyweight"
      ? "body"
      : "work up";
}

/** Adds an exercise at the end of the session: one that was trained here before. */
function AddExercise({
  additions,
  nameOf,
  onAdd,
}: {
  readonly additions: readonly ExerciseBlock[];
  readonly nameOf: (slot: Slot) => string;
  readonly onAdd: (block: ExerciseBlock) => void;
}) {
  const [chosen, setChosen] = useState<string | null>(null);
  const block = additions.find(({ id }) => id === chosen) ?? additions[0];
  if (block === undefined) return null;
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "1fr auto", gap: 1, alignItems: "end" }}>
      <Labelled id="add-exercise" label="Add an exercise">
        <Select id="add-exercise" value={block.id} onChange={(e) => setChosen(e.target.value)}>
          {additions.map(({ id, slot }) => (
            <option key={id} value={id}>
              {nameOf(slot)}
            </option>
          ))}
        </Select>
      </Labelled>
      <Button
        variant="outlined"
        sx={{ mb: 2, minHeight: TOUCH }}
        onClick={() => onAdd({ ...block, id: newId(), slot: copySlot(block.slot, newId) })}
      >
        Add it
      </Button>
    </Box>
  );
}
