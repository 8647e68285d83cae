import Button from "@mui/material/Button";
import { useMemo } from "react";
import type { Mass } from "~/core/kernel/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import {
  DROP_KINDS,
  DROP_LOADS,
  dropLoadOfKind,
  EXTENSIONS,
  HOLD_KINDS,
  HOLD_POSITIONS,
  holdOfKind,
  type DropLoad,
  type Extension,
  type HoldPosition,
} from "~/core/plan/index.ts";
import { DROP_FIELDS, EXTENSION_FIELDS, HOLD_FIELDS } from "~/format/fields.ts";
import { DROP_NAMES } from "~/format/load.ts";
import { EXTENSION_NAMES, HOLD_NAMES } from "~/format/prescription.ts";
import { sentence } from "~/format/sentence.ts";
import type { ReportInvalid } from "../typed-cell.tsx";
import { KindFields, type FieldPlace } from "./kind-fields.tsx";
import { FormFrame, FormPlaceContext, Group, Pick, type FormPlace } from "./form-fields.tsx";
import { SetUpFields } from "./set-up-fields.tsx";
import { TargetFields } from "./target-fields.tsx";

const HOLDS = HOLD_KINDS.map((kind) => [kind, sentence(HOLD_NAMES[kind])] as const);

/** What an extension's fields know of where it stands. */
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

/** What an extension's group of fields is called, where it is not its own name. */
const TITLES: Partial<Readonly<Record<Extension["kind"], string>>> = {
  drop: "Goes down to",
  positionChange: "Position from here",
};

function Parameters({
  extension,
  place,
  onChange,
}: {
  readonly extension: Extension;
  readonly place: ExtensionPlace;
  readonly onChange: Change;
}) {
  const own: FieldPlace["own"] = (name, label, _value, put) => {
    if (name === "to" && extension.kind === "drop") {
      return (
        <DropLoadFields key={name} label={label} to={extension.to} place={place} onChange={put} />
      );
    }
    if (name === "at" && extension.kind === "endHold") {
      return <HoldFields key={name} label={label} at={extension.at} onChange={put} />;
    }
    if (name !== "setUp" || extension.kind !== "positionChange") return null;
    return (
      <SetUpFields
        key={name}
        movement={place.movement}
        setUp={extension.setUp}
        unsaid="as before"
        onChange={(to) =>
          onChange((now) =>
            now.kind === "positionChange" ? { ...now, setUp: to(now.setUp) } : now,
          )
        }
      />
    );
  };
  return (
    <Group title={TITLES[extension.kind] ?? sentence(EXTENSION_NAMES[extension.kind])}>
      <KindFields
        definition={EXTENSIONS[extension.kind].definition}
        names={EXTENSION_FIELDS[extension.kind]}
        value={extension}
        place={{ unit: place.unit, own }}
        onChange={onChange}
      />
    </Group>
  );
}

function HoldFields({
  label,
  at,
  onChange,
}: {
  readonly label: string;
  readonly at: HoldPosition;
  readonly onChange: (at: HoldPosition) => void;
}) {
  return (
    <>
      <Pick
        label={label}
        width={150}
        value={at.kind}
        options={HOLDS}
        onValue={(kind) => onChange(holdOfKind(kind))}
      />
      <KindFields
        definition={HOLD_POSITIONS[at.kind].definition}
        names={HOLD_FIELDS[at.kind]}
        value={at}
        place={{ unit: "kg" }}
        onChange={(change) => onChange(change(at))}
      />
    </>
  );
}

function DropLoadFields({
  label,
  to,
  place,
  onChange,
}: {
  readonly label: string;
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
        label={label}
        value={to.kind}
        options={possible.map((kind) => [kind, DROP_NAMES[kind]] as const)}
        onValue={(kind) => onChange(dropLoadOfKind(kind, place.reading) ?? to)}
      />
      <KindFields
        definition={DROP_LOADS[to.kind].definition}
        names={DROP_FIELDS[to.kind]}
        value={to}
        place={{ unit: place.unit }}
        onChange={(change) => onChange(change(to))}
      />
    </>
  );
}
