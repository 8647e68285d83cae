import { REST_KINDS, restOfKind, type Rest } from "~/core/plan/index.ts";
import { assertNever } from "~/core/kernel/index.ts";
import { REST_NAMES } from "~/format/prescription.ts";
import { Group, Pick, Time, Whole } from "./parts.tsx";

const KINDS = REST_KINDS.map((kind) => [kind, REST_NAMES[kind]] as const);

/** How the rest after a set ends, and all parameters of that kind. */
export function RestFields({
  rest,
  onChange,
}: {
  readonly rest: Rest;
  readonly onChange: (rest: Rest) => void;
}) {
  return (
    <Group title="Rest after">
      <Pick
        label="Kind"
        value={rest.kind}
        options={KINDS}
        onValue={(kind) => onChange(restOfKind(kind, rest))}
      />
      <Parameters rest={rest} onChange={onChange} />
    </Group>
  );
}

function Parameters({
  rest,
  onChange,
}: {
  readonly rest: Rest;
  readonly onChange: (rest: Rest) => void;
}) {
  switch (rest.kind) {
    case "fixed":
    case "atMost":
      return (
        <Time
          label="Seconds"
          bound="rest"
          value={rest.seconds}
          onValue={(seconds) => onChange({ ...rest, seconds })}
        />
      );
    case "range":
      return (
        <>
          <Time
            label="From, s"
            bound="rest"
            value={rest.min}
            onValue={(min) => onChange({ ...rest, min, max: min > rest.max ? min : rest.max })}
          />
          <Time
            label="To, s"
            bound="rest"
            value={rest.max}
            onValue={(max) => onChange({ ...rest, max, min: max < rest.min ? max : rest.min })}
          />
        </>
      );
    case "heartRate":
      return (
        <>
          <Whole
            label="Beats a minute"
            bound="heartRate"
            value={rest.below}
            onValue={(below) => onChange({ ...rest, below })}
          />
          <Likely rest={rest} onChange={onChange} />
        </>
      );
    case "breath":
    case "partner":
      return <Likely rest={rest} onChange={onChange} />;
    default:
      return assertNever(rest);
  }
}

function Likely<R extends Extract<Rest, { likely: unknown }>>({
  rest,
  onChange,
}: {
  readonly rest: R;
  readonly onChange: (rest: R) => void;
}) {
  return (
    <Time
      label="Likely, s"
      bound="rest"
      value={rest.likely}
      onValue={(likely) => onChange({ ...rest, likely })}
    />
  );
}
