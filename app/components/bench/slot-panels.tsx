import { useId, useState } from "react";
import type { NewId } from "~/core/kernel/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import {
  beginningOf,
  filled,
  SCHEMES,
  startOf,
  workSetsOf,
  type PlannedSet,
  type Slot,
} from "~/core/plan/index.ts";
import type { SetStep } from "~/core/unroll/index.ts";
import type { Station } from "~/core/gym/index.ts";
import { PROGRESSION_NAMES } from "~/format/progression.ts";
import { formatTempo, SCHEME_NAMES } from "~/format/training.ts";
import { Labelled } from "../field.tsx";
import { LineRules } from "./line-rules.tsx";
import { LoadingPlanPanel } from "./loading-plan-panel.tsx";
import { RampButton } from "./ramp-button.tsx";
import { RuleFields } from "./rule-fields.tsx";
import type { ChangeSlot } from "./slot-actions.ts";
import { SlotDetails } from "./slot-details.tsx";
import { TempoCells } from "./tempo-cells.tsx";
import type { ReportInvalid } from "./typed-cell.tsx";
import { useKeptOpen } from "./use-kept-open.ts";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";

const PANELS = ["plates", "tempo", "setUp", "progress"] as const;
type Panel = (typeof PANELS)[number];

/** What is set once for an exercise: said in a word each, and opened one at a time. */
export function SlotPanels({
  slot,
  name,
  movement,
  station,
  stations,
  steps,
  newId,
  onChange,
  onInvalid,
  children,
}: {
  readonly slot: Slot;
  readonly name: string;
  readonly movement: Movement | null;
  readonly station: Station | null;
  readonly stations: readonly Station[];
  readonly steps: readonly SetStep[];
  readonly newId: NewId;
  readonly onChange: ChangeSlot;
  readonly onInvalid: ReportInvalid;
  /** What stands before them in the same row. */
  readonly children: React.ReactNode;
}) {
  const id = useId();
  const [open, setOpen] = useState<Panel | null>(null);
  const [first] = slot.sets;
  const unit = station?.loading.unit ?? "kg";
  const start = startOf(slot, movement);
  const rule = slot.progression;
  const said: Readonly<Record<Panel, string>> = {
    plates: "Warm-up and plates",
    tempo: first === undefined ? "Tempo" : tempoSaid(slot.sets, start),
    setUp: ["Set-up", ...Object.values(slot.setUp).slice(0, 3)].join(" · "),
    progress: `Next time: ${PROGRESSION_NAMES[rule.kind].toLowerCase()}`,
  };
  const shown = PANELS.filter(
    (panel) =>
      (panel !== "plates" || (movement !== null && station !== null)) &&
      (panel !== "tempo" || (first !== undefined && movement !== null)),
  );
  return (
    <>
      <div className={bench.exerciseFoot}>
        {children}
        <select
          className={`${plain.smallButton} ${bench.technique}`}
          aria-label={`Fill ${name} with`}
          value=""
          onChange={(event) => {
            const scheme = SCHEMES.find((known) => known === event.target.value);
            if (scheme !== undefined) onChange((now) => filled(now, scheme, newId));
          }}
        >
          <option value="">Fill with …</option>
          {SCHEMES.map((scheme) => (
            <option key={scheme} value={scheme}>
              {SCHEME_NAMES[scheme]}
            </option>
          ))}
        </select>
        {shown.map((panel) => (
          <button
            key={panel}
            type="button"
            className={bench.panelButton}
            aria-expanded={open === panel}
            aria-controls={`${id}-${panel}`}
            onClick={() => setOpen(open === panel ? null : panel)}
          >
            {said[panel]}
          </button>
        ))}
      </div>
      {movement === null || station === null ? null : (
        <FootPanel id={`${id}-plates`} isOpen={open === "plates"} report={onInvalid}>
          {() => (
            <LoadingPlanPanel
              name={name}
              station={station}
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
        </FootPanel>
      )}
      {first === undefined ? null : (
        <FootPanel id={`${id}-tempo`} isOpen={open === "tempo"} report={onInvalid}>
          {(report) => (
            <TempoCells
              name={name}
              start={start}
              tempo={first.tempo}
              onPhase={(phase, value) =>
                onChange((now) => ({
                  ...now,
                  sets: now.sets.map((s) => ({ ...s, tempo: { ...s.tempo, [phase]: value } })),
                }))
              }
              onInvalid={report}
            />
          )}
        </FootPanel>
      )}
      <FootPanel id={`${id}-setUp`} isOpen={open === "setUp"} report={onInvalid}>
        {() => (
          <SlotDetails slot={slot} movement={movement} stations={stations} onChange={onChange} />
        )}
      </FootPanel>
      <FootPanel id={`${id}-progress`} isOpen={open === "progress"} report={onInvalid}>
        {(report) => (
          <>
            <Labelled id={`${slot.id}-rule`} label="Next time">
              <div className={bench.ruleFields}>
                <RuleFields
                  id={`${slot.id}-rule`}
                  of={`next time for ${name}`}
                  onInvalid={report}
                  rule={rule}
                  fallback={null}
                  from={beginningOf(workSetsOf(slot), unit)}
                  onRule={(change) =>
                    onChange((now) => ({
                      ...now,
                      progression: change(now.progression) ?? now.progression,
                    }))
                  }
                />
              </div>
            </Labelled>
            <LineRules slot={slot} name={name} unit={unit} onInvalid={report} onChange={onChange} />
          </>
        )}
      </FootPanel>
    </>
  );
}

/** What one word of the foot opens; it stays where it holds what cannot be read. */
function FootPanel({
  id,
  isOpen,
  report,
  children,
}: {
  readonly id: string;
  readonly isOpen: boolean;
  readonly report: ReportInvalid;
  readonly children: (onInvalid: ReportInvalid) => React.ReactNode;
}) {
  const { isShown, onInvalid } = useKeptOpen(isOpen, report);
  return isShown ? (
    <div id={id} className={bench.panel}>
      {children(onInvalid)}
    </div>
  ) : null;
}

/** "Tempo 3-1-X-0" where all sets have one; "Tempo" where they differ or none is asked for. */
function tempoSaid(sets: readonly PlannedSet[], start: Movement["tempoStart"]): string {
  const all = new Set(sets.map(({ tempo }) => formatTempo(tempo, start)));
  const [only = ""] = all;
  return all.size === 1 && only !== "" ? `Tempo: ${only}` : "Tempo";
}
