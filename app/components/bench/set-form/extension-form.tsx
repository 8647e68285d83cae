import Button from "@mui/material/Button";
import { useMemo } from "react";
import { typedDropShare } from "~/codec/typed-cells.ts";
import { MUSCLE_LENGTHS, count, degrees, type Mass, assertNever } from "~/core/kernel/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import {
  DROP_KINDS,
  dropLoadOfKind,
  HOLD_KINDS,
  holdOfKind,
  type DropLoad,
  type Extension,
} from "~/core/plan/index.ts";
import { formatPercent } from "~/format/numbers.ts";
import {
  DROP_BASES,
  DROP_NAMES,
  EXTENSION_NAMES,
  HELPER_NAMES,
  HOLD_NAMES,
} from "~/format/prescription.ts";
import { sentence } from "~/format/sentence.ts";
import { LENGTH_NAMES } from "~/format/training.ts";
import type { ReportInvalid } from "../typed-cell.tsx";
import {
  Cell,
  FormFrame,
  FormPlaceContext,
  Group,
  Percent,
  Pick,
  Reading,
  Time,
  Whole,
  type FormPlace,
} from "./parts.tsx";
import { SetUpFields } from "./set-up-fields.tsx";
import { TargetFields } from "./target-fields.tsx";

/** What a part's fields know of where it stands. */
export interface ExtensionPlace {
  readonly movement: Movement | null;
  readonly unit: Mass["unit"];
  /** What it comes to now, or null where nothing is made. */
  readonly reading: Mass | null;
}

type Change = (change: (now: Extension) => Extension) => void;

/** What follows a set, as a form: all parameters of its kind, and its place among what follows. */
export function ExtensionForm({
  extension,
  name,
  place,
  onChange,
  onEarlier,
  onInvalid,
}: {
  readonly extension: Extension;
  /** "drop 2 of set 3" */
  readonly name: string;
  readonly place: ExtensionPlace;
  readonly onChange: Change;
  /** Puts it before what it follows now; null where it comes first. */
  readonly onEarlier: (() => void) | null;
  readonly onInvalid: ReportInvalid;
}) {
  const formPlace = useMemo<FormPlace>(() => ({ of: name, onInvalid }), [name, onInvalid]);
  return (
    <FormPlaceContext value={formPlace}>
      <FormFrame>
        <Parameters extension={extension} place={place} onChange={onChange} />
        {extension.kind === "endHold" ? null : (
          <TargetFields
            target={extension.target}
            onChange={(target) =>
              onChange((now) => (now.kind === "endHold" ? now : { ...now, target }))
            }
          />
        )}
        {onEarlier === null ? null : (
          <Group title="Order">
            <Button size="small" variant="outlined" sx={{ minHeight: 40 }} onClick={onEarlier}>
              Earlier
            </Button>
          </Group>
        )}
      </FormFrame>
    </FormPlaceContext>
  );
}

type OfKind<K extends Extension["kind"]> = Extract<Extension, { kind: K }>;

function isOfKind<K extends Extension["kind"]>(part: Extension, kind: K): part is OfKind<K> {
  return part.kind === kind;
}

const HELPERS = [
  ["self", sentence(HELPER_NAMES.self)],
  ["partner", sentence(HELPER_NAMES.partner)],
] as const;
const HOLDS = HOLD_KINDS.map((kind) => [kind, sentence(HOLD_NAMES[kind])] as const);
const WHERE = MUSCLE_LENGTHS.map((length) => [length, LENGTH_NAMES[length]] as const);

function Parameters({
  extension,
  place,
  onChange,
}: {
  readonly extension: Extension;
  readonly place: ExtensionPlace;
  readonly onChange: Change;
}) {
  const title = sentence(EXTENSION_NAMES[extension.kind]);
  /** Changes fields of the part as it is by then, as long as it is of that kind. */
  const put = <K extends Extension["kind"]>(kind: K, fields: Partial<OfKind<K>>) =>
    onChange((now) => (isOfKind(now, kind) ? { ...now, ...fields } : now));
  switch (extension.kind) {
    case "drop":
      return (
        <Group title="Goes down to">
          <DropLoadFields to={extension.to} place={place} onChange={(to) => put("drop", { to })} />
          <Time
            label="Wait before, s"
            bound="pause"
            value={extension.restBefore}
            onValue={(restBefore) => put("drop", { restBefore })}
          />
        </Group>
      );
    case "restPause":
      return (
        <Group title={title}>
          <Whole
            label="Pauses"
            bound="repeats"
            value={extension.pauses}
            onValue={(pauses) => put("restPause", { pauses })}
          />
          <Time
            label="Each, s"
            bound="pause"
            value={extension.pause}
            onValue={(pause) => put("restPause", { pause })}
          />
        </Group>
      );
    case "cluster":
      return (
        <Group title={title}>
          <Whole
            label="Groups"
            bound="repeats"
            value={extension.groups}
            onValue={(groups) => put("cluster", { groups })}
          />
          <Time
            label="Pause, s"
            bound="pause"
            value={extension.pause}
            onValue={(pause) => put("cluster", { pause })}
          />
          <Percent
            label="% of the first load"
            value={extension.multiple}
            onValue={(multiple) => put("cluster", { multiple })}
          />
        </Group>
      );
    case "partials":
      return (
        <Group title={title}>
          <Pick
            label="Where the muscle is"
            width={140}
            value={extension.where}
            options={WHERE}
            onValue={(where) => put("partials", { where })}
          />
        </Group>
      );
    case "forced":
      return (
        <Group title={title}>
          <Pick
            label="Helped by"
            width={140}
            value={extension.by}
            options={HELPERS}
            onValue={(by) => put("forced", { by })}
          />
        </Group>
      );
    case "positionChange":
      return (
        <Group title="Position from here">
          <SetUpFields
            movement={place.movement}
            setUp={extension.setUp}
            unsaid="as before"
            onChange={(to) =>
              onChange((now) =>
                now.kind === "positionChange" ? { ...now, setUp: to(now.setUp) } : now,
              )
            }
          />
        </Group>
      );
    case "endHold":
      return (
        <Group title={title}>
          <Pick
            label="Where"
            width={150}
            value={extension.at.kind}
            options={HOLDS}
            onValue={(kind) => put("endHold", { at: holdOfKind(kind) })}
          />
          {extension.at.kind === "angle" ? (
            <Whole
              label="Degrees"
              bound="degrees"
              value={count(extension.at.degrees)}
              onValue={(n) => put("endHold", { at: { kind: "angle", degrees: degrees(n) } })}
            />
          ) : null}
          <Time
            label="Seconds"
            bound="hold"
            value={extension.seconds}
            onValue={(seconds) => put("endHold", { seconds })}
          />
        </Group>
      );
    case "breather":
      return (
        <Group title={title}>
          <Whole
            label="Breaths"
            bound="repeats"
            value={extension.breaths}
            onValue={(breaths) => put("breather", { breaths })}
          />
        </Group>
      );
    default:
      return assertNever(extension);
  }
}

function DropLoadFields({
  to,
  place,
  onChange,
}: {
  readonly to: DropLoad;
  readonly place: ExtensionPlace;
  readonly onChange: (to: DropLoad) => void;
}) {
  const possible = DROP_KINDS.filter(
    (kind) => kind === to.kind || dropLoadOfKind(kind, place.reading) !== null,
  );
  return (
    <>
      <Pick
        label="Goes by"
        value={to.kind}
        options={possible.map((kind) => [kind, DROP_NAMES[kind]] as const)}
        onValue={(kind) => onChange(dropLoadOfKind(kind, place.reading) ?? to)}
      />
      <DropParameters to={to} unit={place.unit} onChange={onChange} />
    </>
  );
}

function DropParameters({
  to,
  unit,
  onChange,
}: {
  readonly to: DropLoad;
  readonly unit: Mass["unit"];
  readonly onChange: (to: DropLoad) => void;
}) {
  switch (to.kind) {
    case "share":
      return (
        <>
          <Cell
            label="Per cent"
            value={to.share}
            show={formatPercent}
            read={typedDropShare}
            onValue={(share) => onChange({ ...to, share })}
          />
          <Pick
            label="Of"
            width={170}
            value={to.of}
            options={DROP_BASES}
            onValue={(of) => onChange({ ...to, of })}
          />
        </>
      );
    case "strip":
      return (
        <Whole
          label="Plates"
          bound="plates"
          value={to.plates}
          onValue={(plates) => onChange({ ...to, plates })}
        />
      );
    case "steps":
      return (
        <Whole
          label="Steps down"
          bound="steps"
          value={to.steps}
          onValue={(steps) => onChange({ ...to, steps })}
        />
      );
    case "reading":
      return (
        <Reading
          unit={unit}
          value={to.reading}
          onValue={(reading) => onChange({ ...to, reading })}
        />
      );
    case "bodyweight":
      return null;
    default:
      return assertNever(to);
  }
}
