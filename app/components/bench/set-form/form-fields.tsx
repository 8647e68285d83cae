import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { createContext, use } from "react";
import type { Typed } from "~/codec/typed-cells.ts";
import { parseMass, type Mass } from "~/core/kernel/index.ts";
import { formatAmount, formatMass } from "~/format/numbers.ts";
import { sentence } from "~/format/sentence.ts";
import { Select } from "../../field.tsx";
import { TypedCell, type ReportInvalid } from "../typed-cell.tsx";

/** Where the fields of a form stand, for their labels, and who hears what is not a value. */
export interface FormPlace {
  /** "set 2" */
  readonly of: string;
  readonly onInvalid: ReportInvalid;
}

export const FormPlaceContext = createContext<FormPlace>({ of: "", onInvalid: () => undefined });

/** A form below the row that it belongs to. */
export function FormFrame({ children }: { readonly children: React.ReactNode }) {
  const { of } = use(FormPlaceContext);
  return (
    <Box
      role="group"
      aria-label={`${sentence(of)} as a form`}
      sx={{
        display: "flex",
        flexWrap: "wrap",
        columnGap: 4,
        rowGap: 1.5,
        pl: 2,
        py: 1,
        my: 0.5,
        borderLeft: 4,
        borderColor: "kravo.iron",
      }}
    >
      {children}
    </Box>
  );
}

/** A titled group of small fields. */
export function Group({
  title,
  children,
}: {
  readonly title: string;
  readonly children: React.ReactNode;
}) {
  const { of } = use(FormPlaceContext);
  return (
    <Box role="group" aria-label={`${title} of ${of}`} sx={{ minWidth: 0 }}>
      <Typography variant="overline" component="p">
        {title}
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "flex-end" }}>
        {children}
      </Box>
    </Box>
  );
}

/** A field with its name above it. */
export function Small({
  label,
  children,
}: {
  readonly label: string;
  readonly children: React.ReactNode;
}) {
  return (
    <Box>
      <Typography variant="body2" aria-hidden sx={{ color: "text.secondary" }}>
        {label}
      </Typography>
      {children}
    </Box>
  );
}

interface CellProps<T> {
  readonly label: string;
  readonly value: T;
  readonly onValue: (value: T) => void;
}

/** Any value that is typed. */
export function Cell<T>({
  label,
  width = 64,
  ...cell
}: CellProps<T> & {
  readonly show: (value: T) => string;
  readonly read: (text: string) => Typed<T>;
  readonly width?: number;
  readonly placeholder?: string;
}) {
  const { of, onInvalid } = use(FormPlaceContext);
  return (
    <Small label={label}>
      <TypedCell label={`${label}, ${of}`} width={width} onInvalid={onInvalid} {...cell} />
    </Small>
  );
}

/** One of a list. */
export function Pick<T extends string>({
  label,
  value,
  options,
  onValue,
  width = 180,
}: CellProps<T> & {
  readonly options: readonly (readonly [T, string])[];
  readonly width?: number;
}) {
  const { of } = use(FormPlaceContext);
  return (
    <Box sx={{ width }}>
      <Small label={label}>
        <Select
          aria-label={`${label}, ${of}`}
          value={value}
          onChange={(event) => {
            const chosen = options.find(([known]) => known === event.target.value);
            if (chosen !== undefined) onValue(chosen[0]);
          }}
        >
          {options.map(([known, text]) => (
            <option key={known} value={known}>
              {text}
            </option>
          ))}
        </Select>
      </Small>
    </Box>
  );
}

/** Yes or no. */
export function Tick({ label, value, onValue }: CellProps<boolean>) {
  return (
    <Box component="label" sx={{ minHeight: 40, display: "flex", gap: 0.75, alignItems: "center" }}>
      <input type="checkbox" checked={value} onChange={(event) => onValue(event.target.checked)} />
      {label}
    </Box>
  );
}

/** A load as it is read at the station; none where it may be left out. */
export function Reading<M extends Mass | null = Mass>({
  label = "Reading",
  unit,
  isOptional = false,
  ...cell
}: Omit<CellProps<M>, "label"> & {
  readonly label?: string;
  readonly unit: Mass["unit"];
  readonly isOptional?: boolean;
}) {
  const read = (text: string): Typed<M> => {
    if (isOptional && text.trim() === "") return { ok: true, value: null as M };
    const mass = parseMass(text, unit);
    return mass.ok
      ? { ok: true, value: mass.value as M }
      : { ok: false, error: "Expected a load, like 82.5 or 45 lb." };
  };
  return (
    <Cell
      label={`${label}, ${unit}`}
      {...cell}
      width={86}
      show={(m) => (m === null ? "" : m.unit === unit ? formatAmount(m) : formatMass(m))}
      read={read}
      {...(isOptional ? { placeholder: "any" } : {})}
    />
  );
}
