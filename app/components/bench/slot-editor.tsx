import isEqual from "fast-deep-equal";
import { memo, useCallback } from "react";
import { RIR_SAID, writeLine } from "~/core/plan/notation/index.ts";
import { workSetsOf, type Slot } from "~/core/plan/index.ts";
import { formatMinutes, plural } from "~/format/numbers.ts";
import { formatPlanIssue } from "~/format/reasons.ts";
import { readingMeaning } from "~/format/station.ts";
import { useCatalogue } from "../catalogue.ts";
import { Row } from "./row.tsx";
import { SlotBody, type ExerciseProps } from "./slot-body.tsx";
import { useNotation } from "./use-notation.ts";
import { useKeptOpen } from "./use-kept-open.ts";
import { WrittenText } from "./written-text.tsx";

/** What is made anew at every keystroke, and is the same value as long as the exercise did not change. */
const COMPARED: ReadonlySet<string> = new Set(["steps", "issues", "duration", "stations"]);

function isSameExercise(a: ExerciseProps, b: ExerciseProps): boolean {
  const known: Record<string, unknown> = { ...b };
  return Object.entries(a).every(([name, value]) =>
    COMPARED.has(name) ? isEqual(value, known[name]) : Object.is(value, known[name]),
  );
}

/** One exercise of a session: a line to be read, and all of it to be worked on where it is open. */
export const SlotEditor = memo(function SlotEditor(props: ExerciseProps) {
  const { slot, number, movement, station, issues, duration, actions, isOpen } = props;
  const { find } = useCatalogue();
  const notation = useNotation(slot, station);
  const { isShown, onInvalid } = useKeptOpen(isOpen, props.onInvalid);
  const onChange = useCallback(
    (change: (now: Slot) => Slot) => actions.change(slot.id, change),
    [actions, slot.id],
  );
  const name = movement?.name ?? slot.movement;
  const counted = workSetsOf(slot).length;
  const gravest = issues.find((issue) => issue.blocks) ?? issues[0];
  return (
    <Row
      id={slot.id}
      label={`${number}. ${name}`}
      head={{
        number,
        name,
        about: [
          station?.name ?? "no equipment",
          ...(station === null || !isShown ? [] : [readingMeaning(station.loading)]),
        ].join(" · "),
        line: isShown ? null : <WrittenText line={writeLine(slot.sets, notation, RIR_SAID)} />,
        minutes: formatMinutes(duration.likely),
        sets: counted === 0 ? "" : plural(counted, "set"),
      }}
      trouble={
        gravest === undefined
          ? null
          : { text: formatPlanIssue(gravest, find), blocks: gravest.blocks }
      }
      isOpen={isShown}
      onOpen={(byKey) => actions.open(isOpen ? null : slot.id, byKey)}
      onClose={() => (isOpen ? actions.open(null, true) : undefined)}
      onSwap={() => actions.swap(slot.id)}
      onRemove={() => actions.remove(slot.id)}
    >
      <SlotBody
        {...props}
        name={name}
        notation={notation}
        onChange={onChange}
        onInvalid={onInvalid}
      />
    </Row>
  );
}, isSameExercise);
