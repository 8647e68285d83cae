import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { sessionDuration } from "~/core/duration/index.ts";
import {
  isSetStep,
  slotsOfBlock,
  surroundingsOf,
  unroll,
  type SetStep,
  type Slot,
} from "~/core/prescription/index.ts";
import { surroundingsFrom } from "~/core/strength/index.ts";
import { formatDay, formatMass, formatMinuteRange } from "~/format/numbers.ts";
import { formatPurpose } from "~/format/plan.ts";
import {
  EXTENSION_NAMES,
  formatItem,
  formatRest,
  formatSetUp,
  formatTarget,
} from "~/format/prescription.ts";
import {
  BLOCK_NAMES,
  formatRecipe,
  formatRir,
  formatTempo,
  ROLE_NAMES,
  SIDE_NAMES,
} from "~/format/training.ts";
import { idParam, orNotFound, scopeOf } from "~/server/auth/session.server.ts";
import { benchOf } from "~/server/coaching/bench.server.ts";
import { getPlan } from "~/server/db/plans.server.ts";
import type { Route } from "./+types/plan-sheet.ts";
import { useCatalogue } from "../components/catalogue.ts";

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = scopeOf(context);
  const plan = orNotFound(await getPlan(scope, idParam<"plan">(params.planId)));
  const { stations, gyms, rules, figures, bodyWeight } = await benchOf(scope, plan);
  const gym = gyms.find((g) => g.id === plan.gymId)?.name ?? "";
  return { plan, stations, gym, rules, figures, bodyWeight };
}

/** A session on one A4 page, in ink on white, with room to write beside every set. */
export default function PlanSheet({ loaderData }: Route.ComponentProps) {
  const { plan, stations, gym, rules, figures, bodyWeight } = loaderData;
  const { find } = useCatalogue();
  const around = surroundingsOf(
    stations.filter((s) => s.gymId === plan.gymId),
    find,
    surroundingsFrom(figures, bodyWeight, rules),
  );
  const steps = unroll(plan.document, around);
  const stationOf = (slot: Slot) => around.station(slot.station)?.name ?? "no station";
  return (
    <Box component="main" id="page">
      <title>{`${plan.title} · ${plan.personName} · Kravo`}</title>
      <Box className="not-printed" sx={{ display: "flex", gap: 1, p: 2, justifyContent: "center" }}>
        <Button component={Link} to={`/plans/${plan.id}`}>
          Back to the bench
        </Button>
        <Button variant="contained" onClick={() => window.print()}>
          Print
        </Button>
      </Box>
      <Box component="article" sx={SHEET}>
        <Box component="header" sx={{ borderBottom: "2px solid", mb: 1, display: "flex", gap: 2 }}>
          <Typography variant="h1" sx={{ fontSize: "1.7rem", flexGrow: 1 }}>
            {plan.personName} · {plan.title}
          </Typography>
          <Typography variant="body2" sx={{ textAlign: "right" }}>
            {formatDay(plan.day)} · {gym}
            <br />
            {formatMinuteRange(sessionDuration(steps))}
          </Typography>
        </Box>
        {plan.document.blocks.map((block) => (
          <Box key={block.id} component="section" className="together">
            {"items" in block ? (
              <>
                <Typography variant="h2" sx={TITLE}>
                  {BLOCK_NAMES[block.kind]}
                  {block.rounds > 1 ? `, ${block.rounds} rounds` : ""}
                </Typography>
                <Box component="ul" sx={{ m: 0, pl: 2.5, fontSize: "0.85rem" }}>
                  {block.items.map((item) => (
                    <li key={item.id}>{formatItem(item, find)}</li>
                  ))}
                </Box>
              </>
            ) : (
              <>
                {block.kind === "rotation" ? (
                  <Typography variant="body2" sx={{ fontWeight: 700, mt: 1 }}>
                    In turn: rest {formatRest(block.restBetween)} between,{" "}
                    {formatRest(block.restAfterRound)} after a round
                  </Typography>
                ) : null}
                {slotsOfBlock(block).map((slot) => (
                  <Exercise
                    key={slot.id}
                    slot={slot}
                    name={find(slot.movement)?.name ?? slot.movement}
                    station={stationOf(slot)}
                    tempo={formatTempo(
                      slot.sets[0]?.tempo ?? NO_TEMPO,
                      find(slot.movement)?.tempoStart ?? "lower",
                    )}
                    steps={steps.filter(isSetStep).filter((step) => step.slotId === slot.id)}
                  />
                ))}
              </>
            )}
          </Box>
        ))}
        <Typography variant="body2" sx={{ mt: 1.5, fontSize: "0.72rem" }}>
          Joint or sharp pain ends the exercise. Chest pain, faintness or unusual breathlessness end
          the session and need medical help at once. General caution, not medical advice.
        </Typography>
      </Box>
    </Box>
  );
}

const NO_TEMPO = { lower: null, stretch: null, lift: null, squeeze: null };

function Exercise({
  slot,
  name,
  station,
  tempo,
  steps,
}: {
  readonly slot: Slot;
  readonly name: string;
  readonly station: string;
  readonly tempo: string;
  readonly steps: readonly SetStep[];
}) {
  const about = [station, tempo, formatSetUp(slot.setUp), formatPurpose(slot), slot.notes.trainee];
  return (
    <>
      <Typography variant="h2" sx={TITLE}>
        {name}
        {slot.optional ? " (optional)" : ""}{" "}
        <Box component="span" sx={{ fontWeight: 500, fontSize: "0.8rem" }}>
          {about.filter((text) => text !== "").join(" · ")}
        </Box>
      </Typography>
      <table>
        <tbody>
          {steps.map((step, i) => (
            <tr key={i}>
              <th scope="row">
                {step.kind === "set"
                  ? `${step.setNumber} ${ROLE_NAMES[step.role]}`
                  : EXTENSION_NAMES[step.kind]}
                {step.repeat.of > 1 ? ` ${step.repeat.number}/${step.repeat.of}` : ""}
                {step.key.side === "both" ? "" : `, ${SIDE_NAMES[step.key.side]}`}
              </th>
              <td>{loadOf(step)}</td>
              <td>{formatTarget(step.target)}</td>
              <td>{step.kind === "set" ? formatRir(step.effort) : ""}</td>
              <td>{step.kind === "set" ? `rest ${formatRest(step.restRule)}` : ""}</td>
              <td className="write" aria-label="Room to write" />
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function loadOf({ load }: SetStep): string {
  if (load.kind === "made") return `${formatMass(load.reading)}: ${formatRecipe(load.recipe)}`;
  return load.kind === "bodyweight" ? "body weight" : "load: ________";
}

const TITLE = { fontSize: "1.1rem", mt: 1, mb: 0.25 } as const;

const SHEET = {
  maxWidth: "190mm",
  mx: "auto",
  my: 2,
  p: { xs: 1, md: "8mm" },
  color: "#000",
  backgroundColor: "#fff",
  "& table": { width: "100%", borderCollapse: "collapse", fontSize: "0.82rem" },
  "& th, & td": { textAlign: "left", borderBottom: "1px solid #999", py: "1.5px", pr: 1 },
  "& th": { fontWeight: 650, width: "19%" },
  "& td.write": { width: "24%", borderLeft: "1px solid #000", height: 24 },
  "& .together": { breakInside: "avoid" },
  "@media print": { m: 0, p: 0, maxWidth: "none" },
} as const;
