import { FAULTS, count, metres, assertNever } from "~/core/kernel/index.ts";
import { TARGET_KINDS, targetOfKind, type Target } from "~/core/plan/index.ts";
import { TARGET_NAMES } from "~/format/prescription.ts";
import { FAULT_NAMES } from "~/format/training.ts";
import { Group, Pick, Tick, Time, Whole, WholeOrNone } from "./parts.tsx";

const KINDS = TARGET_KINDS.map((kind) => [kind, TARGET_NAMES[kind]] as const);
const CRITERIA = FAULTS.map((fault) => [fault, FAULT_NAMES[fault]] as const);

/** What a set asks for: its kind, and all parameters of that kind. */
export function TargetFields({
  target,
  onChange,
}: {
  readonly target: Target;
  readonly onChange: (target: Target) => void;
}) {
  return (
    <Group title="Asked for">
      <Pick
        label="Kind"
        value={target.kind}
        options={KINDS}
        onValue={(kind) => onChange(targetOfKind(kind, target))}
      />
      <Parameters target={target} onChange={onChange} />
    </Group>
  );
}

function Parameters({
  target,
  onChange,
}: {
  readonly target: Target;
  readonly onChange: (target: Target) => void;
}) {
  switch (target.kind) {
    case "reps":
      return (
        <>
          <Whole
            label="From"
            bound="amount"
            value={target.min}
            onValue={(min) => onChange({ ...target, min, max: count(Math.max(min, target.max)) })}
          />
          <Whole
            label="To"
            bound="amount"
            value={target.max}
            onValue={(max) => onChange({ ...target, max, min: count(Math.min(max, target.min)) })}
          />
        </>
      );
    case "limit":
      return (
        <>
          <WholeOrNone
            label="At least"
            bound="amount"
            value={target.atLeast}
            onValue={(atLeast) => onChange({ ...target, atLeast })}
          />
          <Whole
            label="Likely"
            bound="amount"
            value={target.likely}
            onValue={(likely) => onChange({ ...target, likely })}
          />
        </>
      );
    case "seconds":
      return (
        <>
          <Time
            label="From, s"
            bound="work"
            value={target.min}
            onValue={(min) =>
              onChange({ ...target, min, max: min > target.max ? min : target.max })
            }
          />
          <Time
            label="To, s"
            bound="work"
            value={target.max}
            onValue={(max) =>
              onChange({ ...target, max, min: max < target.min ? max : target.min })
            }
          />
        </>
      );
    case "steps":
      return (
        <>
          <Whole
            label="Steps"
            bound="amount"
            value={target.steps}
            onValue={(steps) => onChange({ ...target, steps })}
          />
          <Pick
            label="Counted"
            width={120}
            value={target.counted}
            options={[
              ["inAll", "in all"],
              ["perSide", "with each leg"],
            ]}
            onValue={(counted) => onChange({ ...target, counted })}
          />
          <OutAndBack target={target} onChange={onChange} />
        </>
      );
    case "metres":
      return (
        <>
          <Whole
            label="Metres"
            bound="metres"
            value={count(target.metres)}
            onValue={(n) => onChange({ ...target, metres: metres(n) })}
          />
          <OutAndBack target={target} onChange={onChange} />
        </>
      );
    case "total":
      return (
        <>
          <Whole
            label="In all"
            bound="amount"
            value={target.amount}
            onValue={(amount) => onChange({ ...target, amount })}
          />
          <Pick
            label="Of"
            width={90}
            value={target.of}
            options={[
              ["reps", "reps"],
              ["steps", "steps"],
            ]}
            onValue={(of) => onChange({ ...target, of })}
          />
          <Whole
            label="Likely sets"
            bound="repeats"
            value={target.likelySets}
            onValue={(likelySets) => onChange({ ...target, likelySets })}
          />
          <Time
            label="Pause, s"
            bound="pause"
            value={target.pause}
            onValue={(pause) => onChange({ ...target, pause })}
          />
        </>
      );
    case "intervals":
      return (
        <>
          <Whole
            label="Rounds"
            bound="repeats"
            value={target.rounds}
            onValue={(rounds) => onChange({ ...target, rounds })}
          />
          <Time
            label="Work, s"
            bound="work"
            value={target.work}
            onValue={(work) => onChange({ ...target, work })}
          />
          <Time
            label="Pause, s"
            bound="pause"
            value={target.pause}
            onValue={(pause) => onChange({ ...target, pause })}
          />
        </>
      );
    case "untilForm":
      return (
        <>
          <Pick
            label="Until"
            value={target.criterion}
            options={CRITERIA}
            onValue={(criterion) => onChange({ ...target, criterion })}
          />
          <Whole
            label="Likely"
            bound="amount"
            value={target.likely}
            onValue={(likely) => onChange({ ...target, likely })}
          />
        </>
      );
    case "afterBurn":
      return (
        <>
          <Whole
            label="After the burn"
            bound="amount"
            value={target.reps}
            onValue={(reps) => onChange({ ...target, reps })}
          />
          <Whole
            label="Likely in all"
            bound="amount"
            value={target.likely}
            onValue={(likely) => onChange({ ...target, likely })}
          />
        </>
      );
    default:
      return assertNever(target);
  }
}

function OutAndBack<T extends Extract<Target, { kind: "steps" | "metres" }>>({
  target,
  onChange,
}: {
  readonly target: T;
  readonly onChange: (target: T) => void;
}) {
  return (
    <Tick
      label="out and back"
      value={target.outAndBack}
      onValue={(outAndBack) => onChange({ ...target, outAndBack })}
    />
  );
}
