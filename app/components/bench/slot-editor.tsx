import isEqual from "fast-deep-equal";
import { memo, useCallback } from "react";
import type { NewId, Duration } from "~/core/kernel/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import {
  beginningOf,
  workSetsOf,
  duplicateSet,
  gearFromHere,
  filled,
  replaceReading,
  type PlannedSet,
  type Slot,
  startOf,
} from "~/core/plan/index.ts";
import type { PlanIssue, SetStep } from "~/core/unroll/index.ts";
import type { Station } from "~/core/gym/index.ts";
import { lastKey } from "~/core/log/index.ts";
import { formatMinutes } from "~/format/numbers.ts";
import { readingMeaning } from "~/format/station.ts";
import { LineRules } from "./line-rules.tsx";
import { LoadingPlanPanel } from "./loading-plan-panel.tsx";
import { RampButton } from "./ramp-button.tsx";
import { SetRow } from "./set-row.tsx";
import type { SlotActions } from "./slot-actions.ts";
import { SlotDetails } from "./slot-details.tsx";
import { type ReportInvalid } from "./typed-cell.tsx";
import { useNotation } from "./use-notation.ts";
import { WrittenLine } from "./written-line.tsx";
import { FillAndNext } from "./fill-and-next.tsx";
import { IssueLines } from "./issue-line.tsx";
import { LastTime, SlotHead } from "./slot-head.tsx";
import { TempoCells } from "./tempo-cells.tsx";
import bench from "./bench.module.css";

/** The id of the written line of an exercise on the page. */
export function writtenLineId(slot: Pick<Slot, "id">): string {
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
  readonly newId: NewId;
  readonly actions: SlotActions;
  /** The open panel of substitutes, or null. */
  readonly swap: React.ReactNode;
  readonly onInvalid: ReportInvalid;
}

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
    newId,
    actions,
    onInvalid,
  } = props;
  const onChange = useCallback(
    (change: (now: Slot) => Slot) => actions.change(slot.id, change),
    [actions, slot.id],
  );
  const name = movement?.name ?? slot.movement;
  const notation = useNotation(slot, station);
  const changeSet = (id: PlannedSet["id"], to: (set: PlannedSet) => PlannedSet) =>
    onChange((now) => ({ ...now, sets: now.sets.map((s) => (s.id === id ? to(s) : s)) }));
  const [first] = slot.sets;
  return (
    <section className={bench.exercise} aria-label={`${number}. ${name}`}>
      <SlotHead
        name={name}
        number={number}
        about={[
          station?.name ?? "no equipment",
          ...(station === null ? [] : [readingMeaning(station.loading)]),
          formatMinutes(duration.likely),
        ].join(" · ")}
        onMove={(by) => actions.move(slot.id, by)}
        onSwap={() => actions.swap(slot.id)}
        onRemove={() => actions.remove(slot.id)}
      />
      {props.swap}
      {last === null ? null : (
        <LastTime last={last} strength={props.strength} at={lastKey(slot.movement, slot.station)} />
      )}
      <WrittenLine
        id={writtenLineId(slot)}
        label={`Sets of ${name}, written`}
        sets={slot.sets}
        context={notation}
        newId={newId}
        onSets={(sets) => onChange((now) => ({ ...now, sets }))}
        onInvalid={onInvalid}
      />
      <div className={bench.exerciseSets} tabIndex={0} role="region" aria-label={`Sets of ${name}`}>
        <table className={bench.sets}>
          <thead>
            <tr>
              {[
                "Set",
                "Role",
                "Reps",
                `Load${station === null ? "" : `, ${station.loading.unit}`}`,
                "RIR",
                "Rest",
                "Plates",
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
                at={{
                  loading: station?.loading ?? null,
                  movement: slot.movement,
                  startsWith: startOf(slot, movement),
                }}
                notation={notation}
                steps={steps.filter((step) => step.key.setId === set.id)}
                newId={newId}
                onChange={(to) => changeSet(set.id, to)}
                onGearFromHere={
                  index === slot.sets.length - 1
                    ? null
                    : () => onChange((now) => gearFromHere(now, set.id))
                }
                onDuplicate={() => onChange((now) => duplicateSet(now, set.id, newId))}
                onRemove={() =>
                  onChange((now) => ({ ...now, sets: now.sets.filter((s) => s.id !== set.id) }))
                }
                onInvalid={onInvalid}
              />
            ))}
          </tbody>
        </table>
      </div>
      <div className={bench.exerciseFoot}>
        {first === undefined || movement === null ? null : (
          <TempoCells
            name={name}
            start={startOf(slot, movement)}
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
          rule={slot.progression}
          from={beginningOf(workSetsOf(slot), station?.loading.unit ?? "kg")}
          onInvalid={onInvalid}
          onFill={(scheme) => onChange((now) => filled(now, scheme, newId))}
          onRule={(change) => onChange((now) => ({ ...now, progression: change(now.progression) }))}
        />
      </div>
      <LineRules
        slot={slot}
        name={name}
        unit={station?.loading.unit ?? "kg"}
        onInvalid={onInvalid}
        onChange={onChange}
      />
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
              newId={newId}
              onChange={onChange}
            />
          }
        />
      )}
      <SlotDetails slot={slot} movement={movement} stations={props.stations} onChange={onChange} />
      <IssueLines
        issues={issues}
        sets={slot.sets}
        onTake={(instead, reading) => onChange((now) => replaceReading(now, instead, reading))}
      />
    </section>
  );
}, isSameExercise);
