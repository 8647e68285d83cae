import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { typedPhase } from "~/codec/typed-cells.ts";
import type { Movement } from "~/core/movement/index.ts";
import { phasesFrom, type Tempo, type TempoPhase, type TempoPhaseName } from "~/core/plan/index.ts";
import { PHASE_NAMES } from "~/format/training.ts";
import { steady } from "../steady.ts";
import { TypedCell, type ReportInvalid } from "./typed-cell.tsx";

/** The tempo of all sets of an exercise, its phases in the order in which the movement happens. */
export const TempoCells = steady(function TempoCells({
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
            read={typedPhase(phase)}
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
