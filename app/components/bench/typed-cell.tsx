import Box from "@mui/material/Box";
import { useEffect, useId, useState } from "react";
import type { Typed } from "~/codec/typed-cells.ts";
import { useAlive } from "./use-alive.ts";

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

/** A cell that is typed into. What was typed stays until it is a value or is taken back. */
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
  const shown = show(value);
  const [text, setText] = useState(shown);
  const [error, setError] = useState<string | null>(null);
  const [isEditing, setEditing] = useState(false);

  useEffect(() => {
    if (!isEditing && error === null) setText(shown);
  }, [shown, isEditing, error]);
  useEffect(() => () => onInvalid(id, null), [id, onInvalid]);

  const type = (next: string) => {
    setText(next);
    const parsed = read(next);
    setError(parsed.ok ? null : parsed.error);
    onInvalid(id, parsed.ok ? null : `${label}: ${parsed.error}`);
    if (!parsed.ok || show(parsed.value) === shown) return;
    onValue(parsed.value);
  };

  return (
    <div className="cell" style={{ width }}>
      <input
        aria-label={label}
        aria-invalid={error !== null || invalid}
        aria-describedby={error === null ? undefined : `${id}-error`}
        value={text}
        readOnly={!isAlive}
        placeholder={placeholder}
        onFocus={(event) => {
          setEditing(true);
          event.target.select();
        }}
        onBlur={() => {
          setEditing(false);
          if (error === null) setText(shown);
        }}
        onChange={(event) => type(event.target.value)}
      />
      {error === null ? null : (
        <Box
          id={`${id}-error`}
          role="alert"
          sx={{ color: "kravo.signal", fontWeight: 650, fontSize: "0.8rem", minWidth: 120 }}
        >
          {error}
        </Box>
      )}
    </div>
  );
}
