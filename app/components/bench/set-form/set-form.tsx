import { useMemo } from "react";
import { typedPhase } from "~/codec/typed-cells.ts";
import type { NewId } from "~/core/kernel/index.ts";
import { parseItems, writeItems, type NotationContext } from "~/core/plan/notation/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import { phasesFrom, SIDE_MODES, type PlannedSet } from "~/core/plan/index.ts";
import { formatSideMode, PHASE_NAMES } from "~/format/training.ts";
import { readTyped } from "../read-typed.ts";
import type { ChangeSet } from "../slot-actions.ts";
import type { ReportInvalid } from "../typed-cell.tsx";
import { AccentFields } from "./accent-fields.tsx";
import { LoadFields, type LoadPlace } from "./load-fields.tsx";
import { Cell, FormFrame, FormPlaceContext, Group, Pick, Tick, type FormPlace } from "./parts.tsx";
import { RestFields } from "./rest-fields.tsx";
import { SetUpFields } from "./set-up-fields.tsx";
import { TargetFields } from "./target-fields.tsx";

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
}: {
  readonly set: PlannedSet;
  readonly number: number;
  readonly movement: Movement | null;
  readonly place: LoadPlace;
  readonly notation: NotationContext;
  readonly newId: NewId;
  readonly onChange: ChangeSet;
  readonly onInvalid: ReportInvalid;
}) {
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
        <RestFields
          rest={set.restAfter}
          onChange={(restAfter) => onChange((now) => ({ ...now, restAfter }))}
        />
        <Group title="Tempo, seconds">
          {phasesFrom(movement?.tempoStart ?? "lower").map((phase) => (
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
