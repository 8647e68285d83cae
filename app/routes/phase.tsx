import Button from "@mui/material/Button";
import Box from "@mui/material/Box";
import useMediaQuery from "@mui/material/useMediaQuery";
import Typography from "@mui/material/Typography";
import { useEffect, useMemo, useState } from "react";
import { Form, Link, data, redirect, useFetcher, useNavigation } from "react-router";
import { sheetActionCodec } from "~/codec/phase.ts";
import { describeIssues } from "~/codec/save-plan.ts";
import type { Phase } from "~/core/phase/index.ts";
import { GOAL_NAMES } from "~/format/brief.ts";
import { formatDay, plural } from "~/format/numbers.ts";
import {
  formatCarried,
  formatNewPhaseError,
  formatTypeCellsError,
  nameAfter,
} from "~/format/phase.ts";
import { ROLE_NAMES } from "~/format/training.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { putBack, typeCells } from "~/server/coaching/phase-cells.server.ts";
import { approveWeek, phaseSheet, rollOverPhase } from "~/server/coaching/phase.server.ts";
import { archivePhase, getPhase } from "~/server/db/phases.server.ts";
import { catalogueFor } from "~/server/db/movements.server.ts";
import { isJson, readForm, readJson } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/phase.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { Page } from "../components/page.tsx";
import { CellExplained } from "../components/phase/cell-explained.tsx";
import { PhaseSheet, placeKey, rowsOf, type Entry } from "../components/phase/phase-sheet.tsx";
import { single, type Selection } from "../components/phase/grid.ts";

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  const phase = orNotFound(await getPhase(scope, idParam<"phase">(params.phaseId)));
  const shown = orNotFound(await phaseSheet(scope, phase));
  const { revision, name, document } = phase;
  const { start, goal, success, changes, notes } = document;
  return { ...shown, id: phase.id, revision, name, start, goal, success, changes, notes };
});

/** Writes into cells, or puts changes back; approves a week; archives the phase. */
export const action = writing(async (scope, { params, request }: Route.ActionArgs) => {
  const phase = orNotFound(await getPhase(scope, idParam<"phase">(params.phaseId)));
  if (isJson(request)) {
    const asked = sheetActionCodec.safeParse(await readJson(request));
    if (!asked.success)
      return data({ problem: describeIssues(asked.error).join(" "), at: null }, { status: 400 });
    const { baseRevision } = asked.data;
    const saved =
      asked.data.intent === "type"
        ? await typeCells(scope, phase, baseRevision, asked.data.entries)
        : await putBack(scope, phase, baseRevision, asked.data.changes);
    if (saved.ok) return { problem: null, at: null };
    const { error } = saved;
    return data(
      { problem: formatTypeCellsError(error), at: "at" in error ? placeKey(error.at) : null },
      { status: error.code === "changedMeanwhile" || error.code === "cellChanged" ? 409 : 400 },
    );
  }
  const form = await readForm(request);
  if (form.get("intent") === "archive") {
    await archivePhase(scope, phase.id);
    throw redirect(`/people/${phase.personId}`);
  }
  if (form.get("intent") === "rollOver") {
    const { find } = await catalogueFor(scope);
    const { name, document } = phase;
    const next = await rollOverPhase(scope, phase, nameAfter(name), (putFirst) =>
      formatCarried(name, document.notes, putFirst, find),
    );
    if (next.ok) throw redirect(`/phases/${next.value.id}`);
    const problem = formatNewPhaseError(next.error);
    return data({ problem, at: null, isOfPage: true }, { status: 400 });
  }
  const week = Number(form.get("week"));
  if (form.get("intent") !== "approve" || !Number.isInteger(week))
    return data({ problem: "This was not understood.", at: null }, { status: 400 });
  const { planned, waiting } = await approveWeek(scope, phase.id, week);
  return { problem: null, at: null, approved: { week, planned, waiting } };
});

export default function PhasePage({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <PhaseOf
      key={loaderData.id}
      {...loaderData}
      approved={approvedIn(actionData)}
      refused={actionData !== undefined && "isOfPage" in actionData ? actionData.problem : null}
    />
  );
}

const approvedIn = (reply: Route.ComponentProps["actionData"]) =>
  reply !== undefined && "approved" in reply ? reply.approved : null;

function PhaseOf({
  approved,
  refused,
  ...phase
}: Route.ComponentProps["loaderData"] & {
  readonly approved: ReturnType<typeof approvedIn>;
  readonly refused: string | null;
}) {
  const { find } = useCatalogue();
  const { sheet, bands, person, revision, changes } = phase;
  const rows = rowsOf(sheet);
  const next = nextWeek(phase);
  const [selection, setSelection] = useState<Selection | null>(() =>
    rows.length === 0 ? null : single({ row: 0, column: beginsAt(sheet.weeks, next) }),
  );
  const typing = useTyping(revision, changes);
  const isPhone = useMediaQuery("(max-width: 699.95px)");
  const isBusy = useNavigation().state !== "idle";
  const at = selection?.to ?? null;
  const row = at === null ? undefined : rows[at.row];
  const week = at === null ? undefined : sheet.weeks[at.column];
  const nameOf = (ref: Parameters<typeof find>[0]) => find(ref)?.name ?? ref;
  return (
    <Page
      wide
      title={phase.name}
      lead={
        <>
          <Link to={`/people/${person.id}`}>{person.name}</Link> ·{" "}
          {plural(sheet.weeks.length, "week")} from {formatDay(phase.start)} · {phase.approach} ·
          goal: {GOAL_NAMES[phase.goal].toLowerCase()}
          {phase.success === "" ? "" : ` · success: ${phase.success}`}
        </>
      }
      actions={
        <Box sx={{ display: "flex", gap: 1 }}>
          <Button variant="outlined" onClick={typing.undo} disabled={!typing.canUndo}>
            Undo
          </Button>
          <Button variant="outlined" onClick={typing.redo} disabled={!typing.canRedo}>
            Redo
          </Button>
          <Button component={Link} to={`/phases/${phase.id}/assign`} variant="outlined">
            Assign to …
          </Button>
          <Form method="post">
            <input type="hidden" name="intent" value="rollOver" />
            <Button type="submit" variant="outlined" disabled={isBusy}>
              Roll over
            </Button>
          </Form>
          {next === null ? null : (
            <Form method="post">
              <input type="hidden" name="intent" value="approve" />
              <input type="hidden" name="week" value={next} />
              <Button type="submit" variant="contained" disabled={isBusy}>
                Approve week {next}
              </Button>
            </Form>
          )}
        </Box>
      }
    >
      {approved === null ? null : <Approved {...approved} />}
      {refused === null ? null : (
        <Typography role="alert" sx={{ color: "kravo.signal", fontWeight: 650, mb: 1 }}>
          ▸ {refused}
        </Typography>
      )}
      {phase.notes === "" ? null : (
        <Typography sx={{ mb: 1.5, whiteSpace: "pre-line", maxWidth: "80ch" }}>
          {phase.notes}
        </Typography>
      )}
      {phase.lost.length === 0 ? null : (
        <Typography role="status" sx={{ mb: 1 }}>
          {plural(phase.lost.length, "change")} of yours {phase.lost.length === 1 ? "is" : "are"} of
          exercises or weeks that are gone, and {phase.lost.length === 1 ? "does" : "do"} nothing.
        </Typography>
      )}
      {isPhone && at !== null ? (
        <Box sx={{ display: "flex", justifyContent: "space-between", mb: 1 }}>
          {([-1, 1] as const).map((by) => (
            <Button
              key={by}
              variant="outlined"
              disabled={sheet.weeks[at.column + by] === undefined}
              onClick={() => setSelection(single({ ...at, column: at.column + by }))}
            >
              {by < 0 ? "Week before" : "Next week"}
            </Button>
          ))}
        </Box>
      ) : null}
      <PhaseSheet
        columns={isPhone && at !== null ? [at.column] : sheet.weeks.map((_, i) => i)}
        sheet={sheet}
        bands={bands}
        nameOf={nameOf}
        selection={selection}
        onSelect={setSelection}
        onType={typing.type}
        pending={typing.pending}
      />
      {row === undefined || week === undefined || at === null ? null : (
        <CellExplained
          row={row}
          week={week}
          number={at.column + 1}
          cell={row.cells[at.column] ?? null}
          session={row.day.sessions[at.column] ?? null}
          name={
            row.role === "work"
              ? nameOf(row.movement)
              : `${nameOf(row.movement)}, ${ROLE_NAMES[row.role].toLowerCase()}`
          }
          problem={typing.problem}
        />
      )}
    </Page>
  );
}

/** The column that is looked at first: of the week that can be approved, else of this week. */
function beginsAt(weeks: readonly { readonly isNow: boolean }[], next: number | null): number {
  return next === null
    ? Math.max(
        0,
        weeks.findIndex(({ isNow }) => isNow),
      )
    : next - 1;
}

/** The first week that can be approved; null where none can. */
function nextWeek({ sheet }: Pick<Route.ComponentProps["loaderData"], "sheet">): number | null {
  const at = sheet.weeks.findIndex((_, i) =>
    sheet.days.some(({ sessions }) => sessions[i]?.source === "next"),
  );
  return at < 0 ? null : at + 1;
}

function Approved({ week, planned, waiting }: NonNullable<ReturnType<typeof approvedIn>>) {
  return (
    <Box role="status" sx={{ mb: 1.5, borderLeft: 4, borderColor: "kravo.ink", pl: 1.5 }}>
      Week {week}: {plural(planned, "session")} planned.
      {waiting.map(({ title, sessionLog }) => (
        <div key={sessionLog}>
          {title} waits: something in the last session needs your decision.{" "}
          <Link to={`/runs/${sessionLog}`}>Decide</Link>
        </div>
      ))}
    </Box>
  );
}

/** What is done to a sheet, one after the other: what is typed, or what it was before or after is put back. */
type Deed =
  | { readonly kind: "type"; readonly entries: readonly Entry[] }
  | { readonly kind: "undo" | "redo" };

/**
 * What is typed is shown at once and saved behind it, one deed after the other, each from the revision that the one
 * before left. What the coach's changes were before can be put back.
 */
function useTyping(revision: number, changes: Phase["changes"]) {
  const fetcher = useFetcher<typeof action>();
  const [deeds, setDeeds] = useState<readonly Deed[]>([]);
  // With the reply that was there before, since the fetcher is idle for a moment before it begins.
  const [sent, setSent] = useState<{ readonly deed: Deed; readonly before: unknown } | null>(null);
  const [past, setPast] = useState<readonly Phase["changes"][]>([]);
  const [future, setFuture] = useState<readonly Phase["changes"][]>([]);
  const isIdle = fetcher.state === "idle";
  const reply = fetcher.data;

  useEffect(() => {
    if (!isIdle) return;
    if (sent !== null) {
      if (reply === sent.before) return;
      setSent(null);
      // What was refused was never done, so that there is nothing to undo of it, and what waited behind it is dropped.
      if (reply?.problem != null) {
        if (sent.deed.kind !== "redo") setPast((list) => list.slice(0, -1));
        setDeeds([]);
      }
      return;
    }
    const [next, ...others] = deeds;
    if (next === undefined) return;
    setDeeds(others);
    const submit = (body: object) =>
      void fetcher.submit(JSON.stringify({ ...body, baseRevision: revision }), {
        method: "post",
        encType: "application/json",
      });
    if (next.kind === "type") {
      setPast((list) => [...list, changes]);
      setFuture([]);
      submit({ intent: "type", entries: next.entries });
    } else {
      const [from, to] = next.kind === "undo" ? [past, setPast] : [future, setFuture];
      const last = from.at(-1);
      if (last === undefined) return;
      to(from.slice(0, -1));
      (next.kind === "undo" ? setFuture : setPast)((list) => [...list, changes]);
      submit({ intent: "putBack", changes: last });
    }
    setSent({ deed: next, before: reply });
  }, [isIdle, sent, deeds, reply, revision, changes, past, future, fetcher]);

  const pending = useMemo(() => {
    const waiting = [...(sent === null ? [] : [sent.deed]), ...deeds];
    const entries = waiting.flatMap((deed) => (deed.kind === "type" ? deed.entries : []));
    return new Map(entries.map((entry) => [placeKey(entry), entry.text]));
  }, [sent, deeds]);
  const does = (deed: Deed) => setDeeds((list) => [...list, deed]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== "z") return;
      if (event.target instanceof HTMLInputElement) return;
      event.preventDefault();
      does({ kind: event.shiftKey ? "redo" : "undo" });
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return {
    type: (entries: readonly Entry[]) => does({ kind: "type", entries }),
    undo: () => does({ kind: "undo" }),
    redo: () => does({ kind: "redo" }),
    canUndo: past.length > 0,
    canRedo: future.length > 0,
    pending,
    problem: isIdle && sent === null ? (reply?.problem ?? null) : null,
  };
}
