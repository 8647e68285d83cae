import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import OutlinedInput from "@mui/material/OutlinedInput";
import type { Movement } from "~/core/movement/index.ts";
import { ROUNDING_ROOM, SIDE_MODES, withChoice, type Slot } from "~/core/plan/index.ts";
import { TOWARDS, type Station } from "~/core/gym/index.ts";
import { formatRoom, TOWARDS_NAMES } from "~/format/loading-plan.ts";
import { formatSideMode } from "~/format/training.ts";
import type { ChangeSlot } from "./slot-actions.ts";
import { Labelled, Select } from "../field.tsx";
import { useMuscles } from "../wording.ts";

/** More places than this are no answer to where it should be felt. */
const MOST_FELT = 6;

const STARTS = ["lower", "lift"] as const;

/** What is set once for an exercise: station, sides, set-up, rounding, purpose and the note for the trainee. */
export function SlotDetails({
  slot,
  movement,
  stations,
  onChange,
}: {
  readonly slot: Slot;
  readonly movement: Movement | null;
  /** The stations of this gym that serve the movement. */
  readonly stations: readonly Station[];
  readonly onChange: ChangeSlot;
}) {
  const muscles = useMuscles();
  const side = formatSideMode(slot.sets[0]?.side ?? { kind: "both" });
  const setUp = (name: string, choice: string) =>
    onChange((now) => ({ ...now, setUp: withChoice(now.setUp, name, choice || null) }));
  const id = (field: string) => `${slot.id}-${field}`;
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr", md: "1fr 1fr 1fr" },
        columnGap: 2,
        pt: 1,
      }}
    >
      <Labelled id={id("station")} label="Equipment">
        <Select
          id={id("station")}
          value={slot.station}
          onChange={(event) => {
            const station = stations.find((s) => s.id === event.target.value);
            if (station !== undefined) onChange((now) => ({ ...now, station: station.id }));
          }}
        >
          {stations.some((s) => s.id === slot.station) ? null : (
            <option value={slot.station}>Not in this gym</option>
          )}
          {stations.map((station) => (
            <option key={station.id} value={station.id}>
              {station.name}
            </option>
          ))}
        </Select>
      </Labelled>
      <Labelled id={id("side")} label="Sides">
        <Select
          id={id("side")}
          value={side}
          onChange={(event) => {
            const chosen = SIDE_MODES.find((mode) => formatSideMode(mode) === event.target.value);
            if (chosen !== undefined)
              onChange((now) => ({
                ...now,
                sets: now.sets.map((set) => ({ ...set, side: chosen })),
              }));
          }}
        >
          {SIDE_MODES.map((mode) => (
            <option key={formatSideMode(mode)}>{formatSideMode(mode)}</option>
          ))}
        </Select>
      </Labelled>
      {movement?.setUp.map(({ name, choices, claimed }) => (
        <Labelled
          key={name}
          id={id(name)}
          label={name}
          {...(claimed === undefined ? {} : { hint: `Claimed by some, contested: ${claimed}` })}
        >
          <Select
            id={id(name)}
            value={slot.setUp[name] ?? ""}
            onChange={(event) => setUp(name, event.target.value)}
          >
            <option value="">Not stated</option>
            {choices.map((choice) => (
              <option key={choice}>{choice}</option>
            ))}
          </Select>
        </Labelled>
      ))}
      <Labelled id={id("start")} label="A rep begins by" hint="The order of its tempo.">
        <Select
          id={id("start")}
          value={slot.startsWith ?? ""}
          onChange={(event) => {
            const startsWith = STARTS.find((start) => start === event.target.value) ?? null;
            onChange((now) => ({ ...now, startsWith }));
          }}
        >
          <option value="">As the exercise</option>
          {STARTS.map((start) => (
            <option key={start} value={start}>
              {start === "lower" ? "lowering" : "lifting"}
            </option>
          ))}
        </Select>
      </Labelled>
      <Labelled id={id("towards")} label="Loads worked out become">
        <Select
          id={id("towards")}
          value={slot.rounding.towards}
          onChange={(event) => {
            const towards = TOWARDS.find((known) => known === event.target.value);
            if (towards !== undefined)
              onChange((now) => ({ ...now, rounding: { ...now.rounding, towards } }));
          }}
        >
          {TOWARDS.map((towards) => (
            <option key={towards} value={towards}>
              {TOWARDS_NAMES[towards]}
            </option>
          ))}
        </Select>
      </Labelled>
      <Labelled id={id("room")} label="and may be moved" hint="A load that is written stays.">
        <Select
          id={id("room")}
          value={String(slot.rounding.within)}
          onChange={(event) => {
            const within = ROUNDING_ROOM.find((known) => String(known) === event.target.value);
            if (within !== undefined)
              onChange((now) => ({ ...now, rounding: { ...now.rounding, within } }));
          }}
        >
          {ROUNDING_ROOM.map((within) => (
            <option key={within} value={String(within)}>
              {formatRoom(within)}
            </option>
          ))}
        </Select>
      </Labelled>
      <Labelled id={id("purpose")} label="Purpose">
        <OutlinedInput
          id={id("purpose")}
          fullWidth
          value={slot.purpose}
          inputProps={{ maxLength: 300 }}
          onChange={(event) => onChange((now) => ({ ...now, purpose: event.target.value }))}
        />
      </Labelled>
      <Box component="fieldset" sx={{ border: 0, p: 0, m: 0, mb: 2, minWidth: 0 }}>
        <Typography component="legend" variant="overline" sx={{ p: 0, mb: 0.5 }}>
          Should be felt in
        </Typography>
        {movement?.regions.map(({ region }) => (
          <Box component="label" key={region} sx={{ display: "flex", gap: 0.75 }}>
            <input
              type="checkbox"
              checked={slot.feltIn.includes(region)}
              onChange={(event) => {
                const isFelt = event.target.checked;
                onChange((now) => ({
                  ...now,
                  feltIn: isFelt
                    ? [...now.feltIn, region].slice(0, MOST_FELT)
                    : now.feltIn.filter((r) => r !== region),
                }));
              }}
            />
            {muscles.label[region]}
          </Box>
        ))}
      </Box>
      <Labelled id={id("note")} label="Note to the client">
        <OutlinedInput
          id={id("note")}
          fullWidth
          value={slot.notes.trainee}
          inputProps={{ maxLength: 2000 }}
          onChange={(event) =>
            onChange((now) => ({ ...now, notes: { ...now.notes, trainee: event.target.value } }))
          }
        />
      </Labelled>
      <Labelled id={id("coach")} label="Note to the coach">
        <OutlinedInput
          id={id("coach")}
          fullWidth
          value={slot.notes.coach}
          inputProps={{ maxLength: 2000 }}
          onChange={(event) =>
            onChange((now) => ({ ...now, notes: { ...now.notes, coach: event.target.value } }))
          }
        />
      </Labelled>
      <Labelled id={id("optional")} label="In this session">
        <Select
          id={id("optional")}
          value={slot.optional ? "optional" : "always"}
          onChange={(event) =>
            onChange((now) => ({ ...now, optional: event.target.value === "optional" }))
          }
        >
          <option value="always">Always done</option>
          <option value="optional">Optional</option>
        </Select>
      </Labelled>
    </Box>
  );
}
