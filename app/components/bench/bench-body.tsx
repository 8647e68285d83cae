import Box from "@mui/material/Box";
import { memo, useCallback, useEffect, useMemo, useState } from "react";
import { Form } from "react-router";
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
import { type Id, NO_TIME } from "~/core/kernel/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import {
  applyEdit,
  findSlot,
  newItemBlock,
  referredBy,
  servesMovement,
  slotsOf,
  type PlanEdit,
} from "~/core/plan/index.ts";
import { isSetStep } from "~/core/unroll/index.ts";
import { lastKey, type Exposure } from "~/core/log/index.ts";
import type { Station } from "~/core/gym/index.ts";
import { formatExposure } from "~/format/exposure.ts";
import { formatKnown } from "~/format/strength.ts";
import { useCatalogue } from "../catalogue.ts";
import { Empty } from "../page.tsx";
import { AddBlocks } from "./add-blocks.tsx";
import { BenchPlaceContext, JudgedContext, type BenchPlace } from "./bench-context.ts";
import { BenchPanel } from "./bench-panel.tsx";
import { BlockList } from "./block-list.tsx";
import { CoveragePanel } from "./coverage-panel.tsx";
import type { Draft } from "./draft.ts";
import { ExerciseSearch } from "./exercise-search.tsx";
import { FindingsPanel, type SetAside } from "./findings-panel.tsx";
import { HeadFields } from "./head-fields.tsx";
import { SessionTimeline } from "./session-timeline.tsx";
import type { SlotActions } from "./slot-actions.ts";
import { writtenLineId, SlotEditor } from "./slot-editor.tsx";
import { SwapPanel } from "./swap-panel.tsx";
import type { ReportInvalid } from "./typed-cell.tsx";

import { useSetAside } from "./use-set-aside.ts";
import plain from "../../theme/plain.module.css";

/** What the bench was loaded with. */
export interface BenchKnown {
  readonly context: CoachingContext;
  readonly plan: { readonly id: Id<"plan">; readonly personId: Id<"person"> };
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
  change,
  newest,
  onInvalid,
}: BenchBodyProps) {
  const { gyms, lasts, context } = known;
  const { stations, strengthRecords, brief, approach } = context;
  const { steps, duration, durations, issues, judged } = follows;
  const { unrollContext, stations: here } = judged;
  const catalogue = useCatalogue();
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

  const [toWrite, setToWrite] = useState<string | null>(null);
  useEffect(() => {
    const line = toWrite === null ? null : document.getElementById(toWrite);
    if (!(line instanceof HTMLTextAreaElement)) return;
    line.focus();
    line.select();
    setToWrite(null);
  }, [toWrite]);

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
      swap: (slot) => setSwapping((open) => (open === slot ? null : slot)),
    }),
    [change, edit],
  );
  const place = useMemo<BenchPlace>(
    () => ({
      approach,
      weakerSide: brief.weakerSide,
      person: known.plan.personId,
      planNow: () => newest().plan,
    }),
    [approach, brief.weakerSide, known.plan.personId, newest],
  );
  const changeHead = useCallback(
    (head: Draft["head"]) => change((d) => ({ ...d, head })),
    [change],
  );
  const slots = slotsOf(draft.plan);
  const nameOfSlot = (id: string) => {
    const slot = slots.find((s) => s.id === id);
    return slot === undefined ? "" : (unrollContext.movement(slot.movement)?.name ?? "");
  };
  return (
    <JudgedContext value={judged}>
      <BenchPlaceContext value={place}>
        <SessionTimeline steps={steps} total={duration.likely} nameOf={nameOfSlot} />
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1fr) 300px" },
            columnGap: 4,
          }}
        >
          <div>
            <HeadFields head={draft.head} gyms={gyms} onChange={changeHead} onInvalid={onInvalid} />
            {draft.plan.blocks.length === 0 ? (
              <Empty>No exercise yet. Add the first below.</Empty>
            ) : null}
            <BlockList
              plan={draft.plan}
              onEdit={edit}
              onInvalid={onInvalid}
              renderSlot={(slot) => {
                const movement = unrollContext.movement(slot.movement);
                return (
                  <SlotEditor
                    key={slot.id}
                    slot={slot}
                    number={slots.indexOf(slot) + 1}
                    movement={movement}
                    station={unrollContext.station(slot.station)}
                    stations={here.filter((s) => movement !== null && servesMovement(s, movement))}
                    steps={steps.filter(isSetStep).filter((step) => step.slotId === slot.id)}
                    issues={issues.filter((issue) => issue.slot === slot.id)}
                    duration={durations.get(slot.id) ?? NO_TIME}
                    last={said[lastKey(slot.movement, slot.station)]?.last ?? null}
                    strength={said[lastKey(slot.movement, slot.station)]?.strength ?? null}
                    referred={referredBy(slot, draft.plan)}
                    newId={newId}
                    actions={actions}
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
            <AddBlocks
              onAdd={(kind) => edit({ kind: "addBlock", block: newItemBlock(kind, newId) })}
            />
            <ExerciseSearch
              judged={judged}
              person={known.plan.personId}
              gym={draft.head.gymId}
              onAdd={({ movement, station }, write) => {
                const reading = lastReading(movement, station);
                const block = newExercise(judged, movement, station, reading, newId);
                edit({ kind: "addBlock", block });
                if (write) setToWrite(writtenLineId(block.slot));
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
      <BenchPanel duration={duration} hardSets={hardSetsOf(judged)} />
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
      <Box sx={{ mt: 3 }}>
        <CoveragePanel judged={judged} />
      </Box>
    </Box>
  );
}
