import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import { PROVOCATIONS } from "~/core/person/index.ts";
import {
  setUpOn,
  substitutesFor,
  type Aspect,
  type Substitution,
  type SwapCause,
  type SwapContext,
} from "~/core/coach/search/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import type { Slot } from "~/core/plan/index.ts";
import { PROVOCATION_NAMES, formatExclusion } from "~/format/brief.ts";
import { formatFirstLoad } from "~/format/findings.ts";
import { formatSetUp } from "~/format/prescription.ts";
import { Select } from "../field.tsx";
import { muscleInline, type MuscleNames } from "~/format/muscles.ts";
import { useMuscles } from "../wording.ts";

const ASPECT_NAMES: Readonly<Record<Aspect, string>> = {
  regions: "muscles",
  length: "muscle length",
  profile: "resistance curve",
  pattern: "pattern",
  legs: "one or two legs",
  loads: "loads",
};

const SHOWN = 6;

/** Swaps an exercise for a stated cause: what is kept, what is lost, what to begin with. One press, one undo. */
export function SwapPanel({
  slot,
  movement,
  context,
  awayContext,
  onSwap,
  onClose,
}: {
  readonly slot: Slot;
  readonly movement: Movement;
  readonly context: SwapContext;
  /** The gyms that the person may be in instead, by name. */
  readonly awayContext: readonly { readonly name: string; readonly context: SwapContext }[];
  readonly onSwap: (to: Substitution) => void;
  readonly onClose: () => void;
}) {
  const muscles = useMuscles();
  const [chosen, setChosen] = useState("stationTaken");
  const causes = useMemo(
    () => causesFor(movement, muscles, awayContext),
    [movement, muscles, awayContext],
  );
  const cause = causes.find((c) => c.key === chosen) ?? causes[0];
  const found = useMemo(
    () => cause && substitutesFor(slot, cause.cause, cause.context ?? context),
    [cause, slot, context],
  );
  return (
    <Box
      role="group"
      aria-label={`Swap ${movement.name}`}
      sx={{ border: 1, borderColor: "kravo.edge", backgroundColor: "kravo.sheet", p: 1.5, my: 1 }}
    >
      <Box sx={{ display: "flex", gap: 1, alignItems: "center", mb: 1, flexWrap: "wrap" }}>
        <Typography component="label" htmlFor={`${slot.id}-cause`} variant="overline">
          Swap because
        </Typography>
        <Box sx={{ width: 280 }}>
          <Select
            id={`${slot.id}-cause`}
            value={cause?.key ?? ""}
            onChange={(event) => setChosen(event.target.value)}
            autoFocus
          >
            {causes.map((c) => (
              <option key={c.key} value={c.key}>
                {c.text}
              </option>
            ))}
          </Select>
        </Box>
        <Box sx={{ flexGrow: 1 }} />
        <Button size="small" onClick={onClose}>
          Close
        </Button>
      </Box>
      {found?.substitutions.slice(0, SHOWN).map((to) => (
        <Box
          key={to.movement.ref}
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "1fr auto", md: "minmax(0,4fr) minmax(0,6fr) auto" },
            gap: 1.5,
            alignItems: "center",
            py: 0.75,
            borderTop: 1,
            borderColor: "divider",
          }}
        >
          <div>
            <Typography sx={{ fontWeight: 650 }}>{to.movement.name}</Typography>
            <Typography variant="body2" sx={{ color: "text.secondary" }}>
              {to.station.name}
            </Typography>
          </div>
          <Typography variant="body2" sx={{ gridColumn: { xs: "1 / -1", md: "auto" } }}>
            {to.reason === null ? "" : `${to.reason}. `}
            {to.kept.length === 0
              ? ""
              : `Keeps ${to.kept.map((a) => ASPECT_NAMES[a]).join(", ")}. `}
            {to.lost.length === 0
              ? ""
              : `Loses ${to.lost.map((a) => ASPECT_NAMES[a]).join(", ")}. `}
            <Box component="span" sx={{ color: "text.secondary" }}>
              {keptSetUp(slot, to.movement)}
              Same sets, reps and range. {formatFirstLoad(to.firstLoad)}
            </Box>
          </Typography>
          <Button
            size="small"
            variant="outlined"
            onClick={() => onSwap(to)}
            aria-label={`Use ${to.movement.name}`}
          >
            Use this
          </Button>
        </Box>
      ))}
      {found === undefined || found.substitutions.length > 0 ? null : (
        <Typography>
          Nothing here can stand in.{" "}
          {found.closest.length === 0
            ? "No exercise in this gym trains the same."
            : `The closest are out: ${found.closest
                .map((c) => `${c.movement.name} (${c.reasons.map(formatExclusion).join("; ")})`)
                .join("; ")}.`}
        </Typography>
      )}
    </Box>
  );
}

/** The set-up that goes along, as a sentence; empty where none does. */
function keptSetUp(slot: Slot, to: Movement): string {
  const text = formatSetUp(setUpOn(to, slot.setUp));
  return text === "" ? "" : `${text}. `;
}

interface NamedCause {
  readonly key: string;
  readonly text: string;
  readonly cause: SwapCause;
  readonly context?: SwapContext;
}

function causesFor(
  movement: Movement,
  muscles: MuscleNames,
  away: readonly { readonly name: string; readonly context: SwapContext }[],
): readonly NamedCause[] {
  return [
    { key: "stationTaken", text: "the equipment is taken", cause: { kind: "stationTaken" } },
    ...PROVOCATIONS.map((provokedBy) => ({
      key: `hurts-${provokedBy}`,
      text: `it hurts with ${PROVOCATION_NAMES[provokedBy]}`,
      cause: { kind: "hurts", provokedBy } as const,
    })),
    ...away.map(({ name, context }, i) => ({
      key: `away-${i}`,
      text: `training at ${name}`,
      cause: { kind: "travelling" } as const,
      context,
    })),
    ...movement.regions.map(({ region }) => ({
      key: `more-${region}`,
      text: `more ${muscleInline(muscles, region)} is wanted`,
      cause: { kind: "wantMore", region } as const,
    })),
    { key: "easier", text: "it is too hard to do well", cause: { kind: "easier" } },
    { key: "harder", text: "it is too easy to do well", cause: { kind: "harder" } },
    { key: "noHelper", text: "nobody can spot", cause: { kind: "noHelper" } },
  ];
}
