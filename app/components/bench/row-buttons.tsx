import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";

/** What can be done with a part of a session as a whole. */
export function RowButtons({
  name,
  next = null,
  onMove,
  onJoin,
  onSwap,
  onRemove,
}: {
  readonly name: string;
  /** The name of the exercise after it, which it can be supersetted with. */
  readonly next?: string | null;
  readonly onMove: (by: -1 | 1) => void;
  readonly onJoin?: () => void;
  /** Opens the substitutes, where there are any to choose from. */
  readonly onSwap?: () => void;
  readonly onRemove: () => void;
}) {
  return (
    <div className={bench.rowButtons}>
      <RowButton onClick={() => onMove(-1)} label={`Move ${name} up`} keys="Alt and arrow up">
        ↑
      </RowButton>
      <RowButton onClick={() => onMove(1)} label={`Move ${name} down`} keys="Alt and arrow down">
        ↓
      </RowButton>
      {next === null || onJoin === undefined ? null : (
        <RowButton
          onClick={onJoin}
          label={`Superset ${name} with ${next}`}
          keys={`With ${next}; Alt and J there does the same`}
        >
          Superset
        </RowButton>
      )}
      {onSwap === undefined ? null : (
        <RowButton onClick={onSwap} label={`Swap ${name}`} keys="Alt and S">
          Swap
        </RowButton>
      )}
      <RowButton onClick={onRemove} label={`Remove ${name}`} keys="Alt and Delete">
        Remove
      </RowButton>
    </div>
  );
}

function RowButton({
  label,
  keys,
  onClick,
  children,
}: {
  readonly label: string;
  /** What does the same from anywhere in the row. */
  readonly keys: string;
  readonly onClick: () => void;
  readonly children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      className={`${plain.smallButton} ${bench.headButton}`}
      aria-label={label}
      title={keys}
      onClick={onClick}
    >
      {children}
    </button>
  );
}
