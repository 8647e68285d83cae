import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useCallback, useEffect, useMemo, useState } from "react";
import { Form, Link, data, useFetcher, useSearchParams } from "react-router";
import { mintId } from "~/codec/mint.ts";
import { describeIssues, savePlanCodec } from "~/codec/save-plan.ts";
import { NO_TIME } from "~/core/quantity/index.ts";
import { swapSlot, type SwapContext } from "~/core/finder/index.ts";
import { applyFix, arrangedByApproach, newExercise } from "~/core/finding/index.ts";
import type { Id } from "~/core/identity/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import {
  applyEdit,
  isSetStep,
  newItemBlock,
  servesMovement,
  slotsOf,
  type PlanEdit,
} from "~/core/prescription/index.ts";
import { lastKey } from "~/core/progression/index.ts";
import type { Station } from "~/core/station/index.ts";
import { hardSetCount } from "~/core/volume/index.ts";
import { formatExposure } from "~/format/exposure.ts";
import { formatDay } from "~/format/numbers.ts";
import { formatKnown } from "~/format/strength.ts";
import { idParam, orNotFound, scopeOf } from "~/server/auth/session.server.ts";
import { benchOf } from "~/server/coaching/bench.server.ts";
import { getGym, listStations } from "~/server/db/gyms.server.ts";
import { getPlan, savePlan } from "~/server/db/plans.server.ts";
import type { Route } from "./+types/bench.ts";
import { AddBlocks } from "../components/bench/add-blocks.tsx";
import { BenchPanel } from "../components/bench/bench-panel.tsx";
import { BlockList } from "../components/bench/block-list.tsx";
import { useDraft, type Draft } from "../components/bench/draft.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { CoveragePanel } from "../components/bench/coverage-panel.tsx";
import { FindingsPanel } from "../components/bench/findings-panel.tsx";
import { Finder } from "../components/bench/finder.tsx";
import { StatusLine } from "../components/bench/status-line.tsx";
import { useBenchKeys } from "../components/bench/use-bench-keys.ts";
import { SwapPanel } from "../components/bench/swap-panel.tsx";
import { useJudged } from "../components/bench/use-judged.ts";
import { useSetAside } from "../components/bench/use-set-aside.ts";
import { HeadFields } from "../components/bench/head-fields.tsx";
import { LeaveGuard } from "../components/bench/leave-guard.tsx";
import { PlanConflict } from "../components/bench/plan-conflict.tsx";
import { SessionProfile } from "../components/bench/session-profile.tsx";
import { lineIdOf, SlotEditor } from "../components/bench/slot-editor.tsx";
import { Empty, Page } from "../components/page.tsx";
import { RunTag } from "../components/plan-entry.tsx";

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = scopeOf(context);
  const plan = orNotFound(await getPlan(scope, idParam<"plan">(params.planId)));
  return benchOf(scope, plan);
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = scopeOf(context);
  const id = idParam<"plan">(params.planId);
  orNotFound(await getPlan(scope, id));
  const parsed = savePlanCodec.safeParse(await request.json().catch(() => null));
  if (!parsed.success) {
    return data(
      { kind: "invalid" as const, problems: describeIssues(parsed.error) },
      { status: 400 },
    );
  }
  const { baseRevision, head, document } = parsed.data;
  const [gym, stations] = await Promise.all([
    getGym(scope, head.gymId),
    listStations(scope, undefined, "all"),
  ]);
  const known = new Set(stations.map((station) => station.id));
  if (gym === null || slotsOf(document).some((slot) => !known.has(slot.station))) {
    return data(
      { kind: "invalid" as const, problems: ["A gym or station is not of this studio."] },
      { status: 400 },
    );
  }
  const saved = await savePlan(scope, id, baseRevision, head, document);
  if (saved.ok) return data({ kind: "saved" as const, revision: saved.value });
  if (saved.error.code === "missing") throw orNotFound(null);
  return data({ kind: "conflict" as const, current: saved.error.current }, { status: 409 });
}

/** A save is answered by the action; the draft on the screen is not to be loaded over. */
export function shouldRevalidate({ formMethod }: { formMethod?: string }) {
  return formMethod !== "POST";
}

export default function Bench({ loaderData }: Route.ComponentProps) {
  return <BenchOf key={loaderData.plan.id} {...loaderData} />;
}

function BenchOf(known: Route.ComponentProps["loaderData"]) {
  const { plan, stations, gyms, lasts, brief, approach } = known;
  const initial = useMemo<Draft>(() => ({ head: headOf(plan), plan: plan.document }), [plan]);
  const catalogue = useCatalogue();
  const { draft, isDirty, canUndo, canRedo, change, undo, redo, markSaved } = useDraft(initial);
  const [invalid, setInvalid] = useState<ReadonlyMap<string, string>>(new Map());
  const [revision, setRevision] = useState(plan.revision);
  const [sent, setSent] = useState<{ readonly draft: Draft; readonly base: number } | null>(null);
  const fetcher = useFetcher<typeof action>();
  const [search] = useSearchParams();
  const reply = fetcher.data;

  const { here, around, steps, duration, durations, issues, judged, findings } = useJudged(
    draft,
    known,
    catalogue,
  );
  const { setAside, onSetAside, onTakeBack } = useSetAside(plan.id, known.dismissals);
  const [swapping, setSwapping] = useState<Id<"slot"> | null>(null);
  const lastReading = (movement: Movement, station: Station) =>
    lasts[lastKey(movement.ref, station.id)]?.sets.at(0)?.reading ?? null;
  const swapContext = (at: readonly Station[]): SwapContext => ({
    brief,
    catalogue: catalogue.all,
    stations: at,
    around,
    lastReading,
  });
  const away = gyms
    .filter((gym) => gym.id !== draft.head.gymId)
    .map((gym) => ({
      name: gym.name,
      context: swapContext(stations.filter((s) => s.gymId === gym.id)),
    }));

  const [toWrite, setToWrite] = useState<string | null>(null);
  useEffect(() => {
    const line = toWrite === null ? null : document.getElementById(toWrite);
    if (!(line instanceof HTMLTextAreaElement)) return;
    line.focus();
    line.select();
    setToWrite(null);
  }, [toWrite]);

  const onInvalid = useCallback((cell: string, message: string | null) => {
    setInvalid((before) => {
      if (message === null && !before.has(cell)) return before;
      const next = new Map(before);
      if (message === null) next.delete(cell);
      else next.set(cell, message);
      return next;
    });
  }, []);
  const edit = useCallback(
    (e: PlanEdit) => change((d) => ({ ...d, plan: applyEdit(d.plan, e) })),
    [change],
  );
  const save = useCallback(
    (base: number) => {
      setSent({ draft, base });
      void fetcher.submit(
        JSON.stringify({ baseRevision: base, head: draft.head, document: draft.plan }),
        {
          method: "post",
          encType: "application/json",
        },
      );
    },
    [draft, fetcher],
  );

  // The router keeps a reply outside React's state, so a change of the reply alone may miss its effect; the
  // fetcher's state is React's. A reply to an earlier save is told by its revision.
  const isSettled = fetcher.state === "idle";
  useEffect(() => {
    if (!isSettled || reply?.kind !== "saved" || sent === null) return;
    if (reply.revision !== sent.base + 1) return;
    setRevision(reply.revision);
    markSaved(sent.draft);
  }, [isSettled, reply, sent, markSaved]);

  const canSave = isDirty && invalid.size === 0 && isSettled;
  const saveNow = useMemo(() => (canSave ? () => save(revision) : null), [canSave, save, revision]);
  useBenchKeys(saveNow, undo, redo);

  const isUnsaved = isDirty || invalid.size > 0;
  const slots = slotsOf(draft.plan);
  const nameOfSlot = (id: string) => {
    const slot = slots.find((s) => s.id === id);
    return slot === undefined ? "" : (around.movement(slot.movement)?.name ?? "");
  };
  const isBlocked = issues.some((issue) => issue.blocks) || slots.length === 0;
  const conflict =
    reply?.kind === "conflict" && revision < reply.current.revision ? reply.current : null;
  return (
    <Page
      wide
      title={`${draft.head.title} · ${plan.personName}`}
      lead={
        <>
          <Link to={`/people/${plan.personId}`}>{plan.personName}</Link> ·{" "}
          {formatDay(draft.head.day)} · <RunTag run={plan.run} />
        </>
      }
      actions={
        <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
          <Button onClick={undo} disabled={!canUndo}>
            Undo
          </Button>
          <Button onClick={redo} disabled={!canRedo}>
            Redo
          </Button>
          <Button component={Link} to={`/plans/${plan.id}/sheet`}>
            Sheet
          </Button>
          <Button variant="outlined" onClick={() => saveNow?.()} disabled={!canSave}>
            Save
          </Button>
          {plan.run.kind === "none" ? (
            <Form method="post" action={`/plans/${plan.id}/start`}>
              <Button
                type="submit"
                variant="contained"
                color="secondary"
                disabled={isUnsaved || isBlocked}
              >
                Start training
              </Button>
            </Form>
          ) : null}
        </Box>
      }
    >
      <StatusLine
        state={!isSettled ? "saving" : isUnsaved ? "not saved" : `saved, revision ${revision}`}
        isUnsaved={isUnsaved}
        problems={[
          ...invalid.values(),
          ...(reply?.kind === "invalid" ? [`Not saved. ${reply.problems.join(" ")}`] : []),
          ...(search.has("cannot-start") && isBlocked
            ? ["Training did not start: the plan still holds something that cannot be trained."]
            : []),
          ...(search.has("not-moved")
            ? ["Nothing was moved: one of the two sessions has begun meanwhile."]
            : []),
        ]}
        run={plan.run}
      />
      <LeaveGuard isUnsaved={isUnsaved} />
      {conflict === null ? null : (
        <PlanConflict
          revision={conflict.revision}
          theirs={conflict.document}
          mine={draft.plan}
          onKeepMine={() => save(conflict.revision)}
          onTakeTheirs={() => {
            const theirs: Draft = { head: headOf(conflict), plan: conflict.document };
            change(() => theirs);
            markSaved(theirs);
            setRevision(conflict.revision);
          }}
        />
      )}
      <SessionProfile steps={steps} total={duration.likely} nameOf={nameOfSlot} />
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1fr) 300px" },
          columnGap: 4,
        }}
      >
        <div>
          <HeadFields
            head={draft.head}
            gyms={gyms}
            onChange={(head) => change((d) => ({ ...d, head }))}
            onInvalid={onInvalid}
          />
          {draft.plan.blocks.length === 0 ? (
            <Empty>No exercise yet. Add the first below.</Empty>
          ) : null}
          <BlockList
            plan={draft.plan}
            onEdit={edit}
            onInvalid={onInvalid}
            renderSlot={(slot) => {
              const last = lasts[lastKey(slot.movement, slot.station)];
              const movement = around.movement(slot.movement);
              return (
                <SlotEditor
                  key={slot.id}
                  slot={slot}
                  number={slots.indexOf(slot) + 1}
                  movement={movement}
                  station={around.station(slot.station)}
                  stations={here.filter((s) => movement !== null && servesMovement(s, movement))}
                  steps={steps.filter(isSetStep).filter((step) => step.slotId === slot.id)}
                  issues={issues.filter((issue) => issue.slot === slot.id)}
                  duration={durations.get(slot.id) ?? NO_TIME}
                  last={last === undefined ? null : formatExposure(last)}
                  strength={formatKnown(
                    known.figures[lastKey(slot.movement, slot.station)] ?? null,
                  )}
                  judged={judged}
                  mint={mintId}
                  onChange={(to) => edit({ kind: "changeSlot", slot: slot.id, to })}
                  onMove={(by) => edit({ kind: "moveSlot", slot: slot.id, by })}
                  onSwap={() => setSwapping(swapping === slot.id ? null : slot.id)}
                  swap={
                    swapping === slot.id && movement !== null ? (
                      <SwapPanel
                        slot={slot}
                        movement={movement}
                        context={swapContext(here)}
                        awayContext={away}
                        onSwap={(to) => {
                          edit({
                            kind: "changeSlot",
                            slot: slot.id,
                            to: swapSlot(slot, to, brief.weakerSide ?? "left"),
                          });
                          setSwapping(null);
                        }}
                        onClose={() => setSwapping(null)}
                      />
                    ) : null
                  }
                  onRemove={() => edit({ kind: "removeSlot", slot: slot.id })}
                  onInvalid={onInvalid}
                />
              );
            }}
          />
          <AddBlocks
            onAdd={(kind) => edit({ kind: "addBlock", block: newItemBlock(kind, mintId) })}
          />
          <Finder
            judged={judged}
            onAdd={({ movement, station }, write) => {
              const reading = lastReading(movement, station);
              const block = newExercise(judged, movement, station, reading, mintId);
              edit({ kind: "addBlock", block });
              if (write) setToWrite(lineIdOf(block.slot));
            }}
          />
        </div>
        <Box
          component="aside"
          aria-label="What the session comes to"
          sx={{ position: { lg: "sticky" }, top: 16, alignSelf: "start", mt: { xs: 4, lg: 0 } }}
        >
          <BenchPanel duration={duration} hardSets={hardSetCount(draft.plan)} />
          <FindingsPanel
            findings={findings}
            judging={judged}
            setAside={setAside}
            mint={mintId}
            find={catalogue.find}
            plan={plan.id}
            isSaved={!isUnsaved}
            nameOfSlot={nameOfSlot}
            onFix={(fix) => change((d) => ({ ...d, plan: applyFix(fix, judged, mintId) }))}
            onSetAside={onSetAside}
            onTakeBack={onTakeBack}
          />
          <Button
            size="small"
            onClick={() => change((d) => ({ ...d, plan: arrangedByApproach(d.plan, judged) }))}
            disabled={slots.length < 2}
            sx={{ mt: 1 }}
          >
            Arrange by {approach.name}
          </Button>
          <Form method="post" action="/templates">
            <input type="hidden" name="planId" value={plan.id} />
            <input type="hidden" name="name" value={draft.head.title} />
            <Button type="submit" size="small" disabled={isUnsaved || slots.length === 0}>
              Keep as template
            </Button>
          </Form>
          <Box sx={{ mt: 3 }}>
            <CoveragePanel judged={judged} />
          </Box>
        </Box>
      </Box>
    </Page>
  );
}

function headOf(plan: Draft["head"]): Draft["head"] {
  return { title: plan.title, day: plan.day, startTime: plan.startTime, gymId: plan.gymId };
}
