import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { FindMovement, Movement } from "~/core/movement/index.ts";
import { LOADING_NAMES } from "~/format/station.ts";
import {
  FAULT_NAMES,
  LATERALITY_NAMES,
  LENGTH_NAMES,
  LEVEL_NAMES,
  LIMITER_NAMES,
  PROFILE_NAMES,
} from "~/format/training.ts";
import { LegMap } from "./leg-map.tsx";
import { useMuscles } from "./wording.ts";

/** Everything that Kravo knows of a movement, in three columns. */
export function MovementFacts({
  movement,
  find,
}: {
  readonly movement: Movement;
  readonly find: FindMovement;
}) {
  const muscles = useMuscles();
  return (
    <Box
      sx={{ display: "grid", gridTemplateColumns: { md: "1fr 1fr 1fr" }, gap: 3, px: 1, pb: 2.5 }}
    >
      <Box>
        <LegMap
          about="Muscles trained"
          regions={movement.regions.map(({ region, share }) => ({
            region,
            shade: share === 1 ? "within" : "below",
            says: share === 1 ? "direct" : `in part (${share})`,
          }))}
        />
        <Facts
          title="What it loads"
          lines={[
            ...(movement.alsoCalled.length === 0
              ? []
              : [`Also called: ${movement.alsoCalled.join(", ")}`]),
            ...movement.regions.map(
              (r) =>
                `${muscles.label[r.region]}, ${r.share === 1 ? "direct" : `in part (${r.share})`}`,
            ),
            `Target muscle ${LENGTH_NAMES[movement.length]} at the hardest point; ${PROFILE_NAMES[movement.profile]}`,
            `${LATERALITY_NAMES[movement.laterality]}, ${movement.stability}; first to give out: ${LIMITER_NAMES[movement.givesOutFirst]}`,
            `Load on the spine ${movement.spinalLoad}, on the knee ${movement.kneeStress}, on the hip ${movement.hipStress}`,
            `${LEVEL_NAMES[movement.difficulty]}, ${movement.setUpEffort} set-up; ${movement.loadings.map((l) => LOADING_NAMES[l].toLowerCase()).join(", ")}`,
            ...movement.setUp.map(
              (p) =>
                `${p.name}: ${p.choices.join(" or ")}${p.rising === undefined ? "" : ` (harder: ${p.rising.join(", then ")})`}${p.claimed === undefined ? "" : ` (some hold: ${p.claimed})`}`,
            ),
          ]}
        />
      </Box>
      <Facts
        title="Doing it"
        lines={[
          movement.takeUp,
          ...movement.cues,
          movement.breathing,
          movement.putBack,
          `Spotter: ${movement.spotting}`,
          ...movement.faults.map(
            (f) =>
              `When ${FAULT_NAMES[f.fault]}: ${f.cause}. Say: ${f.cue}. Change: ${f.corrective}.`,
          ),
        ]}
      />
      <Facts
        title="Care and stand-ins"
        lines={[
          ...movement.cautions,
          `Alone to failure: ${movement.safeAlone.toTheLimit ? "yes" : "no"}. ${movement.safeAlone.how}`,
          ...movement.substitutes.map(
            (s) => `Instead: ${find(s.movement)?.name ?? s.movement}, ${s.reason}`,
          ),
        ]}
      />
    </Box>
  );
}

function Facts({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) {
  return (
    <div>
      <Typography variant="overline" component="h4">
        {title}
      </Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.25 }}>
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </Box>
    </div>
  );
}
