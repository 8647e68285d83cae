import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { lastDayOf, type Phase } from "~/core/phase/index.ts";
import { WEEK_KINDS } from "~/core/progress/index.ts";
import { formatShortDay } from "~/format/numbers.ts";
import { WEEK_KIND_NAMES } from "~/format/phase.ts";
import { PlainInput, Select } from "../../field.tsx";
import { Section } from "../../page.tsx";
import { Deed, type Of } from "./deed.tsx";

/** Every week of a phase: its kind, what it makes of each line, and weeks that come and go. */
export function Weeks({ document, of }: { readonly document: Phase; readonly of: Of }) {
  return (
    <Section
      title="Weeks"
      aside={<Typography variant="figure">{document.weeks.length}</Typography>}
    >
      {document.weeks.map((week, i) => (
        <Box
          key={`${of.revision} ${i}`}
          sx={{
            display: "flex",
            gap: 1,
            alignItems: "end",
            py: 0.75,
            borderBottom: 1,
            borderColor: "divider",
          }}
        >
          <Box sx={{ width: 74, flexShrink: 0 }}>
            <Typography variant="figure" component="div" sx={{ fontSize: "1.3rem" }}>
              {i + 1}
            </Typography>
            <Typography variant="body2" sx={{ color: "text.secondary" }}>
              to {formatShortDay(lastDayOf(document, i + 1))}
            </Typography>
          </Box>
          <Deed
            intent="week"
            of={of}
            hidden={{ week: i + 1 }}
            sx={{
              flexGrow: 1,
              display: "grid",
              gridTemplateColumns: "110px 64px 64px 72px minmax(0,1fr) auto",
              gap: 1,
              alignItems: "end",
            }}
          >
            <Select name="kind" aria-label={`Kind of week ${i + 1}`} defaultValue={week.kind}>
              {WEEK_KINDS.map((kind) => (
                <option key={kind} value={kind}>
                  {WEEK_KIND_NAMES[kind]}
                </option>
              ))}
            </Select>
            <Small name="sets" label="Sets ±" value={week.sets} of={i + 1} />
            <Small name="effort" label="RIR ±" value={week.effort} of={i + 1} />
            <Small name="load" label="Load %" value={Math.round(week.load * 100)} of={i + 1} />
            <label>
              <Typography variant="overline" sx={{ display: "block", lineHeight: 1.2 }}>
                Note
              </Typography>
              <PlainInput name="note" defaultValue={week.note} maxLength={200} />
            </label>
            <Button type="submit" size="small" variant="outlined" disabled={of.isBusy}>
              Save
            </Button>
          </Deed>
          <Deed intent="addWeek" of={of} hidden={{ after: i + 1 }}>
            <Button
              type="submit"
              size="small"
              sx={{ whiteSpace: "nowrap" }}
              disabled={of.isBusy}
              aria-label={`Add a week after week ${i + 1}`}
            >
              Add after
            </Button>
          </Deed>
          <Deed intent="removeWeek" of={of} hidden={{ week: i + 1 }}>
            <Button
              type="submit"
              size="small"
              disabled={of.isBusy || document.weeks.length === 1}
              aria-label={`Take week ${i + 1} out`}
            >
              Out
            </Button>
          </Deed>
        </Box>
      ))}
    </Section>
  );
}

function Small({
  name,
  label,
  value,
  of,
}: {
  readonly name: string;
  readonly label: string;
  readonly value: number;
  readonly of: number;
}) {
  return (
    <label>
      <Typography variant="overline" sx={{ display: "block", lineHeight: 1.2 }}>
        {label}
      </Typography>
      <PlainInput
        name={name}
        aria-label={`${label} of week ${of}`}
        inputMode="numeric"
        defaultValue={value}
        maxLength={4}
      />
    </label>
  );
}
