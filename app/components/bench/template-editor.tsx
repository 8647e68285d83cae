import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useCallback, useMemo } from "react";
import { useFetcher } from "react-router";
import { newId } from "~/codec/new-id.ts";
import {
  applyEdit,
  newBlock,
  newItemBlock,
  slotNumbers,
  slotsOf,
  stationFor,
  type PlanEdit,
  type SessionPlan,
  type Slot,
} from "~/core/plan/index.ts";
import { RIR_SAID, writeLine } from "~/core/plan/notation/index.ts";
import { formatFrame } from "~/format/fitting.ts";
import { plural } from "~/format/numbers.ts";
import type { Station } from "~/core/gym/index.ts";
import { useCatalogue } from "../catalogue.ts";
import { Labelled, PlainInput, Select } from "../field.tsx";
import { BenchPlaceContext, NO_PLACE, type BenchPlace } from "./bench-context.ts";
import { AddBlocks } from "./add-blocks.tsx";
import { BlockList, supersetOf } from "./block-list.tsx";
import { FrameFields } from "./frame-fields.tsx";
import { LeaveGuard } from "./leave-guard.tsx";
import { Row } from "./row.tsx";
import { RowButtons } from "./row-buttons.tsx";
import type { ReportInvalid } from "./typed-cell.tsx";
import { useInvalid } from "./use-invalid.ts";
import { useOpenRow } from "./use-open-row.ts";
import { useKeptOpen } from "./use-kept-open.ts";
import { useNewest } from "./use-newest.ts";
import { useNotation } from "./use-notation.ts";
import { WrittenLine } from "./written-line.tsx";
import { WrittenText } from "./written-text.tsx";
import { useMuscles } from "../wording.ts";

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
  const { all } = useCatalogue();
  const { drawn: draft, newest, put } = useNewest({ name, document });
  const { invalid, onInvalid } = useInvalid();
  const fetcher = useFetcher<TemplateReply>();
  const edit = useCallback(
    (e: PlanEdit) => put({ ...newest(), document: applyEdit(newest().document, e) }),
    [newest, put],
  );
  const { open, setOpened } = useOpenRow(slotsOf(draft.document));
  const numbers = slotNumbers(draft.document);
  const isDirty = draft.name !== name || draft.document !== document;
  const save = () =>
    void fetcher.submit(JSON.stringify({ baseRevision: revision, ...newest() }), {
      method: "post",
      encType: "application/json",
    });
  const place = useMemo<BenchPlace>(
    () => ({ ...NO_PLACE, planNow: () => newest().document }),
    [newest],
  );
  const addable = all.flatMap((movement) => {
    const station = stationFor(stations, movement, null);
    return station === null ? [] : [{ movement, station }];
  });
  return (
    <>
      <LeaveGuard isUnsaved={isDirty || invalid.size > 0} />
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "flex-end" }}>
        <Box sx={{ flexGrow: 1, maxWidth: 420 }}>
          <Labelled id="template-name" label="Name">
            <PlainInput
              id="template-name"
              maxLength={80}
              value={draft.name}
              onChange={(event) => put({ ...newest(), name: event.target.value })}
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
      <BenchPlaceContext value={place}>
        <BlockList
          plan={draft.document}
          onEdit={edit}
          onInvalid={onInvalid}
          open={open}
          onOpen={setOpened}
          renderSlot={(slot, next) => (
            <TemplateSlot
              key={slot.id}
              slot={slot}
              number={numbers.get(slot.id) ?? ""}
              station={stations.find((s) => s.id === slot.station) ?? null}
              next={next}
              isOpen={open === slot.id}
              onOpen={(opens) => setOpened(opens ? slot.id : null)}
              onEdit={edit}
              onJoin={() => {
                const joined = supersetOf(newest().document, slot.id);
                if (joined !== null) edit(joined);
              }}
              onInvalid={onInvalid}
            />
          )}
        />
      </BenchPlaceContext>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "flex-start" }}>
        <Box sx={{ width: 240 }}>
          <Select
            aria-label="Add an exercise"
            value=""
            onChange={(event) => {
              const chosen = addable.find(({ movement }) => movement.ref === event.target.value);
              if (chosen === undefined) return;
              const { movement, station } = chosen;
              edit({ kind: "addBlock", block: newBlock(newId, movement, station.id, null) });
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
        <AddBlocks onAdd={(kind) => edit({ kind: "addBlock", block: newItemBlock(kind, newId) })} />
      </Box>
    </>
  );
}

/** An exercise of a template: what it is, and its sets as the written line. */
function TemplateSlot({
  slot,
  number,
  station,
  next,
  isOpen,
  onOpen,
  onEdit,
  onJoin,
  onInvalid: report,
}: {
  readonly slot: Slot;
  readonly number: string;
  readonly station: Station | null;
  readonly next: string | null;
  readonly isOpen: boolean;
  readonly onOpen: (isOpen: boolean) => void;
  readonly onEdit: (edit: PlanEdit) => void;
  readonly onJoin: () => void;
  readonly onInvalid: ReportInvalid;
}) {
  const muscles = useMuscles();
  const { find } = useCatalogue();
  const { isShown, onInvalid } = useKeptOpen(isOpen, report);
  const name = find(slot.movement)?.name ?? slot.movement;
  const notation = useNotation(slot, station);
  const remove = () => onEdit({ kind: "removeSlot", slot: slot.id });
  return (
    <Row
      id={slot.id}
      label={`${number}. ${name}`}
      head={{
        number,
        name,
        about: slot.frame === null ? (station?.name ?? "") : formatFrame(slot.frame, muscles),
        line: isShown ? null : <WrittenText line={writeLine(slot.sets, notation, RIR_SAID)} />,
        minutes: "",
        sets: plural(slot.sets.length, "set"),
      }}
      trouble={null}
      isOpen={isShown}
      onOpen={() => onOpen(!isOpen)}
      onClose={() => (isOpen ? onOpen(false) : undefined)}
      onRemove={remove}
    >
      <RowButtons
        name={name}
        next={next}
        onMove={(by) => onEdit({ kind: "moveSlot", slot: slot.id, by })}
        onJoin={onJoin}
        onRemove={remove}
      />
      <WrittenLine
        id={`${slot.id}-line`}
        label={`Sets of ${name}, written`}
        sets={slot.sets}
        context={notation}
        newId={newId}
        onSets={(sets) => onEdit({ kind: "changeSlot", slot: slot.id, to: { ...slot, sets } })}
        onInvalid={onInvalid}
      />
      <FrameFields
        name={name}
        movement={find(slot.movement)}
        frame={slot.frame}
        onChange={(frame) => onEdit({ kind: "changeSlot", slot: slot.id, to: { ...slot, frame } })}
      />
    </Row>
  );
}
