import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { memo, useCallback, useEffect, useMemo, useState } from "react";
import { Form, Link } from "react-router";
import { newId } from "~/codec/new-id.ts";
import { swapSlot, type SwapContext } from "~/core/coach/search/index.ts";
import {
  applyFix,
  arrangedByApproach,
  hardSetsOf,
  newExercise,
  type Assessment,
  type CoachingContext,
} from "~/core/coach/index.ts";
import { type Id, type MassUnit, NO_TIME } from "~/core/kernel/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import {
  applyEdit,
  findSlot,
  newItemBlock,
  referredBy,
  servesMovement,
  slotNumbers,
  slotsOf,
  type PlanEdit,
} from "~/core/plan/index.ts";
import { isSetStep } from "~/core/unroll/index.ts";
import { lastKey, type Exposure, type SessionState } from "~/core/log/index.ts";
import type { Station } from "~/core/gym/index.ts";
import { formatExposure } from "~/format/exposure.ts";
import { formatKnown } from "~/format/strength.ts";
import { useCatalogue } from "../catalogue.ts";
import { Empty } from "../page.tsx";
import { SuggestDialog } from "../suggest/suggest-dialog.tsx";
import { BenchPlaceContext, JudgedContext, type BenchPlace } from "./bench-context.ts";
import { BlockList, supersetOf } from "./block-list.tsx";
import { CoveragePanel } from "./coverage-panel.tsx";
import type { Draft } from "./draft.ts";
import { ExerciseSearch } from "./exercise-search.tsx";
import { FindingsPanel, type SetAside } from "./findings-panel.tsx";
import { SessionTime } from "./session-time.tsx";
import { SessionTimeline } from "./session-timeline.tsx";
import type { SlotActions } from "./slot-actions.ts";
import { rowBodyId } from "./row.tsx";
import { SlotEditor } from "./slot-editor.tsx";
import { SwapPanel } from "./swap-panel.tsx";
import type { ReportInvalid } from "./typed-cell.tsx";

import { useOpenRow } from "./use-open-row.ts";
import { useSetAside } from "./use-set-aside.ts";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";

/** What the bench was loaded with. */
export interface BenchKnown {
  readonly context: CoachingContext;
  readonly plan: {
    readonly id: Id<"plan">;
    readonly personId: Id<"person">;
    readonly personUnit: MassUnit;
    readonly sessionState: SessionState;
    /** Where it stands in a phase; null where it is of none. */
    readonly place: { readonly phase: Id<"phase"> } | null;
  };
  readonly gyms: readonly { readonly id: Id<"gym">; readonly name: string }[];
  readonly lasts: Readonly<Record<string, Exposure>>;
  readonly dismissals: readonly SetAside[];
}

interface BenchBodyProps {
  readonly known: BenchKnown;
  readonly draft: Draft;
  /** Everything that follows from the draft. */
  readonly follows: Assessment;
  readonly isUnsaved: boolean;
  /** Changes with every undo and redo. */
  readonly generation: number;
  readonly change: (to: (draft: Draft) => Draft) => void;
  /** The draft as it is, which may be newer than the one that is drawn. */
  readonly newest: () => Draft;
  readonly onInvalid: ReportInvalid;
}

/** The session on the bench with what it comes to: drawn again where the draft changed, not where a cell is wrong. */
export const BenchBody = memo(function BenchBody({
  known,
  draft,
  follows,
  isUnsaved,
  generation,
  change,
  newest,
  onInvalid,
}: BenchBodyProps) {
  const { gyms, lasts, context } = known;
  const { stations, strengthRecords, brief, approach } = context;
  const { steps, duration, durations, issues, judged } = follows;
  const { unrollContext, stations: here } = judged;
  const catalogue = useCatalogue();
  const [isSuggesting, setSuggesting] = useState(false);
  const [swapping, setSwapping] = useState<Id<"slot"> | null>(null);
  const lastReading = (movement: Movement, station: Station) =>
    lasts[lastKey(movement.ref, station.id)]?.sets.at(0)?.reading ?? null;
  const swapContext = (at: readonly Station[]): SwapContext => ({
    brief,
    catalogue: catalogue.all,
    stations: at,
    unrollContext,
    lastReading,
  });
  const away = gyms
    .filter((gym) => gym.id !== draft.head.gymId)
    .map((gym) => ({
      name: gym.name,
      context: swapContext(stations.filter((s) => s.gymId === gym.id)),
    }));

  const said = useMemo(
    () =>
      Object.fromEntries(
        Object.entries(lasts).map(([key, last]) => [
          key,
          { last: formatExposure(last), strength: formatKnown(strengthRecords[key] ?? null) },
        ]),
      ),
    [lasts, strengthRecords],
  );

  const slots = slotsOf(draft.plan);
  const { open, setOpened } = useOpenRow(slots);
  const [toWrite, setToWrite] = useState<string | null>(null);
  useEffect(() => {
    const body = toWrite === null ? null : document.getElementById(rowBodyId(toWrite));
    const field = body?.querySelector<HTMLTextAreaElement | HTMLInputElement>("textarea, input");
    if (field == null) return;
    field.focus();
    field.select();
    setToWrite(null);
  }, [toWrite, open]);

  const edit = useCallback(
    (e: PlanEdit) => change((d) => ({ ...d, plan: applyEdit(d.plan, e) })),
    [change],
  );
  const actions = useMemo<SlotActions>(
    () => ({
      change: (id, to) =>
        change((d) => {
          const slot = findSlot(d.plan, id);
          if (slot === null) return d;
          return { ...d, plan: applyEdit(d.plan, { kind: "changeSlot", slot: id, to: to(slot) }) };
        }),
      move: (slot, by) => edit({ kind: "moveSlot", slot, by }),
      remove: (slot) => edit({ kind: "removeSlot", slot }),
      open: (row, byKey) => {
        setOpened(row);
        setSwapping(null);
        if (row !== null && byKey) setToWrite(row);
      },
      join: (slot) => {
        const joined = supersetOf(newest().plan, slot);
        if (joined !== null) edit(joined);
      },
      swap: (slot) => {
        setOpened(slot);
        setSwapping((now) => (now === slot ? null : slot));
      },
    }),
    [change, edit, newest, setOpened],
  );
  const place = useMemo<BenchPlace>(
    () => ({
      approach,
      weakerSide: brief.weakerSide,
      person: known.plan.personId,
      readsIn: known.plan.personUnit,
      generation,
      planNow: () => newest().plan,
    }),
    [approach, brief.weakerSide, known.plan.personId, known.plan.personUnit, generation, newest],
  );
  const numbers = slotNumbers(draft.plan);
  const nameOfSlot = (id: string) => {
    const slot = slots.find((s) => s.id === id);
    return slot === undefined ? "" : (unrollContext.movement(slot.movement)?.name ?? "");
  };
  return (
    <JudgedContext value={judged}>
      <BenchPlaceContext value={place}>
        <SessionTimeline
          steps={steps}
          total={duration.likely}
          nameOf={nameOfSlot}
          numberOf={(slot) => numbers.get(slot) ?? ""}
        />
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1fr) 304px" },
            columnGap: 4,
          }}
        >
          <div data-of-draft="">
            {draft.plan.blocks.length === 0 ? (
              <Empty>
                <p className={plain.emptyLine}>
                  No exercise yet. Let Kravo suggest a session for this client, gym and time, or add
                  the first exercise below.
                </p>
                <Button variant="contained" onClick={() => setSuggesting(true)}>
                  Suggest a session
                </Button>
              </Empty>
            ) : null}
            <BlockList
              plan={draft.plan}
              onEdit={edit}
              onInvalid={onInvalid}
              open={open}
              onOpen={(block) => actions.open(block, false)}
              renderSlot={(slot, next) => {
                const movement = unrollContext.movement(slot.movement);
                return (
                  <SlotEditor
                    key={slot.id}
                    slot={slot}
                    number={numbers.get(slot.id) ?? ""}
                    movement={movement}
                    station={unrollContext.station(slot.station)}
                    stations={here.filter((s) => movement !== null && servesMovement(s, movement))}
                    steps={steps.filter(isSetStep).filter((step) => step.slotId === slot.id)}
                    issues={issues.filter((issue) => issue.slot === slot.id)}
                    duration={durations.get(slot.id) ?? NO_TIME}
                    last={said[lastKey(slot.movement, slot.station)]?.last ?? null}
                    strength={said[lastKey(slot.movement, slot.station)]?.strength ?? null}
                    referred={referredBy(slot, draft.plan)}
                    next={next}
                    newId={newId}
                    actions={actions}
                    isOpen={open === slot.id}
                    swap={
                      swapping === slot.id && movement !== null ? (
                        <SwapPanel
                          slot={slot}
                          movement={movement}
                          context={swapContext(here)}
                          awayContext={away}
                          onSwap={(to) => {
                            actions.change(slot.id, (now) =>
                              swapSlot(now, to, brief.weakerSide ?? "left"),
                            );
                            setSwapping(null);
                          }}
                          onClose={() => setSwapping(null)}
                        />
                      ) : null
                    }
                    onInvalid={onInvalid}
                  />
                );
              }}
            />
            {isSuggesting ? (
              <SuggestDialog
                title={slots.length === 0 ? "Suggest a session" : "Suggest exercises"}
                context={context}
                days={[{ day: draft.head.day, gym: draft.head.gymId, plan: draft.plan, name: "" }]}
                onUse={([plan]) => {
                  setSuggesting(false);
                  if (plan !== undefined) change((d) => ({ ...d, plan }));
                }}
                onClose={() => setSuggesting(false)}
              />
            ) : null}
            <ExerciseSearch
              onSuggest={() => setSuggesting(true)}
              judged={judged}
              person={known.plan.personId}
              gym={draft.head.gymId}
              onAdd={({ movement, station }, write) => {
                const reading = lastReading(movement, station);
                const block = newExercise(judged, movement, station, reading, newId);
                edit({ kind: "addBlock", block });
                if (write) actions.open(block.slot.id, true);
              }}
              onAddBlock={(kind) => {
                const block = newItemBlock(kind, newId);
                edit({ kind: "addBlock", block });
                actions.open(block.id, true);
              }}
            />
          </div>
          <Aside
            known={known}
            draft={draft}
            follows={follows}
            isUnsaved={isUnsaved}
            change={change}
          />
        </Box>
      </BenchPlaceContext>
    </JudgedContext>
  );
});

/** What the session comes to: time, findings, coverage. */
function Aside({
  known: {
    plan,
    context: { approach },
    dismissals,
  },
  draft,
  follows: { duration, findings, judged },
  isUnsaved,
  change,
}: Pick<BenchBodyProps, "known" | "draft" | "follows" | "isUnsaved" | "change">) {
  const { setAside, onSetAside, onTakeBack } = useSetAside(plan.id, dismissals);
  const catalogue = useCatalogue();
  const slots = slotsOf(draft.plan);
  return (
    <Box
      component="aside"
      aria-label="What the session comes to"
      sx={{ position: { lg: "sticky" }, top: 16, alignSelf: "start", mt: { xs: 4, lg: 0 } }}
    >
      <SessionTime
        duration={duration}
        cap={judged.brief.minutesCap}
        hasWarmUp={draft.plan.blocks.some(({ kind }) => kind === "prepare")}
        hardSets={hardSetsOf(judged)}
      />
      <FindingsPanel
        findings={findings}
        approachName={approach.name}
        setAside={setAside}
        newId={newId}
        find={catalogue.find}
        plan={plan.id}
        isSaved={!isUnsaved}
        onFix={(fix, judging) =>
          change((d) => ({
            ...d,
            plan: applyFix(fix, { ...judging, plan: d.plan }, newId),
          }))
        }
        onSetAside={onSetAside}
        onTakeBack={onTakeBack}
      />
      <CoveragePanel judged={judged} />
      <div className={plain.row}>
        <button
          type="button"
          className={plain.smallButton}
          onClick={() => change((d) => ({ ...d, plan: arrangedByApproach(d.plan, judged) }))}
          disabled={slots.length < 2}
        >
          Reorder by {approach.name}
        </button>
        <Form method="post" action="/templates">
          <input type="hidden" name="planId" value={plan.id} />
          <input type="hidden" name="name" value={draft.head.title} />
          <button
            type="submit"
            className={plain.smallButton}
            disabled={isUnsaved || slots.length === 0}
          >
            Keep as template
          </button>
        </Form>
        {plan.place !== null ? (
          <Link className={bench.elsewhere} to={`/phases/${plan.place.phase}`}>
            Move or drop it in the phase
          </Link>
        ) : plan.sessionState.kind === "none" ? (
          <Form method="post" action={`/plans/${plan.id}/delete`} reloadDocument>
            <button
              type="submit"
              className={plain.smallButton}
              disabled={isUnsaved}
              title={isUnsaved ? "Save or undo first" : "It can be restored"}
            >
              Delete the session
            </button>
          </Form>
        ) : null}
      </div>
    </Box>
  );
}
