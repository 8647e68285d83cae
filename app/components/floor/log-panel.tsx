import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import {
  countedField,
  NOTHING_COUNTED,
  type CountedField,
  type SaidSet,
  type LoggedSet,
} from "~/core/log/index.ts";
import { amountAsked, type Rir } from "~/core/plan/index.ts";
import type { SetStep } from "~/core/unroll/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import { count, metres, seconds, type Mass } from "~/core/kernel/index.ts";
import { allLoads, howToMake, nextEasier, nextHarder, type Station } from "~/core/gym/index.ts";
import { formatAmount, formatMass } from "~/format/numbers.ts";
import { formatRir } from "~/format/training.ts";
import { TOUCH } from "../../theme/tokens.ts";
import { moreOf, SetMore, type MoreOfSet } from "./set-more.tsx";

/** What is logged with two taps: the load, how much was done, how many reps were left. */
export type Logged = Pick<
  LoggedSet,
  "reading" | "platesHung" | "rir" | "limiter" | "note" | "conditions" | "observed" | CountedField
>;

/** How the amount done is worded, and by how much a press changes it. */
const COUNTED: Readonly<
  Record<CountedField, { label: string; one: string; unit: string; by: number }>
> = {
  fullReps: { label: "Reps done", one: "rep", unit: "reps", by: 1 },
  partialReps: { label: "Partial reps done", one: "partial rep", unit: "partials", by: 1 },
  forcedReps: { label: "Forced reps done", one: "forced rep", unit: "forced reps", by: 1 },
  seconds: { label: "Seconds held or worked", one: "second", unit: "seconds", by: 5 },
  steps: { label: "Steps done", one: "step", unit: "steps", by: 1 },
  metres: { label: "Metres done", one: "metre", unit: "metres", by: 5 },
};

const RESERVES: readonly Rir[] = [0, 1, 2, 3, 4, "more", "past"];
const SHORT: Readonly<Partial<Record<string, string>>> = { more: "5+", past: "past" };

/** Logs the current step, or corrects it. Effort that nobody tapped is unknown, not what was planned. */
export function LogPanel({
  step,
  station,
  movement,
  logged,
  before,
  isReady,
  onLog,
  onRemove,
  onCancel,
}: {
  readonly step: SetStep;
  readonly station: Station;
  readonly movement: Movement | null;
  readonly logged: SaidSet | null;
  readonly before: Mass | null;
  readonly isReady: boolean;
  readonly onLog: (entry: Logged) => Promise<void>;
  readonly onRemove: (logged: SaidSet) => Promise<void>;
  readonly onCancel: (() => void) | null;
}) {
  const planned =
    step.load.kind === "made"
      ? step.load.reading
      : (before ?? allLoads(station.loading)[0]?.reading ?? null);
  const [reading, setReading] = useState<Mass | null>(logged?.loggedSet.reading ?? planned);
  const field = countedField(step);
  const counted = COUNTED[field];
  const asked = amountAsked(step.target);
  const [done, setDone] = useState<number | null>(
    logged === null ? asked.max : logged.loggedSet[field],
  );
  const change = (by: number) =>
    setDone((n) => (n === null ? asked.min : Math.min(1000, Math.max(0, n + by))));
  const [rir, setRir] = useState<Rir>(logged?.loggedSet.rir ?? "unknown");
  const [more, setMore] = useState<MoreOfSet>(() => moreOf(logged?.loggedSet ?? null));
  const easier = reading && nextEasier(station.loading, reading);
  const harder = reading && nextHarder(station.loading, reading);
  const [isResting, rest] = useRest();
  const log = () => {
    const made = reading === null ? null : howToMake(station.loading, reading);
    void rest(
      onLog({
        reading,
        platesHung:
          made?.ok === true && made.value.recipe.kind === "plates"
            ? made.value.recipe.perPoint
            : null,
        ...NOTHING_COUNTED,
        ...counting(field, done),
        rir,
        ...more,
        note: logged?.loggedSet.note ?? "",
      }),
    );
  };
  return (
    <Box
      component="section"
      aria-label={logged === null ? "Log this set" : "Correct this set"}
      sx={{
        backgroundColor: "kravo.sheet",
        border: 1,
        borderColor: "kravo.edge",
        p: { xs: 1.25, md: 2 },
        my: 2,
      }}
    >
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1.5 }}>
        <Stepper
          label="Load"
          text={reading === null ? "?" : formatMass(reading)}
          down={
            easier === null
              ? null
              : {
                  label: `Lighter, ${formatMass(easier.reading)}`,
                  go: () => setReading(easier.reading),
                }
          }
          up={
            harder === null
              ? null
              : {
                  label: `Heavier, ${formatMass(harder.reading)}`,
                  go: () => setReading(harder.reading),
                }
          }
          hint={harder === null ? "heaviest here" : `next ${formatAmount(harder.reading)}`}
        />
        <Stepper
          label={counted.label}
          text={done === null ? "?" : String(done)}
          down={{ label: `${amountWord(counted)} fewer`, go: () => change(-counted.by) }}
          up={{ label: `${amountWord(counted)} more`, go: () => change(counted.by) }}
          hint={done === null ? "unknown, not zero" : "not sure?"}
          onText={{
            label: `${counted.label}: ${done ?? "unknown"}. Not sure? Tap to mark unknown.`,
            go: () => setDone(null),
          }}
        />
      </Box>
      <Typography variant="overline" component="p" id="rir" sx={{ mt: 0.5 }}>
        {rir === "unknown" ? "RIR: not logged" : formatRir(rir)}
      </Typography>
      <Box
        role="group"
        aria-labelledby="rir"
        sx={{ display: "grid", gridTemplateColumns: "repeat(7, 1fr)", mb: 1.25 }}
      >
        {RESERVES.map((value) => (
          <Box
            key={value}
            component="button"
            type="button"
            aria-pressed={rir === value}
            aria-label={formatRir(value)}
            onClick={() => setRir(rir === value ? "unknown" : value)}
            sx={{
              minHeight: TOUCH,
              border: 1,
              ml: "-1px",
              borderColor: "kravo.edge",
              cursor: "pointer",
              color: "text.primary",
              backgroundColor: "transparent",
              fontFamily: (t) => t.typography.figure.fontFamily,
              fontWeight: 750,
              fontSize: "1.5rem",
              "&[aria-pressed=true]": { backgroundColor: "kravo.ink", color: "kravo.paper" },
            }}
          >
            {SHORT[String(value)] ?? value}
          </Box>
        ))}
      </Box>
      <Box sx={{ display: "flex", gap: 1, mb: 1 }}>
        <Button
          variant="contained"
          fullWidth
          disabled={!isReady || isResting}
          onClick={log}
          sx={{ minHeight: 60, fontSize: "1.25rem" }}
        >
          {logged === null ? `Log ${done ?? "?"} ${counted.unit}` : "Save the correction"}
        </Button>
        {logged === null ? null : (
          <Button
            variant="outlined"
            sx={{ minHeight: 60 }}
            disabled={isResting}
            onClick={() => void rest(onRemove(logged))}
          >
            Remove
          </Button>
        )}
        {onCancel === null ? null : (
          <Button sx={{ minHeight: 60 }} onClick={onCancel}>
            Back
          </Button>
        )}
      </Box>
      <SetMore step={step} movement={movement} said={more} onChange={setMore} />
    </Box>
  );
}

/** How long the button rests after the step changed: a second tap of the same thumb comes sooner. */
const REST_MS = 700;

/** True while what was tapped is being written down, and for a moment after the panel has changed. */
function useRest(): readonly [boolean, (work: Promise<void>) => Promise<void>] {
  const [isWorking, setWorking] = useState(false);
  const [isFresh, setFresh] = useState(true);
  useEffect(() => {
    const timer = setTimeout(() => setFresh(false), REST_MS);
    return () => clearTimeout(timer);
  }, []);
  const rest = async (work: Promise<void>) => {
    setWorking(true);
    await work.finally(() => setWorking(false));
  };
  return [isWorking || isFresh, rest];
}

const amountWord = ({ by, one }: { readonly by: number; readonly one: string }) =>
  by === 1 ? `One ${one}` : `${by} ${one}s`;

function counting(field: CountedField, done: number | null): Partial<Pick<Logged, CountedField>> {
  if (done === null) return {};
  if (field === "seconds") return { seconds: seconds(done) };
  if (field === "metres") return { metres: metres(done) };
  return { [field]: count(done) };
}

interface Press {
  readonly label: string;
  readonly go: () => void;
}

const VALUE = { fontSize: { xs: "1.5rem", sm: "2rem" }, textAlign: "center", flexGrow: 1 } as const;

function Stepper({
  label,
  text,
  down,
  up,
  hint,
  onText = null,
}: {
  readonly label: string;
  readonly text: string;
  readonly down: Press | null;
  readonly up: Press | null;
  readonly hint: string;
  /** What pressing the value itself does. */
  readonly onText?: Press | null;
}) {
  const press = (sign: string, to: Press | null) => (
    <Button
      variant="outlined"
      disabled={to === null}
      aria-label={to?.label ?? `${label}: no further`}
      onClick={to?.go}
      sx={{
        minWidth: TOUCH,
        minHeight: TOUCH,
        p: 0,
        fontSize: "1.6rem",
        fontFamily: (t) => t.typography.figure.fontFamily,
      }}
    >
      {sign}
    </Button>
  );
  return (
    <Box role="group" aria-label={label}>
      <Typography variant="overline">{label}</Typography>
      <Box
        sx={{ display: "flex", alignItems: "center", justifyContent: "space-between", gap: 0.5 }}
      >
        {press("−", down)}
        {onText === null ? (
          <Typography variant="figure" component="output" sx={VALUE}>
            {text}
          </Typography>
        ) : (
          <Button
            aria-label={onText.label}
            onClick={onText.go}
            sx={{ ...VALUE, minHeight: TOUCH, p: 0 }}
          >
            <Typography variant="figure" component="span" sx={{ fontSize: "inherit" }}>
              {text}
            </Typography>
          </Button>
        )}
        {press("+", up)}
      </Box>
      <Typography
        component="div"
        variant="body2"
        sx={{ color: "text.secondary", textAlign: "center", fontSize: "0.8rem" }}
      >
        {hint}
      </Typography>
    </Box>
  );
}
