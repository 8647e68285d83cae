import {
  getInputProps,
  getSelectProps,
  getTextareaProps,
  type FieldMetadata,
} from "@conform-to/react";
import Box from "@mui/material/Box";
import OutlinedInput from "@mui/material/OutlinedInput";
import Typography from "@mui/material/Typography";
import { PASSWORD_HINT } from "~/format/account.ts";
import plain from "../theme/plain.module.css";

/** A label above, the control, and below it a hint or what is wrong. Used by every field of Kravo. */
export function Labelled({
  id,
  label,
  hint,
  errors,
  other,
  children,
}: {
  readonly id: string;
  readonly label: React.ReactNode;
  readonly hint?: React.ReactNode;
  readonly errors?: readonly string[] | undefined;
  /** What another edit put here meanwhile. */
  readonly other?: string | undefined;
  readonly children: React.ReactNode;
}) {
  return (
    <Box sx={{ mb: 2, minWidth: 0 }}>
      <Typography
        component="label"
        htmlFor={id}
        variant="overline"
        sx={{ display: "block", mb: 0.5 }}
      >
        {label}
      </Typography>
      {children}
      {hint === undefined ? null : (
        <Typography variant="body2" sx={{ color: "text.secondary", mt: 0.5 }}>
          {hint}
        </Typography>
      )}
      {other === undefined ? null : (
        <Typography
          variant="body2"
          sx={{ mt: 0.5, borderLeft: 3, pl: 1, borderColor: "kravo.warn" }}
        >
          Other edit: {other === "" ? "(empty)" : other}
        </Typography>
      )}
      <FieldErrors id={`${id}-error`} errors={errors} />
    </Box>
  );
}

export function FieldErrors({
  id,
  errors,
}: {
  readonly id: string;
  readonly errors?: readonly string[] | undefined;
}) {
  return (
    <Box id={id} role={errors === undefined ? undefined : "alert"}>
      {errors?.map((error) => (
        <Typography
          key={error}
          variant="body2"
          sx={{ color: "kravo.signal", fontWeight: 650, mt: 0.5 }}
        >
          ▸ {error}
        </Typography>
      ))}
    </Box>
  );
}

interface BoundProps<T> {
  readonly field: FieldMetadata<T>;
  readonly label: string;
  readonly hint?: React.ReactNode;
  readonly other?: string | undefined;
}

/** A line of text bound to a form field. */
export function TextInput({
  field,
  label,
  hint,
  other,
  type = "text",
  autoComplete,
  inputMode,
}: BoundProps<string | undefined> & {
  readonly type?: "text" | "email" | "password";
  readonly autoComplete?: string;
  readonly inputMode?: "decimal" | "numeric";
}) {
  const { key, defaultValue, ...input } = getInputProps(field, { type });
  return (
    <Labelled id={field.id} label={label} hint={hint} other={other} errors={field.errors}>
      <OutlinedInput
        key={key}
        fullWidth
        error={field.errors !== undefined}
        defaultValue={defaultValue ?? ""}
        inputProps={{ ...input, autoComplete, inputMode }}
      />
    </Labelled>
  );
}

/** A password that somebody chooses, with what makes a good one. */
export function NewPasswordInput({
  field,
  label = "Password",
}: {
  readonly field: BoundProps<string | undefined>["field"];
  readonly label?: string;
}) {
  return (
    <TextInput
      field={field}
      label={label}
      type="password"
      autoComplete="new-password"
      hint={PASSWORD_HINT}
    />
  );
}

/** Several lines of text bound to a form field. */
export function TextBox({
  field,
  label,
  hint,
  other,
  rows = 4,
}: BoundProps<string | undefined> & { readonly rows?: number }) {
  const { key, defaultValue, ...input } = getTextareaProps(field);
  return (
    <Labelled id={field.id} label={label} hint={hint} other={other} errors={field.errors}>
      <OutlinedInput
        key={key}
        fullWidth
        multiline
        minRows={rows}
        error={field.errors !== undefined}
        defaultValue={defaultValue ?? ""}
        inputProps={input}
      />
    </Labelled>
  );
}

/** A choice bound to a form field: the browser's own list, which works everywhere and by keyboard. */
export function Choice<T extends string>({
  field,
  label,
  hint,
  other,
  options,
}: BoundProps<T | undefined> & { readonly options: readonly (readonly [string, string])[] }) {
  const { key, defaultValue, ...select } = getSelectProps(field);
  return (
    <Labelled id={field.id} label={label} hint={hint} other={other} errors={field.errors}>
      <Select
        key={key}
        {...select}
        defaultValue={typeof defaultValue === "string" ? defaultValue : undefined}
      >
        {options.map(([value, text]) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </Select>
    </Labelled>
  );
}

/** The browser's own select in Kravo's frame. */
export function Select(props: React.ComponentProps<"select">) {
  return <select className={plain.frame} {...props} />;
}

/** The browser's own input in Kravo's frame, for forms that need no more. */
export function PlainInput(props: React.ComponentProps<"input">) {
  return <input className={plain.frame} {...props} />;
}

/** Boxes to tick, several at once. */
export function Ticks({
  title,
  name,
  chosen,
  options,
  errors,
  onToggle,
}: {
  readonly title?: string;
  readonly name: string;
  /** What is ticked: at first, or where `onToggle` is given, now. */
  readonly chosen: readonly string[];
  readonly options: readonly (readonly [string, string])[];
  readonly errors?: readonly string[] | undefined;
  readonly onToggle?: (value: string) => void;
}) {
  return (
    <Box role="group" aria-label={title ?? name} sx={{ mb: 2 }}>
      {title === undefined ? null : <Typography variant="overline">{title}</Typography>}
      <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 2, rowGap: 0.5 }}>
        {options.map(([value, text]) => (
          <Box
            key={value}
            component="label"
            sx={{ display: "flex", gap: 0.75, alignItems: "center" }}
          >
            <input
              type="checkbox"
              name={name}
              value={value}
              {...(onToggle === undefined
                ? { defaultChecked: chosen.includes(value) }
                : { checked: chosen.includes(value), onChange: () => onToggle(value) })}
            />
            {text}
          </Box>
        ))}
      </Box>
      <FieldErrors id={`${name}-error`} errors={errors} />
    </Box>
  );
}
