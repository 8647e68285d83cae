import Button from "@mui/material/Button";
import {
  isWithin,
  LOAD_KINDS,
  LOAD_RULES,
  loadOfKind,
  readingOf,
  withReading,
  type LoadBasis,
  type LoadBeginning,
  type LoadRule,
  type PlannedSet,
  type SetReference,
} from "~/core/plan/index.ts";
import type { Id, Mass } from "~/core/kernel/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import { nextEasier, nextHarder, type Loading } from "~/core/gym/index.ts";
import { LOAD_FIELDS } from "~/format/fields.ts";
import { formatMass } from "~/format/numbers.ts";
import { LOAD_RULE_NAMES } from "~/format/load.ts";
import { extensionName } from "~/format/prescription.ts";
import { useCatalogue } from "../../catalogue.ts";
import { KindFields, type FieldPlace } from "./kind-fields.tsx";
import { Group, Pick, Reading } from "./form-fields.tsx";

/** What a load field knows of where it stands. */
export interface LoadPlace extends LoadBeginning {
  readonly before: readonly PlannedSet[];
  readonly loading: Loading | null;
  /** The phase that a repetition starts with here. */
  readonly startsWith: Movement["tempoStart"];
}

/** How a load is found, and all parameters of that rule. */
export function LoadFields({
  load,
  place,
  onChange,
}: {
  readonly load: LoadRule;
  readonly place: LoadPlace;
  readonly onChange: (load: LoadRule) => void;
}) {
  const possible = LOAD_KINDS.filter(
    (kind) => kind === load.kind || loadOfKind(kind, place) !== null,
  );
  const reading = readingOf(load);
  return (
    <Group title="Load">
      <Pick
        label="Rule"
        width={220}
        value={load.kind}
        options={possible.map((kind) => [kind, LOAD_RULE_NAMES[kind]] as const)}
        onValue={(kind) => onChange(loadOfKind(kind, place) ?? load)}
      />
      <Parameters load={load} place={place} onChange={onChange} />
      {reading === null || place.loading === null ? null : (
        <>
          <Step
            name="Easier"
            to={nextEasier(place.loading, reading)?.reading ?? null}
            onTake={(to) => onChange(withReading(load, to))}
          />
          <Step
            name="Harder"
            to={nextHarder(place.loading, reading)?.reading ?? null}
            onTake={(to) => onChange(withReading(load, to))}
          />
        </>
      )}
    </Group>
  );
}

/** To the station's next load, named on the button. */
function Step({
  name,
  to,
  onTake,
}: {
  readonly name: string;
  readonly to: Mass | null;
  readonly onTake: (to: Mass) => void;
}) {
  return (
    <Button
      size="small"
      variant="outlined"
      sx={{ minHeight: 40 }}
      disabled={to === null}
      onClick={() => {
        if (to !== null) onTake(to);
      }}
    >
      {name}
      {to === null ? ": none" : ` ${formatMass(to)}`}
    </Button>
  );
}

/** The parameters of a load rule; which set or exercise it follows from is a choice of this place. */
function Parameters({
  load,
  place: { unit, before },
  onChange,
}: {
  readonly load: LoadRule;
  readonly place: LoadPlace;
  readonly onChange: (load: LoadRule) => void;
}) {
  const { all } = useCatalogue();
  const own: FieldPlace["own"] = (name, label, value, put) => {
    switch (name) {
      case "set":
        return (
          <Pick
            key={name}
            label={label}
            width={100}
            value={String(value)}
            options={before.map((set, i) => [set.id, `set ${i + 1}`] as const)}
            onValue={put}
          />
        );
      case "movement":
        return (
          <Pick
            key={name}
            label={label}
            width={220}
            value={String(value)}
            options={all.map((movement) => [movement.ref, movement.name] as const)}
            onValue={put}
          />
        );
      case "basis":
        return (
          <BasisOf
            key={name}
            label={label}
            basis={value as LoadBasis}
            before={before}
            onBasis={put}
          />
        );
      case "part":
        return "part" in load ? (
          <ExtensionOf key={name} label={label} load={load} before={before} onExtension={put} />
        ) : null;
      case "then":
        return load.kind === "fallback" ? (
          <Fallbacks key={name} label={label} load={load} unit={unit} onThen={put} />
        ) : null;
      default:
        return null;
    }
  };
  return (
    <KindFields
      definition={LOAD_RULES[load.kind].definition}
      names={LOAD_FIELDS[load.kind]}
      value={load}
      place={{ unit, own }}
      onChange={(change) => {
        const to = change(load);
        // Another set has other extensions.
        const isOther = "part" in to && "part" in load && to.set !== load.set;
        onChange(isOther ? { ...to, part: null } : to);
      }}
    />
  );
}

/** The part of the set that the share is of, where that set has extensions. */
function ExtensionOf({
  label,
  load,
  before,
  onExtension,
}: {
  readonly label: string;
  readonly load: SetReference;
  readonly before: readonly PlannedSet[];
  readonly onExtension: (part: Id<"extension"> | null) => void;
}) {
  const extensions = before.find(({ id }) => id === load.set)?.extensions ?? [];
  if (extensions.length === 0) return null;
  return (
    <Pick
      label={label}
      width={150}
      value={load.part ?? WHOLE_SET}
      options={[
        [WHOLE_SET, "the set itself"],
        ...extensions.map(
          (extension) => [extension.id, extensionName(extensions, extension)] as const,
        ),
      ]}
      onValue={(part) => onExtension(part === WHOLE_SET ? null : part)}
    />
  );
}

const WHOLE_SET = "";

/** Which load this one goes from: last time, a set before, or one extension of such a set. */
function BasisOf({
  label,
  basis,
  before,
  onBasis,
}: {
  readonly label: string;
  readonly basis: LoadBasis;
  readonly before: readonly PlannedSet[];
  readonly onBasis: (basis: LoadBasis) => void;
}) {
  const choices: readonly (readonly [LoadBasis, string])[] = [
    [{ kind: "last" }, "last time"],
    ...before.flatMap((set, i): (readonly [LoadBasis, string])[] => [
      [{ kind: "set", set: set.id, part: null }, `set ${i + 1}`],
      ...set.extensions.map(
        (extension) =>
          [
            { kind: "set", set: set.id, part: extension.id },
            `set ${i + 1}, ${extensionName(set.extensions, extension)}`,
          ] as const,
      ),
    ]),
  ];
  return (
    <Pick
      label={label}
      width={150}
      value={JSON.stringify(basis)}
      options={choices.map(([choice, text]) => [JSON.stringify(choice), text] as const)}
      onValue={(text) => {
        const chosen = choices.find(([choice]) => JSON.stringify(choice) === text);
        if (chosen !== undefined) onBasis(chosen[0]);
      }}
    />
  );
}

/** What the set goes down to in turn; the same load says once more. */
function Fallbacks({
  label,
  load,
  unit,
  onThen,
}: {
  readonly label: string;
  readonly load: Extract<LoadRule, { kind: "fallback" }>;
  readonly unit: Mass["unit"];
  readonly onThen: (then: readonly Mass[]) => void;
}) {
  return (
    <>
      {load.then.map((reading, i) => (
        <Reading
          key={i}
          label={i === 0 ? label : `${label}, ${i + 1}`}
          unit={unit}
          value={reading}
          onValue={(to) => onThen(load.then.with(i, to))}
        />
      ))}
      {isWithin(load.then.length + 1, "fallbacks") ? (
        <Button
          size="small"
          variant="outlined"
          sx={{ minHeight: 40 }}
          onClick={() => onThen([...load.then, load.then.at(-1) ?? load.reading])}
        >
          + else
        </Button>
      ) : null}
      {load.then.length > 1 ? (
        <Button
          size="small"
          variant="outlined"
          sx={{ minHeight: 40 }}
          onClick={() => onThen(load.then.slice(0, -1))}
        >
          − else
        </Button>
      ) : null}
    </>
  );
}
