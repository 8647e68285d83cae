import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useCallback, useMemo, useState } from "react";
import { useFetcher } from "react-router";
import { mintId } from "~/codec/mint.ts";
import {
  applyEdit,
  newBlock,
  newItemBlock,
  PLAIN_DEFAULTS,
  slotsOf,
  stationFor,
  usualSide,
  type PlanEdit,
  type SessionPlan,
  type Slot,
} from "~/core/prescription/index.ts";
import type { Station } from "~/core/station/index.ts";
import { useCatalogue } from "../catalogue.ts";
import { Labelled, PlainInput, Select } from "../field.tsx";
import { AddBlocks } from "./add-blocks.tsx";
import { BlockList } from "./block-list.tsx";
import { LeaveGuard } from "./leave-guard.tsx";
import { usePlainNotation } from "./use-notation.ts";
import { WrittenLine } from "./written-line.tsx";

/** What a save of a template comes to. */
export type TemplateReply = { readonly problem: string } | { readonly revision: number };

/** A template as it is kept: its name, its blocks in order, every exercise as its written line. */
export function TemplateEditor({
  name,
  document,
  revision,
  stations,
}: {
  readonly name: string;
  readonly document: SessionPlan;
  readonly revision: number;
  /** All stations of the studio; an exercise keeps the one it was planned at until it is fitted. */
  readonly stations: readonly Station[];
}) {
  const { all, find } = useCatalogue();
  const [draft, setDraft] = useState({ name, document });
  const [invalid, setInvalid] = useState<ReadonlySet<string>>(new Set());
  const fetcher = useFetcher<TemplateReply>();
  const plain = usePlainNotation(useCatalogue());
  const onInvalid = useCallback((cell: string, message: string | null) => {
    setInvalid((before) => {
      const next = new Set(before);
      if (message === null) next.delete(cell);
      else next.add(cell);
      return next;
    });
  }, []);
  const edit = useCallback(
    (e: PlanEdit) => setDraft((d) => ({ ...d, document: applyEdit(d.document, e) })),
    [],
  );
  const slots = slotsOf(draft.document);
  const exercises = useMemo(() => slots.map((slot) => slot.sets), [slots]);
  const isDirty = draft.name !== name || draft.document !== document;
  const save = () =>
    void fetcher.submit(JSON.stringify({ baseRevision: revision, ...draft }), {
      method: "post",
      encType: "application/json",
    });
  const renderSlot = (slot: Slot) => {
    const movement = find(slot.movement);
    const called = movement?.name ?? slot.movement;
    const station = stations.find((s) => s.id === slot.station);
    const { effort, rest } = PLAIN_DEFAULTS;
    const context = {
      ...plain,
      unit: station?.loading.unit ?? "kg",
      defaults: {
        effort,
        rest,
        side: movement === null ? ({ kind: "both" } as const) : usualSide(movement, "left"),
      },
      exercises,
      own: slots.indexOf(slot),
    };
    return (
      <Box
        component="section"
        key={slot.id}
        aria-label={`${slots.indexOf(slot) + 1}. ${called}`}
        sx={{ borderTop: 2, borderColor: "kravo.ink", pt: 1, mb: 2.5 }}
      >
        <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", gap: 1.5 }}>
          <Typography variant="h3" component="h2" sx={{ flexGrow: 1 }}>
            <Box component="span" sx={{ color: "text.secondary", mr: 1 }}>
              {slots.indexOf(slot) + 1}
            </Box>
            {called}
          </Typography>
          <Button
            size="small"
            onClick={() => edit({ kind: "moveSlot", slot: slot.id, by: -1 })}
            aria-label={`Move ${called} up`}
          >
            ↑
          </Button>
          <Button
            size="small"
            onClick={() => edit({ kind: "moveSlot", slot: slot.id, by: 1 })}
            aria-label={`Move ${called} down`}
          >
            ↓
          </Button>
          <Button
            size="small"
            onClick={() => edit({ kind: "removeSlot", slot: slot.id })}
            aria-label={`Remove ${called}`}
          >
            Remove
          </Button>
        </Box>
        <WrittenLine
          id={`${slot.id}-line`}
          label={`Sets of ${called}, written`}
          sets={slot.sets}
          context={context}
          mint={mintId}
          onSets={(sets) => edit({ kind: "changeSlot", slot: slot.id, to: { ...slot, sets } })}
          onInvalid={onInvalid}
        />
      </Box>
    );
  };
  const addable = all.flatMap((movement) => {
    const station = stationFor(stations, movement);
    return station === null ? [] : [{ movement, station }];
  });
  return (
    <>
      <LeaveGuard isUnsaved={isDirty} />
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "flex-end" }}>
        <Box sx={{ flexGrow: 1, maxWidth: 420 }}>
          <Labelled id="template-name" label="Name">
            <PlainInput
              id="template-name"
              maxLength={80}
              value={draft.name}
              onChange={(event) => setDraft((d) => ({ ...d, name: event.target.value }))}
            />
          </Labelled>
        </Box>
        <Box sx={{ mb: 2 }}>
          <Button
            variant="outlined"
            disabled={!isDirty || invalid.size > 0 || fetcher.state !== "idle"}
            onClick={save}
          >
            Save the template
          </Button>
        </Box>
      </Box>
      {fetcher.data !== undefined && "problem" in fetcher.data ? (
        <Typography role="alert" sx={{ color: "kravo.signal", fontWeight: 650, mb: 1 }}>
          ▸ {fetcher.data.problem}
        </Typography>
      ) : null}
      <BlockList
        plan={draft.document}
        onEdit={edit}
        onInvalid={onInvalid}
        renderSlot={renderSlot}
      />
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "flex-start" }}>
        <Box sx={{ width: 240 }}>
          <Select
            aria-label="Add an exercise"
            value=""
            onChange={(event) => {
              const chosen = addable.find(({ movement }) => movement.ref === event.target.value);
              if (chosen === undefined) return;
              const { movement, station } = chosen;
              edit({ kind: "addBlock", block: newBlock(mintId, movement, station.id, null) });
            }}
          >
            <option value="">Add an exercise …</option>
            {addable.map(({ movement }) => (
              <option key={movement.ref} value={movement.ref}>
                {movement.name}
              </option>
            ))}
          </Select>
        </Box>
        <AddBlocks
          onAdd={(kind) => edit({ kind: "addBlock", block: newItemBlock(kind, mintId) })}
        />
      </Box>
    </>
  );
}
