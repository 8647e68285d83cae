import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Id } from "~/core/kernel/index.ts";
import { inOrder, type Phase } from "~/core/phase/index.ts";
import { WEEKDAYS } from "~/format/phase.ts";
import { PlainInput, Select } from "../../field.tsx";
import { Section } from "../../page.tsx";
import { Deed, type Of } from "./deed.tsx";

/** The days of training of a phase, and one more from a template or session. */
export function Days({
  document,
  gyms,
  sources,
  of,
}: {
  readonly document: Phase;
  readonly gyms: readonly { readonly id: Id<"gym">; readonly name: string }[];
  readonly sources: readonly { readonly value: string; readonly text: string }[];
  readonly of: Of;
}) {
  const free = WEEKDAYS.map((text, i) => ({ text, weekday: i + 1 })).filter(
    ({ weekday }) => !document.days.some((day) => day.weekday === weekday),
  );
  const gymField = (own?: string) => (
    <Select name="gymId" aria-label="Gym" defaultValue={own}>
      {gyms.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </Select>
  );
  return (
    <Section title="Days">
      {inOrder(document).map((day) => (
        <Box
          key={`${of.revision} ${day.id}`}
          sx={{
            display: "flex",
            gap: 1,
            alignItems: "end",
            py: 1,
            borderBottom: 1,
            borderColor: "divider",
          }}
        >
          <Deed
            intent="day"
            of={of}
            hidden={{ day: day.id }}
            sx={{
              flexGrow: 1,
              display: "grid",
              gridTemplateColumns: "1fr 2fr 90px 1.4fr auto",
              gap: 1,
              alignItems: "end",
            }}
          >
            <Select name="weekday" aria-label="Weekday" defaultValue={day.weekday}>
              {WEEKDAYS.map((text, i) => (
                <option key={text} value={i + 1}>
                  {text}
                </option>
              ))}
            </Select>
            <PlainInput
              name="title"
              aria-label="Title"
              defaultValue={day.title}
              maxLength={80}
              required
            />
            <PlainInput
              name="startTime"
              aria-label="Time"
              placeholder="17:30"
              defaultValue={day.startTime ?? ""}
              maxLength={5}
            />
            {gymField(day.gymId)}
            <Button type="submit" size="small" variant="outlined" disabled={of.isBusy}>
              Save
            </Button>
          </Deed>
          <Deed intent="removeDay" of={of} hidden={{ day: day.id }}>
            <Button
              type="submit"
              size="small"
              disabled={of.isBusy || document.days.length === 1}
              aria-label={`Drop ${day.title}`}
            >
              Drop
            </Button>
          </Deed>
        </Box>
      ))}
      {free.length === 0 || sources.length === 0 ? null : (
        <Deed
          intent="addDay"
          of={of}
          sx={{
            display: "grid",
            gridTemplateColumns: "1fr 2fr 1.4fr auto",
            gap: 1,
            alignItems: "end",
            py: 1,
          }}
        >
          <Select name="weekday" aria-label="Weekday of the new day">
            {free.map(({ text, weekday }) => (
              <option key={weekday} value={weekday}>
                {text}
              </option>
            ))}
          </Select>
          <Select name="source" aria-label="Session of the new day">
            {sources.map(({ value, text }) => (
              <option key={value} value={value}>
                {text}
              </option>
            ))}
          </Select>
          {gymField(document.days[0]?.gymId)}
          <Button type="submit" size="small" variant="outlined" disabled={of.isBusy}>
            Add day
          </Button>
        </Deed>
      )}
    </Section>
  );
}
