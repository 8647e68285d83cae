import { startTransition, useEffect, useId, useState } from "react";
import type { Typed } from "~/codec/typed-cells.ts";
import { OwnForm } from "./own-form.tsx";
import { isUndo, useAfterUndo } from "./use-after-undo.ts";
import { useAlive } from "./use-alive.ts";
import plain from "../../theme/plain.module.css";

/** Tells the bench which cells hold something that is not a value, so that it is not saved over. */
export type ReportInvalid = (cell: string, message: string | null) => void;

interface TypedCellProps<T> {
  readonly label: string;
  readonly value: T;
  readonly show: (value: T) => string;
  readonly read: (text: string) => Typed<T>;
  readonly onValue: (value: T) => void;
  readonly onInvalid: ReportInvalid;
  readonly width: number | string;
  readonly placeholder?: string;
  readonly invalid?: boolean;
}

/**
 * A cell that is typed into. What is typed stands at once, what follows from it may wait for the next letter;
 * what is no value stays until it is one or is taken back.
 */
export function TypedCell<T>({
  label,
  value,
  show,
  read,
  onValue,
  onInvalid,
  width,
  placeholder,
  invalid = false,
}: TypedCellProps<T>) {
  const id = useId();
  const isAlive = useAlive();
  /** The text while it is typed, or as long as it is no value. */
  const [typed, setTyped] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  useEffect(() => () => onInvalid(id, null), [id, onInvalid]);
  const forget = () => {
    setTyped(null);
    setError(null);
    onInvalid(id, null);
  };
  useAfterUndo(forget);

  const type = (next: string) => {
    setTyped(next);
    const parsed = read(next);
    setError(parsed.ok ? null : parsed.error);
    onInvalid(id, parsed.ok ? null : `${label}: ${parsed.error}`);
    if (parsed.ok) startTransition(() => onValue(parsed.value));
  };

  return (
    <OwnForm className={plain.cell} style={{ width }}>
      <input
        aria-label={label}
        aria-invalid={error !== null || invalid}
        aria-describedby={error === null ? undefined : `${id}-error`}
        value={typed ?? show(value)}
        title={show(value)}
        readOnly={!isAlive}
        placeholder={placeholder}
        onFocus={(event) => event.target.select()}
        onBlur={() => {
          // With what was typed, or after it: the value it had before is not to be seen once more.
          if (error === null) startTransition(() => setTyped(null));
        }}
        onKeyDown={(event) => {
          if (!isUndo(event) || error === null) return;
          forget();
          event.preventDefault();
        }}
        onChange={(event) => type(event.target.value)}
      />
      {error === null ? null : (
        <div id={`${id}-error`} role="alert" className={plain.cellError}>
          {error}
        </div>
      )}
    </OwnForm>
  );
}
