import {
  MUSCLE_LENGTHS,
  SPEAKING_REGIONS,
  type MuscleLength,
  type Region,
} from "~/core/kernel/index.ts";
import { shareOf, type Movement } from "~/core/movement/index.ts";
import { FRAME_FORMS, type Frame, type FrameForm } from "~/core/plan/index.ts";
import { FRAME_NAMES } from "~/format/fitting.ts";
import { sentence } from "~/format/sentence.ts";
import { LENGTH_NAMES } from "~/format/training.ts";
import plain from "../../theme/plain.module.css";
import bench from "./bench.module.css";
import { useMuscles } from "../wording.ts";

/** Whether a template keeps this exercise for everybody, or each client gets the one of a kind that suits them best. */
export function FrameFields({
  name,
  movement,
  frame,
  onChange,
}: {
  readonly name: string;
  /** The exercise that is written, which says of which muscle a frame is at first; null where it is gone. */
  readonly movement: Movement | null;
  readonly frame: Frame | null;
  readonly onChange: (frame: Frame | null) => void;
}) {
  const muscles = useMuscles();
  const change = (to: Partial<Frame>) => {
    const next = { ...(frame ?? anyLike(movement)), ...to };
    const asksNothing = next.form === null && next.region === null && next.length === null;
    const asks = asksNothing ? anyLike(movement) : next;
    onChange(asks.region === null && asksNothing ? null : asks);
  };
  const choices = [
    ["any", "any exercise"] as const,
    ...FRAME_FORMS.map((form) => [form, `any ${FRAME_NAMES[form]}`] as const),
  ];
  return (
    <div
      className={`${plain.row} ${bench.frame}`}
      role="group"
      aria-label={`Exercise for each client: ${name}`}
    >
      <span className={plain.soft}>Each client does</span>
      <Pick<FrameForm | "any">
        label={`Kind of exercise instead of ${name}`}
        value={frame === null ? null : (frame.form ?? "any")}
        none={`this: ${name}`}
        choices={choices}
        onPick={(form) =>
          form === null ? onChange(null) : change({ form: form === "any" ? null : form })
        }
      />
      {frame === null ? null : (
        <>
          <span className={plain.soft}>for</span>
          <Pick<Region>
            label={`Muscle instead of ${name}`}
            value={frame.region}
            none="any muscle"
            choices={SPEAKING_REGIONS.map((region) => [region, muscles.row[region]])}
            onPick={(region) => change({ region })}
          />
          <Pick<MuscleLength>
            label={`Hardest point instead of ${name}`}
            value={frame.length}
            none="hardest anywhere"
            choices={MUSCLE_LENGTHS.map((length) => [length, `hardest ${LENGTH_NAMES[length]}`])}
            onPick={(length) => change({ length })}
          />
        </>
      )}
    </div>
  );
}

/** A frame that asks for the muscle that an exercise trains. */
function anyLike(movement: Movement | null): Frame {
  const region = SPEAKING_REGIONS.find((own) => movement !== null && shareOf(movement, own) === 1);
  return { form: null, region: region ?? null, length: null };
}

function Pick<T extends string>({
  label,
  value,
  none,
  choices,
  onPick,
}: {
  readonly label: string;
  readonly value: T | null;
  readonly none: string;
  readonly choices: readonly (readonly [T, string])[];
  readonly onPick: (value: T | null) => void;
}) {
  return (
    <select
      className={bench.frameSelect}
      aria-label={label}
      value={value ?? ""}
      onChange={(event) => onPick(choices.find(([own]) => own === event.target.value)?.[0] ?? null)}
    >
      <option value="">{none}</option>
      {choices.map(([own, text]) => (
        <option key={own} value={own}>
          {sentence(text)}
        </option>
      ))}
    </select>
  );
}
