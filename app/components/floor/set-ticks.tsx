import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { FAULTS, type Fault } from "~/core/kernel/index.ts";
import type { SeenFault } from "~/core/log/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import {
  isOpenTempo,
  OPEN_TEMPO,
  sameTempo,
  TEMPO_PHASES,
  USUAL_GEAR,
  type Tempo,
} from "~/core/plan/index.ts";
import { sentence } from "~/format/sentence.ts";
import { FAULT_NAMES, PHASE_NAMES } from "~/format/training.ts";
import { TOUCH } from "../../theme/tokens.ts";
import { Labelled, PlainInput } from "../field.tsx";

function Tick({
  isOn,
  onPress,
  children,
}: {
  readonly isOn: boolean;
  readonly onPress: () => void;
  readonly children: React.ReactNode;
}) {
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={isOn}
      onClick={onPress}
      sx={{
        minHeight: TOUCH,
        px: 1.25,
        border: 1,
        borderColor: "kravo.edge",
        background: "none",
        color: "text.primary",
        font: "inherit",
        cursor: "pointer",
        "&[aria-pressed=true]": { backgroundColor: "kravo.ink", color: "kravo.paper" },
      }}
    >
      {children}
    </Box>
  );
}

const TICKS = { display: "flex", flexWrap: "wrap", gap: 0.75, mb: 1.5 } as const;

/** Faults of the exercise first; one that was seen asks from which repetition on. */
export function FaultTicks({
  movement,
  seen,
  onChange,
}: {
  readonly movement: Movement | null;
  readonly seen: readonly SeenFault[] | null;
  readonly onChange: (seen: readonly SeenFault[] | null) => void;
}) {
  const known = movement?.faults.map(({ fault }) => fault) ?? [];
  const faults = [...known, ...FAULTS.filter((fault) => !known.includes(fault))];
  const toggle = (fault: Fault) => {
    const others = seen?.filter((one) => one.fault !== fault) ?? [];
    const wasSeen = others.length < (seen?.length ?? 0);
    const next = wasSeen ? others : [...others, { fault, fromRep: null }];
    onChange(wasSeen && next.length === 0 ? null : next);
  };
  return (
    <>
      <Typography variant="overline" component="p" id="faults-seen">
        Faults seen{seen === null ? ": not logged" : seen.length === 0 ? ": none" : ""}
      </Typography>
      <Box role="group" aria-labelledby="faults-seen" sx={TICKS}>
        <Tick isOn={seen?.length === 0} onPress={() => onChange(seen?.length === 0 ? null : [])}>
          None, clean set
        </Tick>
        {faults.map((fault) => (
          <Tick
            key={fault}
            isOn={seen?.some((one) => one.fault === fault) ?? false}
            onPress={() => toggle(fault)}
          >
            {sentence(FAULT_NAMES[fault])}
          </Tick>
        ))}
      </Box>
      {seen?.map(({ fault, fromRep }) => (
        <Labelled
          key={fault}
          id={`from-${fault}`}
          label={`${sentence(FAULT_NAMES[fault])}, from rep`}
        >
          <PlainInput
            id={`from-${fault}`}
            type="number"
            inputMode="numeric"
            min={1}
            max={1000}
            placeholder="Not counted"
            value={fromRep ?? ""}
            onChange={(e) => {
              const typed = Math.round(Number(e.target.value));
              const from = typed >= 1 && typed <= 1000 ? typed : null;
              onChange(seen.map((one) => (one.fault === fault ? { fault, fromRep: from } : one)));
            }}
          />
        </Labelled>
      ))}
    </>
  );
}

export function GearTicks({
  planned,
  worn,
  onChange,
}: {
  readonly planned: readonly string[];
  readonly worn: readonly string[] | null;
  readonly onChange: (worn: readonly string[] | null) => void;
}) {
  const all = [...new Set([...planned, ...(worn ?? []), ...USUAL_GEAR])];
  const toggle = (name: string) => {
    const next = worn?.includes(name)
      ? worn.filter((other) => other !== name)
      : [...(worn ?? []), name];
    onChange(next.length === 0 ? null : next);
  };
  return (
    <>
      <Typography variant="overline" component="p" id="gear-worn">
        Worn or used
        {worn !== null
          ? ""
          : planned.length === 0
            ? ": not logged"
            : `: not logged, planned ${planned.join(", ")}`}
      </Typography>
      <Box role="group" aria-labelledby="gear-worn" sx={TICKS}>
        <Tick isOn={worn?.length === 0} onPress={() => onChange(worn?.length === 0 ? null : [])}>
          Nothing
        </Tick>
        {all.map((name) => (
          <Tick key={name} isOn={worn?.includes(name) ?? false} onPress={() => toggle(name)}>
            {sentence(name)}
          </Tick>
        ))}
      </Box>
    </>
  );
}

/** The tempo as it was kept: as asked, or phase by phase in seconds. */
export function TempoDone({
  asked,
  done,
  onChange,
}: {
  readonly asked: Tempo;
  readonly done: Tempo | null;
  readonly onChange: (done: Tempo | null) => void;
}) {
  const isKept = done !== null && sameTempo(done, asked);
  return (
    <>
      <Typography variant="overline" component="p" id="tempo-done">
        Tempo as done{done === null ? ": not logged" : ""}
      </Typography>
      <Box
        role="group"
        aria-labelledby="tempo-done"
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "repeat(4, 1fr)", sm: "auto repeat(4, 76px)" },
          gap: 0.75,
          alignItems: "end",
          justifyContent: "start",
          "& > button": { gridColumn: { xs: "1 / -1", sm: "auto" }, justifySelf: "start" },
        }}
      >
        {isOpenTempo(asked) ? null : (
          <Tick isOn={isKept} onPress={() => onChange(isKept ? null : asked)}>
            As asked
          </Tick>
        )}
        {TEMPO_PHASES.map((phase) => (
          <Box key={phase}>
            <Typography
              component="label"
              htmlFor={`done-${phase}`}
              variant="body2"
              sx={{ color: "text.secondary" }}
            >
              {sentence(PHASE_NAMES[phase])}
            </Typography>
            <PlainInput
              id={`done-${phase}`}
              type="number"
              inputMode="numeric"
              min={0}
              max={30}
              placeholder="s"
              value={typeof done?.[phase] === "number" ? done[phase] : ""}
              onChange={(e) => {
                const typed = Math.round(Number(e.target.value));
                const isSaid = e.target.value.trim() !== "" && typed >= 0 && typed <= 30;
                const next = { ...(done ?? OPEN_TEMPO), [phase]: isSaid ? typed : null };
                onChange(isOpenTempo(next) ? null : next);
              }}
            />
          </Box>
        ))}
      </Box>
    </>
  );
}
