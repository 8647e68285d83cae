import Box from "@mui/material/Box";
import OutlinedInput from "@mui/material/OutlinedInput";
import { memo } from "react";
import { type Id, isDay } from "~/core/kernel/index.ts";
import { Labelled, Select } from "../field.tsx";
import type { Draft } from "./draft.ts";
import type { ReportInvalid } from "./typed-cell.tsx";

/** Title, day, time and gym of the session. */
export const HeadFields = memo(function HeadFields({
  head,
  gyms,
  onChange,
  onInvalid,
}: {
  readonly head: Draft["head"];
  readonly gyms: readonly { readonly id: Id<"gym">; readonly name: string }[];
  readonly onChange: (head: Draft["head"]) => void;
  readonly onInvalid: ReportInvalid;
}) {
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "1fr 1fr", md: "1.3fr 1fr 0.8fr 1.3fr" },
        columnGap: 2,
      }}
    >
      <Labelled id="head-title" label="Title">
        <OutlinedInput
          id="head-title"
          fullWidth
          value={head.title}
          inputProps={{ maxLength: 80 }}
          onChange={(event) => {
            onInvalid(
              "head-title",
              event.target.value.trim() === "" ? "Title: expected a title." : null,
            );
            onChange({ ...head, title: event.target.value });
          }}
        />
      </Labelled>
      <Labelled id="head-day" label="Day">
        <OutlinedInput
          id="head-day"
          type="date"
          fullWidth
          value={head.day}
          onChange={(event) => {
            if (isDay(event.target.value)) onChange({ ...head, day: event.target.value });
          }}
        />
      </Labelled>
      <Labelled id="head-time" label="Time">
        <OutlinedInput
          id="head-time"
          type="time"
          fullWidth
          value={head.startTime ?? ""}
          onChange={(event) =>
            onChange({ ...head, startTime: event.target.value === "" ? null : event.target.value })
          }
        />
      </Labelled>
      <Labelled id="head-gym" label="Gym">
        <Select
          id="head-gym"
          value={head.gymId}
          onChange={(event) => {
            const gym = gyms.find((g) => g.id === event.target.value);
            if (gym !== undefined) onChange({ ...head, gymId: gym.id });
          }}
        >
          {gyms.map((gym) => (
            <option key={gym.id} value={gym.id}>
              {gym.name}
            </option>
          ))}
        </Select>
      </Labelled>
    </Box>
  );
});
