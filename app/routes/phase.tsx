import Button from "@mui/material/Button";
import Box from "@mui/material/Box";
import useMediaQuery from "@mui/material/useMediaQuery";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import { Form, Link, data, redirect, useNavigation } from "react-router";
import { takeBackCodec } from "~/codec/replan.ts";
import { dayAt, type MovementRef } from "~/core/kernel/index.ts";
import { sheetActionCodec } from "~/codec/phase.ts";
import { GOAL_NAMES } from "~/format/brief.ts";
import { formatDay, formatShortDay, plural } from "~/format/numbers.ts";
import {
  formatCarried,
  formatLongTaper,
  formatLost,
  formatNewPhaseError,
  formatTypeCellsError,
  nameAfter,
} from "~/format/phase.ts";
import { formatStated, formatTargetOdds } from "~/format/odds.ts";
import { formatChangeProblem, formatEvent } from "~/format/replan.ts";
import { ROLE_NAMES } from "~/format/training.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { archive, takeBackChange } from "~/server/coaching/change-phase.server.ts";
import { putBack, typeCells } from "~/server/coaching/phase-cells.server.ts";
import { approveWeek, phaseSheet, rollOverPhase } from "~/server/coaching/phase.server.ts";
import { getPhase, replansOf } from "~/server/db/phases.server.ts";
import { addPhaseTemplate } from "~/server/db/phase-templates.server.ts";
import { listGyms, listStations } from "~/server/db/gyms.server.ts";
import { catalogueFor } from "~/server/db/movements.server.ts";
import { isJson, readForm, readJson } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/phase.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { Page } from "../components/page.tsx";
import { ChangeMany } from "../components/phase/change-many.tsx";
import { CellExplained } from "../components/phase/cell-explained.tsx";
import { single, type Selection } from "../components/phase/grid.ts";
import type { ShownCurve } from "../components/phase/main-lines.tsx";
import { PhaseSheet } from "../components/phase/phase-sheet.tsx";
import { placeKey, rowsOf } from "../components/phase/rows.ts";
import { useOdds, type OddsNow } from "../components/phase/use-odds.ts";
import { useTyping } from "../components/phase/use-typing.ts";
import { useWindow } from "../components/phase/use-window.ts";
import { WeekFigure } from "../components/phase/week-figure.tsx";
import { WeekFindings } from "../components/phase/week-findings.tsx";

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  const phase = orNotFound(await getPhase(scope, idParam<"phase">(params.phaseId)));
  const [sheet, replans, stations, gyms] = await Promise.all([
    phaseSheet(scope, phase),
    replansOf(scope, phase.id),
    listStations(scope, undefined, "all"),
    listGyms(scope),
  ]);
  const shown = orNotFound(sheet);
  const names = new Map<string, string>([...stations, ...gyms].map(({ id, name }) => [id, name]));
  const timeZone = gyms[0]?.timeZone ?? "UTC";
  const { revision, name, document } = phase;
  const { start, goal, success, changes, notes } = document;
  return {
    ...shown,
    id: phase.id,
    revision,
    name,
    start,
    goal,
    success,
    changes,
    notes,
    replans: replans.map(({ number, at, event, isTakenBack }) => ({
      revision: number,
      on: dayAt(at, timeZone),
      text: formatEvent(event, (own) => names.get(own) ?? "equipment that is gone"),
      isTakenBack,
    })),
  };
});

/** Writes into cells, or puts changes back; approves a week; archives the phase. */
export const action = writing(async (scope, { params, request }: Route.ActionArgs) => {
  const phase = orNotFound(await getPhase(scope, idParam<"phase">(params.phaseId)));
  if (isJson(request)) {
    const asked = sheetActionCodec.safeParse(await readJson(request));
    if (!asked.success)
      return data(
        { problem: asked.error.issues[0]?.message ?? "This was not understood.", at: null },
        { status: 400 },
      );
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
    await archive(scope, phase);
    throw redirect(`/people/${phase.personId}`);
  }
  if (form.get("intent") === "takeBack") {
    const asked = takeBackCodec.safeParse(Object.fromEntries(form));
    const back = asked.success ? await takeBackChange(scope, phase, asked.data.revision) : null;
    if (back?.ok === true) throw redirect(`/phases/${phase.id}`);
    const problem = back === null ? "This was not understood." : formatChangeProblem(back.error);
    return data({ problem, at: null, isOfPage: true }, { status: 400 });
  }
  if (form.get("intent") === "keep") {
    const id = await addPhaseTemplate(scope, phase.name, phase.document);
    throw redirect(`/phase-templates/${id}`);
  }
  if (form.get("intent") === "rollOver") {
    const { find } = await catalogueFor(scope);
    const { name, document } = phase;
    const next = await rollOverPhase(scope, phase, nameAfter(name), (rolled) =>
      formatCarried(name, document.notes, rolled, find),
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
  const { sheet, bands, findings, person, revision, changes } = phase;
  const rows = rowsOf(sheet);
  const next = nextWeek(phase);
  const [selection, setSelection] = useState<Selection | null>(() =>
    rows.length === 0 ? null : single({ row: 0, column: beginsAt(sheet.weeks, next) }),
  );
  const typing = useTyping(revision, changes);
  const isPhone = useMediaQuery("(max-width: 699.95px)");
  const isBusy = useNavigation().state !== "idle";
  const { targets, curves } = phase;
  const odds = useOdds(useMemo(() => ({ targets, curves }), [targets, curves]));
  const oddsOf = (i: number) =>
    typeof odds === "string" ? odds : (odds.odds[i] ?? { chance: null, byWeek: [] });
  const at = selection?.to ?? null;
  const drawn = useWindow(sheet.weeks.length, at?.column ?? 0, isPhone);
  const { columns } = drawn;
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
        <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
          <Button variant="outlined" onClick={typing.undo} disabled={!typing.canUndo}>
            Undo
          </Button>
          <Button variant="outlined" onClick={typing.redo} disabled={!typing.canRedo}>
            Redo
          </Button>
          <Button component={Link} to={`/phases/${phase.id}/change`} variant="outlined">
            Change …
          </Button>
          <Button component={Link} to={`/phases/${phase.id}/replan`} variant="outlined">
            Replan …
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
      <Replans replans={phase.replans} revision={revision} isBusy={isBusy} />
      {phase.targets.length === 0 ? null : (
        <Box component="ul" aria-label="Targets" sx={{ m: 0, mb: 1.5, p: 0, listStyle: "none" }}>
          {phase.targets.map((own, i) => (
            <li key={`${own.target.day} ${own.target.line}`}>
              <strong>{own.movement === null ? "An exercise" : nameOf(own.movement)}</strong>{" "}
              {formatTargetOdds(own, oddsOf(i))}
            </li>
          ))}
        </Box>
      )}
      {phase.notes === "" ? null : (
        <Typography sx={{ mb: 1.5, whiteSpace: "pre-line", maxWidth: "80ch" }}>
          {phase.notes}
        </Typography>
      )}
      {phase.lost.length === 0 ? null : (
        <Typography role="status" sx={{ mb: 1 }}>
          {formatLost(phase.lost.length)}
        </Typography>
      )}
      {phase.tapers.map((taper, i) => (
        <Typography key={i} role="status" sx={{ mb: 1 }}>
          {formatLongTaper(taper, find)}
        </Typography>
      ))}
      {at !== null && columns.length < sheet.weeks.length ? (
        <Box sx={{ display: "flex", justifyContent: "space-between", mb: 1 }}>
          <OtherWeeks
            text={isPhone ? "Week before" : "Earlier weeks"}
            to={columns[0] === 0 ? null : Math.max(0, (columns[0] ?? 0) - columns.length)}
            onGo={(column) => setSelection(single({ ...at, column }))}
          />
          <OtherWeeks
            text={isPhone ? "Next week" : "Later weeks"}
            to={
              columns.at(-1) === sheet.weeks.length - 1
                ? null
                : Math.min(sheet.weeks.length - 1, (columns.at(-1) ?? 0) + columns.length)
            }
            onGo={(column) => setSelection(single({ ...at, column }))}
          />
        </Box>
      ) : null}
      <ChangeMany sheet={sheet} nameOf={nameOf} onType={typing.type} />
      <div ref={drawn.of} />
      <PhaseSheet
        columns={columns}
        sheet={sheet}
        bands={bands}
        findings={findings}
        curves={shownCurves(phase, odds, nameOf)}
        nameOf={nameOf}
        selection={selection}
        onSelect={setSelection}
        onType={typing.type}
        pending={typing.pending}
        invalid={typing.refused?.at ?? null}
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
          ruling={
            phase.rulings.find(
              (own) =>
                own.day === row.day.id &&
                own.lineage === row.lineage &&
                own.line === row.line &&
                own.week === at.column + 1,
            )?.ruling ?? null
          }
          problem={typing.refused?.problem ?? null}
        />
      )}
      {at === null ? null : (
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) minmax(0,340px)" },
            columnGap: 5,
            alignItems: "start",
          }}
        >
          <WeekFindings
            number={at.column + 1}
            found={findings[at.column] ?? []}
            approach={phase.approach}
          />
          <WeekFigure volume={sheet.volume} weekly={phase.weekly} column={at.column} />
        </Box>
      )}
      <Form method="post">
        <Box sx={{ display: "flex", alignItems: "baseline", gap: 2, mt: 3 }}>
          <Button type="submit" name="intent" value="keep" size="small" disabled={isBusy}>
            Keep as template
          </Button>
          <Button type="submit" name="intent" value="archive" size="small" disabled={isBusy}>
            Archive phase
          </Button>
          <Typography variant="body2" sx={{ color: "text.secondary" }}>
            Sessions that are planned or trained stay.
          </Typography>
        </Box>
      </Form>
    </Page>
  );
}

/** The main lines with what was worked out of them, each with its stated targets. */
function shownCurves(
  { curves, targets }: Pick<Route.ComponentProps["loaderData"], "curves" | "targets">,
  odds: OddsNow,
  nameOf: (ref: MovementRef) => string,
): readonly ShownCurve[] {
  return curves.map((own, i) => ({
    ...own,
    name: nameOf(own.movement),
    band: typeof odds === "string" ? null : (odds.bands[i] ?? []),
    targets: targets.flatMap(({ target, metIn }, k) => {
      const found = typeof odds === "string" ? undefined : odds.odds[k];
      const isOwn = target.day === own.at.day && target.line === own.at.line && metIn === null;
      return isOwn && found !== undefined && found.byWeek.length > 0
        ? [{ ...found, text: `chance of ${formatStated(target)}` }]
        : [];
    }),
  }));
}

/** Goes to weeks that are not drawn; null where there are none. */
function OtherWeeks({
  text,
  to,
  onGo,
}: {
  readonly text: string;
  readonly to: number | null;
  readonly onGo: (column: number) => void;
}) {
  return (
    <Button
      variant="outlined"
      disabled={to === null}
      onClick={() => {
        if (to !== null) onGo(to);
      }}
    >
      {text}
    </Button>
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

/** What was replanned, the newest first; it can be taken back as long as nothing was changed since. */
function Replans({
  replans,
  revision,
  isBusy,
}: Pick<Route.ComponentProps["loaderData"], "replans" | "revision"> & {
  readonly isBusy: boolean;
}) {
  if (replans.length === 0) return null;
  return (
    <Box component="ul" aria-label="Replanned" sx={{ m: 0, mb: 1.5, p: 0, listStyle: "none" }}>
      {replans.map((own) => (
        <Box
          component="li"
          key={own.revision}
          sx={{ display: "flex", gap: 1.5, alignItems: "center", minHeight: 32 }}
        >
          <Typography>
            Replanned {formatShortDay(own.on)}: {own.text}
            {own.isTakenBack ? ", undone" : ""}
          </Typography>
          {own.revision === revision ? (
            <Form method="post">
              <input type="hidden" name="intent" value="takeBack" />
              <input type="hidden" name="revision" value={own.revision} />
              <Button type="submit" size="small" disabled={isBusy}>
                Undo replan
              </Button>
            </Form>
          ) : null}
        </Box>
      ))}
    </Box>
  );
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
