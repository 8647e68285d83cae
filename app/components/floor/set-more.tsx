import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { LIMITERS, REGIONS, seconds, STICKING_POINTS } from "~/core/kernel/index.ts";
import {
  HELPERS,
  UNSAID_CONDITIONS,
  UNSAID_OBSERVATIONS,
  type Conditions,
  type LoggedSet,
  type Observations,
} from "~/core/log/index.ts";
import { directRegions, type Movement } from "~/core/movement/index.ts";
import { REP_RANGES, withChoice } from "~/core/plan/index.ts";
import type { SetStep } from "~/core/unroll/index.ts";
import { formatSetRecord, STICKING_NAMES } from "~/format/set-record.ts";
import { sentence } from "~/format/sentence.ts";
import { HELPER_NAMES, LIMITER_NAMES, RANGE_NAMES } from "~/format/training.ts";
import { TOUCH } from "../../theme/tokens.ts";
import { Labelled, PlainInput, Select } from "../field.tsx";
import { FaultTicks, GearTicks, TempoDone } from "./set-ticks.tsx";
import { useMuscles } from "../wording.ts";

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
  const muscles = useMuscles();
  const { conditions, observed, limiter } = said;
  const condition = (over: Partial<Conditions>) =>
    onChange({ ...said, conditions: { ...conditions, ...over } });
  const observe = (over: Partial<Observations>) =>
    onChange({ ...said, observed: { ...observed, ...over } });
  const record = formatSetRecord(said, muscles);
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
          options={regionsFor(movement).map((region) => [region, muscles.label[region]])}
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
          label="Spotter or partner"
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
              placeholder="Not logged"
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
            unsaid={
              step.setUp[name] === undefined ? "Not logged" : `As planned: ${step.setUp[name]}`
            }
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
  unsaid = "Not logged",
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
