import { parseRest, writeRest, type NotationContext } from "~/core/plan/notation/index.ts";
import { roundsOf, type RotationBlock, type RotationRests } from "~/core/plan/index.ts";
import { formatRotation } from "~/format/training.ts";
import { readTyped } from "./read-typed.ts";
import { TypedCell, type ReportInvalid } from "./typed-cell.tsx";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";

/** Exercises done as a superset, framed together, with the rests that stand in for the sets' own. */
export function RotationFrame({
  block,
  notation,
  onRests,
  onSplit,
  onInvalid,
  children,
}: {
  readonly block: RotationBlock;
  readonly notation: NotationContext;
  readonly onRests: (rests: RotationRests) => void;
  readonly onSplit: () => void;
  readonly onInvalid: ReportInvalid;
  readonly children: React.ReactNode;
}) {
  const rounds = roundsOf(block);
  const name = formatRotation(block.members.length);
  const { restBetween, restAfterRound } = block;
  const read = (text: string) => readTyped(parseRest(text, notation));
  return (
    <section aria-label={name} className={bench.rotation}>
      <div className={bench.rotationHead}>
        <h2 className={plain.smallHeading}>
          {name}, {rounds} {rounds === 1 ? "round" : "rounds"}
        </h2>
        <span>
          rest between{" "}
          <TypedCell
            label="Rest between members"
            value={restBetween}
            show={writeRest}
            read={read}
            onValue={(to) => onRests({ restBetween: to, restAfterRound })}
            onInvalid={onInvalid}
            width={64}
          />
        </span>
        <span>
          after a round{" "}
          <TypedCell
            label="Rest after a round"
            value={restAfterRound}
            show={writeRest}
            read={read}
            onValue={(to) => onRests({ restBetween, restAfterRound: to })}
            onInvalid={onInvalid}
            width={64}
          />
        </span>
        <button type="button" className={plain.smallButton} onClick={onSplit}>
          Split
        </button>
      </div>
      {children}
    </section>
  );
}
