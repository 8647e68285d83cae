import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMemo, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { newId } from "~/codec/new-id.ts";
import type { HeldSession } from "~/codec/hand-in.ts";
import type { Id, MovementRef, Mass } from "~/core/kernel/index.ts";
import {
  checkInOf,
  conflictsOf,
  contextsOf,
  countedField,
  fellShort,
  foundByTrial,
  hardSetsDone,
  isEnded,
  itemsDoneIn,
  lastLogged,
  leastWork,
  restTaken,
  loggedSetsAt,
  loggedSetsOf,
  skipReason,
  type Command,
  type CommandBody,
  type OrderedCommand,
  type LoggedSet,
  plannedContext,
  changesIn,
  comparingFor,
  differences,
  lastKey,
  trainedPlan,
  type Comparing,
  type Exposure,
} from "~/core/log/index.ts";
import type { SessionChoices } from "~/core/coach/search/index.ts";
import { findSlot, type Slot } from "~/core/plan/index.ts";
import {
  isSetStep,
  stepKeyText,
  unrollContextOf,
  unroll,
  type StepKey,
  type SetStep,
} from "~/core/unroll/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import {
  unrollContextFrom,
  type StrengthRecords,
  type StrengthRules,
} from "~/core/progress/index.ts";
import type { Station } from "~/core/gym/index.ts";
import { formatCheckIn } from "~/format/set-record.ts";
import { SetApartNotice } from "../set-apart.tsx";
import { SchemeSwitch } from "../shell.tsx";
import { ChangeSlot } from "./change-slot.tsx";
import { CheckInPanel } from "./check-in.tsx";
import { ConflictPanel } from "./conflict-panel.tsx";
import { EndPanel } from "./end-panel.tsx";
import { EndedNote } from "./ended-note.tsx";
import { dueItems, DueItems } from "./items-part.tsx";
import { LogPanel, type Logged } from "./log-panel.tsx";
import { EntryRefused } from "./log-store.ts";
import { PlanChanged } from "./plan-changed.tsx";
import { RestClock } from "./rest-clock.tsx";
import { SaveLine } from "./save-line.tsx";
import { SlotMore } from "./slot-more.tsx";
import { loadBefore, restOf } from "./so-far.ts";
import { StepList } from "./step-list.tsx";
import { StepView } from "./step-view.tsx";
import { UndoLine } from "./undo-line.tsx";
import { UnreadableNotice } from "./unreadable-notice.tsx";
import { useSessionLog } from "./use-session-log.ts";

export interface FloorProps {
  readonly sessionLog: Pick<
    HeldSession["run"],
    "id" | "planId" | "revisionId" | "title" | "personName" | "personUnit" | "document"
  >;
  /** What is kept on the device beside the log, to bring the session back to a server that lost it. */
  readonly held: HeldSession;
  readonly commands: readonly OrderedCommand[];
  readonly stations: readonly Station[];
  /** The movements of the session: the catalogue itself stays off the floor, which opens over poor networks. */
  readonly movements: readonly Movement[];
  readonly rules: StrengthRules;
  readonly strengthRecords: StrengthRecords;
  readonly bodyWeight: Mass | null;
  /** The latest exposure of each exercise that is in the session or could come into it, by `lastKey`. */
  readonly lasts: Readonly<Record<string, Exposure>>;
  readonly choices: SessionChoices;
  /** How often the warm-up was left out lately; null where it was not again and again. */
  readonly warmUpSkipped: { readonly times: number; readonly of: number } | null;
  /** What the coach said does not matter when sessions are compared. */
  readonly comparing: readonly Comparing[];
}

/** Trains one session, one step at a time; everything works without a network once the page was opened. */
export function FloorView({
  sessionLog,
  held,
  commands,
  stations,
  movements,
  lasts,
  choices,
  warmUpSkipped,
  comparing,
  rules,
  strengthRecords,
  bodyWeight: known,
}: FloorProps) {
  const {
    log,
    entries,
    unreadable,
    append,
    forgetRow,
    send,
    saveState,
    newestRevision,
    seenAt,
    isOpen,
  } = useSessionLog(sessionLog.id, commands, held);
  const checkIn = checkInOf(log);
  const bodyWeight = checkIn?.bodyWeight ?? known;
  const [picked, setPicked] = useState<StepKey | null>(null);
  const [justLogged, setJustLogged] = useState<Command | null>(null);
  /** The steps whose sets are just being kept. */
  const keeping = useRef(new Set<string>());
  const [refusal, setRefusal] = useState<string | null>(null);
  const [isEnding, setEnding] = useState(false);
  const navigate = useNavigate();
  const find = useMemo(() => {
    const byRef = new Map(movements.map((movement) => [movement.ref, movement]));
    return (ref: MovementRef) => byRef.get(ref) ?? null;
  }, [movements]);
  const context = useMemo(
    () => unrollContextOf(stations, find, unrollContextFrom(strengthRecords, bodyWeight, rules)),
    [stations, find, strengthRecords, bodyWeight, rules],
  );
  const { plan, steps, changes } = useMemo(() => {
    const loggedSets = loggedSetsOf(log).map(({ loggedSet }) => loggedSet);
    const changes = changesIn(log);
    const plan = trainedPlan(sessionLog.document, changes, loggedSets);
    const session = unroll(plan, {
      ...context,
      found: (set) => foundByTrial(set, loggedSets),
      fellShort: (set) => fellShort(set, loggedSets),
    });
    return { plan, changes, steps: session.filter(isSetStep) };
  }, [sessionLog.document, context, log]);

  /** The last time of an exercise, with how today's conditions differ from then. */
  const lastTime = (slot: Slot, station: Station) => {
    const exposure = lasts[lastKey(slot.movement, slot.station)];
    if (exposure === undefined) return null;
    const today = {
      context: plannedContext(plan, slot, station, bodyWeight),
      loading: station.loading,
      sets: [],
    };
    const by = {
      parameters: context.movement(slot.movement)?.setUp ?? [],
      comparing: comparingFor(comparing, slot.movement, slot.station),
    };
    return { exposure, differences: differences(exposure, today, by) };
  };

  const isOpenStep = (step: SetStep) =>
    loggedSetsAt(log, step.key).length === 0 && skipReason(log, step.slotId) === null;
  const current =
    steps.find((s) => picked !== null && stepKeyText(s.key) === stepKeyText(picked)) ??
    steps.find(isOpenStep) ??
    null;
  const ended = isEnded(log);
  const isErased = saveState.kind === "refused" && saveState.code === "erased";
  const rest = restOf(lastLogged(entries), steps, seenAt);
  const nextOpen = steps.find(isOpenStep) ?? null;

  /** Writes down; what cannot be kept is told, and nothing of it was taken for kept. */
  const say = async (compose: Parameters<typeof append>[0]) => {
    try {
      const made = await append(compose);
      setRefusal(null);
      return made;
    } catch (error) {
      if (!(error instanceof EntryRefused)) throw error;
      setRefusal(error.message);
      return null;
    }
  };
  const sayOne = (body: CommandBody) => say(() => [{ body }]);

  /** The rest really taken before a set that is logged now; unknown of one that is corrected. */
  const restBefore = (step: SetStep, entry: Logged) => {
    const latest = lastLogged(entries);
    const from = latest === null ? null : seenAt(latest.command.commandId);
    const now = { wall: Date.now(), steady: performance.now() };
    return from && restTaken(from, now, leastWork(step, entry[countedField(step)]));
  };

  const record = async (step: SetStep, entry: Logged, isCorrection: boolean) => {
    const at = stepKeyText(step.key);
    // A second tap while the first is being kept is none: after an undo it would log the set again.
    if (keeping.current.has(at)) return;
    keeping.current.add(at);
    try {
      await recordOnce(step, entry, isCorrection);
    } finally {
      keeping.current.delete(at);
    }
  };

  const recordOnce = async (step: SetStep, entry: Logged, isCorrection: boolean) => {
    const slot = findSlot(plan, step.slotId);
    const station = slot && context.station(slot.station);
    if (slot === null || station === null) return;
    const rested = restBefore(step, entry);
    const made = await say((standing) => {
      const [before] = loggedSetsAt(standing, step.key);
      // A second tap, or another tab, was faster: the set is logged already.
      if (!isCorrection && before !== undefined) return [];
      const context: CommandBody = {
        kind: "context",
        context: {
          ...plannedContext(plan, slot, station, bodyWeight),
          hardSetsBefore: hardSetsDone(plan, standing, find),
        },
      };
      const loggedSet: LoggedSet = {
        id: newId(),
        slotId: slot.id,
        key: step.key,
        stationVersion: before?.loggedSet.stationVersion ?? station.versionId,
        ...entry,
        conditions: {
          ...entry.conditions,
          restBefore: isCorrection ? entry.conditions.restBefore : rested,
        },
      };
      const hasContext = contextsOf(standing).some((c) => c.slotId === slot.id);
      return [
        ...(hasContext ? [] : [{ body: context }]),
        { body: { kind: "part", part: loggedSet } },
      ];
    });
    if (made === null) return;
    setPicked(null);
    setJustLogged(
      isCorrection ? null : (made.findLast(({ body }) => body.kind === "part") ?? null),
    );
  };

  const remove = async (key: StepKey, parent: Id<"command">) => {
    await say(() => [{ body: { kind: "removePart", key }, parent }]);
    setPicked(null);
    setJustLogged(null);
  };

  const end = async (sessionEffort: number | null) => {
    if ((await sayOne({ kind: "end", sessionEffort })) === null) return;
    setJustLogged(null);
    await send();
    if (navigator.onLine) await navigate(`/runs/${sessionLog.id}`);
  };

  const undo =
    justLogged?.body.kind === "part" ? (
      <UndoLine
        loggedSet={justLogged.body.part}
        onUndo={remove.bind(null, justLogged.body.part.key, justLogged.commandId)}
      />
    ) : null;
  // Before the first set it is what to do first; later it is out of the way.
  const isBegun = loggedSetsOf(log).length > 0;
  const checkInPanel = ended ? null : (
    <CheckInPanel
      key={checkIn === null ? "" : formatCheckIn(checkIn)}
      said={checkIn}
      unit={sessionLog.personUnit}
      onCheckIn={(said) => void sayOne(said)}
    />
  );
  const itemsDone = itemsDoneIn(log);
  const due = dueItems(plan, itemsDone, current?.slotId ?? null);
  const items = (
    <DueItems
      blocks={picked === null ? due : []}
      find={find}
      warmUpSkipped={warmUpSkipped}
      onCommand={(body) => void sayOne(body)}
    />
  );
  const slot = current && findSlot(plan, current.slotId);
  const station = slot && context.station(slot.station);
  const movement = slot && context.movement(slot.movement);
  const last = slot && station && lastTime(slot, station);
  return (
    <Box
      component="main"
      id="page"
      sx={{ maxWidth: 1180, mx: "auto", px: { xs: 1.5, md: 3 }, pb: 6 }}
    >
      <title>{`${sessionLog.personName} · Floor · Kravo`}</title>
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
            {sessionLog.personName}
          </Typography>
          <SaveLine state={saveState} />
        </Box>
        <SchemeSwitch />
        <Button component={Link} to="/" size="small">
          Today
        </Button>
      </Box>
      <SetApartNotice />
      <UnreadableNotice rows={unreadable} onForget={(id) => void forgetRow(id)} />
      {refusal === null ? null : (
        <Typography role="alert" sx={{ color: "kravo.signal", fontWeight: 650, mb: 1.5 }}>
          Not kept, because it is longer than what can be stored ({refusal}). Shorten it and keep it
          again; everything else is as it was.
        </Typography>
      )}
      {newestRevision !== null && newestRevision !== sessionLog.revisionId && !ended ? (
        <PlanChanged canLoad={saveState.kind === "saved"} />
      ) : null}
      {conflictsOf(log).map((conflict) => (
        <ConflictPanel
          key={stepKeyText(conflict.key)}
          conflict={conflict}
          step={steps.find((s) => stepKeyText(s.key) === stepKeyText(conflict.key)) ?? null}
          onKeep={(kept) =>
            void say(() =>
              conflict.sides
                .filter((side) => side.commandId !== kept)
                .map((side) => ({
                  body: { kind: "removePart", key: conflict.key },
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
          {isBegun ? null : checkInPanel}
          {ended ? (
            <EndedNote
              isSent={saveState.kind === "saved"}
              sessionLogId={sessionLog.id}
              onReopen={(why) => void sayOne({ kind: "reopen", why })}
            />
          ) : current === null || slot === null || station === null ? (
            <Box sx={{ my: 3 }}>
              {undo}
              {items}
              <Typography variant="h1" component="p">
                All sets are logged.
              </Typography>
            </Box>
          ) : (
            <>
              {items}
              {picked !== null ? null : rest === null ? (
                undo
              ) : (
                <RestClock key={rest.command} from={rest.from} seconds={rest.seconds}>
                  {undo}
                </RestClock>
              )}
              <StepView
                step={current}
                movement={movement}
                slot={slot}
                station={station}
                readsIn={sessionLog.personUnit}
                last={last}
              />
              <LogPanel
                key={`${stepKeyText(current.key)} ${loggedSetsAt(log, current.key)[0]?.commandId ?? ""}`}
                step={current}
                station={station}
                movement={movement}
                logged={loggedSetsAt(log, current.key)[0] ?? null}
                before={loadBefore(steps, current, log) ?? last?.exposure.sets[0]?.reading ?? null}
                isReady={isOpen && !isErased}
                onLog={(entry) =>
                  record(current, entry, loggedSetsAt(log, current.key)[0] !== undefined)
                }
                onRemove={(logged) => remove(current.key, logged.commandId)}
                onCancel={picked === null ? null : () => setPicked(null)}
              />
              <SlotMore
                key={slot.id}
                slotId={slot.id}
                side={current.key.side}
                log={log}
                context={contextsOf(log).find((c) => c.slotId === slot.id) ?? null}
                onCommand={(body) => void sayOne(body)}
              >
                <ChangeSlot
                  slot={slot}
                  swaps={choices.swaps[slot.lineageId] ?? []}
                  changes={changes}
                  log={log}
                  stations={stations}
                  context={context}
                  onCommand={(body) => {
                    setPicked(null);
                    void sayOne(body);
                  }}
                />
              </SlotMore>
            </>
          )}
          {isBegun ? checkInPanel : null}
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
          plan={plan}
          steps={steps}
          log={log}
          entries={entries}
          current={current}
          itemsDone={itemsDone}
          due={due}
          context={context}
          additions={choices.additions}
          onCommand={(body) => {
            setPicked(null);
            void sayOne(body);
          }}
          onUnskip={(slotId) => void sayOne({ kind: "unskip", slotId })}
          onPick={(key) => {
            setPicked(key);
            window.scrollTo({ top: 0 });
          }}
        />
      </Box>
    </Box>
  );
}
