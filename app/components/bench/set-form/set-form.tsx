import Button from "@mui/material/Button";
import { useMemo } from "react";
import { typedGear, typedPhase } from "~/codec/typed-cells.ts";
import type { NewId } from "~/core/kernel/index.ts";
import { parseItems, writeItems, type NotationContext } from "~/core/plan/notation/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import {
  isEffortSpan,
  leaving,
  phasesFrom,
  REP_RANGES,
  RIR_VALUES,
  SIDE_MODES,
  withBound,
  type PlannedSet,
} from "~/core/plan/index.ts";
import { formatAskedRir, formatSideMode, PHASE_NAMES, RANGE_NAMES } from "~/format/training.ts";
import { readTyped } from "../read-typed.ts";
import type { ChangeSet } from "../slot-actions.ts";
import type { ReportInvalid } from "../typed-cell.tsx";
import { AccentFields } from "./accent-fields.tsx";
import { LoadFields, type LoadPlace } from "./load-fields.tsx";
import {
  Cell,
  FormFrame,
  FormPlaceContext,
  Group,
  Pick,
  Reading,
  Tick,
  type FormPlace,
} from "./form-fields.tsx";
import { RestFields } from "./rest-fields.tsx";
import { SetUpFields } from "./set-up-fields.tsx";
import { TargetFields } from "./target-fields.tsx";

const OWN_TEMPO = "";

/** One set as a form: every field that a set has, with the parameters of what is chosen. */
export function SetForm({
  set,
  number,
  movement,
  place,
  notation,
  newId,
  onChange,
  onInvalid,
  onGearFromHere,
}: {
  readonly set: PlannedSet;
  readonly number: number;
  readonly movement: Movement | null;
  readonly place: LoadPlace;
  readonly notation: NotationContext;
  readonly newId: NewId;
  readonly onChange: ChangeSet;
  readonly onInvalid: ReportInvalid;
  /** Puts the gear of this set on all sets behind it; null where none is behind it or it has none. */
  readonly onGearFromHere: (() => void) | null;
}) {
  const upTo = RIR_VALUES.filter((rir) => isEffortSpan(set.effort, rir));
  const formPlace = useMemo<FormPlace>(
    () => ({ of: `set ${number}`, onInvalid }),
    [number, onInvalid],
  );
  return (
    <FormPlaceContext value={formPlace}>
      <FormFrame>
        <TargetFields
          target={set.target}
          onChange={(target) => onChange((now) => ({ ...now, target }))}
        />
        <LoadFields
          load={set.load}
          place={place}
          onChange={(load) => onChange((now) => ({ ...now, load }))}
        />
        <Group title="Load limits">
          <Reading
            label="At least"
            unit={place.unit}
            isOptional
            value={set.loadBounds.least}
            onValue={(least) =>
              onChange((now) => ({ ...now, loadBounds: withBound(now.loadBounds, "least", least) }))
            }
          />
          <Reading
            label="At most"
            unit={place.unit}
            isOptional
            value={set.loadBounds.most}
            onValue={(most) =>
              onChange((now) => ({ ...now, loadBounds: withBound(now.loadBounds, "most", most) }))
            }
          />
        </Group>
        <Group title="Effort">
          <Pick
            label="RIR"
            width={130}
            value={String(set.effort)}
            options={RIR_VALUES.map((rir) => [String(rir), formatAskedRir(rir)] as const)}
            onValue={(text) => {
              const effort = RIR_VALUES.find((rir) => String(rir) === text);
              if (effort !== undefined) onChange((now) => leaving(now, effort));
            }}
          />
          {upTo.length === 0 ? null : (
            <Pick
              label="Up to"
              width={110}
              value={String(set.effortUpTo)}
              options={[
                ["null", "no range"],
                ...upTo.map((rir) => [String(rir), formatAskedRir(rir)] as const),
              ]}
              onValue={(text) => {
                const effortUpTo = upTo.find((rir) => String(rir) === text) ?? null;
                onChange((now) => ({ ...now, effortUpTo }));
              }}
            />
          )}
        </Group>
        <RestFields
          rest={set.restAfter}
          onChange={(restAfter) => onChange((now) => ({ ...now, restAfter }))}
        />
        <Group title="Tempo, seconds">
          {phasesFrom(place.startsWith).map((phase) => (
            <Cell
              key={phase}
              label={PHASE_NAMES[phase]}
              width={62}
              value={set.tempo[phase]}
              show={(p) => (p === null ? "" : p === "explosive" ? "fast" : String(p))}
              read={typedPhase(phase)}
              onValue={(value) =>
                onChange((now) => ({ ...now, tempo: { ...now.tempo, [phase]: value } }))
              }
              placeholder="open"
            />
          ))}
        </Group>
        <Group title="Range and gear">
          <Pick
            label="Range of the reps"
            width={200}
            value={set.range}
            options={REP_RANGES.map((range) => [range, RANGE_NAMES[range]] as const)}
            onValue={(range) => onChange((now) => ({ ...now, range }))}
          />
          {place.before.length === 0 ? null : (
            <Pick
              label="Tempo"
              width={140}
              value={set.tempoAs ?? OWN_TEMPO}
              options={[
                [OWN_TEMPO, "its own"],
                ...place.before.map(({ id }, i) => [id, `as set ${i + 1}`] as const),
              ]}
              onValue={(text) => {
                const tempoAs = place.before.find(({ id }) => id === text)?.id ?? null;
                onChange((now) => ({ ...now, tempoAs }));
              }}
            />
          )}
          <Cell
            label="Gear"
            width={170}
            value={set.gear}
            show={(gear) => gear.join(", ")}
            read={typedGear}
            onValue={(gear) => onChange((now) => ({ ...now, gear }))}
            placeholder="belt, straps"
          />
          {onGearFromHere === null ? null : (
            <Button size="small" variant="outlined" sx={{ minHeight: 40 }} onClick={onGearFromHere}>
              From this set on
            </Button>
          )}
        </Group>
        <AccentFields
          accents={set.accents}
          onChange={(accents) => onChange((now) => ({ ...now, accents }))}
        />
        <Group title="Sides and set-up">
          <Pick
            label="Sides"
            value={formatSideMode(set.side)}
            options={SIDE_MODES.map((mode) => [formatSideMode(mode), formatSideMode(mode)])}
            onValue={(text) => {
              const side = SIDE_MODES.find((mode) => formatSideMode(mode) === text);
              if (side !== undefined) onChange((now) => ({ ...now, side }));
            }}
          />
          <SetUpFields
            movement={movement}
            setUp={set.setUp}
            unsaid="as the exercise"
            onChange={(to) => onChange((now) => ({ ...now, setUp: to(now.setUp) }))}
          />
        </Group>
        <Group title="In the rest, and whether at all">
          <Cell
            label="Done in the rest after"
            width={300}
            value={set.between}
            show={(items) => writeItems(items, notation)}
            read={(text) => readTyped(parseItems(text, set.between, notation, newId))}
            onValue={(between) => onChange((now) => ({ ...now, between }))}
            placeholder='stretch "Hip flexors" 30 s'
          />
          <Tick
            label="optional"
            value={set.optional}
            onValue={(optional) => onChange((now) => ({ ...now, optional }))}
          />
        </Group>
      </FormFrame>
    </FormPlaceContext>
  );
}
