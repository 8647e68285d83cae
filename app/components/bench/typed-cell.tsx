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
    if (parsed.ok && show(parsed.value) !== shown) onValue(parsed.value);
  };

  return (
    <Box sx={{ width, display: "inline-block", position: "relative" }}>
      <Box
        component="input"
        aria-label={label}
        aria-invalid={error !== null || invalid}
        aria-describedby={error === null ? undefined : `${id}-error`}
        value={text}
        readOnly={!isAlive}
        placeholder={placeholder}
        onFocus={(event: React.FocusEvent<HTMLInputElement>) => {
          setEditing(true);
          event.target.select();
        }}
        onBlur={() => {
          setEditing(false);
          if (error === null) setText(show(value));
        }}
        onChange={(event: React.ChangeEvent<HTMLInputElement>) => type(event.target.value)}
        sx={{
          width: "100%",
          minHeight: 40,
          px: 0.75,
          border: 1,
          borderColor: error !== null || invalid ? "kravo.signal" : "kravo.edge",
          borderWidth: error !== null || invalid ? 2 : 1,
          borderRadius: "2px",
          backgroundColor: "kravo.sheet",
          color: "text.primary",
          fontFamily: (t) => t.typography.figure.fontFamily,
          fontVariantNumeric: "tabular-nums",
          fontWeight: 700,
          fontSize: "1.2rem",
          "&::placeholder": { color: "text.secondary", fontWeight: 500, opacity: 1 },
        }}
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
    </Box>
  );
}
