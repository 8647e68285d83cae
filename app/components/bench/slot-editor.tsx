import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import isEqual from "fast-deep-equal";
import { memo, useCallback } from "react";
import { typedPhase } from "~/codec/typed-cells.ts";
import type { MintId } from "~/core/identity/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import {
  duplicateSet,
  filled,
  phasesFrom,
  readingOf,
  SCHEMES,
  withReading,
  type PlanIssue,
  type PlannedSet,
  type Slot,
  type SetStep,
  type ProgressionRule,
  type Scheme,
  type Tempo,
  type TempoPhase,
  type TempoPhaseName,
} from "~/core/prescription/index.ts";
import type { Duration, Mass } from "~/core/quantity/index.ts";
import type { Station } from "~/core/station/index.ts";
import { formatMass, formatMinutes } from "~/format/numbers.ts";
import { formatPlanIssue } from "~/format/reasons.ts";
import { readingMeaning } from "~/format/station.ts";
import { PHASE_NAMES, SCHEME_NAMES } from "~/format/training.ts";
import { useCatalogue } from "../catalogue.ts";
import { Select } from "../field.tsx";
import { steady } from "../steady.ts";
import { LoadingPlanPanel } from "./loading-plan-panel.tsx";
import { RampButton } from "./ramp-button.tsx";
import { SetRow } from "./set-row.tsx";
import type { SlotActions } from "./slot-actions.ts";
import { SlotDetails } from "./slot-details.tsx";
import { TypedCell, type ReportInvalid } from "./typed-cell.tsx";
import { useNotation } from "./use-notation.ts";
import { WrittenLine } from "./written-line.tsx";

/** The id of the written line of an exercise on the page. */
export function lineIdOf(slot: Pick<Slot, "id">): string {
  return `${slot.id}-line`;
}

export interface SlotEditorProps {
  readonly slot: Slot;
  readonly number: number;
  readonly movement: Movement | null;
  readonly station: Station | null;
  /** The stations of this gym that serve the movement. */
  readonly stations: readonly Station[];
  readonly steps: readonly SetStep[];
  readonly issues: readonly PlanIssue[];
  readonly duration: Duration;
  readonly last: string | null;
  /** The estimated maximum in words, or null. */
  readonly strength: string | null;
  /** What its loads refer to in other exercises; where that changes, its line reads otherwise. */
  readonly referred: string;
  readonly mint: MintId;
  readonly actions: SlotActions;
  /** The open panel of substitutes, or null. */
  readonly swap: React.ReactNode;
  readonly onInvalid: ReportInvalid;
}

/** What is scrolled out of sight is neither laid out nor painted: sessions are long, and letters quick. */
const UNSEEN = { contentVisibility: "auto", containIntrinsicHeight: "auto 420px" } as const;

/** What is made anew at every keystroke, and is the same value as long as the exercise did not change. */
const COMPARED: ReadonlySet<string> = new Set(["steps", "issues", "duration", "stations"]);

function isSameExercise(a: SlotEditorProps, b: SlotEditorProps): boolean {
  const known: Record<string, unknown> = { ...b };
  return Object.entries(a).every(([name, value]) =>
    COMPARED.has(name) ? isEqual(value, known[name]) : Object.is(value, known[name]),
  );
}

/** One exercise on the bench: its sets as rows, what they come to at the station, what is wrong. */
export const SlotEditor = memo(function SlotEditor(props: SlotEditorProps) {
  const {
    slot,
    number,
    movement,
    station,
    steps,
    issues,
    duration,
    last,
    mint,
    actions,
    onInvalid,
  } = props;
  const onChange = useCallback(
    (change: (now: Slot) => Slot) => actions.change(slot.id, change),
    [actions, slot.id],
  );
  const name = movement?.name ?? slot.movement;
  const notation = useNotation(slot, station);
  const changeSet = (set: PlannedSet) =>
    onChange((now) => ({ ...now, sets: now.sets.map((s) => (s.id === set.id ? set : s)) }));
  const [first] = slot.sets;
  return (
    <Box
      component="section"
      aria-label={`${number}. ${name}`}
      sx={{ ...UNSEEN, borderTop: 2, borderColor: "kravo.ink", pt: 1, mb: 3.5 }}
    >
      <Head
        name={name}
        number={number}
        about={[
          station?.name ?? "no station",
          ...(station === null ? [] : [readingMeaning(station.loading)]),
          formatMinutes(duration.likely),
        ].join(" · ")}
        onMove={(by) => actions.move(slot.id, by)}
        onSwap={() => actions.swap(slot.id)}
        onRemove={() => actions.remove(slot.id)}
      />
      {props.swap}
      {last === null ? null : <LastTime last={last} strength={props.strength} />}
      <WrittenLine
        id={lineIdOf(slot)}
        label={`Sets of ${name}, written`}
        sets={slot.sets}
        context={notation}
        mint={mint}
        onSets={(sets) => onChange((now) => ({ ...now, sets }))}
        onInvalid={onInvalid}
      />
      <Box sx={{ overflowX: "auto" }} tabIndex={0} role="region" aria-label={`Sets of ${name}`}>
        <table className="sets">
          <thead>
            <tr>
              {[
                "Set",
                "Role",
                "Reps",
                `Load${station === null ? "" : `, ${station.loading.unit}`}`,
                "Reserve",
                "Rest",
                "Hang",
                "",
              ].map((h) =>
                h === "" ? (
                  <td key={h} />
                ) : (
                  <th key={h} scope="col">
                    {h}
                  </th>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {slot.sets.map((set, index) => (
              <SetRow
                key={set.id}
                set={set}
                number={index + 1}
                sets={slot.sets.slice(0, index + 1)}
                movement={movement}
                at={{ loading: station?.loading ?? null, movement: slot.movement }}
                notation={notation}
                steps={steps.filter((step) => step.key.setId === set.id)}
                mint={mint}
                onChange={changeSet}
                onDuplicate={() => onChange((now) => duplicateSet(now, set.id, mint))}
                onRemove={() =>
                  onChange((now) => ({ ...now, sets: now.sets.filter((s) => s.id !== set.id) }))
                }
                onInvalid={onInvalid}
              />
            ))}
          </tbody>
        </table>
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1.5, mt: 0.5 }}>
        {first === undefined || movement === null ? null : (
          <TempoCells
            name={name}
            start={movement.tempoStart}
            tempo={first.tempo}
            onPhase={(phase, value) =>
              onChange((now) => ({
                ...now,
                sets: now.sets.map((s) => ({ ...s, tempo: { ...s.tempo, [phase]: value } })),
              }))
            }
            onInvalid={onInvalid}
          />
        )}
        <FillAndNext
          id={slot.id}
          name={name}
          rule={slot.progression.kind}
          onFill={(scheme) => onChange((now) => filled(now, scheme, mint))}
          onRule={(kind) => onChange((now) => ({ ...now, progression: { kind } }))}
        />
      </Box>
      {movement === null || station === null ? null : (
        <LoadingPlanPanel
          name={name}
          steps={steps}
          ramp={
            <RampButton
              slot={slot}
              movement={movement}
              station={station}
              steps={steps}
              mint={mint}
              onChange={onChange}
            />
          }
        />
      )}
      <SlotDetails slot={slot} movement={movement} stations={props.stations} onChange={onChange} />
      {issues.map((issue, i) => (
        <IssueLine
          key={i}
          issue={issue}
          onTake={(reading) => onChange((now) => replaceReading(now, issue, reading))}
        />
      ))}
    </Box>
  );
}, isSameExercise);

const Head = steady(function Head({
  name,
  number,
  about,
  onMove,
  onSwap,
  onRemove,
}: {
  readonly name: string;
  readonly number: number;
  /** Station, how its readings are meant, and how long it takes. */
  readonly about: string;
  readonly onMove: (by: -1 | 1) => void;
  readonly onSwap: () => void;
  readonly onRemove: () => void;
}) {
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", gap: 1.5, mb: 0.5 }}>
      <Typography variant="h2">
        <Box component="span" sx={{ color: "text.secondary", mr: 1 }}>
          {number}
        </Box>
        {name}
      </Typography>
      <Typography variant="body2" sx={{ color: "text.secondary", flexGrow: 1 }}>
        {about}
      </Typography>
      <Box sx={{ display: "flex" }}>
        <Button size="small" onClick={() => onMove(-1)} aria-label={`Move ${name} up`}>
          ↑
        </Button>
        <Button size="small" onClick={() => onMove(1)} aria-label={`Move ${name} down`}>
          ↓
        </Button>
        <Button size="small" onClick={onSwap} aria-label={`Swap ${name}`}>
          Swap
        </Button>
        <Button size="small" onClick={onRemove} aria-label={`Remove ${name}`}>
          Remove
        </Button>
      </Box>
    </Box>
  );
});

const LastTime = steady(function LastTime({
  last,
  strength,
}: {
  readonly last: string;
  readonly strength: string | null;
}) {
  return (
    <Typography variant="body2" sx={{ mb: 1 }}>
      <Box component="span" sx={{ color: "text.secondary" }}>
        Last time:{" "}
      </Box>
      {last}
      {strength === null ? null : (
        <Box component="span" sx={{ color: "text.secondary" }}>
          {" "}
          · {strength}
        </Box>
      )}
    </Typography>
  );
});

const TempoCells = steady(function TempoCells({
  name,
  start,
  tempo,
  onPhase,
  onInvalid,
}: {
  readonly name: string;
  readonly start: Movement["tempoStart"];
  readonly tempo: Tempo;
  readonly onPhase: (phase: TempoPhaseName, value: TempoPhase) => void;
  readonly onInvalid: ReportInvalid;
}) {
  return (
    <Box
      role="group"
      aria-label={`Tempo of ${name}, seconds`}
      sx={{ display: "flex", alignItems: "center", gap: 0.75, flexWrap: "wrap" }}
    >
      <Typography variant="overline">Tempo</Typography>
      {phasesFrom(start).map((phase) => (
        <Box key={phase} sx={{ display: "flex", alignItems: "center", gap: 0.5 }}>
          <Typography variant="body2">{PHASE_NAMES[phase]}</Typography>
          <TypedCell
            label={`${name}: ${PHASE_NAMES[phase]}, seconds`}
            value={tempo[phase]}
            show={(p) => (p === null ? "" : p === "explosive" ? "fast" : String(p))}
            read={typedPhase}
            onValue={(value) => onPhase(phase, value)}
            onInvalid={onInvalid}
            width={46}
            placeholder="open"
          />
        </Box>
      ))}
    </Box>
  );
});

/** Sets filled by a scheme, and how the exercise moves on. */
const FillAndNext = steady(function FillAndNext({
  id,
  name,
  rule,
  onFill,
  onRule,
}: {
  readonly id: string;
  readonly name: string;
  readonly rule: ProgressionRule["kind"];
  readonly onFill: (scheme: Scheme) => void;
  readonly onRule: (rule: ProgressionRule["kind"]) => void;
}) {
  return (
    <>
      <Box sx={{ width: 150 }}>
        <Select
          aria-label={`Fill ${name} with`}
          value=""
          onChange={(event) => {
            const scheme = SCHEMES.find((known) => known === event.target.value);
            if (scheme !== undefined) onFill(scheme);
          }}
        >
          <option value="">Fill with …</option>
          {SCHEMES.map((scheme) => (
            <option key={scheme} value={scheme}>
              {SCHEME_NAMES[scheme]}
            </option>
          ))}
        </Select>
      </Box>
      <Box sx={{ display: "flex", alignItems: "center", gap: 0.75 }}>
        <Typography variant="overline" component="label" htmlFor={`${id}-rule`}>
          Next time
        </Typography>
        <Box sx={{ width: 180 }}>
          <Select
            id={`${id}-rule`}
            value={rule}
            onChange={(event) =>
              onRule(event.target.value === "hold" ? "hold" : "doubleProgression")
            }
          >
            <option value="doubleProgression">Double progression</option>
            <option value="hold">Hold everything</option>
          </Select>
        </Box>
      </Box>
    </>
  );
});

function IssueLine({
  issue,
  onTake,
}: {
  readonly issue: PlanIssue;
  readonly onTake: (reading: Mass) => void;
}) {
  const { find } = useCatalogue();
  const offers =
    issue.code === "cannotBeMade"
      ? [issue.easier, issue.harder].flatMap((o) => (o === null ? [] : [o.reading]))
      : [];
  return (
    <Box
      role={issue.blocks ? "alert" : undefined}
      sx={{
        mt: 1,
        pl: 1.5,
        borderLeft: 4,
        borderColor: issue.blocks ? "kravo.signal" : "kravo.warn",
        display: "flex",
        flexWrap: "wrap",
        gap: 1,
        alignItems: "center",
      }}
    >
      <Typography sx={{ fontWeight: 600 }}>
        {issue.blocks ? "Cannot be trained: " : "Note: "}
        {formatPlanIssue(issue, find)}
      </Typography>
      {offers.map((reading) => (
        <Button
          key={reading.thousandths}
          size="small"
          variant="outlined"
          onClick={() => onTake(reading)}
        >
          Take {formatMass(reading)}
        </Button>
      ))}
    </Box>
  );
}

/** Puts a load that can be made wherever the impossible one stands in the slot. */
function replaceReading(slot: Slot, issue: PlanIssue, reading: Mass): Slot {
  if (issue.code !== "cannotBeMade") return slot;
  return {
    ...slot,
    sets: slot.sets.map((set) =>
      readingOf(set.load)?.thousandths === issue.reading.thousandths
        ? { ...set, load: withReading(set.load, reading) }
        : set,
    ),
  };
}
