import { useRef } from "react";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";

/** The id on the page of what is open of an exercise or a block. */
export const rowBodyId = (of: string) => `${of}-body`;

/** What a row says while it is closed, and at its head while it is open. */
export interface RowHead {
  /** "3a"; null for what is no exercise. */
  readonly number: string | null;
  readonly name: string;
  /** What it is done at. */
  readonly about: string;
  /** What is done, as one line. */
  readonly line: React.ReactNode;
  readonly minutes: string;
  /** "3 sets"; empty where there are none. */
  readonly sets: string;
}

/** What is wrong in a row, which is seen while it is closed. */
export interface RowTrouble {
  readonly text: string;
  readonly blocks: boolean;
}

/**
 * A part of a session: one line while it is closed, worked on where it is open. Enter opens it, Escape closes it; one
 * that holds what cannot be read stays open.
 */
export function Row({
  id,
  label,
  head,
  trouble,
  isOpen,
  onOpen,
  onClose,
  onSwap,
  onRemove,
  children,
}: {
  /** Of the exercise or the block. */
  readonly id: string;
  /** How it is called: "3a. Back squat". */
  readonly label: string;
  readonly head: RowHead;
  readonly trouble: RowTrouble | null;
  readonly isOpen: boolean;
  /** Done by Escape, from anywhere in it. */
  readonly onClose: () => void;
  /** Opens it or closes it; `byKey` where a key did, so that the cursor goes inside. */
  readonly onOpen: (byKey: boolean) => void;
  /** Done by Alt and S, from anywhere in it. */
  readonly onSwap?: () => void;
  /** Done by Alt and Delete, from anywhere in it. */
  readonly onRemove: () => void;
  readonly children: React.ReactNode;
}) {
  const button = useRef<HTMLButtonElement>(null);
  const classes = [
    bench.exercise,
    ...(isOpen ? [bench.opened] : []),
    ...(trouble === null ? [] : [trouble.blocks ? bench.blocked : bench.noted]),
  ];
  return (
    <section
      className={classes.join(" ")}
      aria-label={label}
      onKeyDown={(event) => {
        if (event.defaultPrevented) return;
        if (event.key === "Escape" && isOpen) {
          button.current?.focus();
          onClose();
        } else if (event.altKey && event.code === "KeyS" && onSwap !== undefined) onSwap();
        else if (event.altKey && event.key === "Delete") onRemove();
        else return;
        event.preventDefault();
      }}
    >
      <h2 className={bench.rowHead}>
        <button
          ref={button}
          type="button"
          className={bench.rowButton}
          aria-expanded={isOpen}
          title={isOpen ? "Escape closes" : "Enter opens; Alt and an arrow move it"}
          onClick={(event) => onOpen(event.detail === 0)}
        >
          <span className={bench.rowNumber}>{head.number}</span>
          <span className={bench.rowName}>
            {head.name}
            <span>{head.about}</span>
          </span>
          <span className={bench.rowLine}>{head.line}</span>
          <span className={bench.rowMinutes}>{head.minutes}</span>
          <span className={bench.rowSets}>{head.sets}</span>
        </button>
      </h2>
      {trouble === null || isOpen ? null : (
        <p className={`${plain.text} ${bench.rowTrouble}`}>
          {trouble.blocks ? "Cannot be trained: " : "Note: "}
          {trouble.text}
        </p>
      )}
      {isOpen ? (
        <div id={rowBodyId(id)} className={bench.rowBody}>
          {children}
        </div>
      ) : null}
    </section>
  );
}
