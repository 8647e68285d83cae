import type { MassUnit } from "~/core/kernel/index.ts";
import type { FindMovement } from "~/core/movement/index.ts";
import { type SetStep, sheetOf, type SheetSets } from "~/core/unroll/index.ts";
import type { Slot } from "~/core/plan/index.ts";
import { formatPurpose } from "~/format/plan.ts";
import { formatItem, formatSetUp } from "~/format/prescription.ts";
import { formatBox, sheetWords } from "~/format/sheet.ts";
import { useMuscles } from "../wording.ts";

/** An exercise of the printed sheet: what to do, what to hang, and boxes to write in. */
export function SheetExercise({
  slot,
  number,
  station,
  steps,
  find,
  readsIn,
}: {
  readonly slot: Slot;
  readonly number: number;
  readonly station: string;
  /** The steps of this exercise, in order. */
  readonly steps: readonly SetStep[];
  readonly find: FindMovement;
  /** In which unit the client thinks. */
  readonly readsIn: MassUnit;
}) {
  const muscles = useMuscles();
  const name = find(slot.movement)?.name ?? slot.movement;
  const about = [
    station,
    formatSetUp(slot.setUp),
    formatPurpose(slot, muscles),
    slot.notes.trainee,
  ];
  return (
    <section aria-label={name}>
      <h2>
        {number}. {name}
        {slot.optional ? " (optional)" : ""}{" "}
        <span>{about.filter((text) => text !== "").join(" · ")}</span>
      </h2>
      <table>
        <tbody>
          {sheetOf(slot, steps).map((sets) => (
            <Sets key={sets.set.id} sets={sets} slot={slot} find={find} readsIn={readsIn} />
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Sets({
  sets,
  slot,
  find,
  readsIn,
}: {
  readonly sets: SheetSets;
  readonly slot: Slot;
  readonly find: FindMovement;
  readonly readsIn: MassUnit;
}) {
  const muscles = useMuscles();
  const { between } = sets.set;
  return (
    <>
      {sets.lines.map((line, i) => {
        const words = sheetWords(sets, line, sets.lines[i - 1] ?? null, slot, find(slot.movement), {
          readsIn,
          find,
        });
        return (
          <tr key={i} className={line.extension === null ? undefined : "part"}>
            <th scope="row">{words.what}</th>
            <td>
              <b>{words.load}</b> {words.hang}
            </td>
            <td>
              <b>{words.target}</b> {words.how}
            </td>
            <td className="boxes" aria-label="Room to write">
              <div>
                {line.boxes.map((box, n) => (
                  <span key={n}>{formatBox(box)}</span>
                ))}
              </div>
            </td>
          </tr>
        );
      })}
      {between.length === 0 ? null : (
        <tr className="part">
          <th scope="row">in the rest</th>
          <td colSpan={3}>{between.map((item) => formatItem(item, find, muscles)).join("; ")}</td>
        </tr>
      )}
    </>
  );
}
