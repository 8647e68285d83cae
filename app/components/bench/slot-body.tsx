import type { Duration, NewId } from "~/core/kernel/index.ts";
import type { Station } from "~/core/gym/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import type { NotationContext } from "~/core/plan/notation/index.ts";
import {
  duplicateSet,
  gearFromHere,
  newExtension,
  replaceReading,
  startOf,
  type PlannedSet,
  type Slot,
} from "~/core/plan/index.ts";
import type { PlanIssue, SetStep } from "~/core/unroll/index.ts";
import { lastKey } from "~/core/log/index.ts";
import { IssueLines } from "./issue-line.tsx";
import { LastTime } from "./last-time.tsx";
import { RowButtons } from "./row-buttons.tsx";
import { SetRow } from "./set-row.tsx";
import type { ChangeSlot, SlotActions } from "./slot-actions.ts";
import { SlotPanels } from "./slot-panels.tsx";
import { TechniqueSelect } from "./technique-select.tsx";
import type { ReportInvalid } from "./typed-cell.tsx";
import { WrittenLine } from "./written-line.tsx";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";

/** An exercise of a session with everything that it is drawn from. */
export interface ExerciseProps {
  readonly slot: Slot;
  /** "3a" */
  readonly number: string;
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
  /** The name of the exercise after it, which it can be supersetted with; null where there is none. */
  readonly next: string | null;
  readonly newId: NewId;
  readonly actions: SlotActions;
  readonly isOpen: boolean;
  /** The open panel of substitutes, or null. */
  readonly swap: React.ReactNode;
  readonly onInvalid: ReportInvalid;
}

/** An exercise as it is worked on: its line, its sets as rows, what they come to there, what is wrong. */
export function SlotBody({
  slot,
  name,
  movement,
  station,
  stations,
  steps,
  issues,
  last,
  strength,
  next,
  newId,
  actions,
  swap,
  notation,
  onChange,
  onInvalid,
}: ExerciseProps & {
  readonly name: string;
  readonly notation: NotationContext;
  readonly onChange: ChangeSlot;
}) {
  const changeSet = (id: PlannedSet["id"], to: (set: PlannedSet) => PlannedSet) =>
    onChange((now) => ({ ...now, sets: now.sets.map((s) => (s.id === id ? to(s) : s)) }));
  const final = slot.sets.at(-1);
  return (
    <>
      <RowButtons
        name={name}
        next={next}
        onMove={(by) => actions.move(slot.id, by)}
        onJoin={() => actions.join(slot.id)}
        onSwap={() => actions.swap(slot.id)}
        onRemove={() => actions.remove(slot.id)}
      />
      {last === null ? null : (
        <LastTime last={last} strength={strength} at={lastKey(slot.movement, slot.station)} />
      )}
      {swap}
      <WrittenLine
        id={`${slot.id}-line`}
        label={`Sets of ${name}, written`}
        sets={slot.sets}
        context={notation}
        newId={newId}
        onSets={(sets) => onChange((now) => ({ ...now, sets }))}
        onInvalid={onInvalid}
      />
      <div className={bench.setsOf} tabIndex={0} role="region" aria-label={`Sets of ${name}`}>
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
                "Plates or pin",
              ].map((h) => (
                <th key={h} scope="col">
                  {h}
                </th>
              ))}
              <td />
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
      <SlotPanels
        slot={slot}
        name={name}
        movement={movement}
        station={station}
        stations={stations}
        steps={steps}
        newId={newId}
        onChange={onChange}
        onInvalid={onInvalid}
      >
        {final === undefined ? null : (
          <>
            <button
              type="button"
              className={plain.smallButton}
              aria-label="Add a set like the last"
              onClick={() => onChange((now) => duplicateSet(now, final.id, newId))}
            >
              + set
            </button>
            <TechniqueSelect
              label="Add a technique to the last set"
              onAdd={(kind) =>
                changeSet(final.id, (now) => ({
                  ...now,
                  extensions: [...now.extensions, newExtension(kind, now, newId)],
                }))
              }
            />
          </>
        )}
      </SlotPanels>
      <IssueLines
        issues={issues}
        sets={slot.sets}
        onTake={(instead, reading) => onChange((now) => replaceReading(now, instead, reading))}
      />
    </>
  );
}
