import isEqual from "fast-deep-equal";
import { memo, useCallback } from "react";
import type { NewId, Duration } from "~/core/kernel/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import { RIR_SAID, writeLine } from "~/core/plan/notation/index.ts";
import { isPreparatory, type Slot } from "~/core/plan/index.ts";
import type { PlanIssue, SetStep } from "~/core/unroll/index.ts";
import type { Station } from "~/core/gym/index.ts";
import { formatMinutes, plural } from "~/format/numbers.ts";
import { formatPlanIssue } from "~/format/reasons.ts";
import { readingMeaning } from "~/format/station.ts";
import { useCatalogue } from "../catalogue.ts";
import { Row } from "./row.tsx";
import type { SlotActions } from "./slot-actions.ts";
import { SlotBody } from "./slot-body.tsx";
import { type ReportInvalid } from "./typed-cell.tsx";
import { useNotation } from "./use-notation.ts";
import { useOwnInvalid } from "./use-own-invalid.ts";
import { WrittenText } from "./written-text.tsx";

/** The id of the written line of an exercise on the page. */
export function writtenLineId(slot: string): string {
  return `${slot}-line`;
}

export interface SlotEditorProps {
  readonly slot: Slot;
  /** "3a" */
  readonly number: string;
  readonly movement: Movement | null;
  readonly station: Station | null;
  /** The stations of this gym that serve the movement. */
  readonly stations: readonly Station[];
  readonly steps: readonly SetStep[];
  readonly issues: readonly PlanIssue[];
  readonly duration: Duration;
  readonly last: string | null;
  /** The estimated maximum in words, or null. */
  readonly strength: string | null;
  /** What its loads refer to in other exercises; where that changes, its line reads otherwise. */
  readonly referred: string;
  /** The name of the exercise after it, which it can be supersetted with; null where there is none. */
  readonly next: string | null;
  readonly newId: NewId;
  readonly actions: SlotActions;
  readonly isOpen: boolean;
  /** The open panel of substitutes, or null. */
  readonly swap: React.ReactNode;
  readonly onInvalid: ReportInvalid;
}

/** What is made anew at every keystroke, and is the same value as long as the exercise did not change. */
const COMPARED: ReadonlySet<string> = new Set(["steps", "issues", "duration", "stations"]);

function isSameExercise(a: SlotEditorProps, b: SlotEditorProps): boolean {
  const known: Record<string, unknown> = { ...b };
  return Object.entries(a).every(([name, value]) =>
    COMPARED.has(name) ? isEqual(value, known[name]) : Object.is(value, known[name]),
  );
}

/** One exercise of a session: a line to be read, and all of it to be worked on where it is open. */
export const SlotEditor = memo(function SlotEditor(props: SlotEditorProps) {
  const { slot, number, movement, station, issues, duration, actions, isOpen } = props;
  const { find } = useCatalogue();
  const notation = useNotation(slot, station);
  const { hasInvalid, onInvalid } = useOwnInvalid(props.onInvalid);
  const onChange = useCallback(
    (change: (now: Slot) => Slot) => actions.change(slot.id, change),
    [actions, slot.id],
  );
  const isShown = isOpen || hasInvalid;
  const name = movement?.name ?? slot.movement;
  const counted = slot.sets.filter((set) => !isPreparatory(set.role)).length;
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
      onOpen={(opens, byKey) => actions.open(opens ? slot.id : null, byKey)}
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
