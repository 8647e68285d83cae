import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { typedPhase } from "~/codec/typed-cells.ts";
import type { Judged } from "~/core/finding/index.ts";
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
  type Tempo,
} from "~/core/prescription/index.ts";
import type { Duration, Mass } from "~/core/quantity/index.ts";
import type { Station } from "~/core/station/index.ts";
import { formatMass, formatMinutes } from "~/format/numbers.ts";
import { formatPlanIssue } from "~/format/reasons.ts";
import { readingMeaning } from "~/format/station.ts";
import { PHASE_NAMES, SCHEME_NAMES } from "~/format/training.ts";
import { useCatalogue } from "../catalogue.ts";
import { Select } from "../field.tsx";
import { LoadingPlanPanel } from "./loading-plan-panel.tsx";
import { RampButton } from "./ramp-button.tsx";
import { SetRow } from "./set-row.tsx";
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
  readonly judged: Judged;
  readonly mint: MintId;
  readonly onChange: (slot: Slot) => void;
  readonly onMove: (by: -1 | 1) => void;
  readonly onRemove: () => void;
  readonly onSwap: () => void;
  /** The open panel of substitutes, or null. */
  readonly swap: React.ReactNode;
  readonly onInvalid: ReportInvalid;
}

/** One exercise on the bench: its sets as rows, what they come to at the station, what is wrong. */
export function SlotEditor(props: SlotEditorProps) {
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
    onChange,
    onInvalid,
  } = props;
  const name = movement?.name ?? slot.movement;
  const notation = useNotation(slot, station, props.judged, useCatalogue());
  const changeSet = (set: PlannedSet) =>
    onChange({ ...slot, sets: slot.sets.map((s) => (s.id === set.id ? set : s)) });
  const [first] = slot.sets;
  const setTempo = (tempo: Tempo) =>
    onChange({ ...slot, sets: slot.sets.map((s) => ({ ...s, tempo })) });
  return (
    <Box
      component="section"
      aria-label={`${number}. ${name}`}
      sx={{ borderTop: 2, borderColor: "kravo.ink", pt: 1, mb: 3.5 }}
    >
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", gap: 1.5, mb: 0.5 }}>
        <Typography variant="h2">
          <Box component="span" sx={{ color: "text.secondary", mr: 1 }}>
            {number}
          </Box>
          {name}
        </Typography>
        <Typography variant="body2" sx={{ color: "text.secondary", flexGrow: 1 }}>
          {station?.name ?? "no station"} ·{" "}
          {station === null ? "" : readingMeaning(station.loading)} ·{" "}
          {formatMinutes(duration.likely)}
        </Typography>
        <Box sx={{ display: "flex" }}>
          <Button size="small" onClick={() => props.onMove(-1)} aria-label={`Move ${name} up`}>
            ↑
          </Button>
          <Button size="small" onClick={() => props.onMove(1)} aria-label={`Move ${name} down`}>
            ↓
          </Button>
          <Button size="small" onClick={props.onSwap} aria-label={`Swap ${name}`}>
            Swap
          </Button>
          <Button size="small" onClick={props.onRemove} aria-label={`Remove ${name}`}>
            Remove
          </Button>
        </Box>
      </Box>
      {props.swap}
      {last === null ? null : (
        <Typography variant="body2" sx={{ mb: 1 }}>
          <Box component="span" sx={{ color: "text.secondary" }}>
            Last time:{" "}
          </Box>
          {last}
          {props.strength === null ? null : (
            <Box component="span" sx={{ color: "text.secondary" }}>
              {" "}
              · {props.strength}
            </Box>
          )}
        </Typography>
      )}
      <WrittenLine
        id={lineIdOf(slot)}
        label={`Sets of ${name}, written`}
        sets={slot.sets}
        context={notation}
        mint={mint}
        onSets={(sets) => onChange({ ...slot, sets })}
        onInvalid={onInvalid}
      />
      <Box sx={{ overflowX: "auto" }} tabIndex={0} role="region" aria-label={`Sets of ${name}`}>
        <Box
          component="table"
          sx={{
            borderCollapse: "collapse",
            "& td, & th": { py: 0.5, pr: 1, textAlign: "left", verticalAlign: "top" },
            // On a phone a set is a small form of three lines instead of a row.
            "& thead": { display: { xs: "none", md: "table-header-group" } },
            "& tbody tr": {
              display: { xs: "grid", md: "table-row" },
              gridTemplateColumns: "28px 116px 90px minmax(92px, 1fr)",
              borderBottom: { xs: 1, md: 0 },
              borderColor: "divider",
            },
            "& tbody td:nth-of-type(4)": { gridColumn: "2" },
            "& tbody td:nth-of-type(7)": { gridColumn: "2 / -1" },
            "& tbody td[data-label]::before": {
              content: "attr(data-label)",
              display: { xs: "block", md: "none" },
              fontSize: "0.75rem",
              color: "text.secondary",
            },
            "& thead th": {
              fontSize: "0.72rem",
              fontWeight: 700,
              letterSpacing: "0.09em",
              textTransform: "uppercase",
              color: "text.secondary",
            },
          }}
        >
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
                sets={slot.sets}
                movement={movement}
                at={{ loading: station?.loading ?? null, movement: slot.movement }}
                notation={notation}
                steps={steps.filter((step) => step.key.setId === set.id)}
                mint={mint}
                onChange={changeSet}
                onDuplicate={() => onChange(duplicateSet(slot, set.id, mint))}
                onRemove={() =>
                  onChange({ ...slot, sets: slot.sets.filter((s) => s.id !== set.id) })
                }
                onInvalid={onInvalid}
              />
            ))}
          </tbody>
        </Box>
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1.5, mt: 0.5 }}>
        {first === undefined || movement === null ? null : (
          <Box
            role="group"
            aria-label={`Tempo of ${name}, seconds`}
            sx={{ display: "flex", alignItems: "center", gap: 0.75, flexWrap: "wrap" }}
          >
            <Typography variant="overline">Tempo</Typography>
            {phasesFrom(movement.tempoStart).map((phase) => (
              <Box key={phase} sx={{ display: "flex", alignItems: "center", gap: 0.5 }}>
                <Typography variant="body2">{PHASE_NAMES[phase]}</Typography>
                <TypedCell
                  label={`${name}: ${PHASE_NAMES[phase]}, seconds`}
                  value={first.tempo[phase]}
                  show={(p) => (p === null ? "" : p === "explosive" ? "fast" : String(p))}
                  read={typedPhase}
                  onValue={(value) => setTempo({ ...first.tempo, [phase]: value })}
                  onInvalid={onInvalid}
                  width={46}
                  placeholder="open"
                />
              </Box>
            ))}
          </Box>
        )}
        <Box sx={{ width: 150 }}>
          <Select
            aria-label={`Fill ${name} with`}
            value=""
            onChange={(event) => {
              const scheme = SCHEMES.find((known) => known === event.target.value);
              if (scheme !== undefined) onChange(filled(slot, scheme, mint));
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
          <Typography variant="overline" component="label" htmlFor={`${slot.id}-rule`}>
            Next time
          </Typography>
          <Box sx={{ width: 180 }}>
            <Select
              id={`${slot.id}-rule`}
              value={slot.progression.kind}
              onChange={(event) =>
                onChange({
                  ...slot,
                  progression: {
                    kind: event.target.value === "hold" ? "hold" : "doubleProgression",
                  },
                })
              }
            >
              <option value="doubleProgression">Double progression</option>
              <option value="hold">Hold everything</option>
            </Select>
          </Box>
        </Box>
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
              judged={props.judged}
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
          onTake={(reading) => onChange(replaceReading(slot, issue, reading))}
        />
      ))}
    </Box>
  );
}

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
