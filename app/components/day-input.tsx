import { getInputProps } from "@conform-to/react";
import Popover from "@mui/material/Popover";
import { lazy, Suspense, useId, useRef, useState } from "react";
import { flushSync } from "react-dom";
import { dayAt, instant, isDay, type Day } from "~/core/kernel/index.ts";
import { readTypedDay, readTypedTime } from "~/codec/typed-day.ts";
import { formatDay } from "~/format/numbers.ts";
import { FieldErrors, Labelled, type TextInput } from "./field.tsx";
import plain from "../theme/plain.module.css";

const Calendar = lazy(() => import("./calendar.tsx"));

type InputProps = Omit<
  React.ComponentProps<"input">,
  "value" | "defaultValue" | "onChange" | "ref"
>;

/** Nobody writes a day or a time longer than this. */
const LONGEST_TYPED = 40;

const shownAs = (value: string) => (isDay(value) ? formatDay(value) : value);

/** Today where whoever looks is. */
const todayHere = () =>
  dayAt(instant(Date.now()), Intl.DateTimeFormat().resolvedOptions().timeZone);

/**
 * A day, typed as people say it ("24 dec", "fri", "+7") or chosen from a calendar (arrow down), and shown as every
 * page shows it. A form sends what is shown, which its codec reads.
 */
export function DayInput({
  defaultValue = "",
  lies = "ahead",
  onDay,
  ...input
}: InputProps & {
  /** The day it begins with, or what was typed and refused. */
  readonly defaultValue?: string | undefined;
  /** Where a weekday without a date lies: on the next one, or on the last. */
  readonly lies?: "ahead" | "back";
  readonly onDay?: (day: Day) => void;
}) {
  const [text, setText] = useState(() => shownAs(defaultValue));
  const [isWrong, setWrong] = useState(false);
  const wrongId = useId();
  const [chosen, setChosen] = useState<Day | null | "closed">("closed");
  const frame = useRef<HTMLSpanElement>(null);
  const put = (day: Day) => {
    setText(formatDay(day));
    setWrong(false);
    onDay?.(day);
  };
  const read = () => (text.trim() === "" ? null : readTypedDay(text, todayHere(), lies));
  const commit = () => {
    const day = read();
    if (day !== null) put(day);
    else setWrong(text.trim() !== "");
  };
  return (
    <>
      <span ref={frame} className={plain.dayInput}>
        <input
          {...input}
          maxLength={LONGEST_TYPED}
          className={plain.frame}
          type="text"
          autoComplete="off"
          value={text}
          title="Type 24 dec, fri or +7; arrow down opens the calendar"
          aria-invalid={isWrong || input["aria-invalid"] === true ? true : undefined}
          aria-describedby={isWrong ? wrongId : input["aria-describedby"]}
          onChange={(event) => {
            setText(event.target.value);
            setWrong(false);
            // Whoever holds the value has it before the field is left, or is taken away.
            const day = readTypedDay(event.target.value, todayHere(), lies);
            if (day !== null) onDay?.(day);
          }}
          onBlur={commit}
          onKeyDown={(event) => {
            // The form that Enter sends has to find the day written out.
            if (event.key === "Enter") flushSync(commit);
            if (event.key !== "ArrowDown") return;
            event.preventDefault();
            setChosen(read());
          }}
        />
        <button
          type="button"
          tabIndex={-1}
          aria-label="Open the calendar"
          title="Calendar"
          onClick={() => setChosen(read())}
        >
          <svg viewBox="0 0 16 16" aria-hidden="true">
            <path d="M1.5 3.5h13v11h-13zM1.5 6.5h13M5 1v4M11 1v4" />
          </svg>
        </button>
      </span>
      <FieldErrors
        id={wrongId}
        errors={isWrong ? ["Not a day. Try 24 Dec, fri or +7."] : undefined}
      />
      {chosen === "closed" ? null : (
        <Popover
          open
          anchorEl={() => frame.current}
          anchorOrigin={{ vertical: "bottom", horizontal: "left" }}
          onClose={() => setChosen("closed")}
        >
          <Suspense fallback={<span className={plain.calendarLoading}>Loading …</span>}>
            <Calendar
              day={chosen}
              onDay={(day) => {
                put(day);
                setChosen("closed");
              }}
            />
          </Suspense>
        </Popover>
      )}
    </>
  );
}

/** A time of day on 24 hours, typed in any usual way ("1730", "5:30 pm"); blank where only the day is set. */
export function TimeInput({
  defaultValue = "",
  onTime,
  ...input
}: InputProps & {
  readonly defaultValue?: string | undefined;
  readonly onTime?: (time: string | null) => void;
}) {
  const [text, setText] = useState(defaultValue);
  const [isWrong, setWrong] = useState(false);
  const wrongId = useId();
  const commit = () => {
    const time = readTypedTime(text);
    setWrong(time === null && text.trim() !== "");
    if (time !== null) setText(time);
    if (time !== null || text.trim() === "") onTime?.(time);
  };
  return (
    <>
      <input
        {...input}
        className={plain.frame}
        type="text"
        maxLength={LONGEST_TYPED}
        autoComplete="off"
        placeholder="17:30"
        value={text}
        aria-invalid={isWrong || input["aria-invalid"] === true ? true : undefined}
        aria-describedby={isWrong ? wrongId : input["aria-describedby"]}
        onChange={(event) => {
          setText(event.target.value);
          setWrong(false);
          const time = readTypedTime(event.target.value);
          if (time !== null || event.target.value.trim() === "") onTime?.(time);
        }}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === "Enter") flushSync(commit);
        }}
      />
      <FieldErrors
        id={wrongId}
        errors={isWrong ? ["Not a time. Try 17:30 or 5:30 pm."] : undefined}
      />
    </>
  );
}

type FieldProps = Parameters<typeof TextInput>[0];

/** A day bound to a form field. */
export function DayField({
  field,
  label,
  hint,
  lies = "ahead",
}: Pick<FieldProps, "field" | "label" | "hint"> & { readonly lies?: "ahead" | "back" }) {
  const { key, defaultValue, ...input } = getInputProps(field, { type: "text" });
  return (
    <Labelled id={field.id} label={label} hint={hint} errors={field.errors}>
      <DayInput key={key} {...input} defaultValue={defaultValue} lies={lies} />
    </Labelled>
  );
}

/** A time of day bound to a form field. */
export function TimeField({ field, label }: Pick<FieldProps, "field" | "label">) {
  const { key, defaultValue, ...input } = getInputProps(field, { type: "text" });
  return (
    <Labelled id={field.id} label={label} errors={field.errors}>
      <TimeInput key={key} {...input} defaultValue={defaultValue} />
    </Labelled>
  );
}
