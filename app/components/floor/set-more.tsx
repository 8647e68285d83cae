import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import {
  FAULTS,
  LIMITERS,
  REGIONS,
  seconds,
  STICKING_POINTS,
  type Fault,
} from "~/core/kernel/index.ts";
import {
  HELPERS,
  UNSAID_CONDITIONS,
  UNSAID_OBSERVATIONS,
  type Conditions,
  type LoggedSet,
  type Observations,
  type SeenFault,
} from "~/core/log/index.ts";
import { directRegions, type Movement } from "~/core/movement/index.ts";
import {
  isOpenTempo,
  OPEN_TEMPO,
  REP_RANGES,
  sameTempo,
  TEMPO_PHASES,
  USUAL_GEAR,
  withChoice,
  type Tempo,
} from "~/core/plan/index.ts";
import type { SetStep } from "~/core/unroll/index.ts";
import { formatSetRecord, STICKING_NAMES } from "~/format/set-record.ts";
import { sentence } from "~/format/sentence.ts";
import {
  FAULT_NAMES,
  HELPER_NAMES,
  LIMITER_NAMES,
  PHASE_NAMES,
  RANGE_NAMES,
  REGION_NAMES,
} from "~/format/training.ts";
import { TOUCH } from "../../theme/tokens.ts";
import { Labelled, PlainInput, Select } from "../field.tsx";

/** What can be said of a set beside load, amount and reserve. */
export type MoreOfSet = Pick<LoggedSet, "limiter" | "conditions" | "observed">;

/** What was said of a logged set; nothing of one that is still to be done. */
export const moreOf = (logged: LoggedSet | null): MoreOfSet =>
  logged === null
    ? { limiter: null, conditions: UNSAID_CONDITIONS, observed: UNSAID_OBSERVATIONS }
    : { limiter: logged.limiter, conditions: logged.conditions, observed: logged.observed };

const UNSAID = "";

/** How a set was really done, and what was seen and felt in it. What nobody touches stays unknown. */
export function SetMore({
  step,
  movement,
  said,
  onChange,
}: {
  readonly step: SetStep;
  readonly movement: Movement | null;
  readonly said: MoreOfSet;
  readonly onChange: (said: MoreOfSet) => void;
}) {
  const { conditions, observed, limiter } = said;
  const condition = (over: Partial<Conditions>) =>
    onChange({ ...said, conditions: { ...conditions, ...over } });
  const observe = (over: Partial<Observations>) =>
    onChange({ ...said, observed: { ...observed, ...over } });
  const record = formatSetRecord(said);
  return (
    <Box component="details">
      <Box
        component="summary"
        sx={{ minHeight: TOUCH, display: "flex", alignItems: "center", cursor: "pointer" }}
      >
        <Typography component="span" sx={{ fontWeight: 650 }}>
          More about this set
          {record.length === 0 ? "" : `: ${record.join(", ")}`}
        </Typography>
      </Box>
      <FaultTicks
        movement={movement}
        seen={observed.faults}
        onChange={(faults) => observe({ faults })}
      />
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", columnGap: 1.5 }}>
        <Choice
          id="limiter"
          label="Gave out first"
          options={LIMITERS.map((name) => [name, sentence(LIMITER_NAMES[name])])}
          chosen={limiter}
          onChoose={(name) => onChange({ ...said, limiter: name })}
        />
        <Choice
          id="felt-in"
          label="Felt most in"
          options={regionsFor(movement).map((region) => [region, REGION_NAMES[region]])}
          chosen={observed.feltIn}
          onChoose={(feltIn) => observe({ feltIn })}
        />
        <Choice
          id="stuck-at"
          label="Last rep stuck"
          options={STICKING_POINTS.map((point) => [point, sentence(STICKING_NAMES[point])])}
          chosen={observed.stuckAt}
          onChoose={(stuckAt) => observe({ stuckAt })}
        />
        <Choice
          id="set-helper"
          label="Helped by"
          options={HELPERS.filter((helper) => helper !== "unknown").map((helper) => [
            helper,
            HELPER_NAMES[helper],
          ])}
          chosen={conditions.helper === "unknown" ? null : conditions.helper}
          onChoose={(helper) => condition({ helper: helper ?? "unknown" })}
        />
        <Choice
          id="range-done"
          label="How much of the range"
          options={REP_RANGES.map((range) => [range, sentence(RANGE_NAMES[range])])}
          chosen={conditions.range}
          onChoose={(range) => condition({ range })}
        />
        {step.accents.length === 0 ? null : (
          <Labelled id="held" label="Seconds really held">
            <PlainInput
              id="held"
              type="number"
              inputMode="numeric"
              min={0}
              max={600}
              placeholder="Not said"
              value={observed.held ?? ""}
              onChange={(e) => observe({ held: secondsTyped(e.target.value) })}
            />
          </Labelled>
        )}
        {movement?.setUp.map(({ name, choices }) => (
          <Choice
            key={name}
            id={`set-up-${name}`}
            label={name}
            unsaid={step.setUp[name] === undefined ? "Not said" : `As planned: ${step.setUp[name]}`}
            options={choices.map((choice) => [choice, sentence(choice)])}
            chosen={conditions.setUp?.[name] ?? null}
            onChoose={(choice) => {
              const setUp = withChoice(conditions.setUp ?? {}, name, choice);
              condition({ setUp: Object.keys(setUp).length === 0 ? null : setUp });
            }}
          />
        ))}
      </Box>
      <GearTicks
        planned={step.gear}
        worn={conditions.gear}
        onChange={(gear) => condition({ gear })}
      />
      <TempoDone
        asked={step.tempo}
        done={conditions.tempo}
        onChange={(tempo) => condition({ tempo })}
      />
    </Box>
  );
}

/** The regions of an exercise first, those it trains before those that assist, then all others. */
function regionsFor(movement: Movement | null) {
  if (movement === null) return REGIONS;
  const direct = directRegions(movement);
  const assisting = movement.regions.map(({ region }) => region).filter((r) => !direct.includes(r));
  const own = [...direct, ...assisting];
  return [...own, ...REGIONS.filter((region) => !own.includes(region))];
}

const secondsTyped = (text: string) => {
  const typed = Math.round(Number(text));
  return text.trim() === "" || !(typed >= 0 && typed <= 600) ? null : seconds(typed);
};

function Choice<T extends string>({
  id,
  label,
  options,
  chosen,
  unsaid = "Not said",
  onChoose,
}: {
  readonly id: string;
  readonly label: string;
  readonly options: readonly (readonly [T, string])[];
  readonly chosen: T | null;
  readonly unsaid?: string;
  readonly onChoose: (value: T | null) => void;
}) {
  return (
    <Labelled id={id} label={label}>
      <Select
        id={id}
        value={chosen ?? UNSAID}
        onChange={(e) => onChoose(options.find(([value]) => value === e.target.value)?.[0] ?? null)}
      >
        <option value={UNSAID}>{unsaid}</option>
        {options.map(([value, text]) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </Select>
    </Labelled>
  );
}

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
function FaultTicks({
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
        Faults seen{seen === null ? ": not said" : seen.length === 0 ? ": none" : ""}
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

function GearTicks({
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
            ? ": not said"
            : `: not said, planned ${planned.join(", ")}`}
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
function TempoDone({
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
        Tempo as done{done === null ? ": not said" : ""}
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
