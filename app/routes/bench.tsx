import { useCallback, useEffect, useMemo, useState } from "react";
import { data, useFetcher, useSearchParams, useSubmit } from "react-router";
import { describeIssues, savePlanCodec } from "~/codec/save-plan.ts";
import { dayAt } from "~/core/kernel/index.ts";
import { judgingIn } from "~/core/coach/index.ts";
import { slotsOf } from "~/core/plan/index.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { benchOf } from "~/server/coaching/bench.server.ts";
import { getGym, listStations } from "~/server/db/gyms.server.ts";
import { getPlan, savePlan } from "~/server/db/plans.server.ts";
import { readJson } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/bench.ts";
import { PrintedSession } from "../components/sheet/printed-session.tsx";
import { BenchActions } from "../components/bench/bench-actions.tsx";
import { BenchBody } from "../components/bench/bench-body.tsx";
import { useDraft, type Draft } from "../components/bench/draft.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { SessionTitle, SessionWhere } from "../components/bench/session-head.tsx";
import { SaveState, StatusLine } from "../components/bench/status-line.tsx";
import { useBenchKeys } from "../components/bench/use-bench-keys.ts";
import { useInvalid } from "../components/bench/use-invalid.ts";
import { useJudged } from "../components/bench/use-judged.ts";
import { LeaveGuard } from "../components/bench/leave-guard.tsx";
import { PlanConflict } from "../components/bench/plan-conflict.tsx";
import { Page } from "../components/page.tsx";
import { SessionTag } from "../components/plan-entry.tsx";

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  const plan = orNotFound(await getPlan(scope, idParam<"plan">(params.planId)));
  return benchOf(scope, plan);
});

export const action = writing(async (scope, { request, params }: Route.ActionArgs) => {
  const id = idParam<"plan">(params.planId);
  orNotFound(await getPlan(scope, id));
  const parsed = savePlanCodec(dayAt(scope.now, "UTC")).safeParse(await readJson(request));
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
      {
        kind: "invalid" as const,
        problems: ["A gym or equipment of another studio cannot be used here."],
      },
      { status: 400 },
    );
  }
  const saved = await savePlan(scope, id, baseRevision, head, document);
  if (saved.ok) return data({ kind: "saved" as const, revision: saved.value });
  if (saved.error.code === "missing") throw orNotFound(null);
  return data({ kind: "conflict" as const, current: saved.error.current }, { status: 409 });
});

/** A save is answered by the action; the draft on the screen is not to be loaded over. */
export function shouldRevalidate({ formMethod }: { formMethod?: string }) {
  return formMethod !== "POST";
}

export default function Bench({ loaderData }: Route.ComponentProps) {
  return <BenchOf key={loaderData.plan.id} {...loaderData} />;
}

function BenchOf(known: Route.ComponentProps["loaderData"]) {
  const { plan } = known;
  const initial = useMemo<Draft>(() => ({ head: headOf(plan), plan: plan.document }), [plan]);
  const catalogue = useCatalogue();
  const {
    draft,
    newest,
    isDirty,
    isDirtyNow,
    canUndo,
    canRedo,
    generation,
    change,
    undo,
    redo,
    markSaved,
  } = useDraft(initial);
  const { invalid, onInvalid, isValidNow } = useInvalid();
  const [revision, setRevision] = useState(plan.revision);
  const [sent, setSent] = useState<{ readonly draft: Draft; readonly base: number } | null>(null);
  const fetcher = useFetcher<typeof action>();
  const [search] = useSearchParams();
  const reply = fetcher.data;

  const follows = useJudged(draft, known.context, catalogue);
  const save = useCallback(
    (base: number) => {
      const sending = newest();
      setSent({ draft: sending, base });
      void fetcher.submit(
        JSON.stringify({ baseRevision: base, head: sending.head, document: sending.plan }),
        {
          method: "post",
          encType: "application/json",
        },
      );
    },
    [newest, fetcher],
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

  // Of what is, not of what is drawn: who types and saves at once has not waited for the drawing.
  const saveNow = useCallback(() => {
    if (isSettled && isDirtyNow() && isValidNow()) save(revision);
  }, [isSettled, isDirtyNow, isValidNow, save, revision]);
  useBenchKeys(saveNow, undo, redo);

  // Whoever starts means the session as it stands: it is saved first, and started once it is.
  const submit = useSubmit();
  /** What the server had answered when a press asked to start; null where nobody waits for it. */
  const [starting, setStarting] = useState<{ readonly since: typeof reply } | null>(null);
  const start = useCallback(() => {
    setStarting({ since: reply });
    saveNow();
  }, [reply, saveNow]);
  const isRefused = reply !== starting?.since && reply?.kind !== "saved";
  useEffect(() => {
    if (starting === null || !isSettled || (isDirty && !isRefused)) return;
    setStarting(null);
    if (!isDirty) void submit(null, { method: "post", action: `/plans/${plan.id}/start` });
  }, [starting, isSettled, isDirty, isRefused, submit, plan.id]);

  const person = useMemo(
    () => ({ id: plan.personId, name: plan.personName }),
    [plan.personId, plan.personName],
  );
  const changeHead = useCallback(
    (to: (head: Draft["head"]) => Draft["head"]) => change((d) => ({ ...d, head: to(d.head) })),
    [change],
  );
  const changeTitle = useCallback(
    (title: string) => changeHead((head) => ({ ...head, title })),
    [changeHead],
  );
  const isUnsaved = isDirty || invalid.size > 0;
  const isBlocked =
    follows.issues.some((issue) => issue.blocks) || slotsOf(draft.plan).length === 0;
  const conflict =
    reply?.kind === "conflict" && revision < reply.current.revision ? reply.current : null;
  return (
    <>
      <Page
        wide
        dense
        printsOtherwise
        title={`${draft.head.title} · ${plan.personName}`}
        heading={
          <SessionTitle title={draft.head.title} onTitle={changeTitle} onInvalid={onInvalid} />
        }
        lead={
          <>
            <SessionWhere person={person} head={draft.head} gyms={known.gyms} onHead={changeHead} />
            {" · "}
            {plan.sessionState.kind === "none" ? null : (
              <>
                <SessionTag sessionState={plan.sessionState} />{" "}
              </>
            )}
            <SaveState
              state={
                !isSettled ? "saving" : isUnsaved ? "not saved" : `saved, revision ${revision}`
              }
              isUnsaved={isUnsaved}
            />
          </>
        }
        actions={
          <BenchActions
            plan={plan.id}
            canUndo={canUndo}
            canRedo={canRedo}
            canSave={isDirty && invalid.size === 0 && isSettled}
            canStart={invalid.size === 0 && !isBlocked && plan.sessionState.kind !== "deleted"}
            isBegun={plan.sessionState.kind === "running" || plan.sessionState.kind === "ended"}
            onUndo={undo}
            onRedo={redo}
            onSave={saveNow}
            onStart={start}
          />
        }
      >
        <StatusLine
          plan={plan.id}
          problems={[
            ...invalid.values(),
            ...(reply?.kind === "invalid" ? [`Not saved. ${reply.problems.join(" ")}`] : []),
            ...(search.has("cannot-start") && isBlocked
              ? ["Training did not start: the session still has an exercise that cannot be done."]
              : []),
            ...(search.has("begun") ? ["Not deleted: the session has begun in the meantime."] : []),
            ...(search.has("not-moved")
              ? ["Nothing was moved: one of the two sessions has begun in the meantime."]
              : []),
          ]}
          sessionState={plan.sessionState}
          isDiscarded={plan.discarded !== null}
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
        <BenchBody
          known={known}
          draft={draft}
          follows={follows}
          isUnsaved={isUnsaved}
          generation={generation}
          change={change}
          newest={newest}
          onInvalid={onInvalid}
        />
      </Page>
      <PrintedSession
        sheet={() => ({
          document: draft.plan,
          title: draft.head.title,
          day: draft.head.day,
          personName: plan.personName,
          readsIn: plan.personUnit,
          gym: known.gyms.find(({ id }) => id === draft.head.gymId)?.name ?? "",
          unrollContext: judgingIn(draft.head.gymId, known.context, catalogue).unrollContext,
        })}
      />
    </>
  );
}

function headOf(plan: Draft["head"]): Draft["head"] {
  return { title: plan.title, day: plan.day, startTime: plan.startTime, gymId: plan.gymId };
}
