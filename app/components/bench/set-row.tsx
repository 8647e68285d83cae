import { useState } from "react";
import type { NewId } from "~/core/kernel/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import {
  parseLoad,
  parseRest,
  parseTarget,
  writeLoad,
  writeRest,
  writeTarget,
  type NotationContext,
} from "~/core/plan/notation/index.ts";
import {
  leaving,
  newExtension,
  extensionEarlier,
  RIR_VALUES,
  SET_ROLES,
  type Extension,
  type PlannedSet,
} from "~/core/plan/index.ts";
import type { SetStep } from "~/core/unroll/index.ts";
import { allLoads } from "~/core/gym/index.ts";
import { formatAmount } from "~/format/numbers.ts";
import { extensionName } from "~/format/prescription.ts";
import { formatEffort, formatAskedRir, ROLE_NAMES } from "~/format/training.ts";
import { Select } from "../field.tsx";
import { steady } from "../steady.ts";
import { readTyped } from "./read-typed.ts";
import type { LoadPlace } from "./set-form/load-fields.tsx";
import { SetForm } from "./set-form/set-form.tsx";
import type { ChangeSet } from "./slot-actions.ts";
import { TypedCell, type ReportInvalid } from "./typed-cell.tsx";
import { ExtensionRow } from "./extension-row.tsx";
import { StepLoadText } from "./step-load-text.tsx";
import { TechniqueSelect } from "./technique-select.tsx";
import { useKeptOpen } from "./use-kept-open.ts";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";

// Made once, so that a row that is drawn again need not look at them.
const ROLES = (
  <>
    {SET_ROLES.map((role) => (
      <option key={role} value={role}>
        {ROLE_NAMES[role]}
      </option>
    ))}
  </>
);
const RESERVES = (
  <>
    {RIR_VALUES.map((value) => (
      <option key={value} value={String(value)}>
        {formatAskedRir(value)}
      </option>
    ))}
  </>
);
const readingOfStep = (step: SetStep | undefined) =>
  step?.load.kind === "made" ? step.load.reading : null;

/** A set as a row, what follows it as rows below. Cells read and write the notation of the written line. */
export const SetRow = steady(function SetRow({
  set,
  number,
  sets,
  movement,
  at,
  notation,
  steps,
  newId,
  onChange,
  onDuplicate,
  onRemove,
  onInvalid,
  onGearFromHere,
}: {
  readonly set: PlannedSet;
  readonly number: number;
  /** Puts this set's gear on the sets behind it; null where there are none. */
  readonly onGearFromHere: (() => void) | null;
  /** The sets of the slot up to this one, for what its load refers to. */
  readonly sets: readonly PlannedSet[];
  readonly movement: Movement | null;
  /** The exercise and its station, for what a load can begin from. */
  readonly at: Pick<LoadPlace, "loading" | "movement" | "startsWith">;
  readonly notation: NotationContext;
  /** The steps of this set, in order. */
  readonly steps: readonly SetStep[];
  readonly newId: NewId;
  readonly onChange: ChangeSet;
  readonly onDuplicate: () => void;
  readonly onRemove: () => void;
  readonly onInvalid: ReportInvalid;
}) {
  const { unit } = notation;
  const [isOpen, setOpen] = useState(false);
  const form = useKeptOpen(isOpen, onInvalid);
  const before = sets.slice(0, number - 1);
  const readTarget = (text: string) => readTyped(parseTarget(text, notation));
  const add = (kind: Extension["kind"]) =>
    onChange((now) => ({
      ...now,
      extensions: [...now.extensions, newExtension(kind, now, newId)],
    }));
  const main = steps.find((step) => step.kind === "set");
  const stepOf = (extension: Extension) =>
    steps.find((step) => step.key.extensionId === extension.id);
  const stepBefore = (extension: Extension) =>
    steps[steps.findIndex((step) => step.key.extensionId === extension.id) - 1];
  const readingNow =
    readingOfStep(main) ??
    (at.loading === null ? null : (allLoads(at.loading)[0]?.reading ?? null));
  const change = (id: Extension["id"], to: (now: Extension) => Extension) =>
    onChange((now) => ({
      ...now,
      extensions: now.extensions.map((e) => (e.id === id ? to(e) : e)),
    }));
  const remove = (gone: Extension) =>
    onChange((now) => ({ ...now, extensions: now.extensions.filter((e) => e.id !== gone.id) }));
  return (
    <>
      <tr>
        <th scope="row">
          <button
            type="button"
            className={bench.setNumber}
            aria-expanded={form.isShown}
            aria-label={`Set ${number} as a form`}
            onClick={() => setOpen(!isOpen)}
          >
            {number}
            <span aria-hidden>{form.isShown ? "▾" : "▸"}</span>
          </button>
        </th>
        <td data-label="Role">
          <div className={`${plain.cellSelect} ${bench.cellBox}`}>
            <Select
              aria-label={`Role of set ${number}`}
              value={set.role}
              onChange={(event) =>
                onChange((now) => ({
                  ...now,
                  role: SET_ROLES.find((r) => r === event.target.value) ?? now.role,
                }))
              }
            >
              {ROLES}
            </Select>
          </div>
        </td>
        <td data-label="Reps">
          <TypedCell
            label={`Reps of set ${number}`}
            value={set.target}
            show={writeTarget}
            read={readTarget}
            onValue={(target) => onChange((now) => ({ ...now, target }))}
            onInvalid={onInvalid}
            width={82}
          />
        </td>
        <td data-label="Load">
          <TypedCell
            label={`Load of set ${number}, ${unit}`}
            value={set.load}
            show={(load) =>
              load.kind === "absolute" && load.reading.unit === unit
                ? formatAmount(load.reading)
                : writeLoad(load, { sets, index: number - 1, context: notation })
            }
            read={(text) => readTyped(parseLoad(text, before, notation))}
            onValue={(load) => onChange((now) => ({ ...now, load }))}
            onInvalid={onInvalid}
            width={86}
            placeholder={main?.load.kind === "made" ? formatAmount(main.load.reading) : "work up"}
            invalid={main?.load.kind === "impossible"}
          />
        </td>
        <td data-label="RIR">
          <div className={`${plain.cellSelect} ${bench.cellBox}`}>
            <Select
              aria-label={`RIR of set ${number}`}
              value={set.effortUpTo === null ? String(set.effort) : "range"}
              onChange={(event) => {
                const effort = RIR_VALUES.find((value) => String(value) === event.target.value);
                if (effort !== undefined) onChange((now) => leaving(now, effort));
              }}
            >
              {set.effortUpTo === null ? null : (
                <option value="range" disabled>
                  {formatEffort(set)}
                </option>
              )}
              {RESERVES}
            </Select>
          </div>
        </td>
        <td data-label="Rest after">
          <TypedCell
            label={`Rest after set ${number}`}
            value={set.restAfter}
            show={writeRest}
            read={(text) => readTyped(parseRest(text, notation))}
            onValue={(restAfter) => onChange((now) => ({ ...now, restAfter }))}
            onInvalid={onInvalid}
            width={88}
          />
        </td>
        <td data-label="Plates">{main === undefined ? null : <StepLoadText step={main} />}</td>
        <td>
          <div className={bench.setButtons}>
            <TechniqueSelect label={`Add a technique to set ${number}`} onAdd={add} />
            <button
              type="button"
              className={plain.smallButton}
              onClick={onDuplicate}
              aria-label={`Duplicate set ${number}`}
            >
              + set
            </button>
            <button
              type="button"
              className={plain.smallButton}
              onClick={onRemove}
              aria-label={`Remove set ${number}`}
            >
              ✕
            </button>
          </div>
        </td>
      </tr>
      {form.isShown ? (
        <tr>
          <td colSpan={8} className={bench.wholeRow}>
            <SetForm
              set={set}
              number={number}
              movement={movement}
              place={{
                ...at,
                unit,
                before,
                reading: readingNow,
              }}
              notation={notation}
              newId={newId}
              onChange={onChange}
              onInvalid={form.onInvalid}
              onGearFromHere={onGearFromHere}
            />
          </td>
        </tr>
      ) : null}
      {set.extensions.map((extension, i) => (
        <ExtensionRow
          key={extension.id}
          extension={extension}
          called={extensionName(set.extensions, extension)}
          set={number}
          own={set.target}
          step={stepOf(extension)}
          before={stepBefore(extension)}
          notation={notation}
          place={{ movement, unit, reading: readingOfStep(stepOf(extension)) }}
          onChange={(to) => change(extension.id, to)}
          onEarlier={i === 0 ? null : () => onChange((now) => extensionEarlier(now, extension.id))}
          onRemove={() => remove(extension)}
          onInvalid={onInvalid}
        />
      ))}
    </>
  );
});
