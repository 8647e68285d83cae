import { useContext } from "react";
import { Link } from "react-router";
import { steady } from "../steady.ts";
import { BenchPlaceContext } from "./bench-context.ts";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";

/** Which exercise it is, and what can be done with it as a whole. */
export const SlotHead = steady(function SlotHead({
  name,
  number,
  about,
  onMove,
  onSwap,
  onRemove,
}: {
  readonly name: string;
  readonly number: number;
  /** Station, how its readings are meant, and how long it takes. */
  readonly about: string;
  readonly onMove: (by: -1 | 1) => void;
  /** Opens the substitutes, where there are any to choose from. */
  readonly onSwap?: () => void;
  readonly onRemove: () => void;
}) {
  return (
    <div className={plain.row}>
      <h2>
        <span className={plain.soft}>{number}</span>
        {name}
      </h2>
      <p className={`${plain.text} ${plain.soft} ${plain.grow}`}>{about}</p>
      <div>
        <HeadButton onClick={() => onMove(-1)} label={`Move ${name} up`}>
          ↑
        </HeadButton>
        <HeadButton onClick={() => onMove(1)} label={`Move ${name} down`}>
          ↓
        </HeadButton>
        {onSwap === undefined ? null : (
          <HeadButton onClick={onSwap} label={`Swap ${name}`}>
            Swap
          </HeadButton>
        )}
        <HeadButton onClick={onRemove} label={`Remove ${name}`}>
          Remove
        </HeadButton>
      </div>
    </div>
  );
});

function HeadButton({
  label,
  onClick,
  children,
}: {
  readonly label: string;
  readonly onClick: () => void;
  readonly children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      className={`${plain.smallButton} ${bench.headButton}`}
      aria-label={label}
      onClick={onClick}
    >
      {children}
    </button>
  );
}

/** What was done last time, what that says of strength, and where to ask when more will come. */
export const LastTime = steady(function LastTime({
  last,
  strength,
  at,
}: {
  readonly last: string;
  readonly strength: string | null;
  /** The exercise at its equipment, as `lastKey` names it. */
  readonly at: string;
}) {
  const { person } = useContext(BenchPlaceContext);
  return (
    <p className={`${plain.text} ${bench.lastTime}`}>
      <span className={plain.soft}>Last time: </span>
      {last}
      {strength === null ? null : <span className={plain.soft}> · {strength}</span>}
      {person === null ? null : (
        <>
          {" · "}
          <Link to={`/people/${person}/when?at=${encodeURIComponent(at)}`}>Project a load</Link>
        </>
      )}
    </p>
  );
});
