import Button from "@mui/material/Button";
import { typedAmount, type Typed } from "~/codec/typed-cells.ts";
import {
  LOAD_KINDS,
  loadOfKind,
  readingOf,
  withReading,
  type LoadBeginning,
  type LoadRule,
} from "~/core/prescription/index.ts";
import { parseMass, share, type Mass, type Share } from "~/core/quantity/index.ts";
import { assertNever } from "~/core/result/index.ts";
import { nextEasier, nextHarder, type Loading } from "~/core/station/index.ts";
import { formatAmount, formatMass, formatPercent } from "~/format/numbers.ts";
import { LOAD_RULE_NAMES } from "~/format/prescription.ts";
import { useCatalogue } from "../../catalogue.ts";
import { Cell, Group, Pick, Steps, Whole } from "./parts.tsx";

/** What a load field knows of where it stands. */
export interface LoadPlace extends LoadBeginning {
  readonly loading: Loading | null;
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
  const sets = before.map((set, i) => [set.id, `set ${i + 1}`] as const);
  switch (load.kind) {
    case "open":
    case "byEffort":
      return null;
    case "absolute":
      return (
        <Reading
          unit={unit}
          value={load.reading}
          onValue={(reading) => onChange({ ...load, reading })}
        />
      );
    case "fallback":
      return (
        <>
          <Reading
            unit={unit}
            value={load.reading}
            onValue={(reading) => onChange({ ...load, reading })}
          />
          <Reading
            label="Else"
            unit={unit}
            value={load.then[0] ?? load.reading}
            onValue={(next) => onChange({ ...load, then: [next, ...load.then.slice(1)] })}
          />
        </>
      );
    case "trial":
      return (
        <>
          <Reading
            label="From"
            unit={unit}
            value={load.from}
            onValue={(from) => onChange({ ...load, from })}
          />
          <Whole
            label="Steps up"
            bound="steps"
            value={load.steps}
            onValue={(steps) => onChange({ ...load, steps })}
          />
          <Whole
            label="Tries"
            bound="tries"
            value={load.tries}
            onValue={(tries) => onChange({ ...load, tries })}
          />
        </>
      );
    case "shareOfSet":
      return (
        <>
          <Percent value={load.share} onValue={(to) => onChange({ ...load, share: to })} />
          <Pick
            label="Of"
            width={100}
            value={load.set}
            options={sets}
            onValue={(set) => onChange({ ...load, set, part: null })}
          />
        </>
      );
    case "stepsFromSet":
      return (
        <>
          <Steps
            label="Steps"
            value={load.steps}
            onValue={(steps) => {
              if (steps !== 0) onChange({ ...load, steps });
            }}
          />
          <Pick
            label="From"
            width={100}
            value={load.set}
            options={sets}
            onValue={(set) => onChange({ ...load, set })}
          />
        </>
      );
    case "shareOfMaximum":
      return <Percent value={load.share} onValue={(to) => onChange({ ...load, share: to })} />;
    case "shareOfMovement":
      return (
        <>
          <Percent value={load.share} onValue={(to) => onChange({ ...load, share: to })} />
          <Pick
            label="Of the last load with"
            width={220}
            value={load.movement}
            options={all.map((movement) => [movement.ref, movement.name] as const)}
            onValue={(movement) => onChange({ ...load, movement })}
          />
        </>
      );
    case "fromLast":
      return (
        <Steps label="Steps" value={load.steps} onValue={(steps) => onChange({ ...load, steps })} />
      );
    case "bodyWeight":
      return (
        <>
          <Pick
            label="Body weight"
            width={90}
            value={load.by}
            options={[
              ["plus", "plus"],
              ["minus", "minus"],
            ]}
            onValue={(by) => onChange({ ...load, by })}
          />
          <Reading
            label="By"
            unit={unit}
            value={load.mass}
            onValue={(mass) => onChange({ ...load, mass })}
          />
        </>
      );
    default:
      return assertNever(load);
  }
}

function Reading({
  label = "Reading",
  unit,
  value,
  onValue,
}: {
  readonly label?: string;
  readonly unit: Mass["unit"];
  readonly value: Mass;
  readonly onValue: (value: Mass) => void;
}) {
  const read = (text: string): Typed<Mass> => {
    const mass = parseMass(text, unit);
    return mass.ok ? mass : { ok: false, error: "Expected a load, like 82.5 or 45 lb." };
  };
  return (
    <Cell
      label={`${label}, ${unit}`}
      width={86}
      value={value}
      show={(m) => (m.unit === unit ? formatAmount(m) : formatMass(m))}
      read={read}
      onValue={onValue}
    />
  );
}

function Percent({
  value,
  onValue,
}: {
  readonly value: Share;
  readonly onValue: (value: Share) => void;
}) {
  const read = (text: string): Typed<Share> => {
    const n = typedAmount("percent")(text.replace("%", ""));
    return n.ok ? { ok: true, value: share(n.value / 100) } : n;
  };
  return <Cell label="Per cent" value={value} show={formatPercent} read={read} onValue={onValue} />;
}
