import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { use } from "react";
import { savedByOrder, type Loading, type Station } from "~/core/gym/index.ts";
import { hungLoads, type SetStep } from "~/core/unroll/index.ts";
import {
  formatHandled,
  formatMoved,
  formatSavedByOrder,
  formatSetsOfLoad,
} from "~/format/loading-plan.ts";
import { formatInOtherUnit, formatMass } from "~/format/numbers.ts";
import { formatChange, formatRecipe } from "~/format/training.ts";
import { SleeveDrawing } from "../sleeve-drawing.tsx";
import { BenchPlaceContext } from "./bench-context.ts";

/** What to load for the whole exercise, load after load, drawn to scale. */
export function LoadingPlanPanel({
  name,
  station,
  steps,
  ramp,
}: {
  readonly name: string;
  readonly station: Station;
  readonly steps: readonly SetStep[];
  /** Makes the ramp that leads to the work load. */
  readonly ramp: React.ReactNode;
}) {
  return (
    <>
      {ramp}
      <Loads name={name} loading={station.loading} steps={steps} />
    </>
  );
}

function Loads({
  name,
  loading,
  steps,
}: {
  readonly name: string;
  readonly loading: Loading;
  readonly steps: readonly SetStep[];
}) {
  const { readsIn } = use(BenchPlaceContext);
  const loads = hungLoads(steps);
  if (loads.length === 0) {
    return <Typography sx={{ color: "text.secondary" }}>No load is known yet.</Typography>;
  }
  return (
    <Box component="section" aria-label={`Loading plan of ${name}`}>
      <Typography variant="body2" sx={{ color: "text.secondary" }}>
        {formatHandled(loads)}{" "}
        {formatSavedByOrder(
          savedByOrder(
            loading,
            loads.map(({ load }) => load),
          ),
        )}
      </Typography>
      <Box component="ol" sx={{ listStyle: "none", m: 0, p: 0, display: "flex", flexWrap: "wrap" }}>
        {loads.map(({ load, change, steps: own }, i) => (
          <Box
            component="li"
            key={i}
            sx={{ width: 196, pr: 2, py: 1, borderTop: 1, borderColor: "divider" }}
          >
            <Typography variant="figure" component="p" sx={{ fontSize: "1.5rem" }}>
              {formatMass(load.reading)}
              <Box
                component="span"
                sx={{ fontSize: "0.9rem", color: "text.secondary", fontWeight: 500 }}
              >
                {" "}
                {formatSetsOfLoad(own)}
              </Box>
            </Typography>
            {formatInOtherUnit(load.reading, readsIn) === null ? null : (
              <Typography variant="body2" sx={{ color: "text.secondary" }}>
                {formatInOtherUnit(load.reading, readsIn)}
              </Typography>
            )}
            {load.recipe.kind === "plates" ? (
              <SleeveDrawing plates={load.recipe.perPoint} height={64} />
            ) : null}
            <Typography variant="body2" sx={{ fontWeight: 650 }}>
              {formatChange(change) ?? (i === 0 ? formatRecipe(load.recipe) : "already loaded")}
            </Typography>
            {load.movedFrom === null ? null : (
              <Typography variant="body2" sx={{ color: "kravo.warn" }}>
                {formatMoved(load.movedFrom, load.reading)}
              </Typography>
            )}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
