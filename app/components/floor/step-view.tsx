import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { Difference, Exposure } from "~/core/log/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import {
  isOpenTempo,
  phasesFrom,
  type ExtensionKind,
  type Slot,
  type Tempo,
  startOf,
} from "~/core/plan/index.ts";
import type { SetStep } from "~/core/unroll/index.ts";
import type { MassUnit } from "~/core/kernel/index.ts";
import type { Station } from "~/core/gym/index.ts";
import { formatExposure } from "~/format/exposure.ts";
import { formatAmount, formatInOtherUnit, formatMass, formatShare } from "~/format/numbers.ts";
import { formatPurpose } from "~/format/plan.ts";
import { formatDifference } from "~/format/reasons.ts";
import { sentence } from "~/format/sentence.ts";
import { readingMeaning } from "~/format/station.ts";
import {
  formatChange,
  formatRecipe,
  formatEffort,
  formatKept,
  PHASE_NAMES,
  ROLE_NAMES,
  SIDE_NAMES,
} from "~/format/training.ts";
import { EXTENSION_NAMES, formatAccent, formatDetail } from "~/format/prescription.ts";
import { figureOf, formatStop } from "~/format/target.ts";
import { SleeveDrawing } from "../sleeve-drawing.tsx";
import { useMuscles } from "../wording.ts";

/** The step to do now: what it is, what to hang, how many, how slowly, and what it was last time. */
export function StepView({
  step,
  movement,
  slot,
  station,
  readsIn,
  last,
}: {
  readonly step: SetStep;
  readonly movement: Movement | null;
  readonly slot: Slot;
  readonly station: Station;
  /** The unit the person reads loads in. */
  readonly readsIn: MassUnit;
  readonly last: {
    readonly exposure: Exposure;
    readonly differences: readonly Difference[];
  } | null;
}) {
  const muscles = useMuscles();
  const stop = formatStop(step.target);
  const kept = [...formatKept(step), ...step.accents.map(formatAccent)];
  const setUp = Object.entries(step.setUp).map(([name, choice]) => `${name}: ${choice}`);
  const asked = figureOf(step.target);
  const isTry =
    step.kind === "set" &&
    slot.sets.find((set) => set.id === step.key.setId)?.load.kind === "trial";
  return (
    <Box component="section" aria-label="Do this now">
      <Typography variant="h2" sx={{ fontSize: { xs: "1.9rem", md: "2.6rem" } }}>
        {movement?.name ?? slot.movement}
      </Typography>
      <Typography sx={{ fontWeight: 650 }}>
        {step.optional ? "Optional: " : ""}
        {step.kind === "set"
          ? `${ROLE_NAMES[step.role]} set`
          : `${extensionName(step.kind)} of set`}{" "}
        {step.setNumber} of {step.setCount}
        {step.repeat.of > 1 ? `, ${step.repeat.number} of ${step.repeat.of}` : ""}
        {step.rotation === null ? "" : ` · round ${step.rotation.round} of ${step.rotation.rounds}`}
        {step.key.side === "both" ? "" : ` · ${SIDE_NAMES[step.key.side]}`}
        <Box component="span" sx={{ color: "text.secondary", fontWeight: 500 }}>
          {" "}
          · {station.name}
        </Box>
      </Typography>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "auto minmax(0,1fr)", md: "auto auto minmax(0,1fr)" },
          columnGap: { xs: 2, md: 4 },
          rowGap: 1,
          alignItems: "center",
          borderTop: 1,
          borderBottom: 1,
          borderColor: "kravo.edge",
          my: 1,
          py: 1,
        }}
      >
        <LoadFigure step={step} station={station} readsIn={readsIn} />
        <Box>
          <Typography
            variant="figure"
            component="p"
            sx={{ fontSize: { xs: "3.2rem", md: "4.6rem" } }}
          >
            {asked.figure}
            <Box component="span" sx={{ fontSize: "0.4em", fontWeight: 600 }}>
              {" "}
              {asked.unit}
              {step.legs === "perLeg" ? " a leg" : step.legs === "oneLeg" ? " this side" : ""}
            </Box>
          </Typography>
          <Typography sx={{ fontWeight: 650, fontSize: "1.1rem" }}>
            {step.kind === "set" ? formatEffort(step) : formatDetail(step) || "straight on"}
            {stop === "" ? "" : ` · ${stop}`}
            {step.matchesFirstSide ? " · no more than the first side" : ""}
          </Typography>
        </Box>
        <Hang step={step} />
      </Box>
      {isOpenTempo(step.tempo) ? null : (
        <TempoRow tempo={step.tempo} start={startOf(slot, movement)} />
      )}
      {kept.length === 0 ? null : (
        <Typography sx={{ mt: 1, fontWeight: 650 }}>{kept.join(" · ")}</Typography>
      )}
      {step.load.kind !== "made" || step.load.heldFrom === null ? null : (
        <Typography sx={{ mt: 1, fontWeight: 650 }}>
          Load limit: the rule gives {formatMass(step.load.heldFrom)}.
        </Typography>
      )}
      {isTry ? (
        <Typography sx={{ mt: 1, fontWeight: 650 }}>
          Work-up set: log its RIR. The load is found when it comes to {formatEffort(step)}.
        </Typography>
      ) : null}
      {step.fallenFrom === null ? null : (
        <Typography sx={{ mt: 1, fontWeight: 650 }}>
          Down from {formatMass(step.fallenFrom)}: a set before fell short.
        </Typography>
      )}
      {step.fallback.length === 0 ? null : (
        <Typography sx={{ mt: 1, fontWeight: 650 }}>
          If this falls short, next set: {step.fallback.map(formatMass).join(", then ")}
        </Typography>
      )}
      <Typography sx={{ mt: 1 }}>
        <Box component="span" sx={{ color: "text.secondary" }}>
          Last time{" "}
        </Box>
        {last === null ? "none logged here" : <strong>{formatExposure(last.exposure)}</strong>}
        {last !== null && last.differences.length > 0 ? (
          <Box component="span" sx={{ color: "text.secondary" }}>
            {" "}
            · today: {last.differences.map(formatDifference).join(", ")}
          </Box>
        ) : null}
      </Typography>
      {setUp.length === 0 ? null : (
        <Typography variant="body2" sx={{ color: "text.secondary" }}>
          {setUp.join(" · ")}
        </Typography>
      )}
      {movement?.cues[0] === undefined ? null : (
        <Typography variant="body2" sx={{ color: "text.secondary" }}>
          {movement.cues.join(" · ")}
        </Typography>
      )}
      {formatPurpose(slot, muscles) === "" ? null : (
        <Typography variant="body2" sx={{ color: "text.secondary" }}>
          {formatPurpose(slot, muscles)}
        </Typography>
      )}
      {slot.notes.trainee === "" ? null : (
        <Typography sx={{ mt: 0.5 }}>{slot.notes.trainee}</Typography>
      )}
    </Box>
  );
}

const extensionName = (kind: ExtensionKind) => sentence(EXTENSION_NAMES[kind]);

function LoadFigure({
  step,
  station,
  readsIn,
}: {
  readonly step: SetStep;
  readonly station: Station;
  readonly readsIn: MassUnit;
}) {
  const { load } = step;
  if (load.kind !== "made") {
    return (
      <Typography variant="figure" component="p" sx={{ fontSize: { xs: "2.4rem", md: "3.6rem" } }}>
        {load.kind === "bodyweight" ? "no added load" : "work up to it"}
      </Typography>
    );
  }
  const { reading, total, share } = load;
  const inOther = formatInOtherUnit(reading, readsIn);
  return (
    <Box sx={{ borderRight: 1, borderColor: "divider", pr: { xs: 2, md: 4 } }}>
      <Typography
        variant="figure"
        component="p"
        sx={{ fontSize: { xs: "4.6rem", md: "7rem" }, fontWeight: 850, lineHeight: 0.9 }}
      >
        {formatAmount(reading)}
        <Box component="span" sx={{ fontSize: "0.35em", fontWeight: 600 }}>
          {" "}
          {reading.unit}
        </Box>
      </Typography>
      <Typography variant="body2" sx={{ color: "text.secondary", maxWidth: 190 }}>
        {inOther === null ? "" : `${inOther}; `}
        {readingMeaning(station.loading)}
        {total !== null && total.thousandths !== reading.thousandths
          ? `; ${formatMass(total)} moved`
          : ""}
        {share === null
          ? ""
          : `; ${formatShare(share.made)} ${share.basis === "totalMoved" ? "including bar, sled or body weight" : "of the plates alone"}`}
      </Typography>
    </Box>
  );
}

/** What to hang, drawn to scale and in words, and what changes from the step before. */
function Hang({ step }: { readonly step: SetStep }) {
  const { load, change } = step;
  if (load.kind !== "made") return null;
  const changed = change === null ? null : formatChange(change);
  return (
    <Box
      sx={{
        display: "flex",
        alignItems: "center",
        gap: 2,
        gridColumn: { xs: "1 / -1", md: "auto" },
        borderTop: { xs: 1, md: 0 },
        borderLeft: { md: 1 },
        borderColor: { xs: "divider", md: "divider" },
        pt: { xs: 1, md: 0 },
        pl: { md: 4 },
      }}
    >
      {load.recipe.kind === "plates" ? (
        <SleeveDrawing
          plates={load.recipe.perPoint}
          height={{ xs: 104, md: 140 }}
          label={`One side: ${formatRecipe(load.recipe)}`}
        />
      ) : null}
      <Box>
        <Typography variant="figure" component="p" sx={{ fontSize: "1.6rem" }}>
          {formatRecipe(load.recipe)}
        </Typography>
        <Typography variant="body2" sx={{ color: "text.secondary" }}>
          {changed === null ? "already loaded" : load.recipe.kind === "plates" ? changed : "set it"}
        </Typography>
      </Box>
    </Box>
  );
}

/** The four phases in the order of the movement, wide as they are long. */
function TempoRow({ tempo, start }: { readonly tempo: Tempo; readonly start: "lower" | "lift" }) {
  return (
    <Box
      role="group"
      aria-label="Tempo"
      sx={{ display: "flex", gap: "2px", mt: 1.5, maxWidth: 460 }}
    >
      {phasesFrom(start).map((phase) => {
        const value = tempo[phase];
        if (value === null || value === 0) return null;
        return (
          <Box
            key={phase}
            sx={{
              flexGrow: value === "explosive" ? 1 : value,
              flexBasis: 62,
              borderTop: 6,
              borderColor: phase === "lower" || phase === "lift" ? "kravo.iron" : "kravo.ironLight",
              pt: 0.25,
            }}
          >
            <Typography variant="figure" component="span">
              {value === "explosive" ? "fast" : `${value} s`}
            </Typography>{" "}
            <Typography component="span" variant="body2" sx={{ color: "text.secondary" }}>
              {PHASE_NAMES[phase]}
            </Typography>
          </Box>
        );
      })}
    </Box>
  );
}
