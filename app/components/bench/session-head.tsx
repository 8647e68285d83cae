import Box from "@mui/material/Box";
import { memo, useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import type { Id } from "~/core/kernel/index.ts";
import { formatDay } from "~/format/numbers.ts";
import { DayInput, TimeInput } from "../day-input.tsx";
import { PlainInput, Select } from "../field.tsx";
import type { Draft } from "./draft.ts";
import type { ReportInvalid } from "./typed-cell.tsx";
import bench from "./bench.module.css";

/** The title of a session, changed in place. */
export const SessionTitle = memo(function SessionTitle({
  title,
  onTitle,
  onInvalid,
}: {
  readonly title: string;
  readonly onTitle: (title: string) => void;
  readonly onInvalid: ReportInvalid;
}) {
  return (
    <InPlace shown={title.trim() === "" ? "No title yet" : title} about="Change the title">
      <PlainInput
        aria-label="Title"
        value={title}
        maxLength={80}
        onChange={(event) => {
          onInvalid(
            "head-title",
            event.target.value.trim() === "" ? "Title: expected a title." : null,
          );
          onTitle(event.target.value);
        }}
      />
    </InPlace>
  );
});

/** For whom a session is, and its day, time and gym, each changed in place. */
export const SessionWhere = memo(function SessionWhere({
  person,
  head,
  gyms,
  onHead,
}: {
  readonly person: { readonly id: Id<"person">; readonly name: string };
  readonly head: Draft["head"];
  readonly gyms: readonly { readonly id: Id<"gym">; readonly name: string }[];
  readonly onHead: (change: (head: Draft["head"]) => Draft["head"]) => void;
}) {
  return (
    <>
      <Link to={`/people/${person.id}`}>{person.name}</Link> ·{" "}
      <InPlace
        shown={`${formatDay(head.day)}${head.startTime === null ? "" : `, ${head.startTime}`}`}
        about="Change day and time"
      >
        <DayInput
          aria-label="Day"
          defaultValue={head.day}
          onDay={(day) => onHead((now) => ({ ...now, day }))}
        />
        <TimeInput
          aria-label="Time"
          defaultValue={head.startTime ?? ""}
          onTime={(startTime) => onHead((now) => ({ ...now, startTime }))}
        />
      </InPlace>{" "}
      ·{" "}
      <InPlace
        shown={gyms.find(({ id }) => id === head.gymId)?.name ?? "No gym"}
        about="Change the gym"
      >
        <Select
          aria-label="Gym"
          value={head.gymId}
          onChange={(event) => {
            const gym = gyms.find(({ id }) => id === event.target.value);
            if (gym !== undefined) onHead((now) => ({ ...now, gymId: gym.id }));
          }}
        >
          {gyms.map((gym) => (
            <option key={gym.id} value={gym.id}>
              {gym.name}
            </option>
          ))}
        </Select>
      </InPlace>
    </>
  );
});

/** A value that reads as text and is changed where it stands: a press opens its fields, leaving them closes them. */
function InPlace({
  shown,
  about,
  children,
}: {
  readonly shown: string;
  readonly about: string;
  readonly children: React.ReactNode;
}) {
  const [isOpen, setOpen] = useState(false);
  const fields = useRef<HTMLSpanElement>(null);
  const button = useRef<HTMLButtonElement>(null);
  /** Where the cursor goes once it has been drawn: into the fields, or back to what opened them. */
  const toFocus = useRef(false);
  useEffect(() => {
    if (!toFocus.current) return;
    toFocus.current = false;
    if (isOpen) fields.current?.querySelector<HTMLElement>("input, select")?.focus();
    else button.current?.focus();
  }, [isOpen]);
  const put = (opens: boolean, takesCursor: boolean) => {
    toFocus.current = takesCursor;
    setOpen(opens);
  };
  if (!isOpen) {
    return (
      <button
        ref={button}
        type="button"
        className={bench.inPlace}
        title={about}
        onClick={() => put(true, true)}
      >
        {shown}
      </button>
    );
  }
  return (
    <Box
      component="span"
      ref={fields}
      data-of-draft=""
      className={bench.inPlaceFields}
      onBlur={(event: React.FocusEvent) => {
        if (!event.currentTarget.contains(event.relatedTarget)) put(false, false);
      }}
      onKeyDown={(event: React.KeyboardEvent) => {
        if (event.key !== "Enter" && event.key !== "Escape") return;
        // Else the same press would open it again from the button that it leads back to.
        event.preventDefault();
        put(false, true);
      }}
    >
      {children}
    </Box>
  );
}
