import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import { Form, Link, useNavigate } from "react-router";
import { mintId } from "~/codec/mint.ts";
import type { Id, MovementRef } from "~/core/identity/index.ts";
import {
  conflictsOf,
  contextsOf,
  foundByTrial,
  hardSetsDone,
  isEnded,
  partsAt,
  partsOf,
  skipReason,
  type CommandBody,
  type OrderedCommand,
  type PerformedPart,
  type RunLog,
} from "~/core/log/index.ts";
import {
  findSlot,
  isSetStep,
  partKeyText,
  surroundingsOf,
  unroll,
  type PartKey,
  type SessionPlan,
  type SetStep,
} from "~/core/prescription/index.ts";
import { type Movement } from "~/core/movement/index.ts";
import { plannedContext, type Exposure } from "~/core/progression/index.ts";
import type { Difference } from "~/core/comparison/index.ts";
import type { Mass, MassUnit } from "~/core/quantity/index.ts";
import { surroundingsFrom, type Figures, type StrengthRules } from "~/core/strength/index.ts";
import type { Station } from "~/core/station/index.ts";
import { SchemeSwitch } from "../shell.tsx";
import { ConflictPanel } from "./conflict-panel.tsx";
import { EndPanel } from "./end-panel.tsx";
import { LogPanel, type Entry } from "./log-panel.tsx";
import { RestClock } from "./rest-clock.tsx";
import { SaveLine } from "./save-line.tsx";
import { SlotMore } from "./slot-more.tsx";
import { StepList } from "./step-list.tsx";
import { StepView } from "./step-view.tsx";
import { useRunLog } from "./use-run-log.ts";

export interface FloorProps {
  readonly run: {
    readonly id: Id<"run">;
    readonly planId: Id<"plan">;
    readonly revisionId: Id<"revision">;
    readonly title: string;
    readonly personName: string;
    readonly personUnit: MassUnit;
    readonly document: SessionPlan;
  };
  readonly commands: readonly OrderedCommand[];
  readonly stations: readonly Station[];
  /** The movements of the session: the catalogue itself stays off the floor, which opens over poor networks. */
  readonly movements: readonly Movement[];
  readonly rules: StrengthRules;
  readonly figures: Figures;
  readonly bodyWeight: Mass | null;
  readonly lasts: Readonly<
    Record<string, { readonly exposure: Exposure; readonly differences: readonly Difference[] }>
  >;
}

/** Trains one session, one step at a time; everything works without a network once the page was opened. */
export function FloorView({
  run,
  commands,
  stations,
  movements,
  lasts,
  rules,
  figures,
  bodyWeight,
}: FloorProps) {
  const { log, entries, append, send, saveState, newestRevision, isOpen } = useRunLog(
    run.id,
    commands,
  );
  const [picked, setPicked] = useState<PartKey | null>(null);
  const [isEnding, setEnding] = useState(false);
  const navigate = useNavigate();
  const find = useMemo(() => {
    const byRef = new Map(movements.map((movement) => [movement.ref, movement]));
    return (ref: MovementRef) => byRef.get(ref) ?? null;
  }, [movements]);
  const around = useMemo(
    () => surroundingsOf(stations, find, surroundingsFrom(figures, bodyWeight, rules)),
    [stations, find, figures, bodyWeight, rules],
  );
  const session = useMemo(() => {
    const parts = partsOf(log).map(({ part }) => part);
    return unroll(run.document, { ...around, found: (set) => foundByTrial(set, parts) });
  }, [run.document, around, log]);
  const steps = useMemo(() => session.filter(isSetStep), [session]);

  const isOpenStep = (step: SetStep) =>
    partsAt(log, step.key).length === 0 && skipReason(log, step.slotId) === null;
  const current =
    steps.find((s) => picked !== null && partKeyText(s.key) === partKeyText(picked)) ??
    steps.find(isOpenStep) ??
    null;
  const ended = isEnded(log);
  const rest = lastRest(entries, steps);
  const nextOpen = steps.find(isOpenStep) ?? null;

  const record = async (step: SetStep, entry: Entry) => {
    const slot = findSlot(run.document, step.slotId);
    const station = slot && around.station(slot.station);
    if (slot === null || station === null) return;
    const context: CommandBody = {
      kind: "context",
      context: {
        ...plannedContext(run.document, slot, station),
        hardSetsBefore: hardSetsDone(run.document, log, find),
      },
    };
    const hasContext = contextsOf(log).some((c) => c.slotId === slot.id);
    const [before] = partsAt(log, step.key);
    const part: PerformedPart = {
      id: mintId(),
      slotId: slot.id,
      key: step.key,
      stationVersion: before?.part.stationVersion ?? station.versionId,
      ...entry,
    };
    const bodies = [
      ...(hasContext ? [] : [{ body: context }]),
      { body: { kind: "part", part } as const },
    ];
    if (await append(bodies)) setPicked(null);
  };

  const end = async (sessionEffort: number | null) => {
    if (!(await append([{ body: { kind: "end", sessionEffort } }]))) return;
    await send();
    if (navigator.onLine) await navigate(`/runs/${run.id}`);
  };

  const slot = current && findSlot(run.document, current.slotId);
  const station = slot && around.station(slot.station);
  const movement = slot && around.movement(slot.movement);
  return (
    <Box
      component="main"
      id="page"
      sx={{ maxWidth: 1180, mx: "auto", px: { xs: 1.5, md: 3 }, pb: 6 }}
    >
      <title>{`${run.personName} · Floor · Kravo`}</title>
      <Box
        component="header"
        sx={{
          display: "flex",
          alignItems: "center",
          gap: 1,
          py: 0.75,
          borderBottom: "4px double",
          borderColor: "kravo.ink",
          mb: 1.5,
        }}
      >
        <Box sx={{ flexGrow: 1, minWidth: 0 }}>
          <Typography variant="h3" component="h1" noWrap>
            {run.personName}
          </Typography>
          <SaveLine state={saveState} />
        </Box>
        <SchemeSwitch />
        <Button component={Link} to="/" size="small">
          Today
        </Button>
      </Box>
      {newestRevision !== null && newestRevision !== run.revisionId && !ended ? (
        <Form method="post">
          <Box
            role="status"
            sx={{
              border: 2,
              borderColor: "kravo.warn",
              p: 1.5,
              mb: 1.5,
              display: "flex",
              gap: 1,
              alignItems: "center",
              flexWrap: "wrap",
            }}
          >
            <Typography sx={{ flexGrow: 1 }}>
              The plan was changed since this session began. What is logged stays.
            </Typography>
            <Button type="submit" variant="outlined" disabled={saveState.kind !== "saved"}>
              Take the change
            </Button>
          </Box>
        </Form>
      ) : null}
      {conflictsOf(log).map((conflict) => (
        <ConflictPanel
          key={partKeyText(conflict.key)}
          conflict={conflict}
          step={steps.find((s) => partKeyText(s.key) === partKeyText(conflict.key)) ?? null}
          onKeep={(kept) =>
            void append(
              conflict.sides
                .filter((side) => side.commandId !== kept)
                .map((side) => ({
                  body: { kind: "removePart", key: conflict.key } as const,
                  parent: side.commandId,
                })),
            )
          }
        />
      ))}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) 320px" },
          columnGap: 4,
        }}
      >
        <div>
          {ended ? (
            <EndedNote isSent={saveState.kind === "saved"} run={run.id} />
          ) : current === null || slot === null || station === null ? (
            <Typography variant="h1" component="p" sx={{ my: 4 }}>
              All sets are logged.
            </Typography>
          ) : (
            <>
              {rest !== null && picked === null ? (
                <RestClock key={rest.from} from={rest.from} seconds={rest.seconds} />
              ) : null}
              <StepView
                step={current}
                movement={movement}
                slot={slot}
                station={station}
                readsIn={run.personUnit}
                last={lasts[slot.id] ?? null}
              />
              <LogPanel
                key={`${partKeyText(current.key)} ${partsAt(log, current.key)[0]?.commandId ?? ""}`}
                step={current}
                station={station}
                logged={partsAt(log, current.key)[0] ?? null}
                before={
                  loadBefore(steps, current, log) ??
                  lasts[slot.id]?.exposure.sets[0]?.reading ??
                  null
                }
                isReady={isOpen}
                onLog={(entry) => void record(current, entry)}
                onRemove={(logged) => {
                  void append([
                    { body: { kind: "removePart", key: current.key }, parent: logged.commandId },
                  ]);
                  setPicked(null);
                }}
                onCancel={picked === null ? null : () => setPicked(null)}
              />
              <SlotMore
                key={slot.id}
                slotId={slot.id}
                side={current.key.side}
                log={log}
                context={contextsOf(log).find((c) => c.slotId === slot.id) ?? null}
                onCommand={(body) => void append([{ body }])}
              />
            </>
          )}
          {ended ? null : (
            <EndPanel
              isOpen={isEnding}
              openSets={steps.filter((s) => s.kind === "set" && isOpenStep(s)).length}
              isFinished={nextOpen === null}
              onOpen={setEnding}
              onEnd={(effort) => void end(effort)}
            />
          )}
        </div>
        <StepList
          plan={run.document}
          steps={steps}
          log={log}
          entries={entries}
          current={current}
          around={around}
          onPick={(key) => {
            setPicked(key);
            window.scrollTo({ top: 0 });
          }}
        />
      </Box>
    </Box>
  );
}

function EndedNote({ isSent, run }: { readonly isSent: boolean; readonly run: Id<"run"> }) {
  return (
    <Box sx={{ my: 4 }}>
      <Typography variant="h1" component="p">
        Session ended.
      </Typography>
      <Typography sx={{ my: 2 }}>
        {isSent
          ? "Everything is on the server."
          : "What you logged is kept on this device and sent as soon as the server can be reached. Leave this page open or come back to it."}
      </Typography>
      <Button component={Link} to={`/runs/${run}`} variant="contained" disabled={!isSent}>
        Summary and next time
      </Button>
    </Box>
  );
}

/** The rest that runs now: from when this run's latest part was logged, for what its step asks. */
function lastRest(
  entries: readonly OrderedCommand[],
  steps: readonly SetStep[],
): { from: number; seconds: number } | null {
  const latest = entries
    .filter(({ command }) => command.body.kind === "part" && command.parent === null)
    .reduce<OrderedCommand | null>(
      (last, e) => (last === null || e.command.at > last.command.at ? e : last),
      null,
    );
  if (latest?.command.body.kind !== "part") return null;
  const { key } = latest.command.body.part;
  const step = steps.find((s) => partKeyText(s.key) === partKeyText(key));
  return step === undefined ? null : { from: latest.command.at, seconds: step.restAfter.likely };
}

/** The load last logged in the same exercise, for a set whose load was left open. */
function loadBefore(steps: readonly SetStep[], current: SetStep, log: RunLog) {
  const before = steps
    .slice(0, steps.indexOf(current))
    .filter((s) => s.slotId === current.slotId && s.kind === "set");
  return before.flatMap((s) => partsAt(log, s.key)).at(-1)?.part.reading ?? null;
}
