import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import { loadsOfSteps, planLoading } from "~/core/loading-plan/index.ts";
import type { SetStep } from "~/core/prescription/index.ts";
import { mass } from "~/core/quantity/index.ts";
import type { Station } from "~/core/station/index.ts";
import { formatSetsOfLoad } from "~/format/loading-plan.ts";
import { formatMass } from "~/format/numbers.ts";
import { formatChange, formatRecipe } from "~/format/training.ts";
import { SleeveDrawing } from "../sleeve-drawing.tsx";

/** What to hang for the whole exercise, load after load, drawn to scale; opened when it is wanted. */
export function LoadingPlanPanel({
  name,
  steps,
  station,
  ramp,
}: {
  readonly name: string;
  readonly steps: readonly SetStep[];
  readonly station: Station;
  /** Makes the ramp that leads to the work load. */
  readonly ramp: React.ReactNode;
}) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Box
      component="details"
      sx={{ mt: 1 }}
      onToggle={(event: React.ToggleEvent<HTMLDetailsElement>) => setOpen(event.currentTarget.open)}
    >
      <Box component="summary" sx={{ cursor: "pointer", fontWeight: 650, py: 0.5 }}>
        Ramp and loading plan
      </Box>
      {isOpen ? (
        <>
          {ramp}
          <Loads name={name} steps={steps} station={station} />
        </>
      ) : null}
    </Box>
  );
}

function Loads({
  name,
  steps,
  station,
}: {
  readonly name: string;
  readonly steps: readonly SetStep[];
  readonly station: Station;
}) {
  const { loading } = station;
  const targets = useMemo(() => loadsOfSteps(steps), [steps]);
  const plan = useMemo(() => planLoading(loading, targets), [loading, targets]);
  if (plan.loads.length === 0) {
    return <Typography sx={{ color: "text.secondary" }}>No load is known yet.</Typography>;
  }
  return (
    <Box component="section" aria-label={`Loading plan of ${name}`}>
      <Typography variant="body2" sx={{ color: "text.secondary" }}>
        {plan.handled} pieces handled in all
        {plan.isProven ? "." : "; too many plates here to prove that no way needs fewer."} Ramps and
        shares may move by 2.5 % where that saves plates; a written load stays.
      </Typography>
      <Box component="ol" sx={{ listStyle: "none", m: 0, p: 0, display: "flex", flexWrap: "wrap" }}>
        {plan.loads.map(({ made, change, movedBy }, i) => (
          <Box
            component="li"
            key={i}
            sx={{ width: 196, pr: 2, py: 1, borderTop: 1, borderColor: "divider" }}
          >
            <Typography variant="figure" component="p" sx={{ fontSize: "1.5rem" }}>
              {formatMass(made.reading)}
              <Box
                component="span"
                sx={{ fontSize: "0.9rem", color: "text.secondary", fontWeight: 500 }}
              >
                {" "}
                {formatSetsOfLoad(targets[i]?.steps ?? [])}
              </Box>
            </Typography>
            {made.recipe.kind === "plates" ? (
              <SleeveDrawing plates={made.recipe.perPoint} height={64} />
            ) : null}
            <Typography variant="body2" sx={{ fontWeight: 650 }}>
              {formatChange(change) ?? (i === 0 ? formatRecipe(made.recipe) : "nothing to change")}
            </Typography>
            {movedBy === 0 ? null : (
              <Typography variant="body2" sx={{ color: "kravo.warn" }}>
                {formatMass(mass(Math.abs(movedBy), loading.unit))} {movedBy > 0 ? "over" : "under"}{" "}
                what was asked
              </Typography>
            )}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
