import Button from "@mui/material/Button";
import {
  isWithin,
  LOAD_KINDS,
  loadOfKind,
  readingOf,
  withReading,
  type LoadBeginning,
  type LoadRule,
  type PlannedSet,
} from "~/core/plan/index.ts";
import { type Mass, assertNever } from "~/core/kernel/index.ts";
import { nextEasier, nextHarder, type Loading } from "~/core/gym/index.ts";
import { formatMass } from "~/format/numbers.ts";
import { LOAD_RULE_NAMES, partName } from "~/format/prescription.ts";
import { useCatalogue } from "../../catalogue.ts";
import { Group, Percent, Pick, Reading, Steps, Whole } from "./parts.tsx";

/** What a load field knows of where it stands. */
export interface LoadPlace extends LoadBeginning {
  readonly before: readonly PlannedSet[];
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
          <Fallbacks load={load} unit={unit} onChange={onChange} />
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
          <PartOf load={load} before={before} onChange={onChange} />
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

/** The part of the set that the share is of, where that set has parts. */
function PartOf({
  load,
  before,
  onChange,
}: {
  readonly load: Extract<LoadRule, { kind: "shareOfSet" }>;
  readonly before: readonly PlannedSet[];
  readonly onChange: (load: LoadRule) => void;
}) {
  const parts = before.find(({ id }) => id === load.set)?.extensions ?? [];
  if (parts.length === 0) return null;
  return (
    <Pick
      label="There"
      width={150}
      value={load.part ?? WHOLE_SET}
      options={[
        [WHOLE_SET, "the set itself"],
        ...parts.map((part) => [part.id, partName(parts, part)] as const),
      ]}
      onValue={(part) => onChange({ ...load, part: part === WHOLE_SET ? null : part })}
    />
  );
}

const WHOLE_SET = "";

/** What the set goes down to in turn; the same load says once more. */
function Fallbacks({
  load,
  unit,
  onChange,
}: {
  readonly load: Extract<LoadRule, { kind: "fallback" }>;
  readonly unit: Mass["unit"];
  readonly onChange: (load: LoadRule) => void;
}) {
  const put = (then: readonly Mass[]) => onChange({ ...load, then });
  return (
    <>
      {load.then.map((reading, i) => (
        <Reading
          key={i}
          label={i === 0 ? "Else" : `Else, ${i + 1}`}
          unit={unit}
          value={reading}
          onValue={(to) => put(load.then.with(i, to))}
        />
      ))}
      {isWithin(load.then.length + 1, "fallbacks") ? (
        <Button
          size="small"
          variant="outlined"
          sx={{ minHeight: 40 }}
          onClick={() => put([...load.then, load.then.at(-1) ?? load.reading])}
        >
          + else
        </Button>
      ) : null}
      {load.then.length > 1 ? (
        <Button
          size="small"
          variant="outlined"
          sx={{ minHeight: 40 }}
          onClick={() => put(load.then.slice(0, -1))}
        >
          − else
        </Button>
      ) : null}
    </>
  );
}
